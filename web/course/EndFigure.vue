<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '../../core/course/lessons'
import type { Point } from '../../core/geometry/point'
import { section } from '../../core/geometry/section'
import { faceAngle } from '../../core/geometry/stack'
import { knifeDefaults } from '../../core/knife/knifeTypes'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

/** A blade on the stone seen from its end: its own section at the angle it is held at, to one scale. */
const props = defineProps<{ figure: Extract<Figure, { view: 'end' }> }>()
const formats = useFormats()
const [WIDTH, HEIGHT, STONE_TOP, EDGE_X] = [520, 300, 236, 70]
const FALLBACK_LENGTH = 200
const blade = computed(() =>
  knifeDefaults(props.figure.type, knifeDefaults(props.figure.type, FALLBACK_LENGTH).typicalLengthMm),
)
const SHARE = 0.68
const scale = computed(() => (SHARE * WIDTH) / blade.value.heelHeightMm)
/** What the centre plane of the blade makes with the stone, degrees. */
const dps = computed((): number => {
  if (props.figure.lies === 'back') return 0
  if (props.figure.lies === 'face') return faceAngle(blade.value)
  return props.figure.dps ?? Math.max(blade.value.dpsLeft, blade.value.dpsRight)
})
const placed = computed((): Point[] => {
  // the right side lies down; a single bevel's back is the left one
  const side = props.figure.lies === 'back' ? -1 : 1
  const outline = section(blade.value).outline.map(({ x, y }) => ({ x: side * x, y }))
  const turn = radians(dps.value)
  const raw = outline.map(({ x, y }) => ({
    x: scale.value * (y * Math.cos(turn) + x * Math.sin(turn)),
    y: scale.value * (x * Math.cos(turn) - y * Math.sin(turn)),
  }))
  // whatever of it is lowest lies on the stone
  const lowest = Math.max(...raw.map(({ y }) => y))
  return raw.map(({ x, y }) => ({ x: EDGE_X + x, y: STONE_TOP + y - lowest }))
})
const points = computed(() => placed.value.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' '))
const spine = computed(() => placed.value.reduce((a, b) => (b.x > a.x ? b : a)))
const spineMm = computed(() => (STONE_TOP - spine.value.y) / scale.value)
/** A steep blade needs more room above it than one that lies flat. */
const top = computed(() => Math.min(STONE_TOP - 90, ...placed.value.map(({ y }) => y)) - 24)
const RADIUS = 170
const arc = computed(() => {
  const turn = radians(dps.value)
  return `M${EDGE_X + RADIUS} ${STONE_TOP}A${RADIUS} ${RADIUS} 0 0 0 ${EDGE_X + RADIUS * Math.cos(turn)} ${STONE_TOP - RADIUS * Math.sin(turn)}`
})
/** A fingertip presses just above the edge, on the upper face. */
const pressed = computed(() => {
  const turn = radians(dps.value)
  const along = 9 * scale.value
  const above = 9 + 0.35 * scale.value
  return {
    x: EDGE_X + along * Math.cos(turn) - above * Math.sin(turn),
    y: STONE_TOP - along * Math.sin(turn) - above * Math.cos(turn),
  }
})
const stone = computed(() =>
  props.figure.dished
    ? `M20 ${STONE_TOP - 6}Q${WIDTH / 2} ${STONE_TOP + 30} ${WIDTH - 20} ${STONE_TOP - 6}V${HEIGHT - 8}H20Z`
    : `M20 ${STONE_TOP}H${WIDTH - 20}V${HEIGHT - 8}H20Z`,
)
const angle = computed(() => formats.value.angle(Math.round(dps.value * 10) / 10))
</script>

<template>
  <svg :viewBox="`0 ${top} ${WIDTH} ${HEIGHT - top}`" role="img" :aria-label="$t('course.figure.end', { angle })">
    <path class="stone" :d="stone" />
    <polygon class="blade" :points="points" />
    <ellipse
      class="tip"
      :cx="pressed.x"
      :cy="pressed.y"
      rx="26"
      ry="11"
      :transform="`rotate(${-dps} ${pressed.x} ${pressed.y})`"
    />
    <template v-if="figure.lies === 'edge'">
      <path class="mark" :d="arc" />
      <text class="marked" font-size="26" :x="EDGE_X + RADIUS + 12" :y="STONE_TOP - 16">{{ angle }}</text>
    </template>
    <template v-if="figure.lies === 'edge' && !figure.dished">
      <path class="thin" :d="`M${spine.x + 10} ${STONE_TOP}V${spine.y}m-6 0h12M${spine.x + 4} ${STONE_TOP}h12`" />
      <text font-size="18" :x="Math.min(spine.x + 22, WIDTH - 72)" :y="(STONE_TOP + spine.y) / 2 + 6">
        {{ formats.length(Math.round(spineMm * 10) / 10) }}
      </text>
    </template>
  </svg>
</template>

<style scoped src="./figures.css"></style>
