<script setup lang="ts">
import type { Data, Layout } from 'plotly.js'
import { computed } from 'vue'
import type { EdgeStory, KnifeView } from '../../contract/knives'
import { steelWords } from '../../words/learned'
import PlotlyChart from '../charts/PlotlyChart.vue'
import { faint, useTones } from '../charts/tones'
import { say, useFormats } from '../i18n'
import FoldSection from '../ui/FoldSection.vue'

const props = defineProps<{ story: EdgeStory; knife: KnifeView }>()
const formats = useFormats()
const tones = useTones()
const sentences = computed(() => steelWords(props.knife, props.story.steel, say, formats.value))

type Measure = 'heightMm' | 'bteMm'
const MEASURES = [
  { measure: 'heightMm', title: 'steel.height', limit: 'steel.minimum' },
  { measure: 'bteMm', title: 'steel.thickness', limit: 'steel.thickest' },
] as const
const limitOf = (measure: Measure): number =>
  measure === 'heightMm' ? props.story.steel.minimumHeightMm : props.story.steel.thickestMm
const write = (measure: Measure, value: number): string =>
  measure === 'heightMm' ? formats.value.length(value) : formats.value.thickness(value)

function traces(measure: Measure): Partial<Data>[] {
  const { points } = props.story.steel
  const x = points.map(({ at }) => at)
  const measured = points.filter((point) => point.measured)
  return [
    {
      x,
      y: points.map((point) => point[measure].high),
      mode: 'lines',
      line: { width: 0, shape: 'hv' },
      hoverinfo: 'skip',
    },
    {
      x,
      y: points.map((point) => point[measure].low),
      mode: 'lines',
      line: { width: 0, shape: 'hv' },
      fill: 'tonexty',
      fillcolor: faint(tones.value.keen, 0.16),
      hoverinfo: 'skip',
    },
    {
      x,
      y: points.map((point) => point[measure].mean),
      mode: 'lines',
      line: { color: tones.value.keen, width: 2, shape: 'hv' },
      hovertemplate: '%{y} mm<extra></extra>',
    },
    {
      x: measured.map(({ at }) => at),
      y: measured.map((point) => point[measure].mean),
      mode: 'markers',
      marker: { symbol: 'circle-open', size: 8, color: tones.value.ink },
      hovertemplate: '%{y} mm<extra></extra>',
    },
  ]
}
function layout(measure: Measure, limitKey: string): Partial<Layout> {
  const limit = limitOf(measure)
  const values = props.story.steel.points.flatMap((point) => [point[measure].low, point[measure].high])
  const [low, high] = [Math.min(limit, ...values), Math.max(limit, ...values)]
  const margin = 0.12 * (high - low || 1)
  return {
    xaxis: { type: 'date', tickformat: '%e %b', nticks: 5, hoverformat: '%e %b %Y' },
    yaxis: { range: [low - margin, high + margin], ticksuffix: ' mm', nticks: 5 },
    margin: { l: 68, r: 10, t: 8, b: 28 },
    shapes: [
      {
        type: 'line',
        xref: 'paper',
        x0: 0,
        x1: 1,
        y0: limit,
        y1: limit,
        line: { color: tones.value.out, width: 1.5, dash: 'longdash' },
      },
    ],
    annotations: [
      {
        xref: 'paper',
        x: 1,
        xanchor: 'right',
        y: limit,
        yanchor: measure === 'heightMm' ? 'bottom' : 'top',
        text: say(limitKey, { value: write(measure, limit) }),
        showarrow: false,
        font: { color: tones.value.out, size: 13 },
      },
    ],
  }
}
const drawn = computed(() =>
  MEASURES.map((one) => ({ ...one, traces: traces(one.measure), layout: layout(one.measure, one.limit) })),
)
const rows = computed(() => [...props.story.steel.points].reverse())
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('steel.title') }}</h2>
    <p class="words">{{ sentences.join(' ') }}</p>
    <div class="charts">
      <figure v-for="one in drawn" :key="one.measure">
        <figcaption class="small soft">{{ $t(one.title) }}</figcaption>
        <PlotlyChart
          :traces="one.traces"
          :layout="one.layout"
          :height="170"
          :label="$t('steel.label', { what: $t(one.title), code: knife.code })"
        />
      </figure>
    </div>
    <FoldSection :title="$t('steel.table')">
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('steel.at') }}</th>
            <th>{{ $t('steel.height') }}</th>
            <th>{{ $t('steel.thickness') }}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="point in rows" :key="point.at">
            <td>{{ formats.shortDay(point.at) }}</td>
            <td class="num">{{ write('heightMm', point.heightMm.mean) }}</td>
            <td class="num">{{ write('bteMm', point.bteMm.mean) }}</td>
            <td>{{ $t(point.measured ? 'steel.measuredMark' : 'steel.estimated') }}</td>
          </tr>
        </tbody>
      </table>
    </FoldSection>
  </section>
</template>

<style scoped>
.words {
  margin: 6px 0 10px;
  max-width: 60em;
  line-height: 1.4;
}
.charts {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 20px;
}
@media (max-width: 980px) {
  .charts {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
