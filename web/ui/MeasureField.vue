<script setup lang="ts">
import InputGroup from 'primevue/inputgroup'
import InputGroupAddon from 'primevue/inputgroupaddon'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { locale } from '../spoken'
import { useSession } from '../stores/session'
import FieldFrame from './FieldFrame.vue'

const props = defineProps<{
  label: string
  /** in the unit stored, mm for lengths; null where nothing is known */
  modelValue: number | null
  unit?: string
  name?: string | undefined
  hint?: string | undefined
  wrong?: string | undefined
  /** what stands in while nothing is typed */
  usual?: number | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()
const id = useId()

const MM_PER_INCH = 25.4
const session = useSession()
/** Lengths are kept in mm and typed in the unit of the house. */
const inInches = props.unit === 'mm' && session.house?.units === 'in'
/** All its digits, divided as the language does it, and nothing between thousands: it is typed in again. */
const digits = computed(() => new Intl.NumberFormat(locale.value, { maximumFractionDigits: 10, useGrouping: false }))
const shown = (value: number | null): string =>
  value === null ? '' : digits.value.format(inInches ? Math.round((value / MM_PER_INCH) * 10_000) / 10_000 : value)
const text = ref(shown(props.modelValue))
watch(
  () => props.modelValue,
  (value) => {
    if (parse(text.value) !== value) text.value = shown(value)
  },
)

/** A decimal comma is as good as a point; what is no number stays typed and counts as nothing. */
function parse(typed: string): number | null {
  const trimmed = typed.trim().replace(',', '.')
  const value = Number(trimmed)
  if (trimmed === '' || Number.isNaN(value)) return null
  return inInches ? Math.round(value * MM_PER_INCH * 1000) / 1000 : value
}
const unreadable = computed(() => text.value.trim() !== '' && parse(text.value) === null)
watch(text, (typed) => {
  emit('update:modelValue', parse(typed))
})
</script>

<template>
  <FieldFrame
    v-slot="{ describedBy, isWrong }"
    :input-id="id"
    :label="label"
    :name="name"
    :hint="hint"
    :wrong="unreadable ? $t('shell.notANumber') : wrong"
  >
    <InputGroup>
      <InputText
        :id="id"
        v-model="text"
        :name="name"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="usual === undefined ? '' : shown(usual)"
        :invalid="isWrong"
        :aria-describedby="describedBy"
      />
      <InputGroupAddon v-if="unit">{{ inInches ? 'in' : unit }}</InputGroupAddon>
    </InputGroup>
  </FieldFrame>
</template>
