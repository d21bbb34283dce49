<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { CalendarReading, Crew } from '../../contract/week'
import { call } from '../api'
import type { BandSpan } from '../ui/daySpans'
import { useChange } from '../house/useChange'
import WeekBands from '../ui/WeekBands.vue'
import { DAY_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'
import WhenField from '../ui/WhenField.vue'
import ManyField from '../ui/ManyField.vue'
import FileField from '../ui/FileField.vue'

const props = defineProps<{ crew: Crew; personId: string }>()
const emit = defineEmits<{
  changed: [crew: Crew]
  /** whose shifts were set, as they were before */
  saved: [before: ReadonlyMap<string, BodyOf<typeof endpoints.setShifts>['shifts']>]
}>()
const visible = defineModel<boolean>('visible', { required: true })
const fleet = useFleet()
const formats = useFormats()
const { refusal, change } = useChange()
const name = computed(() => fleet.people.get(props.personId)?.name ?? '')
const shifts = ref<readonly BandSpan[]>(
  props.crew.shifts
    .filter(({ personId }) => personId === props.personId)
    .map(({ id, weekday, starts, ends }) => ({ id, kind: 'shift', name: '', weekday, starts, ends })),
)
const adds = [
  { label: say('crew.addShift'), span: { kind: 'shift' as const, name: '', starts: '10:00', ends: '18:00' } },
]
/** people who work the same week */
const others = ref<readonly string[]>([])
const colleagues = computed(() =>
  [...fleet.people.values()]
    .filter(({ id, active }) => active && id !== props.personId)
    .map(({ id, name: label }) => ({ value: id, label })),
)
const shiftDraft = (): object => ({
  shifts: shifts.value.map(({ weekday, starts, ends }) => ({ weekday, starts, ends })),
})
const single = reactive({ day: '', isOff: true, starts: '10:00', ends: '18:00', note: '' })
const days = computed(() => props.crew.days.filter(({ personId }) => personId === props.personId))
const read = ref<(CalendarReading & { calendar: string }) | null>(null)
const params = computed(() => ({ id: props.personId }))

async function saveShifts(body: BodyOf<typeof endpoints.setShifts>): Promise<void> {
  const everybody = [props.personId, ...others.value]
  const before = new Map(
    everybody.map((id) => [
      id,
      props.crew.shifts
        .filter(({ personId }) => personId === id)
        .map(({ weekday, starts, ends }) => ({ weekday, starts, ends })),
    ]),
  )
  for (const id of everybody) emit('changed', await call(endpoints.setShifts, { params: { id }, body }))
  emit('saved', before)
  await fleet.load()
  visible.value = false
}
const dayDraft = (): object => {
  const { day, isOff, starts, ends, note } = single
  return { days: [], entries: [{ day, starts: isOff ? null : starts, ends: isOff ? null : ends, note }] }
}
async function addDay(body: BodyOf<typeof endpoints.setShiftDays>): Promise<void> {
  emit('changed', await call(endpoints.setShiftDays, { params: params.value, body }))
  await fleet.load()
  Object.assign(single, { day: '', note: '' })
}
/** The last week of single days once more, a week later. */
const MS_OF_WEEK = 7 * DAY_MS
const weekLater = (day: string, weeks = 1): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + weeks * MS_OF_WEEK).toISOString().slice(0, 10)
const again = computed(() => {
  const last = days.value
    .map(({ day }) => day)
    .sort()
    .at(-1)
  return last === undefined ? [] : days.value.filter(({ day }) => day > weekLater(last, -1))
})
const repeat = (): Promise<boolean> =>
  change(async () => {
    const entries = again.value.map(({ day, starts, ends, note }) => ({ day: weekLater(day), starts, ends, note }))
    emit('changed', await call(endpoints.setShiftDays, { params: params.value, body: { days: [], entries } }))
  })
const asUsual = (day: string): Promise<boolean> =>
  change(async () => {
    emit('changed', await call(endpoints.setShiftDays, { params: params.value, body: { days: [day], entries: [] } }))
  })
async function look(file: File): Promise<void> {
  const calendar = await file.text()
  await change(async () => {
    const { entries, leftOut } = await call(endpoints.importCalendar, {
      params: params.value,
      body: { calendar, apply: false },
    })
    read.value = { calendar, entries, leftOut }
  })
}
async function takeIn(): Promise<void> {
  const { value } = read
  if (!value) return
  const done = await change(async () => {
    await call(endpoints.importCalendar, { params: params.value, body: { calendar: value.calendar, apply: true } })
    emit('changed', await call(endpoints.crew))
  })
  if (done) read.value = null
}
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('crew.edit', { name })">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <AppForm :schema="endpoints.setShifts.body" :draft="shiftDraft" :send="saveShifts">
      <p class="soft small">{{ $t('crew.weekHint') }}</p>
      <WeekBands v-model="shifts" :adds="adds" :empty="$t('crew.off')" />
      <div class="ways">
        <ManyField
          v-model="others"
          :label="$t('crew.alsoFor')"
          :all="$t('crew.onlyThem', { name })"
          :options="colleagues"
        />
        <AppButton kind="main" type="submit">{{ $t('crew.save') }}</AppButton>
      </div>
    </AppForm>
    <section class="heavy-rule">
      <h3>{{ $t('crew.single') }}</h3>
      <p class="soft small">{{ $t('crew.singleHint') }}</p>
      <p v-for="day in days" :key="day.id" class="single">
        <span
          >{{
            $t('shell.pair', {
              name: formats.longDay(`${day.day}T12:00:00Z`),
              value: day.starts ? `${day.starts}–${day.ends}` : $t('crew.off'),
            })
          }}
          <span class="soft">{{ day.note }}</span></span
        >
        <AppButton kind="quiet" @click="asUsual(day.day)">{{ $t('crew.backToPattern') }}</AppButton>
      </p>
      <p v-if="again.length > 0">
        <AppButton @click="repeat">{{ say('crew.again', { n: again.length }) }}</AppButton>
      </p>
      <AppForm class="line" :schema="endpoints.setShiftDays.body" :draft="dayDraft" :send="addDay">
        <WhenField v-model="single.day" name="entries.0.day" :label="$t('crew.day')" kind="day" />
        <AppButton :aria-pressed="single.isOff" @click="single.isOff = !single.isOff">
          {{ $t('crew.isOff') }}
        </AppButton>
        <template v-if="!single.isOff">
          <WhenField v-model="single.starts" name="entries.0.starts" :label="$t('field.starts')" kind="time" />
          <WhenField v-model="single.ends" name="entries.0.ends" :label="$t('field.ends')" kind="time" />
        </template>
        <TextField v-model="single.note" name="entries.0.note" :label="$t('crew.note')" />
        <AppButton type="submit">{{ $t('crew.addDay') }}</AppButton>
      </AppForm>
    </section>
    <section class="heavy-rule">
      <FileField :label="$t('crew.read')" accept=".ics,text/calendar" @chosen="look" />
      <p class="soft small">{{ $t('crew.readHint') }}</p>
      <template v-if="read">
        <ul class="read" :aria-label="$t('crew.readDays')">
          <li v-for="one in read.entries" :key="`${one.day} ${one.starts}`">
            <span>{{ formats.longDay(`${one.day}T12:00:00Z`) }}</span>
            <b class="num">{{ one.starts ? `${one.starts}–${one.ends}` : $t('crew.off') }}</b>
            <span class="soft">{{ one.note }}</span>
          </li>
        </ul>
        <template v-if="read.leftOut.length > 0">
          <h4>{{ $t('crew.leftOut') }}</h4>
          <ul>
            <li v-for="one in read.leftOut" :key="`${one.summary} ${one.why}`">
              {{ $t('crew.leftOutOne', { name: one.summary || $t('crew.nameless'), why: $t(`crew.why.${one.why}`) }) }}
            </li>
          </ul>
        </template>
        <AppButton v-if="read.entries.length > 0" @click="takeIn">
          {{ say('crew.takeIn', { n: new Set(read.entries.map(({ day }) => day)).size }) }}
        </AppButton>
      </template>
    </section>
  </AppDialog>
</template>

<style scoped>
form,
section {
  display: grid;
  gap: 8px;
}
section {
  margin-top: 16px;
}
.line {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: 10px;
  align-items: end;
}
.read {
  max-height: 40vh;
  overflow-y: auto;
}
.read li {
  display: grid;
  grid-template-columns: minmax(8rem, 12rem) 8rem minmax(0, 1fr);
  gap: 4px 12px;
  padding: 4px 0;
}
.ways,
.single {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: space-between;
  align-items: end;
}
</style>
