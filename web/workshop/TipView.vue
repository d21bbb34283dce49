<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from '../../core/geometry/point'
import type { TipDone } from '../../core/workshop/tip'

const props = defineProps<{ tip: TipDone }>()
const WIDTH = 560
const HEIGHT = 380
const MARGIN = 24
/** Millimetres in front of the break that are shown with the tip. */
const SHOWN_MM = 45
const most = (points: readonly Point[], of: (point: Point) => number): number => Math.max(...points.map(of))
const endMm = computed(() => most(props.tip.whole, ({ x }) => x))
const shownMm = computed(() => SHOWN_MM + endMm.value - most(props.tip.before, ({ x }) => x))
const scale = computed(() =>
  Math.min((WIDTH - 2 * MARGIN) / shownMm.value, (HEIGHT - 2 * MARGIN) / most(props.tip.whole, ({ y }) => y)),
)
const topMm = computed(() => most(props.tip.whole, ({ y }) => y))
const path = (points: readonly Point[]): string =>
  points
    .map(
      ({ x, y }) =>
        `${(WIDTH - MARGIN - (endMm.value - x) * scale.value).toFixed(2)},${(HEIGHT / 2 + (topMm.value / 2 - y) * scale.value).toFixed(2)}`,
    )
    .join(' ')
const TEN_MM = 10
</script>

<template>
  <figure>
    <svg class="steel-drawing" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="$t('workshop.tipView')">
      <defs>
        <pattern id="tip-goes" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="6" class="hatch" />
        </pattern>
      </defs>
      <polygon class="whole" :points="path(tip.whole)" />
      <polygon :points="path(tip.before)" fill="url(#tip-goes)" />
      <polygon class="after" :points="path(tip.after)" />
      <polygon class="before" :points="path(tip.before)" />
      <g class="rule">
        <line :x1="MARGIN" :x2="MARGIN + TEN_MM * scale" :y1="HEIGHT - MARGIN" :y2="HEIGHT - MARGIN" />
        <text :x="MARGIN" :y="HEIGHT - MARGIN - 8">{{ TEN_MM }} mm</text>
      </g>
    </svg>
    <figcaption class="small soft">{{ $t('workshop.tipLegend') }}</figcaption>
  </figure>
</template>

<style scoped>
.whole {
  fill: none;
  stroke: var(--ink-soft);
  stroke-dasharray: 2 4;
}
.rule line {
  stroke: var(--ink);
  stroke-width: 2;
}
.rule text {
  font-size: 14px;
  fill: var(--ink);
}
</style>
