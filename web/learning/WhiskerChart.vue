<script setup lang="ts">
import type { Data, Layout } from 'plotly.js'
import { computed } from 'vue'
import PlotlyChart from '../charts/PlotlyChart.vue'
import { useTones } from '../charts/tones'
import { say } from '../i18n'

/** One row: a value with its 80 % band; a row that says nothing is drawn hollow. */
export interface Whisker {
  readonly name: string
  readonly middle: number
  readonly low: number
  readonly high: number
  readonly silent: boolean
}

const props = defineProps<{
  what: string
  rows: readonly Whisker[]
  /** where nothing is learned */ reference: number
  suffix?: string
}>()
const tones = useTones()
const ROW_PX = 34

const traces = computed((): Partial<Data>[] => {
  const part = (silent: boolean): Partial<Data> => {
    const rows = props.rows.filter((row) => row.silent === silent)
    const tone = silent ? tones.value.soft : tones.value.keen
    return {
      x: rows.map(({ middle }) => middle),
      y: rows.map(({ name }) => name),
      mode: 'markers',
      marker: { symbol: silent ? 'circle-open' : 'circle', size: 10, color: tone },
      error_x: {
        type: 'data',
        symmetric: false,
        array: rows.map(({ high, middle }) => high - middle),
        arrayminus: rows.map(({ low, middle }) => middle - low),
        color: tone,
        thickness: silent ? 1 : 2.5,
        width: 5,
      },
      hovertemplate: `%{y}: %{x:.2f}${props.suffix ?? ''}<extra></extra>`,
    }
  }
  return [part(false), part(true)]
})
const layout = computed((): Partial<Layout> => ({
  margin: { l: 150, r: 16, t: 6, b: 28 },
  xaxis: { ticksuffix: props.suffix ?? '', nticks: 6 },
  yaxis: {
    type: 'category',
    categoryorder: 'array',
    categoryarray: props.rows.map(({ name }) => name).reverse(),
    gridcolor: 'transparent',
    tickfont: { color: tones.value.ink, size: 14 },
  },
  shapes: [
    {
      type: 'line',
      x0: props.reference,
      x1: props.reference,
      yref: 'paper',
      y0: 0,
      y1: 1,
      line: { color: tones.value.soft, width: 1.5, dash: 'longdash' },
    },
  ],
}))
</script>

<template>
  <PlotlyChart
    :traces="traces"
    :layout="layout"
    :height="rows.length * ROW_PX + 40"
    :label="say('house-learned.chart', { what })"
  />
</template>
