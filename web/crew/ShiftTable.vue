<script setup lang="ts">
import type { Person } from '../../contract/house'
import type { Crew } from '../../contract/week'
import { useFormats } from '../i18n'
import { WEEKDAYS, weekdayName } from './weekdays'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{ crew: Crew; people: readonly Person[]; load: ReadonlyMap<string, number> }>()
const emit = defineEmits<{ edit: [personId: string] }>()
const formats = useFormats()
const DAY_HOURS = 24
const hour = (clock: string): number => Number(clock.slice(0, 2)) + Number(clock.slice(3)) / 60
/** Shifts of a person on a weekday, as shares of the day for the bar. */
function bars(personId: string, weekday: number): { from: number; share: number; text: string }[] {
  return props.crew.shifts
    .filter((shift) => shift.personId === personId && shift.weekday === weekday)
    .map(({ starts, ends }) => {
      const from = hour(starts)
      const to = ends <= starts ? DAY_HOURS : hour(ends)
      return { from: (100 * from) / DAY_HOURS, share: (100 * (to - from)) / DAY_HOURS, text: `${starts}–${ends}` }
    })
}
const single = (personId: string): string =>
  props.crew.days
    .filter((day) => day.personId === personId)
    .slice(0, 3)
    .map(
      ({ day, starts, ends, note }) =>
        `${formats.value.shortDay(`${day}T12:00:00Z`)}: ${starts ? `${starts}–${ends}` : note || '–'}`,
    )
    .join('; ')
const paceOf = (personId: string): Crew['paces'][number] | undefined =>
  props.crew.paces.find((one) => one.personId === personId)
</script>

<template>
  <section class="wide-table">
    <h2>{{ $t('crew.shifts') }}</h2>
    <table class="plain people-table">
      <thead>
        <tr>
          <th />
          <th v-for="weekday in WEEKDAYS" :key="weekday">{{ weekdayName(weekday, 'short') }}</th>
          <th>{{ $t('crew.single') }}</th>
          <th>{{ $t('crew.load') }}</th>
          <th>{{ $t('crew.pace') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in people" :key="person.id">
          <th scope="row">{{ person.name }}</th>
          <td v-for="weekday in WEEKDAYS" :key="weekday" class="day">
            <span class="hours"
              ><span
                v-for="bar in bars(person.id, weekday)"
                :key="bar.text"
                :style="{ left: `${bar.from}%`, width: `${bar.share}%` }"
            /></span>
            <span v-for="bar in bars(person.id, weekday)" :key="bar.text" class="num text">{{ bar.text }}</span>
          </td>
          <td class="small">{{ single(person.id) }}</td>
          <td class="num small">{{ load.has(person.id) ? formats.minutes(load.get(person.id) ?? 0) : '–' }}</td>
          <td class="small">
            {{
              paceOf(person.id)
                ? $t('crew.paceIs', {
                    n: formats.ratio(paceOf(person.id)?.pace ?? 1),
                    sessions: paceOf(person.id)?.sessions,
                  })
                : $t('crew.paceUnknown')
            }}
          </td>
          <td>
            <AppButton
              kind="quiet"
              :aria-label="$t('crew.edit', { name: person.name })"
              @click="emit('edit', person.id)"
            >
              {{ $t('house.change') }}
            </AppButton>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
tbody th {
  white-space: nowrap;
}
.day {
  width: 88px;
}
.hours {
  position: relative;
  display: block;
  height: 7px;
  background: var(--paper);
  border-bottom: 1px solid var(--rule);
}
.hours span {
  position: absolute;
  top: 0;
  height: 100%;
  background: var(--service);
}
.text {
  display: block;
  font-size: 0.75rem;
  line-height: 1.25;
  color: var(--ink-soft);
}
</style>
