<script setup lang="ts">
import { computed } from 'vue'
import { judgeAngle, STEADY_DPS } from '../../core/session/live'
import { useFormats } from '../i18n'

/** The last angles as a running line, in the band a steady hand keeps to; the newest large beside it. */
const props = defineProps<{ wantedDps: number; angles: readonly number[] }>()
const formats = useFormats()
const [WIDTH, HEIGHT, REACH] = [640, 170, 10]
const yOf = (dps: number): number =>
  HEIGHT / 2 - (Math.max(0.6 - REACH, Math.min(REACH - 0.6, dps - props.wantedDps)) * HEIGHT) / (2 * REACH)
const MOST = 60
const line = computed(() =>
  props.angles
    .map((dps, at) => `${(WIDTH - ((props.angles.length - 1 - at) * WIDTH) / MOST).toFixed(1)},${yOf(dps).toFixed(1)}`)
    .join(' '),
)
const now = computed(() => props.angles.at(-1) ?? null)
const isOff = computed(() => now.value !== null && judgeAngle(now.value, props.wantedDps) !== 'within')
</script>

<template>
  <div class="hold">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="$t('practice.band', { angle: formats.angle(wantedDps) })"
    >
      <rect class="ground" :width="WIDTH" :height="HEIGHT" />
      <rect
        class="band"
        :width="WIDTH"
        :y="yOf(wantedDps + STEADY_DPS)"
        :height="yOf(wantedDps - STEADY_DPS) - yOf(wantedDps + STEADY_DPS)"
      />
      <line class="wanted" x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" />
      <polyline class="told" :class="{ off: isOff }" :points="line" />
      <circle v-if="now !== null" class="now" :class="{ off: isOff }" :cx="WIDTH - 6" :cy="yOf(now)" r="6" />
    </svg>
    <p class="num big" :class="{ off: isOff }">{{ now === null ? '–' : formats.angle(Math.round(now * 10) / 10) }}</p>
  </div>
</template>

<style scoped>
.hold {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  align-items: center;
  gap: 18px;
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
