<script setup lang="ts">
import { computed } from 'vue'
import { faceLength } from '../../core/geometry/stack'
import { radians } from '../../core/measure'
import { judgeAngle, STEADY_DPS } from '../../core/session/live'
import { useFormats } from '../i18n'
import type { AngleStack } from './angleStack'

const props = defineProps<{
  blade: { readonly heelHeightMm: number; readonly spineMm: number }
  stack: AngleStack
  stoneName: string
  /** an inclinometer's reading, degrees per side; null when none is on the line */
  liveDps?: number | null
  /** how far up from the edge the stone touches, mm */
  contactMm: number
}>()
const formats = useFormats()

const WIDTH = 520
const STONE_TOP = 250
const EDGE_X = 60
/** The blade lies along the stone, drawn to scale so that it fills the width. */
const scale = computed(() => (WIDTH - 2 * EDGE_X) / faceLength(props.blade))
const shownDps = computed(() => props.liveDps ?? props.stack.dps)
const turned = (along: number, across: number, dps: number): [number, number] => {
  // the lower face makes the edge angle less the face angle with the stone; the centre plane makes the edge angle
  const angle = radians(dps)
  return [
    EDGE_X + scale.value * (along * Math.cos(angle) + across * Math.sin(angle)),
    STONE_TOP - scale.value * (along * Math.sin(angle) - across * Math.cos(angle)),
  ]
}
const path = computed(() => {
  const { heelHeightMm: height, spineMm: spine } = props.blade
  return [
    turned(0, 0, shownDps.value),
    turned(height, spine / 2, shownDps.value),
    turned(height, -spine / 2, shownDps.value),
  ]
    .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ')
})
const spineLow = computed(() => turned(props.blade.heelHeightMm, props.blade.spineMm / 2, props.stack.dps))
/** Each piece as it lies, from the stone up. */
const pieces = computed(() => {
  let top = STONE_TOP
  return (props.stack.choice?.pieces ?? []).flatMap((piece) =>
    Array.from({ length: piece.count }, () => {
      const height = piece.mm * scale.value
      top -= height
      return { name: piece.name, y: top, height: Math.max(1, height - 0.8) }
    }),
  )
})
const arc = computed(() => {
  const radius = 150
  const angle = radians(shownDps.value)
  return `M ${EDGE_X + radius} ${STONE_TOP} A ${radius} ${radius} 0 0 0 ${EDGE_X + radius * Math.cos(angle)} ${STONE_TOP - radius * Math.sin(angle)}`
})
/** Beyond the spine, where the blade does not cover it, the band a steady hand keeps to and the live angle in it. */
const GAUGE = { inner: WIDTH - 2 * EDGE_X + 6, outer: WIDTH - 2 * EDGE_X + 44 }
const onGauge = (radius: number, dps: number): string => {
  const angle = radians(Math.max(0, dps))
  return `${(EDGE_X + radius * Math.cos(angle)).toFixed(1)} ${(STONE_TOP - radius * Math.sin(angle)).toFixed(1)}`
}
const isLive = computed(() => props.liveDps !== null && props.liveDps !== undefined)
const isOff = computed(() => judgeAngle(shownDps.value, props.stack.dps) !== 'within')
const band = computed(() => {
  const [low, high] = [props.stack.dps - STEADY_DPS, props.stack.dps + STEADY_DPS]
  const { inner, outer } = GAUGE
  return `M ${onGauge(inner, low)} L ${onGauge(outer, low)} A ${outer} ${outer} 0 0 0 ${onGauge(outer, high)} L ${onGauge(inner, high)} A ${inner} ${inner} 0 0 1 ${onGauge(inner, low)} Z`
})
const needle = computed(
  () => `M ${onGauge(GAUGE.inner, shownDps.value)} L ${onGauge(GAUGE.outer + 10, shownDps.value)}`,
)
/** Where the stone touches: a bevel's width, up to a shoulder, or the face as far as it is worked. */
const contact = computed(() => Math.max(5, Math.min(faceLength(props.blade), props.contactMm) * scale.value))
const recipe = computed(() =>
  (props.stack.choice?.pieces ?? []).map(({ name, count }) => `${count} × ${name}`).join(' + '),
)
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} 320`"
      role="img"
      :aria-label="$t('bench.sectionLabel', { angle: formats.angle(shownDps), stone: stoneName })"
    >
      <rect class="stone" :x="10" :y="STONE_TOP" :width="WIDTH - 20" height="58" />
      <rect class="stone-top" :x="10" :y="STONE_TOP" :width="WIDTH - 20" height="4" />
      <rect
        v-for="(piece, index) in pieces"
        :key="index"
        class="piece"
        :x="spineLow[0] - 42"
        :y="piece.y"
        width="66"
        :height="piece.height"
        rx="2"
      />
      <polygon class="blade" :points="path" />
      <template v-if="isLive">
        <path class="band" :class="{ off: isOff }" :d="band" />
        <path class="needle" :class="{ off: isOff }" :d="needle" />
      </template>
      <line class="contact" :x1="EDGE_X" :x2="EDGE_X + contact" :y1="STONE_TOP + 1" :y2="STONE_TOP + 1" />
      <text class="name" :x="EDGE_X" :y="STONE_TOP + 18">{{ $t('bench.touches') }}</text>
      <template v-if="stack.problem !== 'flat'">
        <path class="arc" :d="arc" />
        <text class="angle" :x="EDGE_X + 162" :y="STONE_TOP - 14">
          {{ formats.angle(Math.round(shownDps * 10) / 10) }}
        </text>
      </template>
      <text class="name" x="24" :y="STONE_TOP + 48">{{ stoneName }}</text>
    </svg>
    <figcaption v-if="stack.problem === 'too-tall'">
      {{ $t('bench.stackTooTall', { height: formats.length(stack.stackMm) }) }}
    </figcaption>
    <figcaption v-else-if="stack.problem === 'flatter-than-face'">
      {{ $t('bench.flatterThanFace') }}
    </figcaption>
    <figcaption v-else-if="stack.problem === 'flat'">
      <b>{{ $t('bench.faceFlat') }}</b>
    </figcaption>
    <figcaption v-else-if="stack.problem === 'no-pieces'">
      {{ $t('bench.stackNoPieces', { height: formats.length(stack.stackMm) }) }}
    </figcaption>
    <figcaption v-else-if="stack.problem === 'too-coarse'">
      {{
        $t('bench.stackTooCoarse', {
          height: formats.length(stack.stackMm),
          angle: formats.angle(Math.round((stack.choice?.dps ?? 0) * 10) / 10),
        })
      }}
    </figcaption>
    <figcaption v-else>
      <b>{{ $t('bench.stackIs', { height: formats.length(stack.stackMm) }) }}</b>
      {{
        $t('bench.stackFrom', {
          pieces: recipe,
          angle: formats.angle(Math.round((stack.choice?.dps ?? stack.dps) * 10) / 10),
        })
      }}
      {{ $t('bench.stackAway') }}
      <template v-if="stack.holds">
        {{
          $t('bench.hold', {
            height: formats.length(stack.holds.heightMm),
            tip: formats.angle(Math.round(stack.holds.tipDps * 10) / 10),
          })
        }}
      </template>
    </figcaption>
  </figure>
</template>

<style scoped src="./stoneDrawing.css"></style>
<style scoped>
.piece {
  fill: var(--ember-wash);
  stroke: var(--ember);
  stroke-width: 1;
}
.band {
  fill: none;
  stroke: var(--keen);
  stroke-width: 2;
}
.band.off {
  stroke-dasharray: 5 4;
  stroke: var(--ember);
}
.needle {
  stroke: var(--keen);
  stroke-width: 4;
}
.needle.off {
  stroke: var(--ember);
}
</style>
