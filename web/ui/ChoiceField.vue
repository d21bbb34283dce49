<script setup lang="ts" generic="T extends string | number | null">
import Select from 'primevue/select'
import { computed, useId } from 'vue'

const props = defineProps<{
  label: string
  options: readonly { readonly value: T; readonly label: string }[]
  hint?: string | undefined
  wrong?: string | undefined
}>()
const model = defineModel<T>({ required: true })
const id = useId()

// the control takes '' and null for nothing chosen, so it is given places in the list instead of values
const places = computed(() => props.options.map(({ label }, place) => ({ label, place })))
const place = computed({
  get: () => props.options.findIndex((option) => option.value === model.value),
  set: (chosen: number) => {
    const option = props.options[chosen]
    if (option) model.value = option.value
  },
})
</script>

<template>
  <div class="field">
    <span :id="id" class="label">{{ label }}</span>
    <Select v-model="place" :options="places" option-label="label" option-value="place" :aria-labelledby="id">
      <template #dropdownicon
        ><svg width="12" height="8" aria-hidden="true">
          <path d="M1 1l5 5 5-5" fill="none" stroke="currentColor" stroke-width="2" /></svg
      ></template>
    </Select>
    <span v-if="wrong" class="wrong">{{ wrong }}</span>
    <span v-else-if="hint" class="hint">{{ hint }}</span>
  </div>
</template>
