<script setup lang="ts" generic="T extends string | number | null">
import Select from 'primevue/select'
import { computed, useId } from 'vue'
import FieldFrame from './FieldFrame.vue'

const props = defineProps<{
  label: string
  options: readonly { readonly value: T; readonly label: string }[]
  name?: string | undefined
  /** many options: a line to type in narrows them */
  searchable?: boolean
  hint?: string | undefined
  wrong?: string | undefined
}>()
const model = defineModel<T>({ required: true })
const id = useId()
const OPTION_PX = 42

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
  <FieldFrame v-slot="{ describedBy, isWrong }" :label-id="id" :label="label" :name="name" :hint="hint" :wrong="wrong">
    <Select
      v-model="place"
      :options="places"
      option-label="label"
      option-value="place"
      :filter="searchable ?? false"
      reset-filter-on-hide
      v-bind="searchable ? { virtualScrollerOptions: { itemSize: OPTION_PX } } : {}"
      :invalid="isWrong"
      :aria-labelledby="id"
      :aria-describedby="describedBy"
    >
      <template #dropdownicon><span class="pi pi-chevron-down" aria-hidden="true" /></template>
    </Select>
  </FieldFrame>
</template>
