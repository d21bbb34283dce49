<script setup lang="ts">
import { computed } from 'vue'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import { dullPercent, figureWords, YEAR_FIGURES, type YearFigure, type YearRow } from './yearRows'

/** Every way side by side: a bar a figure, with a line where eight years of ten lie. */
const props = defineProps<{ rows: readonly YearRow[] }>()
const formats = useFormats()
const figures = computed(() => YEAR_FIGURES.filter((figure) => props.rows.some((row) => row.figures[figure])))
const longest = computed(
  () =>
    new Map(
      YEAR_FIGURES.map((figure) => [
        figure,
        Math.max(1e-9, ...props.rows.map((row) => row.figures[figure]?.high ?? 0)),
      ]),
    ),
)
const share = (figure: YearFigure, value: number): string => `${(100 * value) / (longest.value.get(figure) ?? 1)}%`
const bandWords = (row: YearRow, figure: YearFigure): string => {
  const band = row.figures[figure]
  return band
    ? say('year.band', {
        low: figureWords(figure, band.low, formats.value),
        high: figureWords(figure, band.high, formats.value),
      })
    : ''
}
const moreWords = ({ outcome, way }: YearRow): string =>
  [
    say('year.more', {
      sessions: Math.round(outcome.sessions.mean),
      thinnings: Math.round(outcome.thinnings.mean),
      retirements: tenth(outcome.retirements.mean),
    }),
    ...(way.kind === 'sent-out'
      ? [say('year.away', { sent: Math.round(outcome.sentOut.mean), days: Math.round(outcome.daysAway.mean) })]
      : []),
  ].join(' · ')
</script>

<template>
  <table>
    <thead>
      <tr>
        <td />
        <th v-for="figure in figures" :key="figure" scope="col">{{ $t(`year.of.${figure}`) }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name" :class="{ own: row.way.kind === 'rules' }">
        <th scope="row">
          {{ row.name }}
          <span class="soft small">{{ moreWords(row) }}</span>
        </th>
        <td v-for="figure in figures" :key="figure" :title="bandWords(row, figure)">
          <template v-for="band in [row.figures[figure]].flatMap((one) => one ?? [])" :key="band.mean">
            <span class="what small soft">{{ $t(`year.of.${figure}`) }}</span>
            <span class="num">{{ figureWords(figure, band.mean, formats) }}</span>
            <span v-if="figure === 'dullHours'" class="soft small num"> {{ formats.tenths(dullPercent(row)) }} %</span>
            <span class="bar">
              <span class="mean" :style="{ width: share(figure, band.mean) }" />
              <span
                class="band"
                :style="{ left: share(figure, band.low), width: share(figure, band.high - band.low) }"
              />
            </span>
          </template>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 7px 14px 7px 0;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
thead th {
  font-weight: 700;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
th .small {
  display: block;
}
.own {
  background: var(--steel);
}
.own th {
  font-weight: 700;
}
.small.num {
  margin-left: 8px;
}
.what {
  display: none;
}
.bar {
  position: relative;
  display: block;
  height: 12px;
  min-width: 90px;
  margin-top: 3px;
}
.mean {
  position: absolute;
  inset-block: 2px;
  left: 0;
  background: var(--ink);
}
/* where eight years of ten lie: a wire over the end of the bar */
.band {
  position: absolute;
  top: 5px;
  height: 2px;
  background: var(--ember);
  outline: 1px solid var(--ground);
}
@media (max-width: 700px) {
  thead {
    display: none;
  }
  .what {
    display: block;
  }
  tr,
  tbody th,
  td {
    display: block;
  }
}
</style>
