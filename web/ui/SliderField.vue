<script setup lang="ts">
import Slider from 'primevue/slider'
import { useId } from 'vue'

/** A number that is found by sliding: its name, what it stands at, and the rail under both. */
withDefaults(
  defineProps<{
    label: string
    min: number
    max: number
    step: number
    /** the number as it is written, with its unit; also what is read out */
    written?: string
    disabled?: boolean
  }>(),
  { written: '', disabled: false },
)
const model = defineModel<number>({ required: true })
const id = useId()
</script>

<template>
  <div class="slider-field">
    <span :id="id">{{ label }}</span>
    <output v-if="written" class="num">{{ written }}</output>
    <Slider
      v-model="model"
      class="slider no-print"
      :min="min"
      :max="max"
      :step="step"
      :disabled="disabled"
      :aria-labelledby="id"
      :pt="{ handle: { 'aria-valuetext': written || String(model) } }"
    />
  </div>
</template>
