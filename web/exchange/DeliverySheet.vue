<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { LENGTH_UNITS, TABLE_KEYS, type ExchangeOutcome } from '../../contract/exchange'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import CellField from '../ui/CellField.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import { shownValue } from './shownValue'
import type { Delivery } from './useDelivery'

/** The sheet itself: above each column what it means, and in each cell what will stand, beside what stands now. */
const props = defineProps<{ delivery: Delivery; outcome: ExchangeOutcome }>()
const formats = useFormats()
const table = computed(() => props.delivery.table.value)
const PAGE_ROWS = 60
const wanted = ref<'all' | 'problem' | 'work'>('all')
const most = ref(PAGE_ROWS)
const opened = ref<number | null>(null)
watch(
  () => props.delivery.file.value,
  () => {
    most.value = PAGE_ROWS
    opened.value = null
    wanted.value = 'all'
  },
)

const views = computed(() => {
  const { counts } = props.outcome
  return [
    { value: 'all' as const, label: say('exchange.view.all', { n: props.outcome.rows.length - counts.note }) },
    { value: 'work' as const, label: say('exchange.view.work', { n: counts.add + counts.change }) },
    { value: 'problem' as const, label: say('exchange.view.problem', { n: counts.problem }) },
  ]
})
const rows = computed(() =>
  props.outcome.rows.filter(
    ({ verb }) =>
      wanted.value === 'all' || (wanted.value === 'problem' ? verb === 'problem' : verb === 'add' || verb === 'change'),
  ),
)
/** What rows say without a cell of their own: a label that was given, a kind read from words. */
const derived = computed(() => {
  const keys = new Set(
    props.outcome.rows.flatMap(({ cells }) => cells.flatMap((cell) => (cell.at === null ? cell.column : []))),
  )
  return TABLE_KEYS[table.value].filter((key) => keys.has(key))
})
const columns = computed(() => props.outcome.columns)
const columnName = (key: string): string => say(`column.${table.value}.${key}.name`)
const meanings = computed(() => [
  { value: '', label: say('exchange.leftOut') },
  ...TABLE_KEYS[table.value].map((key) => ({ value: key, label: columnName(key) })),
])
const units = LENGTH_UNITS.map((value) => ({ value, label: value }))
const titleOf = ({ title, at }: { title: string; at: number }): string =>
  title || say('exchange.noTitle', { n: at + 1 })

type Row = ExchangeOutcome['rows'][number]
type Cell = Row['cells'][number]
const cellAt = (row: Row, at: number): Cell | undefined => row.cells.find((cell) => cell.at === at)
const cellOf = (row: Row, key: string): Cell | undefined =>
  row.cells.find((cell) => cell.column === key && cell.at === null)
const raw = (row: Row, at: number): string => {
  const cell = props.delivery.book.value?.sheets[props.outcome.sheet]?.rows[row.row - 1]?.[at]
  return cell === null || cell === undefined ? '' : String(cell)
}
const shown = (column: string, value: string): string => shownValue(table.value, column, value, formats.value)
const isField = (row: Row, at: number): boolean => opened.value === row.row || Boolean(cellAt(row, at)?.sentence)
</script>

<template>
  <div class="sheet-tools">
    <SegmentedChoice v-model="wanted" :label="$t('exchange.view.label')" :options="views" />
  </div>
  <div class="sheet-frame" tabindex="0" role="region" :aria-label="$t('exchange.sheet')">
    <table class="sheet">
      <thead>
        <tr>
          <th scope="col" class="line">{{ $t('exchange.line') }}</th>
          <th v-for="key in derived" :key="key" scope="col" class="derived">
            {{ columnName(key) }}<br /><span class="soft small">{{ $t('exchange.derived') }}</span>
          </th>
          <th v-for="column in columns" :key="column.at" scope="col" :class="{ out: column.means === null }">
            <ChoiceField
              :model-value="column.means ?? ''"
              :label="titleOf(column)"
              :options="meanings"
              @update:model-value="delivery.columnMeans(column.at, $event)"
            />
            <SegmentedChoice
              v-if="column.unit"
              look="line"
              :model-value="column.unit"
              :label="$t('exchange.unitOf', { column: titleOf(column) })"
              :options="units"
              @update:model-value="$event && delivery.columnUnit(column.at, $event)"
            />
            <span v-else-if="column.how === 'guess'" class="soft small">{{ $t('exchange.guess') }}</span>
            <span v-else-if="column.how === 'remembered'" class="soft small">{{ $t('exchange.remembered') }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows.slice(0, most)" :key="row.row" :class="row.verb">
          <th scope="row" class="line num">
            <AppButton
              kind="bare"
              class="line-key"
              :aria-expanded="opened === row.row"
              :aria-label="$t('exchange.openLine', { row: row.row })"
              :title="$t('exchange.openLine', { row: row.row })"
              @click="opened = opened === row.row ? null : row.row"
              >{{ row.row }}</AppButton
            >
            <span class="verb">{{ $t(`exchange.verb.${row.verb}`) }}</span>
          </th>
          <td v-if="row.verb === 'note'" :colspan="derived.length + columns.length" class="soft">{{ row.label }}</td>
          <template v-else>
            <td v-for="key in derived" :key="key" class="derived">
              <template v-if="cellOf(row, key)">
                <del v-if="cellOf(row, key)?.from && cellOf(row, key)?.from !== cellOf(row, key)?.to" class="soft">{{
                  shown(key, cellOf(row, key)?.from ?? '')
                }}</del>
                {{ shown(key, cellOf(row, key)?.to ?? '') }}
                <span v-if="cellOf(row, key)?.sentence" class="problem">{{ cellOf(row, key)?.sentence }}</span>
              </template>
            </td>
            <td v-for="column in columns" :key="column.at" :class="{ out: column.means === null }">
              <template v-if="isField(row, column.at)">
                <CellField
                  :value="raw(row, column.at)"
                  :label="$t('exchange.cellOf', { column: titleOf(column), row: row.row })"
                  :wrong="Boolean(cellAt(row, column.at)?.sentence)"
                  @typed="delivery.mend(row.row, column.at, $event)"
                />
                <span v-if="cellAt(row, column.at)?.sentence" class="problem">{{
                  cellAt(row, column.at)?.sentence
                }}</span>
              </template>
              <template v-else-if="cellAt(row, column.at)">
                <del
                  v-if="cellAt(row, column.at)?.from && cellAt(row, column.at)?.from !== cellAt(row, column.at)?.to"
                  class="soft"
                  >{{ shown(column.means ?? '', cellAt(row, column.at)?.from ?? '') }}</del
                >
                {{ shown(column.means ?? '', cellAt(row, column.at)?.to ?? '') }}
              </template>
              <template v-else>{{ raw(row, column.at) }}</template>
            </td>
          </template>
        </tr>
        <tr v-for="row in rows.slice(0, most).filter(({ sentences }) => sentences.length > 0)" :key="`s${row.row}`">
          <th scope="row" class="line num">{{ row.row }}</th>
          <td :colspan="derived.length + columns.length" class="problem">{{ row.sentences.join(' ') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <AppButton v-if="rows.length > most" kind="quiet" @click="most += 4 * PAGE_ROWS">
    {{ say('exchange.more', { n: rows.length - most }) }}
  </AppButton>
</template>

<style scoped>
.sheet-tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  margin-bottom: 8px;
}
.sheet-frame {
  overflow: auto;
  max-height: 62vh;
  border: 1px solid var(--rule);
  background: var(--paper);
}
.sheet {
  border-collapse: separate;
  border-spacing: 0;
  width: auto;
  min-width: 100%;
}
.sheet thead th {
  position: sticky;
  top: 0;
  z-index: 2;
  min-width: 150px;
  padding: 8px 10px;
  vertical-align: bottom;
  background: var(--board);
  border-bottom: 2px solid var(--rule-strong);
}
.sheet thead .line,
.sheet thead .derived {
  min-width: 0;
}
.sheet th,
.sheet td {
  padding: 5px 10px;
  border-bottom: 1px solid var(--rule);
  border-right: 1px solid var(--rule);
  vertical-align: top;
}
.sheet .line {
  position: sticky;
  left: 0;
  z-index: 1;
  white-space: nowrap;
  background: var(--paper);
  font-weight: 400;
}
.sheet thead .line {
  z-index: 3;
  background: var(--board);
}
.line :deep(.line-key) {
  min-width: 2.4em;
  min-height: 28px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: right;
  text-decoration: underline;
  cursor: pointer;
}
.verb {
  margin-left: 8px;
  color: var(--ink-soft);
}
.add .verb,
.change .verb {
  color: var(--keen);
  font-weight: 700;
}
.problem .verb {
  color: var(--out);
  font-weight: 700;
}
.sheet thead .out,
td.out {
  color: var(--ink-soft);
  background: var(--ground);
}
.derived {
  background: color-mix(in srgb, var(--board) 45%, transparent);
}
td .problem,
td.problem {
  display: block;
  color: var(--out);
  min-width: 15em;
  max-width: 34em;
}
td.problem {
  display: table-cell;
}
del {
  display: block;
}
</style>
