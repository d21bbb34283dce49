<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '../../core/course/lessons'
import { section } from '../../core/geometry/section'
import { profile } from '../../core/geometry/profile'
import { knifeDefaults } from '../../core/knife/knifeTypes'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

/** A rod and a blade: from the side with the way of the stroke, and along the blade with its angle. */
const props = defineProps<{ figure: Extract<Figure, { view: 'rod' }> }>()
const formats = useFormats()
const [WIDTH, HEIGHT] = [520, 320]
const LENGTH = 200
const blade = knifeDefaults('chef', LENGTH)
const outline = profile({ ...blade, type: 'chef', lengthMm: LENGTH, samples: 30 })
const path = (points: readonly { x: number; y: number }[], scale: number): string =>
  points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${(x * scale).toFixed(1)} ${(-y * scale).toFixed(1)}`).join('')
const SIDE = 0.72
const sideBlade = `${path(outline.blade, SIDE)}Z`
const sideHandle = `${path(outline.handle.grip, SIDE)}Z`

/** Along the blade the rod stands upright and the blade leans away from it by the angle: edge down on the rod. */
const END = 3.4
const ROD = { x: 400, top: 40, bottom: 270 }
const leaning = computed(() => {
  const turn = radians(props.figure.dps)
  return section(blade)
    .outline.map(({ x, y }) => {
      // y up the blade runs away from the rod and upwards
      const [along, across] = [y * END, x * END]
      return `${(ROD.x - 7 - along * Math.sin(turn) - across * Math.cos(turn)).toFixed(1)},${(190 - along * Math.cos(turn) + across * Math.sin(turn)).toFixed(1)}`
    })
    .join(' ')
})
const RADIUS = 120
const arc = computed(() => {
  const turn = radians(props.figure.dps)
  return `M${ROD.x - 7} ${190 - RADIUS}A${RADIUS} ${RADIUS} 0 0 0 ${ROD.x - 7 - RADIUS * Math.sin(turn)} ${190 - RADIUS * Math.cos(turn)}`
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="$t(`course.figure.rod.${figure.rest}`, { angle: formats.angle(figure.dps) })"
  >
    <g :transform="figure.rest === 'level' ? 'translate(70 0) rotate(-90 150 160)' : undefined">
      <rect class="stone" x="146" y="20" width="9" height="250" rx="4" />
      <rect class="handle" x="140" y="4" width="21" height="44" rx="5" />
      <path v-if="figure.rest === 'towel'" class="cloth" d="M96 268h110v26h-110z" />
      <g class="stroke">
        <g transform="translate(148 78) rotate(8)">
          <path class="handle" :d="sideHandle" />
          <path class="blade" :d="sideBlade" />
        </g>
      </g>
      <path class="way" stroke-width="3" d="M122 104L64 224m-1 -17l1 17l15 -8" />
    </g>
    <template v-if="figure.rest === 'towel'">
      <rect class="stone" :x="ROD.x - 7" :y="ROD.top" width="14" :height="ROD.bottom - ROD.top" rx="6" />
      <polygon class="blade" :points="leaning" />
      <path class="mark" :d="arc" />
      <text class="marked" font-size="24" :x="ROD.x - 128" :y="56">{{ formats.angle(figure.dps) }}</text>
      <path class="way" stroke-width="3" :d="`M${ROD.x + 30} 120V220m-9 -13l9 13l9 -13`" />
    </template>
  </svg>
</template>

<style scoped src="./figures.css"></style>
<style scoped>
@keyframes down-the-rod {
  60%,
  100% {
    transform: translate(-88px, 120px);
  }
}
.stroke {
  animation: down-the-rod 2.6s ease-in-out infinite;
}
@media (prefers-reduced-motion: reduce) {
  .stroke {
    animation: none;
  }
}
</style>
