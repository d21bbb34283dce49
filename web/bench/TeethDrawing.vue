<script setup lang="ts">
import { computed } from 'vue'
import { radians } from '../../core/measure'
import { useFormats } from '../i18n'

/** A serrated edge: its teeth from the side with what works them, and its section at the angle of the step. */
const props = defineProps<{ dps: number; isFlat: boolean; tool: string; isGullet: boolean }>()
const formats = useFormats()

const WIDTH = 520
const LINE = 96
const PITCH = 52
const DEPTH = 20
/** Scallops with a point between each two: the ground side is hollowed, the back runs straight behind them. */
const teeth = computed(() => {
  const scallops = Array.from({ length: 8 }, (_, at) => {
    const x = 52 + at * PITCH
    return `L ${x} ${LINE} Q ${x + PITCH / 2} ${LINE - DEPTH * 1.7} ${x + PITCH} ${LINE}`
  })
  return `M 52 14 ${scallops.join(' ')} L ${52 + 8 * PITCH} 14 Z`
})
/** The section below: ground on one side, flat on the other, its back towards the stone where the back is worked. */
const SECTION = { x: 130, y: 262, long: 300, thick: 34 }
const section = computed(() => {
  const { x, y, long, thick } = SECTION
  const lift = props.isFlat ? 0 : radians(props.dps)
  const at = (along: number, off: number): string =>
    `${(x + along * Math.cos(lift) - off * Math.sin(lift)).toFixed(1)},${(y - along * Math.sin(lift) - off * Math.cos(lift)).toFixed(1)}`
  // flat: the back lies on the plate and the ground side is above; ground: the bevel lies on it and the back is above
  return props.isFlat
    ? [at(0, 0), at(long, 0), at(long, thick), at(86, thick)].join(' ')
    : [at(0, 0), at(long, 0), at(long, -thick), at(86, -Math.min(thick, 86 * Math.tan(radians(props.dps))))].join(' ')
})
const shown = computed(() => formats.value.angle(Math.round(props.dps * 10) / 10))
const label = computed(() => ({ tool: props.tool, angle: shown.value }))
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${WIDTH} 320`" role="img" :aria-label="$t('bench.teethLabel', label)">
      <path class="blade" :d="teeth" />
      <circle v-if="isGullet" class="rod" cx="208" cy="88" r="11" />
      <rect v-else-if="isFlat" class="rod ghost" x="52" :y="LINE - 22" :width="8 * PITCH" height="26" />
      <line v-else class="pass" x1="64" :y1="LINE + 12" x2="452" :y2="LINE + 12" marker-end="url(#teeth-way)" />
      <defs>
        <marker id="teeth-way" viewBox="0 0 10 10" refX="8" refY="5" markerWidth="5" markerHeight="5" orient="auto">
          <path class="way" d="M0 0 L10 5 L0 10 Z" />
        </marker>
      </defs>
      <rect class="stone" x="90" y="262" width="380" height="18" />
      <polygon class="blade" :points="section" />
      <line class="contact" :x1="130" :x2="isFlat ? 430 : 216" y1="263" y2="263" />
      <text class="angle" x="52" y="158">
        {{ $t(isFlat ? 'bench.teethFlat' : 'bench.teethAngle', { angle: shown }) }}
      </text>
      <text class="name" x="96" y="304">{{ tool }}</text>
    </svg>
  </figure>
</template>

<style scoped src="./stoneDrawing.css"></style>
<style scoped>
.rod {
  fill: var(--ember-wash);
  stroke: var(--ember);
  stroke-width: 2;
}
.ghost {
  fill-opacity: 0.55;
}
.pass {
  stroke: var(--ember);
  stroke-width: 3;
}
.way {
  fill: var(--ember);
}
</style>
