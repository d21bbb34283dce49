<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '../../core/course/lessons'
import { profile } from '../../core/geometry/profile'
import type { Point } from '../../core/geometry/point'
import { knifeDefaults } from '../../core/knife/knifeTypes'
import { ZONES } from '../../core/knife/zones'
import { bladePlace, capsule } from './fromAbove'

/** A blade on the stone from above, to scale in mm: whoever sharpens stands below. */
const props = defineProps<{
  figure: Extract<Figure, { view: 'above' }>
  /** mirrored, for whoever holds the handle with the left hand */
  leftHanded: boolean
  /** the second side is done with the other hand, not by turning the blade */
  switchesHands: boolean
}>()
const CHEF = { type: 'chef' as const, ...knifeDefaults('chef', 240), lengthMm: 240 }
const knife = profile({ ...CHEF, samples: 40 })
const [STONE_WIDE, STONE_LONG] = [70, 200]
const [WIDTH, HEIGHT] = [420, 330]
const STONE = { x: WIDTH / 2 - STONE_WIDE / 2, y: 40 }

const path = (points: readonly Point[]): string =>
  points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(-y).toFixed(1)}`).join('')
const edgeOf = (zone: keyof typeof knife.edge): string => path(knife.edge[zone])
/** The other hand on the handle makes a mirrored picture; so does a left hand from the start. */
const isMirrored = computed(() => props.leftHanded !== (props.figure.side === 'second' && props.switchesHands))
const place = computed(() =>
  bladePlace(knife, props.figure, {
    turned: props.figure.side === 'second' && !props.switchesHands,
    centre: { x: STONE.x + STONE_WIDE / 2, y: STONE.y + STONE_LONG / 2 },
  }),
)
const PRESSED = { firm: 7, light: 3, glides: 1.4 } as const
const weight = (way: 'push' | 'pull'): number =>
  props.figure.press === way ? PRESSED[props.figure.weight] : PRESSED.glides
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="$t('course.figure.above')">
    <g :transform="isMirrored ? `translate(${WIDTH} 0) scale(-1 1)` : undefined">
      <rect
        class="cloth"
        :x="STONE.x - 14"
        :y="STONE.y - 12"
        :width="STONE_WIDE + 28"
        :height="STONE_LONG + 24"
        rx="4"
      />
      <rect class="stone" :x="STONE.x" :y="STONE.y" :width="STONE_WIDE" :height="STONE_LONG" rx="2" />
      <g :class="['moves', figure.travel]">
        <g :transform="place.transform">
          <path class="handle" :d="`${path(knife.handle.grip)}Z`" />
          <path class="blade" :d="`${path(knife.blade)}Z`" />
          <path v-for="zone in ZONES" :key="zone" :class="zone === figure.zone ? 'worked' : 'edge'" :d="edgeOf(zone)" />
        </g>
        <!-- the guiding hand comes from the other side: forearm, fingers, and the tips where they press -->
        <path class="limb" :d="place.guidingArm" />
        <path v-for="tip in place.fingertips" :key="tip.x" class="limb" :d="capsule(tip.from, tip, 6.5, 5.5)" />
        <ellipse
          v-for="tip in place.fingertips"
          :key="`tip ${tip.x}`"
          class="tip"
          :cx="tip.x"
          :cy="tip.y"
          :rx="figure.weight === 'firm' ? 6.5 : 5.5"
          :ry="figure.weight === 'firm' ? 8 : 6.5"
        />
        <!-- the hand on the handle: forearm, thumb at the heel -->
        <path class="limb" :d="place.handleArm" />
        <path class="limb" :d="place.thumb" />
      </g>
      <g class="ways">
        <path
          class="way"
          :stroke-width="weight('push')"
          :d="`M${STONE.x - 34} ${STONE.y + 130}V${STONE.y + 50}m-9 14l9 -14l9 14`"
        />
        <path
          class="way"
          :stroke-width="weight('pull')"
          :d="`M${STONE.x - 58} ${STONE.y + 50}V${STONE.y + 130}m-9 -14l9 14l9 -14`"
        />
      </g>
    </g>
  </svg>
</template>

<style scoped src="./figures.css"></style>
<style scoped>
.moves {
  transform-box: view-box;
}
@keyframes up-and-back {
  50% {
    transform: translateY(-46px);
  }
}
@keyframes along {
  50% {
    transform: translate(-34px, -46px);
  }
}
@keyframes around {
  50% {
    transform: rotate(-14deg);
  }
}
.sections {
  animation: up-and-back 2.4s ease-in-out infinite;
}
.sweep {
  animation: along 3s ease-in-out infinite;
}
.turn {
  transform-origin: 50% 45%;
  animation: around 3s ease-in-out infinite;
}
@media (prefers-reduced-motion: reduce) {
  .moves {
    animation: none;
  }
}
@media print {
  .moves {
    animation: none;
  }
}
</style>
