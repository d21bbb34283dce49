<script setup lang="ts" generic="T extends string | number | null">
import Select from 'primevue/select'
import { useId } from 'vue'

defineProps<{
  label: string
  options: readonly { readonly value: T; readonly label: string }[]
  hint?: string | undefined
  wrong?: string | undefined
}>()
const model = defineModel<T>({ required: true })
const id = useId()
</script>

<template>
  <div class="field">
    <span :id="id" class="label">{{ label }}</span>
    <Select v-model="model" :options="[...options]" option-label="label" option-value="value" :aria-labelledby="id">
      <template #dropdownicon><svg width="12" height="8" aria-hidden="true"><path d="M1 1l5 5 5-5" fill="none" stroke="currentColor" stroke-width="2" /></svg></template>
    </Select>
    <span v-if="wrong" class="wrong">{{ wrong }}</span>
    <span v-else-if="hint" class="hint">{{ hint }}</span>
  </div>
</template>
