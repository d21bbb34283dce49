<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { wornAreaFromBluntWidth } from '../../core/edge/model/wear'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

const props = defineProps<{ knife: KnifeView }>()
const formats = useFormats()
const zone = computed(() => props.knife.worstZone)
const condition = computed(() => props.knife.zones[zone.value])
const dps = computed(() => props.knife.verdict.dps)

const WIDTH = 240
const HEIGHT = 130
const TOP = 6
/** Micrometres across the picture: the apex fills a fifth of it however blunt it is. */
const acrossUm = computed(() => Math.max(20, 5 * condition.value.bluntUm))
const scale = computed(() => WIDTH / acrossUm.value)
const slope = computed(() => Math.tan(radians(dps.value)))
/**
 * The bevels down to the apex, which is as wide as it is blunt; a rolled edge leans over by as much as is bent. A new
 * edge lies inside the old one: both bevels go in until they meet, and no steel comes back.
 */
function outline(bluntUm: number, roll: number): string {
  const half = (bluntUm / 2) * scale.value
  const lean = roll * 16
  const reach = half + (HEIGHT - TOP) * slope.value
  const middle = WIDTH / 2
  return `M${middle - reach} ${TOP} L${middle + reach} ${TOP} L${middle + half + lean} ${HEIGHT} L${middle - half + lean} ${HEIGHT} Z`
}
const scaleBarUm = computed(() => [1, 2, 5, 10, 20, 50].find((um) => um * scale.value > 26) ?? 10)
/** What use has worn off the apex, µm² of section. */
const areaUm2 = computed(() =>
  Math.round(wornAreaFromBluntWidth({ bluntWidthUm: condition.value.bluntUm, dps: dps.value })),
)
</script>

<template>
  <figure>
    <figcaption class="small soft">
      {{ $t('bench.apex.title', { zone: $t(`zone.${zone}`) }) }} · {{ formats.angle(dps) }} · {{ areaUm2 }} µm²
    </figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT + 4}`"
      role="img"
      :aria-label="$t('bench.apex.label', { zone: $t(`zone.${zone}`), blunt: condition.bluntUm })"
    >
      <path class="before" :d="outline(condition.bluntUm, condition.roll)" />
      <path class="after" :d="outline(0, 0)" />
      <line class="bar" x1="8" x2="8" :y1="HEIGHT - 8" :y2="HEIGHT - 8 - scaleBarUm * scale" />
      <text x="14" :y="HEIGHT - 10">{{ scaleBarUm }} µm</text>
    </svg>
    <p class="small">
      <span class="key before-key" /> {{ $t('bench.apex.before', { blunt: condition.bluntUm }) }}
      <span class="key after-key" /> {{ $t('bench.apex.after') }}
    </p>
  </figure>
</template>

<style scoped>
svg {
  width: 260px;
  max-width: 100%;
  display: block;
}
.after {
  fill: none;
  stroke: var(--ember);
  stroke-width: 1.5;
  stroke-dasharray: 5 3;
}
.before {
  fill: var(--steel);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.bar {
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  fill: var(--ink);
  font-size: 12px;
}
.key {
  display: inline-block;
  width: 22px;
  vertical-align: middle;
  border-top: 2px solid var(--ink);
}
.after-key {
  border-top: 2px dashed var(--ember);
  margin-left: 12px;
}
</style>
