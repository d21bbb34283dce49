<script setup lang="ts">
import { computed } from 'vue'
import type { Drill, DrillKind } from '../../contract/practice'
import { say, useFormats } from '../i18n'
import { progressOf } from './drillFigures'

/** A skill over the weeks: one dot a drill, filled for the right hand, and the band of a trained one. */
const props = defineProps<{ drills: readonly Drill[]; kind: DrillKind }>()
const formats = useFormats()
const [WIDTH, HEIGHT, LEFT, FOOT] = [640, 150, 8, 22]
/** A trained hand is below this: degrees of spread, else a share (the limits of each drill's own verdict). */
const GOOD: Readonly<Record<DrillKind, number>> = { hold: 1.4, press: 0.5, burr: 0.15, read: 0.28, dry: 0.08 }
const most = computed(() => Math.max(2 * GOOD[props.kind], ...props.drills.map(({ verdict }) => verdict.progress)))
const times = computed(() => props.drills.map(({ drill }) => Date.parse(drill.at)))
const yOf = (value: number): number => (HEIGHT - FOOT) * (1 - value / (1.08 * most.value))
const dots = computed(() => {
  const [first, last] = [Math.min(...times.value), Math.max(...times.value)]
  return props.drills.map((one, at) => ({
    id: one.drill.id,
    x: LEFT + ((WIDTH - 2 * LEFT) * ((times.value[at] ?? first) - first)) / Math.max(1, last - first),
    y: yOf(one.verdict.progress),
    left: 'hand' in one.drill && one.drill.hand === 'left',
    title: say('shell.pair', { name: formats.value.moment(one.drill.at), value: progressOf(one, formats.value) }),
  }))
})
const lineOf = (left: boolean): string =>
  dots.value
    .filter((dot) => dot.left === left)
    .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ')
const ends = computed(() => {
  const iso = (ms: number): string => formats.value.shortDay(new Date(ms).toISOString())
  return [iso(Math.min(...times.value)), iso(Math.max(...times.value))] as const
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="$t('practice.overTime')">
    <rect class="band" x="0" :width="WIDTH" :y="yOf(GOOD[kind])" :height="HEIGHT - FOOT - yOf(GOOD[kind])" />
    <text class="named" x="6" :y="HEIGHT - FOOT - 6">{{ $t('practice.trained') }}</text>
    <line class="foot" x1="0" :x2="WIDTH" :y1="HEIGHT - FOOT" :y2="HEIGHT - FOOT" />
    <polyline class="right" :points="lineOf(false)" />
    <polyline class="left" :points="lineOf(true)" />
    <circle v-for="dot in dots" :key="dot.id" :class="{ left: dot.left }" :cx="dot.x" :cy="dot.y" r="5">
      <title>{{ dot.title }}</title>
    </circle>
    <text x="0" :y="HEIGHT - 4">{{ ends[0] }}</text>
    <text :x="WIDTH" text-anchor="end" :y="HEIGHT - 4">{{ ends[1] }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 720px;
  display: block;
}
.band {
  fill: var(--steel);
}
.foot {
  stroke: var(--rule-strong);
}
polyline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
polyline.left {
  stroke-dasharray: 5 4;
}
circle {
  fill: var(--ink);
  stroke: var(--ink);
  stroke-width: 1.6;
}
circle.left {
  fill: var(--ground);
}
text {
  fill: var(--ink);
  font-size: 13px;
}
</style>
