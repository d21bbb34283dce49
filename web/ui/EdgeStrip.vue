<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import type { Point } from '../../core/geometry/profile'
import { ZONES } from '../../core/edge/zones'
import { say, useFormats } from '../i18n'
import { profileOf } from './profiles'

const props = withDefaults(
  defineProps<{
    knife: Pick<KnifeView, 'code' | 'type' | 'lengthMm' | 'heelHeightMm' | 'serrated' | 'zones'>
    /** drawing scale; one scale in a list keeps knives comparable */
    pxPerMm?: number
    large?: boolean
  }>(),
  { pxPerMm: 0.42, large: false },
)
const formats = useFormats()

const MARGIN_MM = 3
/** the edge line lies this far below the steel, so that its pattern is seen */
const EDGE_DROP_MM = computed(() => (props.large ? 1.6 : 2.6))

const drawing = computed(() => profileOf(props.knife))
const frame = computed(() => {
  const { left, right, top, bottom } = drawing.value.bounds
  return { x: left - MARGIN_MM, width: right - left + 2 * MARGIN_MM, top: top + MARGIN_MM, height: top - bottom + 2 * MARGIN_MM + EDGE_DROP_MM.value }
})
const path = (points: readonly Point[], drop = 0): string =>
  points.map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(2)} ${(frame.value.top - point.y + drop).toFixed(2)}`).join('')

const label = computed(() =>
  `${props.knife.code}: ${ZONES.map((zone) => `${say(`zone.${zone}`)} ${formats.value.force(props.knife.zones[zone].forceGf)} ${say(`edge.${props.knife.zones[zone].word}`)}`).join(', ')}`,
)
</script>

<template>
  <svg
    class="edge-strip"
    :class="{ large }"
    role="img"
    :aria-label="label"
    :viewBox="`${frame.x} 0 ${frame.width} ${frame.height}`"
    :width="large ? undefined : frame.width * pxPerMm"
    :height="large ? undefined : frame.height * pxPerMm"
    preserveAspectRatio="xMidYMid meet"
  >
    <path class="handle" :d="`${path(drawing.handle)}Z`" />
    <path class="blade" :d="`${path(drawing.blade)}Z`" />
    <path
      v-for="zone in ZONES"
      :key="zone"
      class="edge"
      :class="knife.zones[zone].word"
      :d="path(drawing.edge[zone], EDGE_DROP_MM)"
    />
  </svg>
</template>

<style scoped>
.edge-strip {
  display: block;
  overflow: visible;
}
.edge-strip.large {
  width: 100%;
  max-height: 190px;
}
.handle {
  fill: var(--slate-high);
}
.blade {
  fill: var(--steel);
  stroke: var(--steel-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}
.edge {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-width: 3;
}
.keen {
  stroke: var(--keen);
  stroke-width: 4;
}
.sound {
  stroke: var(--sound);
  stroke-width: 2;
}
.tiring {
  stroke: var(--tiring);
  stroke-dasharray: 10 3;
}
.dull {
  stroke: var(--dull);
  stroke-width: 4;
  stroke-dasharray: 4 3;
}
.out {
  stroke: var(--out);
  stroke-width: 5;
  stroke-dasharray: 1.5 4;
}
.large .edge {
  stroke-width: 5;
}
.large .keen {
  stroke-width: 7;
}
.large .sound {
  stroke-width: 3.5;
}
.large .tiring {
  stroke-dasharray: 20 6;
}
.large .dull {
  stroke-width: 7;
  stroke-dasharray: 8 5;
}
.large .out {
  stroke-width: 8;
  stroke-dasharray: 3 7;
}
</style>
