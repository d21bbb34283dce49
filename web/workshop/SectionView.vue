<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { facesAt, type Section } from '../../core/geometry/section'
import type { Shoulder } from '../../core/workshop/operate'
import { useFormats } from '../i18n'
import SliderField from '../ui/SliderField.vue'

const props = defineProps<{
  before: Section
  after: Section
  heightMm: number
  spineMm: number
  bteMm: number
  /** where the section can be taken hold of */ shoulder: Shoulder | null
  /** how far in to begin, 0 the whole blade, 1 the edge */ start: number
}>()
const emit = defineEmits<{ drag: [outMm: number] }>()
const formats = useFormats()
const zoom = ref(props.start)
watch(
  () => props.start,
  (start) => {
    zoom.value = start
  },
)
const WIDTH = 560
const HEIGHT = 380
const MARGIN = 28
/** Millimetres of height shown: from the whole blade down to the last two, one scale both ways. */
const shownMm = computed(() => props.heightMm * (2 / props.heightMm) ** zoom.value)
const scale = computed(() =>
  Math.min((HEIGHT - 2 * MARGIN) / shownMm.value, (WIDTH - 140) / Math.max(0.6, widest.value)),
)
const widest = computed(() => {
  const faces = facesAt(props.before, shownMm.value)
  return Math.max(props.bteMm, faces ? faces.right - faces.left : props.spineMm) * 1.2
})
const X0 = WIDTH / 2 + 20
const x = (mm: number): number => X0 + mm * scale.value
const y = (mm: number): number => HEIGHT - MARGIN - mm * scale.value
const path = ({ outline }: Section): string =>
  outline.map((point) => `${x(point.x).toFixed(2)},${y(point.y).toFixed(2)}`).join(' ')
const ticks = computed(() => {
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20].find((one) => one * scale.value > 34) ?? 20
  const most = (HEIGHT - 2 * MARGIN) / scale.value
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, at) => Math.round(at * step * 10) / 10)
})
const apex = computed(() => props.after.outline.reduce((low, point) => (point.y < low.y ? point : low)))
const handle = computed(
  () =>
    props.shoulder && {
      x: x(apex.value.x + (props.shoulder.side === 'right' ? 1 : -1) * props.shoulder.outMm),
      y: y(apex.value.y + props.shoulder.upMm),
    },
)
let dragging = false
function move(event: PointerEvent): void {
  if (!dragging) return
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const mm = Math.abs(((event.clientX - box.left) * WIDTH) / box.width - x(apex.value.x)) / scale.value
  emit('drag', mm)
}
function grab(event: PointerEvent): void {
  dragging = true
  ;(event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
}
const measured = computed(() =>
  [1, 3, 5, 10]
    .filter((mm) => mm < (HEIGHT - 2 * MARGIN) / scale.value)
    .map((mm) => {
      const faces = facesAt(props.after, apex.value.y + mm)
      return { mm, faces, text: faces ? formats.value.thickness(faces.right - faces.left) : '' }
    }),
)
</script>

<template>
  <figure>
    <svg
      class="steel-drawing"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`${$t('workshop.before')} / ${$t('workshop.after')}`"
      @pointermove="move"
      @pointerdown="grab"
      @pointerup="dragging = false"
      @pointercancel="dragging = false"
    >
      <defs>
        <pattern id="goes" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="6" class="hatch" />
        </pattern>
        <clipPath id="frame"><rect x="0" y="6" :width="WIDTH" :height="HEIGHT - 12" /></clipPath>
      </defs>
      <g clip-path="url(#frame)">
        <polygon class="goes" :points="path(before)" fill="url(#goes)" />
        <polygon class="after" :points="path(after)" />
        <polygon class="before" :points="path(before)" />
        <template v-for="one in measured" :key="one.mm">
          <line
            v-if="one.faces"
            class="measure"
            :x1="x(one.faces.left) - 8"
            :x2="x(one.faces.right) + 8"
            :y1="y(one.mm)"
            :y2="y(one.mm)"
          />
          <text v-if="one.faces" class="value" :x="x(one.faces.right) + 14" :y="y(one.mm) + 5">{{ one.text }}</text>
        </template>
        <circle v-if="handle" class="handle" :cx="handle.x" :cy="handle.y" r="9" />
      </g>
      <g class="axis">
        <template v-for="tick in ticks" :key="tick">
          <line x1="34" x2="44" :y1="y(tick)" :y2="y(tick)" />
          <text x="4" :y="y(tick) + 5">{{ tick }}</text>
        </template>
        <text x="4" :y="14">mm</text>
      </g>
    </svg>
    <SliderField v-model="zoom" class="small" :label="$t('workshop.zoom')" :min="0" :max="1" :step="0.01" />
    <figcaption class="small soft">
      <span class="key before" /> {{ $t('workshop.before') }} <span class="key after" /> {{ $t('workshop.after') }}
      <span class="key goes" /> {{ $t('workshop.goes') }}
    </figcaption>
  </figure>
</template>

<style scoped>
svg {
  touch-action: none;
}
.measure {
  stroke: var(--ink-soft);
}
.value,
.axis text {
  font-size: 14px;
  fill: var(--ink);
}
.axis line {
  stroke: var(--ink-soft);
}
.handle {
  fill: transparent;
  stroke: var(--ember);
  stroke-width: 3;
  cursor: ew-resize;
}
label {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
input {
  accent-color: var(--slate);
}
.key {
  display: inline-block;
  width: 20px;
  height: 10px;
  margin: 0 4px 0 12px;
}
.key:first-child {
  margin-left: 0;
}
.key.before {
  border-top: 2px dashed var(--ember);
  height: 4px;
}
.key.after {
  background: var(--steel);
  border: 1px solid var(--ink);
}
.key.goes {
  background: repeating-linear-gradient(45deg, var(--ember) 0 3px, transparent 3px 6px);
}
</style>
