<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import { keenShare, sharpShare, weekSums, type WeekSum } from './houseWeeks'
import { takeOut } from './takeOut'
import WeekKnives from './WeekKnives.vue'

/** The house over time: how sharp services were, and what that took in minutes, steel and money; each week leads to its knives. */
const fleet = useFleet()
const formats = useFormats()
const SPANS = [8, 26, 52, 104] as const
const weeks = ref<(typeof SPANS)[number]>(26)
const station = ref('')
const text = ref('')
const { value: told, refusal } = useResource(endpoints.houseWeeks, () => ({ query: { weeks: weeks.value } }))
const { value: ledger } = useResource(endpoints.ledger)
const currency = computed(() => ledger.value?.money?.currency ?? null)
const spans = computed(() => SPANS.map((value) => ({ value, label: say('time.span', { n: value }) })))
const stations = computed(() => [
  { value: '', label: say('ledger.allStations') },
  ...[...fleet.stations.values()].map(({ id, name }) => ({ value: id, label: name })),
])
const sums = computed(() => (told.value ? weekSums(told.value, station.value, text.value) : []))
const chosen = ref<number | null>(null)
watch([station, weeks, text], () => {
  chosen.value = null
})
const opened = computed(() => (chosen.value === null ? null : (sums.value[chosen.value] ?? null)))

interface Row {
  readonly key: 'sharp' | 'keen' | 'dull' | 'minutes' | 'steel' | 'cost'
  readonly of: (week: WeekSum) => number | null
  readonly told: (value: number) => string
  /** height of a full bar; the largest of all weeks unless it is a share */
  readonly full?: number
}
const rows = computed((): readonly Row[] => [
  { key: 'sharp', of: sharpShare, told: (value) => say('practice.percent', { percent: Math.round(value) }), full: 100 },
  { key: 'keen', of: keenShare, told: (value) => say('practice.percent', { percent: Math.round(value) }), full: 100 },
  { key: 'dull', of: ({ dullHours }) => dullHours, told: (value) => formats.value.hours(value) },
  { key: 'minutes', of: ({ minutes }) => minutes, told: (value) => formats.value.minutes(Math.round(value)) },
  { key: 'steel', of: ({ steelMm }) => steelMm, told: (value) => formats.value.thickness(value) },
  { key: 'cost', of: ({ cost }) => cost, told: (value) => formats.value.money(value, currency.value) },
])
const fullOf = ({ of, full }: Row): number => full ?? Math.max(1e-9, ...sums.value.map((week) => of(week) ?? 0))
const shown = (row: Row, week: WeekSum): string => {
  const value = row.of(week)
  return value === null ? say('ledger.open') : row.told(value)
}
const sentence = (week: WeekSum): string =>
  say('time.week', {
    day: formats.value.shortDay(week.from),
    told: formats.value.list(
      rows.value.map((row) => say('shell.pair', { name: say(`time.row.${row.key}`), value: shown(row, week) })),
    ),
  })
const mean = (row: Row): string => {
  // before the first record there was nothing to count
  const first = sums.value.findIndex(({ knives }) => knives.length > 0)
  const known = first === -1 ? [] : sums.value.slice(first).flatMap((week) => row.of(week) ?? [])
  return known.length === 0 ? '' : row.told(known.reduce((sum, value) => sum + value, 0) / known.length)
}
function list(): void {
  takeOut('yorvik-weeks.csv', [
    [say('time.from'), ...rows.value.map(({ key }) => say(`time.row.${key}`))],
    ...sums.value.map((week) => [
      week.from.slice(0, 10),
      ...rows.value.map(({ of }) => {
        const value = of(week)
        return value === null ? '' : Math.round(100 * value) / 100
      }),
    ]),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('time.title') }}</h1>
      <span class="soft">{{ $t('time.hint') }}</span>
      <span class="end no-print"
        ><AppButton @click="list">{{ $t('report.csv') }}</AppButton></span
      >
    </header>
    <div class="choice no-print">
      <ChoiceField v-model="station" :label="$t('ledger.whichStation')" :options="stations" />
      <ChoiceField v-model="weeks" :label="$t('time.spanOf')" :options="spans" />
      <TextField v-model="text" type="search" :label="$t('time.search')" />
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!told && !refusal" class="lead">{{ $t('time.loading') }}</p>
    <template v-if="told">
      <div class="bars" :style="{ '--weeks': sums.length }">
        <div v-for="(row, at) in rows" :key="row.key" class="name" :style="{ gridRow: at + 1 }">
          <b>{{ $t(`time.row.${row.key}`) }}</b>
          <span class="soft small">{{ $t('time.mean', { value: mean(row) || $t('ledger.open') }) }}</span>
        </div>
        <AppButton
          v-for="(week, at) in sums"
          :key="week.from"
          kind="bare"
          class="week"
          :style="{ '--at': at + 1 }"
          :aria-label="sentence(week)"
          :aria-pressed="chosen === at"
          @click="chosen = chosen === at ? null : at"
        >
          <span v-for="row in rows" :key="row.key" class="cell" :class="row.key">
            <span v-if="row.of(week) !== null" :style="{ height: `${(100 * (row.of(week) ?? 0)) / fullOf(row)}%` }" />
            <span v-else class="open" />
          </span>
        </AppButton>
      </div>
      <p class="ends soft small">
        <span>{{ formats.shortDay(sums[0]?.from ?? told.fromAt) }}</span>
        <span>{{ $t('time.now') }}</span>
      </p>
      <WeekKnives v-if="opened" :week="opened" :sentence="sentence(opened)" :currency="currency" />
      <p v-else class="soft">{{ $t('ledger.weeksHint') }}</p>
      <p class="soft small">{{ $t('time.how') }}</p>
    </template>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 260px));
  gap: 12px 18px;
  margin: 8px 0 18px;
}
.bars {
  --row: 62px;
  display: grid;
  grid-template-columns: 170px repeat(var(--weeks), minmax(0, 1fr));
  grid-template-rows: repeat(6, var(--row));
  gap: 10px 2px;
}
.name {
  grid-column: 1;
  display: grid;
  align-content: end;
  padding-right: 12px;
}
.week {
  grid-row: 1 / -1;
  grid-column: calc(var(--at) + 1);
  display: grid;
  grid-template-rows: repeat(6, var(--row));
  gap: 10px;
  min-width: 0;
  height: auto;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}
.cell {
  display: flex;
  align-items: end;
  height: var(--row);
  border-bottom: 1px solid var(--rule-strong);
}
.cell > span {
  width: 100%;
  background: var(--slate);
}
.sharp > span,
.keen > span {
  background: var(--keen);
}
.dull > span {
  background: var(--dull);
}
.cell > .open {
  height: 100%;
  background: repeating-linear-gradient(135deg, transparent 0 4px, var(--rule) 4px 5px);
}
.week[aria-pressed='true'] .cell,
.week:hover .cell {
  border-bottom: 3px solid var(--ember);
}
.ends {
  display: flex;
  justify-content: space-between;
  margin: 4px 0 14px 170px;
}
@media (max-width: 800px) {
  .bars {
    grid-template-columns: repeat(var(--weeks), minmax(0, 1fr));
    grid-template-rows: repeat(6, calc(var(--row) + 38px));
  }
  .name {
    grid-column: 1 / -1;
    grid-auto-flow: column;
    justify-content: space-between;
    align-content: start;
    z-index: 1;
    pointer-events: none;
  }
  .week {
    grid-column: var(--at);
    grid-template-rows: repeat(6, calc(var(--row) + 38px));
    gap: 10px;
  }
  .cell {
    height: calc(var(--row) + 38px);
    padding-top: 40px;
  }
  .ends {
    margin-left: 0;
  }
}
</style>
