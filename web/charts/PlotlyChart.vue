<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import type { Data, Layout } from 'plotly.js'
import type * as Plotly from 'plotly.js-cartesian-dist-min'
import { onBeforeUnmount, ref, watch } from 'vue'
import { locale } from '../spoken'
import { plotlyLocale } from './plotlyLocale'
import { useTones } from './tones'

const props = defineProps<{
  traces: readonly Partial<Data>[]
  layout: Partial<Layout>
  /** what the chart shows, for those who cannot see it; the numbers stand in a table beside it */
  label: string
  height: number
}>()
const tones = useTones()
const place = ref<HTMLElement | null>(null)
const failed = ref(false)

/** Plotly writes its rules into this element if it is there; only one under the page's nonce may be. */
function styleElement(): void {
  if (document.getElementById('plotly.js-style-global')) return
  const style = document.createElement('style')
  style.id = 'plotly.js-style-global'
  style.nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? ''
  document.head.append(style)
}

let plotly: typeof Plotly | null = null

async function draw(): Promise<void> {
  if (!place.value) return
  try {
    styleElement()
    plotly ??= await import('plotly.js-cartesian-dist-min')
    plotly.register(plotlyLocale(locale.value))
    const { ink, soft, rule, face } = tones.value
    const axis = {
      gridcolor: rule,
      linecolor: rule,
      zeroline: false,
      tickfont: { color: soft, size: 13 },
      fixedrange: true,
    }
    const layout: Partial<Layout> = {
      paper_bgcolor: 'transparent',
      plot_bgcolor: 'transparent',
      font: { family: face, color: ink, size: 14 },
      margin: { l: 52, r: 16, t: 12, b: 32 },
      showlegend: false,
      height: props.height,
      hovermode: 'closest',
      dragmode: false,
      ...props.layout,
      xaxis: { ...axis, ...props.layout.xaxis },
      yaxis: { ...axis, ...props.layout.yaxis },
    }
    await plotly.react(place.value, [...props.traces] as Data[], layout, {
      displayModeBar: false,
      responsive: false,
      locale: locale.value,
    })
    failed.value = false
  } catch {
    failed.value = true
  }
}
watch(
  [() => props.traces, () => props.layout, tones, locale, place],
  () => {
    void draw()
  },
  { flush: 'post' },
)
useResizeObserver(place, () => {
  if (place.value && plotly) void plotly.Plots.resize(place.value)
})
onBeforeUnmount(() => {
  if (place.value && plotly) plotly.purge(place.value)
})
</script>

<template>
  <p v-if="failed" class="soft small">{{ $t('chart.failed') }}</p>
  <div ref="place" role="img" :aria-label="label" :style="{ minHeight: `${height}px` }" />
</template>
