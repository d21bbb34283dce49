<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { WEEKDAYS, weekdayName } from './weekdays'
import { say } from '../i18n'
import AppButton from './AppButton.vue'
import MoreMenu, { type MoreItem } from './MoreMenu.vue'
import SegmentedChoice from './SegmentedChoice.vue'
import SuggestField from './SuggestField.vue'
import WhenField from './WhenField.vue'
import DayBand from './DayBand.vue'
import { dayShare, TICKS_H, type BandSpan } from './daySpans'

/** A week as seven days, one under another, whose spans are dragged, typed and copied from day to day. */
const props = defineProps<{
  /** what can be put into a day */
  adds: readonly { readonly label: string; readonly span: Omit<BandSpan, 'id' | 'weekday'> }[]
  /** said of a day without spans */
  empty: string
}>()
const spans = defineModel<readonly BandSpan[]>({ required: true })

const ofDay = (weekday: number): BandSpan[] => spans.value.filter((span) => span.weekday === weekday)
const chosenId = ref<string | null>(null)
const chosen = computed(() => spans.value.find(({ id }) => id === chosenId.value))
const kinds = [
  { value: 'service' as const, label: say('house.service') },
  { value: 'quiet' as const, label: say('house.quiet') },
]

/** What spans are called already in this house. */
const names = computed(() => [...new Set(spans.value.map(({ name }) => name))].sort().map((value) => ({ value })))

function set(id: string, patch: Partial<BandSpan>): void {
  spans.value = spans.value.map((span) => (span.id === id ? { ...span, ...patch } : span))
}
function remove(id: string): void {
  spans.value = spans.value.filter((span) => span.id !== id)
}
function add(weekday: number, span: Omit<BandSpan, 'id' | 'weekday'>): void {
  const id = newId()
  spans.value = [...spans.value, { id, weekday, ...span }]
  chosenId.value = id
}
/** One day made like another: what stood there goes. */
function copyDay(from: number, to: readonly number[]): void {
  const others = to.filter((day) => day !== from)
  spans.value = [
    ...spans.value.filter(({ weekday }) => !others.includes(weekday)),
    ...others.flatMap((weekday) => ofDay(from).map((span) => ({ ...span, id: newId(), weekday }))),
  ]
}
const doings = (weekday: number): MoreItem[] => [
  ...props.adds.map(({ label, span }) => ({
    label,
    act: () => {
      add(weekday, span)
    },
  })),
  ...(ofDay(weekday).length > 0
    ? [
        {
          label: say('house.copyDay'),
          act: () => {
            copyDay(weekday, WEEKDAYS)
          },
        },
        ...WEEKDAYS.filter((day) => day !== weekday).map((day) => ({
          label: say('house.copyTo', { day: weekdayName(day) }),
          act: () => {
            copyDay(weekday, [day])
          },
        })),
      ]
    : []),
]
const removal = ({ kind, name }: BandSpan, day: string): string =>
  name === '' ? say('house.removePlain', { kind: say(`house.${kind}`), day }) : say('house.removeOf', { name, day })
</script>

<template>
  <div>
    <div class="hours small soft num" aria-hidden="true">
      <span v-for="hour in TICKS_H" :key="hour" :style="{ left: dayShare(hour * 60) }">{{ hour % 24 }}</span>
    </div>
    <div v-for="weekday in WEEKDAYS" :key="weekday" class="day">
      <h2>{{ weekdayName(weekday) }}</h2>
      <DayBand
        :spans="ofDay(weekday)"
        :chosen="chosen?.id ?? null"
        :day="weekdayName(weekday)"
        @choose="chosenId = $event"
        @change="set"
        @remove="remove"
      />
      <MoreMenu kind="bare" class="do" :label="$t('house.dayDo')" :items="doings(weekday)" />
      <div v-if="chosen?.weekday === weekday" class="typed">
        <template v-if="chosen.kind !== 'shift'">
          <SegmentedChoice
            :model-value="chosen.kind"
            :label="$t('field.kind')"
            :options="kinds"
            @update:model-value="set(chosen.id, { kind: $event ?? chosen.kind })"
          />
          <SuggestField
            :model-value="chosen.name"
            :label="$t('field.name')"
            :suggestions="names"
            @update:model-value="set(chosen.id, { name: $event })"
          />
        </template>
        <WhenField
          :model-value="chosen.starts"
          :label="$t('field.starts')"
          kind="time"
          @update:model-value="set(chosen.id, { starts: $event })"
        />
        <WhenField
          :model-value="chosen.ends"
          :label="$t('field.ends')"
          kind="time"
          @update:model-value="set(chosen.id, { ends: $event })"
        />
        <AppButton kind="quiet" :aria-label="removal(chosen, weekdayName(weekday))" @click="remove(chosen.id)">
          {{ $t('house.remove') }}
        </AppButton>
      </div>
      <p v-else-if="ofDay(weekday).length === 0" class="soft closed">{{ empty }}</p>
    </div>
  </div>
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
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 12px;
  align-items: end;
  padding: 8px 0;
}
.closed {
  grid-column: 2;
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
  }
  .hours {
    margin-inline: 0;
  }
}
</style>
