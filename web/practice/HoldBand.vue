<script setup lang="ts">
import { computed } from 'vue'

/** The last values as a running line, in the band a trained hand keeps to; the newest large beside it. */
const props = defineProps<{
  wanted: number
  /** half the band, in the same unit */
  within: number
  /** half of what the picture shows */
  reach: number
  values: readonly number[]
  write: (value: number) => string
  label: string
}>()
const [WIDTH, HEIGHT, DOT] = [640, 170, 6]
const yOf = (value: number): number => {
  const y = HEIGHT / 2 - ((value - props.wanted) * HEIGHT) / (2 * props.reach)
  return Math.max(DOT - 1, Math.min(HEIGHT - DOT + 1, y))
}
const MOST = 60
const line = computed(() =>
  props.values
    .map(
      (value, at) => `${(WIDTH - ((props.values.length - 1 - at) * WIDTH) / MOST).toFixed(1)},${yOf(value).toFixed(1)}`,
    )
    .join(' '),
)
const now = computed(() => props.values.at(-1) ?? null)
const isOff = computed(() => now.value !== null && Math.abs(now.value - props.wanted) > props.within)
</script>

<template>
  <div class="hold">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="label">
      <rect class="ground" :width="WIDTH" :height="HEIGHT" />
      <rect
        class="band"
        :width="WIDTH"
        :y="yOf(wanted + within)"
        :height="yOf(wanted - within) - yOf(wanted + within)"
      />
      <line class="wanted" x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" />
      <polyline class="told" :class="{ off: isOff }" :points="line" />
      <circle v-if="now !== null" class="now" :class="{ off: isOff }" :cx="WIDTH - DOT" :cy="yOf(now)" :r="DOT" />
    </svg>
    <p class="num big" :class="{ off: isOff }">{{ now === null ? '–' : write(now) }}</p>
  </div>
</template>
<style scoped>
.hold {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  align-items: center;
  gap: 18px;
  margin: 14px 0;
}
.ground {
  fill: var(--paper);
  stroke: var(--rule);
}
.band {
  fill: var(--steel);
}
.wanted {
  stroke: var(--keen);
  stroke-dasharray: 6 5;
}
.told {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.now {
  fill: var(--ink);
}
.off {
  stroke: var(--dull);
  color: var(--dull);
}
.now.off {
  fill: var(--dull);
}
.big {
  font-size: 2.6rem;
  font-weight: 700;
}
@media (max-width: 700px) {
  .hold {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
