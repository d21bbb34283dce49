<script setup lang="ts">
import Accordion from 'primevue/accordion'
import AccordionContent from 'primevue/accordioncontent'
import AccordionHeader from 'primevue/accordionheader'
import AccordionPanel from 'primevue/accordionpanel'
import { computed } from 'vue'

/** Something that is there for who wants it: its title opens and closes it. */
defineProps<{ title: string }>()
const opened = defineModel<boolean>('opened', { default: false })
const place = computed({
  get: () => (opened.value ? '0' : null),
  set: (value) => {
    opened.value = value === '0'
  },
})
</script>

<template>
  <Accordion v-model:value="place">
    <AccordionPanel value="0">
      <AccordionHeader>
        <template #toggleicon>
          <span
            class="pi fold-mark"
            :class="place === '0' ? 'pi-chevron-down' : 'pi-chevron-right'"
            aria-hidden="true"
          />
        </template>
        {{ title }}
      </AccordionHeader>
      <AccordionContent><slot /></AccordionContent>
    </AccordionPanel>
  </Accordion>
</template>
