<script setup lang="ts">
import DatePicker, { type DatePickerBlurEvent } from 'primevue/datepicker'
import { computed, ref, useId } from 'vue'
import FieldFrame from './FieldFrame.vue'
import { fromDate, readDay, readTime, toDate } from './typedWhen'

/** A time of day (HH:MM) or a day (YYYY-MM-DD), typed as people type it or picked; shown as the language writes it. */
const props = defineProps<{
  label: string
  kind: 'time' | 'day'
  name?: string
  hint?: string | undefined
  wrong?: string | undefined
}>()
/** '' while there is none */
const model = defineModel<string>({ required: true })
const id = useId()
const misread = ref('')
const date = computed({
  get: () => toDate(model.value, props.kind),
  set: (value: unknown) => {
    if (value === null) model.value = ''
    else if (value instanceof Date) model.value = fromDate(value, props.kind)
    misread.value = ''
  },
})
/** What the control itself cannot read is read here: 9.30, 930, 5 pm. */
function leave({ value }: DatePickerBlurEvent): void {
  misread.value = ''
  if (value.trim() === '') return
  const read = props.kind === 'time' ? readTime(value) : readDay(value)
  if (read === null) misread.value = value
  else model.value = read
}
</script>

<template>
  <FieldFrame
    v-slot="{ describedBy, isWrong }"
    :input-id="id"
    :label="label"
    :name="name"
    :hint="hint"
    :wrong="misread ? $t(kind === 'time' ? 'shell.notATime' : 'shell.notADay', { typed: misread }) : wrong"
  >
    <DatePicker
      v-model="date"
      class="when"
      :input-id="id"
      :time-only="kind === 'time'"
      :step-minute="5"
      :invalid="isWrong"
      :show-on-focus="false"
      show-icon
      :pt="{ pcInputText: { root: { inputmode: 'text', 'aria-describedby': describedBy } } }"
      @blur="leave"
    >
      <template #dropdownicon>
        <span class="pi" :class="kind === 'time' ? 'pi-clock' : 'pi-calendar'" aria-hidden="true" />
      </template>
    </DatePicker>
  </FieldFrame>
</template>
