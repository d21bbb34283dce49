<script setup lang="ts">
import { computed, inject, onScopeDispose, useId } from 'vue'
import { FORM_FAULTS } from './formFaults'

/** What every field has around its control: its name above, and below what is wrong with it or what helps. */
const props = defineProps<{
  label: string
  /** of the control the label is for; without it the label only names a group */
  inputId?: string
  labelId?: string
  /** where the field stands in what its form sends */
  name?: string | undefined
  hint?: string | undefined
  wrong?: string | undefined
}>()
defineSlots<{ default: (control: { describedBy: string; isWrong: boolean }) => unknown }>()
const describedBy = useId()
const form = inject(FORM_FAULTS, null)
if (form && props.name !== undefined) {
  const { name } = props
  form.places.add(name)
  onScopeDispose(() => form.places.delete(name))
}
const fault = computed(() => props.wrong ?? (props.name === undefined ? undefined : form?.faults.value[props.name]))
</script>

<template>
  <div class="field">
    <component :is="inputId ? 'label' : 'span'" :id="labelId" class="label" :for="inputId">{{ label }}</component>
    <slot :described-by="describedBy" :is-wrong="Boolean(fault)" />
    <span :id="describedBy">
      <span v-if="fault" class="wrong">{{ fault }}</span>
      <span v-else-if="hint" class="hint">{{ hint }}</span>
    </span>
  </div>
</template>
