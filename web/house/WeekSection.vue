<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import type { Editable } from '../../contract/wire'
import { DAY_MS } from '../../core/time'
import { call } from '../api'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { editableCopy } from '../ui/editable'
import MoreMenu, { type MoreItem } from '../ui/MoreMenu.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TextField from '../ui/TextField.vue'
import WhenField from '../ui/WhenField.vue'
import DayBand from './DayBand.vue'
import { dayShare, TICKS_H } from './daySpans'
import { useChange } from './useChange'

const { refusal, change } = useChange()
const spans = ref<Editable<WeeklySpan>[]>([])
const saved = ref('')
const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const
const MONDAY = Date.UTC(2024, 0, 1)
const dayName = (weekday: number): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(MONDAY + (weekday - 1) * DAY_MS)
const kinds = computed(() => [
  { value: 'service' as const, label: say('house.service') },
  { value: 'quiet' as const, label: say('house.quiet') },
])
const changed = computed(() => JSON.stringify(spans.value) !== saved.value)

function take(week: readonly WeeklySpan[]): void {
  spans.value = editableCopy(week)
  saved.value = JSON.stringify(week)
}
onMounted(() =>
  change(async () => {
    take(await call(endpoints.week))
  }),
)

const ofDay = (weekday: number): Editable<WeeklySpan>[] => spans.value.filter((span) => span.weekday === weekday)
const chosenId = ref<string | null>(null)
const chosen = computed(() => spans.value.find(({ id }) => id === chosenId.value))
function add(weekday: number, kind: WeeklySpan['kind']): void {
  const id = newId()
  const usual = kind === 'service' ? { starts: '12:00', ends: '14:30' } : { starts: '15:00', ends: '17:00' }
  spans.value.push({ id, kind, weekday, name: say(kind === 'service' ? 'house.newSpan' : 'house.newQuiet'), ...usual })
  chosenId.value = id
}
function remove(id: string): void {
  spans.value = spans.value.filter((span) => span.id !== id)
}
/** One day made like another: what stood there goes. */
function copyDay(from: number, to: readonly number[]): void {
  const model = ofDay(from)
  spans.value = spans.value
    .filter(({ weekday }) => weekday === from || !to.includes(weekday))
    .concat(
      to.filter((day) => day !== from).flatMap((weekday) => model.map((span) => ({ ...span, id: newId(), weekday }))),
    )
}
const doings = (weekday: number): MoreItem[] => [
  {
    label: say('house.addService'),
    act: () => {
      add(weekday, 'service')
    },
  },
  {
    label: say('house.addQuiet'),
    act: () => {
      add(weekday, 'quiet')
    },
  },
  ...(ofDay(weekday).length > 0
    ? [
        {
          label: say('house.copyDay'),
          act: () => {
            copyDay(weekday, WEEKDAYS)
          },
        },
        ...WEEKDAYS.filter((day) => day !== weekday).map((day) => ({
          label: say('house.copyTo', { day: dayName(day) }),
          act: () => {
            copyDay(weekday, [day])
          },
        })),
      ]
    : []),
]
const save = (): Promise<boolean> =>
  change(async () => {
    take(await call(endpoints.setWeek, { body: spans.value }))
  })
</script>

<template>
  <section>
    <p class="soft">{{ $t('house.weekHint') }} {{ $t('house.weekKeys') }}</p>
    <div class="hours small soft num" aria-hidden="true">
      <span v-for="hour in TICKS_H" :key="hour" :style="{ left: dayShare(hour * 60) }">{{ hour % 24 }}</span>
    </div>
    <div v-for="weekday in WEEKDAYS" :key="weekday" class="day">
      <h2>{{ dayName(weekday) }}</h2>
      <DayBand
        :spans="ofDay(weekday)"
        :chosen="chosen?.id ?? null"
        :day="dayName(weekday)"
        @choose="chosenId = $event"
        @change="(id, times) => Object.assign(spans.find((span) => span.id === id) ?? {}, times)"
        @remove="remove"
      />
      <MoreMenu kind="bare" class="do" :label="$t('house.dayDo')" :items="doings(weekday)" />
      <div v-if="chosen?.weekday === weekday" class="typed">
        <SegmentedChoice v-model="chosen.kind" :label="$t('field.kind')" :options="kinds" />
        <TextField v-model="chosen.name" :label="$t('field.name')" />
        <WhenField v-model="chosen.starts" :label="$t('field.starts')" kind="time" />
        <WhenField v-model="chosen.ends" :label="$t('field.ends')" kind="time" />
        <AppButton
          kind="quiet"
          :aria-label="$t('house.removeOf', { name: chosen.name, day: dayName(weekday) })"
          @click="remove(chosen.id)"
        >
          {{ $t('house.remove') }}
        </AppButton>
      </div>
      <p v-else-if="ofDay(weekday).length === 0" class="soft closed">{{ $t('house.closed') }}</p>
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="bar">
      <AppButton kind="main" :disabled="!changed" @click="save">{{ $t('house.saveWeek') }}</AppButton>
      <span class="soft small">{{ $t('house.fromNow') }}</span>
    </p>
  </section>
</template>

<style scoped>
.day,
.hours {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr) 92px;
  gap: 0 12px;
  align-items: center;
}
.day {
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
.day h2 {
  font-size: 1rem;
}
.hours {
  position: relative;
  display: block;
  height: 22px;
  margin: 12px 104px 0 122px;
}
.hours span {
  position: absolute;
  transform: translateX(-50%);
}
.day :deep(.do) {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: var(--target);
  border: 0;
  background: none;
  color: var(--ink);
  font: 600 0.875rem var(--face);
  cursor: pointer;
}
.typed {
  grid-column: 2;
  display: grid;
  grid-template-columns: auto minmax(120px, 1fr) 130px 130px auto;
  gap: 12px;
  align-items: end;
  padding: 8px 0;
}
.closed {
  grid-column: 2;
}
.bar {
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  background: var(--ground);
  padding: 10px 0;
  border-top: 3px solid var(--rule-strong);
}
@media (max-width: 860px) {
  .day {
    grid-template-columns: minmax(0, 1fr) 92px;
  }
  .day > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .typed,
  .closed {
    grid-column: 1 / -1;
    grid-template-columns: 1fr 1fr;
  }
  .hours {
    margin-inline: 0;
  }
}
</style>
