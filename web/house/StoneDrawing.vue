<script setup lang="ts">
import { computed } from 'vue'
import type { GearView } from '../../contract/bench'
import { isStone } from '../../core/abrasive/gear'

/** A stone, rod, strop or plate from the side, to one scale: thickness as it is, the hollow four times deeper. */
const props = defineProps<{ gear: GearView; label: string }>()

const PX_PER_MM = 1
/** Bench stones are about this long and, new, this thick, mm (common practice). */
const LENGTH_MM = 205
const NEW_MM = 25
const ROD_MM = 300
const HOLLOW_DRAWN = 4
/** Grains of 60 µm are drawn a pixel large, of 1 µm as a haze. */
const grainPx = computed(() => Math.min(2.2, 0.35 + (props.gear.micron ?? 5) / 45))
const widthPx = LENGTH_MM * PX_PER_MM
const heightPx = 64
const TUB_PX = 9
const foot = heightPx - 5

const stone = computed(() => {
  const thickPx = Math.max(3, (props.gear.thicknessMm ?? NEW_MM) * PX_PER_MM)
  const top = foot - thickPx
  const sagPx = Math.min(thickPx - 2, (props.gear.dishMm ?? 0) * PX_PER_MM * HOLLOW_DRAWN)
  return `M0 ${foot}V${top}Q${widthPx / 2} ${top + 2 * sagPx} ${widthPx} ${top}V${foot}Z`
})
/** A stone that is soaked stands in its tub, under water; the tub for coarse stones has the thicker wall. */
const water = computed(() => Math.max(4, foot - (props.gear.thicknessMm ?? NEW_MM) * PX_PER_MM - 6))
const tub = computed(
  () => `M${1.5 - TUB_PX} ${water.value - 6}V${heightPx - 1.5}H${widthPx + TUB_PX - 1.5}V${water.value - 6}`,
)
/** Grains strewn evenly but not in rows: multiples of the golden ratio, the same at each drawing. */
const GOLDEN = 0.618_033_988_75
const grains = computed(() => {
  const thickPx = (props.gear.thicknessMm ?? NEW_MM) * PX_PER_MM
  const count = Math.round(30 + 600 / (props.gear.micron ?? 10))
  return Array.from({ length: Math.min(160, count) }, (_, at) => ({
    x: 4 + ((at * GOLDEN) % 1) * (widthPx - 8),
    y: foot - 3 - ((at * at * GOLDEN) % 1) * Math.max(1, thickPx - 8),
  }))
})
const isRod = computed(() => props.gear.kind.endsWith('rod') || props.gear.kind.endsWith('steel'))
const rodPx = Math.min(widthPx - 52, ROD_MM * 0.45)
</script>

<template>
  <svg
    :viewBox="`${-TUB_PX} 0 ${widthPx + 2 * TUB_PX} ${heightPx}`"
    :width="widthPx + 2 * TUB_PX"
    :height="heightPx"
    role="img"
    :aria-label="label"
  >
    <template v-if="isStone(gear.kind)">
      <template v-if="gear.soakMinutes > 0">
        <rect class="water" :x="-TUB_PX" :y="water" :width="widthPx + 2 * TUB_PX" :height="heightPx - water" />
        <path class="tub" :class="gear.bath" :d="tub" />
      </template>
      <path class="stone" :class="{ guessed: gear.thicknessMm === null }" :d="stone" />
      <circle v-for="(grain, at) in grains" :key="at" class="grain" :cx="grain.x" :cy="grain.y" :r="grainPx" />
    </template>
    <template v-else-if="isRod">
      <rect class="rod" x="46" :y="foot - 14" :width="rodPx" height="7" rx="3" />
      <path
        v-if="gear.kind === 'grooved-steel'"
        class="groove"
        :d="`M48 ${foot - 12}H${44 + rodPx}M48 ${foot - 9}H${44 + rodPx}`"
      />
      <rect class="grip" x="0" :y="foot - 20" width="46" height="19" rx="6" />
    </template>
    <template v-else>
      <rect class="plate" x="0" :y="foot - 9" :width="widthPx" height="9" rx="1.5" />
      <rect v-if="gear.kind === 'strop'" class="leather" x="6" :y="foot - 13" :width="widthPx - 12" height="5" rx="2" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
}
.water {
  fill: var(--keen);
  opacity: 0.2;
}
.tub {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}
.tub.coarse {
  stroke-width: 3;
}
.stone {
  fill: var(--board);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.guessed {
  stroke-dasharray: 5 4;
}
.grain {
  fill: var(--steel-line);
}
.rod,
.plate {
  fill: var(--steel);
  stroke: var(--steel-line);
}
.groove {
  stroke: var(--steel-line);
  stroke-width: 0.8;
}
.grip {
  fill: var(--handle);
}
.leather {
  fill: var(--board-line);
}
</style>
