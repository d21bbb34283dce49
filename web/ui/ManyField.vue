<script setup lang="ts" generic="T extends string">
import MultiSelect from 'primevue/multiselect'
import { useId } from 'vue'
import FieldFrame from './FieldFrame.vue'

/** A choice of several from a list; none chosen means all, and `all` says so. */
defineProps<{
  label: string
  all: string
  options: readonly { readonly value: T; readonly label: string }[]
}>()
const model = defineModel<readonly T[]>({ required: true })
const id = useId()
</script>

<template>
  <FieldFrame v-slot="{ describedBy }" :label-id="id" :label="label">
    <MultiSelect
      :model-value="[...model]"
      :options="[...options]"
      option-label="label"
      option-value="value"
      :placeholder="all"
      :show-toggle-all="false"
      :aria-labelledby="id"
      :aria-describedby="describedBy"
      @update:model-value="model = $event"
    >
      <template #dropdownicon><span class="pi pi-chevron-down" aria-hidden="true" /></template>
    </MultiSelect>
  </FieldFrame>
</template>
