<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

/** A single bevel on the stone: its front lying on the bevel, or its flat back lying on its back. */
const props = defineProps<{ knife: KnifeView; dps: number; isBack: boolean; stoneName: string }>()
const formats = useFormats()

const WIDTH = 520
const STONE_TOP = 250
const EDGE_X = 60
const scale = computed(() => (WIDTH - 2 * EDGE_X) / props.knife.heelHeightMm)
/** A single bevel ends where the blade is this thick, mm, so that its facet can be seen at the scale of the blade. */
const bevelMm = computed(() => Math.max(2.5, props.knife.bteMm / Math.sin(radians(Math.max(3, props.dps)))))
/** From along and off the flat back to the drawing: the back turned up from the stone by an angle, steel above or below it. */
function turned(along: number, off: number, angle: number): string {
  const [cos, sin] = [Math.cos(radians(angle)), Math.sin(radians(angle))]
  const x = EDGE_X + scale.value * (along * cos + off * sin)
  const y = STONE_TOP - scale.value * (along * sin - off * cos)
  return `${x.toFixed(1)},${y.toFixed(1)}`
}
const outline = computed(() => {
  const { heelHeightMm: height, spineMm: spine } = props.knife
  // lying on its back the steel is above it; lying on its bevel the back is on top and the steel below
  const [angle, side] = props.isBack ? [0, -1] : [props.dps, 1]
  const shoulderOff = bevelMm.value * Math.sin(radians(props.dps))
  const shoulderAlong = bevelMm.value * Math.cos(radians(props.dps))
  return [
    turned(0, 0, angle),
    turned(height, 0, angle),
    turned(height, side * spine, angle),
    turned(shoulderAlong, side * shoulderOff, angle),
  ].join(' ')
})
const contact = computed(() => scale.value * (props.isBack ? props.knife.heelHeightMm : bevelMm.value))
const arc = computed(() => {
  const radius = 150
  const angle = radians(props.dps)
  return `M ${EDGE_X + radius} ${STONE_TOP} A ${radius} ${radius} 0 0 0 ${EDGE_X + radius * Math.cos(angle)} ${STONE_TOP - radius * Math.sin(angle)}`
})
/** Height of the spine over the stone: its back at the angle, less the steel below it. */
const spineMm = computed(() => {
  const { heelHeightMm: height, spineMm: spine } = props.knife
  return Math.round(10 * (height * Math.sin(radians(props.dps)) - spine * Math.cos(radians(props.dps)))) / 10
})
const shown = computed(() => formats.value.angle(props.isBack ? 0 : Math.round(props.dps * 10) / 10))
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} 320`"
      role="img"
      :aria-label="$t('bench.sectionLabel', { angle: shown, stone: stoneName })"
    >
      <rect class="stone" :x="10" :y="STONE_TOP" :width="WIDTH - 20" height="58" />
      <rect class="stone-top" :x="10" :y="STONE_TOP" :width="WIDTH - 20" height="4" />
      <polygon class="blade" :points="outline" />
      <line class="contact" :x1="EDGE_X" :x2="EDGE_X + contact" :y1="STONE_TOP + 1" :y2="STONE_TOP + 1" />
      <text class="name" :x="EDGE_X" :y="STONE_TOP + 18">{{ $t('bench.touches') }}</text>
      <template v-if="!isBack">
        <path class="arc" :d="arc" />
        <text class="angle" :x="EDGE_X + 162" :y="STONE_TOP - 14">{{ shown }}</text>
      </template>
      <text class="name" x="24" :y="STONE_TOP + 48">{{ stoneName }}</text>
    </svg>
    <figcaption>
      <b>{{ $t(isBack ? 'bench.backFlat' : 'bench.bevelFlush') }}</b>
      <template v-if="!isBack && spineMm > 0">{{
        ' ' + $t('bench.stackIs', { height: formats.length(spineMm) })
      }}</template>
    </figcaption>
  </figure>
</template>

<style scoped src="./stoneDrawing.css"></style>
