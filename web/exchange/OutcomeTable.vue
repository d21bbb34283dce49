<script setup lang="ts">
import { computed } from 'vue'
import type { ExchangeOutcome } from '../../contract/exchange'
import { say } from '../i18n'

const props = defineProps<{ outcome: ExchangeOutcome }>()
const MOST_ROWS = 200
const shown = computed(() => props.outcome.rows.filter((row) => row.verb !== 'same').slice(0, MOST_ROWS))
const hidden = computed(() => props.outcome.rows.filter((row) => row.verb !== 'same').length - shown.value.length)
const fileWide = computed(() =>
  props.outcome.problems.filter((problem) => problem.row === 1 || problem.column === null),
)
const delimiterName = computed(
  () =>
    ({ ',': say('exchange.comma'), ';': say('exchange.semicolon'), '\t': say('exchange.tab'), '|': '|' })[
      props.outcome.delimiter
    ] ?? props.outcome.delimiter,
)
const of = (row: number): ExchangeOutcome['problems'] => props.outcome.problems.filter((problem) => problem.row === row)
</script>

<template>
  <div class="outcome" aria-live="polite">
    <p class="lead">
      {{
        $t('exchange.summary', {
          add: outcome.counts.add,
          change: outcome.counts.change,
          same: outcome.counts.same,
          problem: outcome.counts.problem,
          delimiter: delimiterName,
        })
      }}
    </p>
    <p v-if="outcome.problems.length > 0 && !outcome.applied">
      <b>{{ say('exchange.nothing', { n: outcome.problems.length }) }}</b>
    </p>
    <p v-if="outcome.unknownColumns.length > 0">
      {{ $t('exchange.unknown', { columns: outcome.unknownColumns.join(', ') }) }}
    </p>
    <p v-if="outcome.stationsToMake.length > 0">
      {{ $t('exchange.stations', { names: outcome.stationsToMake.join(', ') }) }}
    </p>
    <ul v-if="fileWide.length > 0" class="problems">
      <li v-for="(problem, index) in fileWide" :key="index">
        {{ $t('exchange.row', { row: problem.row }) }} {{ problem.sentence }}
      </li>
    </ul>
    <table v-if="shown.length > 0" class="plain">
      <thead>
        <tr>
          <th>{{ $t('exchange.rowHead') }}</th>
          <th />
          <th>{{ $t('exchange.label') }}</th>
          <th>{{ $t('exchange.detail') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="row.row" :class="row.verb">
          <td class="num">{{ row.row }}</td>
          <td>{{ $t(`exchange.verb.${row.verb}`) }}</td>
          <td class="num">
            <b>{{ row.label }}</b>
          </td>
          <td>
            <p v-for="(problem, index) in of(row.row)" :key="index" class="problem">
              <b v-if="problem.column">{{ problem.column }}:</b> {{ problem.sentence }}
            </p>
            <p v-for="change in row.changes" :key="change.column">
              {{ $t('exchange.change', { column: change.column, from: change.from || '–', to: change.to }) }}
            </p>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="hidden > 0" class="soft">{{ say('exchange.hidden', { n: hidden }) }}</p>
  </div>
</template>

<style scoped>
.outcome {
  display: grid;
  gap: 10px;
  margin-bottom: 16px;
}
.problem,
.problems {
  color: var(--out);
}
</style>
