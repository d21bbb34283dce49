<script setup lang="ts">
import { SKILL_LEVELS, type SkillLevel } from '../../core/house/skills'

/** How far somebody has come: strokes on a stone, one more at each level; worked through once nobody stands beside. */
const { level } = defineProps<{ level: SkillLevel | null }>()
const STROKES = SKILL_LEVELS.map((_, at) => ({ at, x: 6 + at * 9 }))
const reached = (at: number): boolean => level !== null && SKILL_LEVELS.indexOf(level) >= at
</script>

<template>
  <svg width="44" height="20" viewBox="0 0 44 20" aria-hidden="true">
    <path
      v-for="stroke in STROKES"
      :key="stroke.at"
      :class="reached(stroke.at) ? 'done' : 'open'"
      :d="`M${stroke.x} 17L${stroke.x + 5} 3`"
    />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke-linecap: round;
}
.done {
  stroke: var(--ink);
  stroke-width: 3.4;
}
.open {
  stroke: var(--rule-strong);
  stroke-width: 1;
}
</style>
