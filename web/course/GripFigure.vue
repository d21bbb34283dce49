<script setup lang="ts">
import { profile } from '../../core/geometry/profile'
import type { Point } from '../../core/geometry/point'
import { knifeDefaults } from '../../core/knife/knifeTypes'
import { capsule } from './fromAbove'

/** The grip from the side, to scale in mm: thumb at the heel, forefinger on the spine, elbow, wrist and tip in one line. */
const LENGTH = 200
const knife = profile({ ...knifeDefaults('chef', LENGTH), type: 'chef', lengthMm: LENGTH, samples: 40 })
const path = (points: readonly Point[]): string =>
  points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(-y).toFixed(1)}`).join('')
/** Three fingers round the handle, mm from the heel, y down. */
const FINGERS = [-24, -43, -61] as const
</script>

<template>
  <svg viewBox="-240 -110 460 170" role="img" :aria-label="$t('course.figure.grip')">
    <path class="limb" :d="capsule({ x: -238, y: 20 }, { x: -84, y: -22 }, 30, 21)" />
    <path class="handle" :d="`${path(knife.handle.grip)}Z`" />
    <path class="blade" :d="`${path(knife.blade)}Z`" />
    <path v-for="x in FINGERS" :key="x" class="limb" :d="capsule({ x: x - 6, y: -44 }, { x: x + 3, y: -2 }, 9.5, 8)" />
    <path class="limb" :d="capsule({ x: -28, y: -50 }, { x: 4, y: -50 }, 10, 7)" />
    <ellipse class="tip" cx="6" cy="-47" rx="8" ry="6" />
    <path class="limb" :d="capsule({ x: -36, y: -38 }, { x: 12, y: -25 }, 11, 8)" />
    <ellipse class="tip" cx="13" cy="-25" rx="9" ry="7" />
    <path class="mark" stroke-dasharray="6 5" d="M-236 24L196 -14" />
  </svg>
</template>

<style scoped src="./figures.css"></style>
