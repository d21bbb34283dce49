<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { ZONES } from '../../core/knife/zones'
import { say, useFormats } from '../i18n'
import { LIST_SAMPLES, silhouette } from './profiles'

const props = withDefaults(
  defineProps<{
    knife: Pick<KnifeView, 'code' | 'type' | 'lengthMm' | 'heelHeightMm' | 'serrated' | 'grind' | 'hrc' | 'zones'>
    /** drawing scale; one scale in a list keeps knives comparable */
    pxPerMm?: number
    large?: boolean
  }>(),
  { pxPerMm: 0.42, large: false },
)
const formats = useFormats()

/** Half a millimetre is a fifth of a pixel in a list; knives that wear then share their drawings. */
const whole = computed(() => ({
  ...props.knife,
  lengthMm: Math.round(props.knife.lengthMm),
  heelHeightMm: Math.round(props.knife.heelHeightMm),
}))
const drawing = computed(() =>
  props.large ? silhouette(props.knife, 1.6) : silhouette(whole.value, 2.6, LIST_SAMPLES),
)
const label = computed(() => {
  const { code, type } = props.knife
  if (isCountedOnly(type)) return say('shell.pair', { name: code, value: say(`type.${type}`) })
  return `${code}: ${ZONES.map((zone) => `${say(`zone.${zone}`)} ${formats.value.force(props.knife.zones[zone].forceGf)} ${say(`edge.${props.knife.zones[zone].word}`)}`).join(', ')}${props.knife.grind === 'single' ? `, ${say('zone.oneSided')}` : ''}`
})
</script>

<template>
  <svg
    class="edge-strip"
    :class="{ large }"
    role="img"
    :aria-label="label"
    :viewBox="drawing.viewBox"
    :width="large ? undefined : drawing.widthMm * pxPerMm"
    :height="large ? undefined : drawing.heightMm * pxPerMm"
    preserveAspectRatio="xMidYMid meet"
  >
    <path class="blade" :d="drawing.neck" />
    <path class="handle" :d="drawing.handle" />
    <path v-if="drawing.collar" class="collar" :d="drawing.collar" />
    <circle
      v-for="rivet in drawing.rivets"
      :key="rivet.x"
      class="rivet"
      :cx="rivet.x"
      :cy="rivet.y"
      :r="rivet.radius"
    />
    <path class="blade" :d="drawing.blade" />
    <path v-if="drawing.shoulder" class="shoulder" :d="drawing.shoulder" />
    <circle v-if="drawing.hole" class="hole" :cx="drawing.hole.x" :cy="drawing.hole.y" :r="drawing.hole.radius" />
    <path v-for="zone in ZONES" :key="zone" class="edge" :class="knife.zones[zone].word" :d="drawing.edge[zone]" />
  </svg>
</template>

<style scoped>
.edge-strip {
  display: block;
  overflow: visible;
}
.edge-strip.large {
  width: 100%;
  max-height: 190px;
}
.handle {
  fill: var(--handle);
}
.blade {
  fill: var(--steel);
  stroke: var(--steel-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}
.collar {
  fill: var(--steel-line);
}
.rivet {
  fill: var(--steel);
}
.hole {
  fill: var(--ground);
  stroke: var(--steel-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.shoulder {
  fill: none;
  stroke: var(--steel-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.edge {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-width: 3;
}
.keen {
  stroke: var(--keen);
  stroke-width: 4;
}
.sound {
  stroke: var(--sound);
  stroke-width: 2;
}
.tiring {
  stroke: var(--tiring);
  stroke-dasharray: 10 3;
}
.dull {
  stroke: var(--dull);
  stroke-width: 4;
  stroke-dasharray: 4 3;
}
.unseen {
  stroke: var(--handle);
  stroke-width: 2;
  stroke-dasharray: 1 5;
}
.out {
  stroke: var(--out);
  stroke-width: 5;
  stroke-dasharray: 1.5 4;
}
.large .edge {
  stroke-width: 5;
}
.large .keen {
  stroke-width: 7;
}
.large .sound {
  stroke-width: 3.5;
}
.large .tiring {
  stroke-dasharray: 20 6;
}
.large .dull {
  stroke-width: 7;
  stroke-dasharray: 8 5;
}
.large .out {
  stroke-width: 8;
  stroke-dasharray: 3 7;
}
</style>
