<script setup lang="ts" generic="T extends string | number | boolean">
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'

/** One of a few, all of them seen. `line` marks the chosen one with a line where a box would be too loud. */
const props = defineProps<{
  label: string
  options: readonly { readonly value: T; readonly label: string }[]
  look?: 'line' | 'list'
  big?: boolean
  disabled?: boolean
}>()
/** undefined while nothing has been chosen */
const model = defineModel<T | undefined>({ required: true })

// the control takes '' and false for nothing chosen, so it is given places in the list instead of values
const places = computed(() => props.options.map(({ label }, place) => ({ label, place })))
const place = computed({
  get: () => props.options.findIndex(({ value }) => value === model.value),
  set: (chosen: number) => {
    const option = props.options[chosen]
    if (option) model.value = option.value
  },
})
</script>

<template>
  <SelectButton
    v-model="place"
    class="segments"
    :class="[look, { big }]"
    :options="places"
    option-label="label"
    option-value="place"
    :allow-empty="false"
    :disabled="disabled ?? false"
    :aria-label="label"
  />
</template>
