<script setup lang="ts">
import Popover from 'primevue/popover'
import { computed, ref, useTemplateRef } from 'vue'
import AppButton from './AppButton.vue'
import { glossaryPieces } from './glossary'

/** A sentence whose words of the trade say on a touch what they mean. */
const props = defineProps<{ text: string }>()
const pieces = computed(() => glossaryPieces(props.text))
const term = ref('burr')
const popover = useTemplateRef<{ show: (event: Event) => void }>('popover')
function explain(event: Event, asked: string): void {
  term.value = asked
  popover.value?.show(event)
}
</script>

<template>
  <template v-for="(piece, at) in pieces" :key="at"
    ><AppButton v-if="piece.term" kind="bare" class="term" @click="explain($event, piece.term)">{{
      piece.text
    }}</AppButton
    ><template v-else>{{ piece.text }}</template></template
  >
  <Popover ref="popover">
    <p>
      <b>{{ $t(`glossary.${term}.word`) }}</b>
    </p>
    <p>{{ $t(`glossary.${term}.means`) }}</p>
  </Popover>
</template>
