<script setup lang="ts">
import { computed } from 'vue'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

/** A blade on an upright rod, seen along its length: edge on the rod, spine away from it by the angle. */
const props = defineProps<{
  blade: { readonly heelHeightMm: number; readonly spineMm: number }
  dps: number
  liveDps: number | null
  tool: string
}>()
const formats = useFormats()
const ROD = { x: 190, width: 26, top: 12, foot: 296 }
const EDGE_Y = 214
const LONG = 170
const angle = computed(() => radians(props.liveDps ?? props.dps))
const outline = computed(() => {
  const { heelHeightMm: height, spineMm: spine } = props.blade
  const scale = LONG / height
  const [cos, sin] = [Math.cos(angle.value), Math.sin(angle.value)]
  const start = ROD.x + ROD.width
  const at = (along: number, off: number): string =>
    `${(start + scale * (along * sin + off * cos)).toFixed(1)},${(EDGE_Y - scale * (along * cos - off * sin)).toFixed(1)}`
  return [at(0, 0), at(height, spine / 2), at(height, -spine / 2)].join(' ')
})
const arc = computed(() => {
  const [radius, start] = [112, ROD.x + ROD.width]
  return `M ${start} ${EDGE_Y - radius} A ${radius} ${radius} 0 0 1 ${start + radius * Math.sin(angle.value)} ${EDGE_Y - radius * Math.cos(angle.value)}`
})
const shown = computed(() => formats.value.angle(Math.round((props.liveDps ?? props.dps) * 10) / 10))
</script>

<template>
  <figure>
    <svg viewBox="0 0 520 320" role="img" :aria-label="$t('bench.rodLabel', { angle: shown })">
      <rect class="towel" x="120" :y="ROD.foot - 2" width="170" height="14" rx="5" />
      <rect class="stone" :x="ROD.x" :y="ROD.top" :width="ROD.width" :height="ROD.foot - ROD.top" rx="9" />
      <polygon class="blade" :points="outline" />
      <path class="arc" :d="arc" />
      <text class="angle" x="300" :y="EDGE_Y - 60">{{ shown }}</text>
      <text class="name" x="244" :y="ROD.foot - 8">{{ tool }}</text>
    </svg>
  </figure>
</template>

<style scoped src="./stoneDrawing.css"></style>
<style scoped>
.towel {
  fill: var(--steel);
}
</style>
