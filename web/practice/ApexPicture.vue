<script setup lang="ts">
import { computed } from 'vue'
import { edgeHeight, type Section } from '../../core/geometry/section'
import type { HandOnApex } from '../../core/hands/groundApex'
import { useFormats } from '../i18n'

/** What strokes like these make of an edge, beside what was meant: both to one scale, the lowest part of the blade. */
const props = defineProps<{ hand: HandOnApex; wantedDps: number }>()
const formats = useFormats()
const [WIDTH, HEIGHT, SHOWN_MM] = [260, 300, 0.42]
const scale = HEIGHT / SHOWN_MM
/** Where the edge was before stands at the foot of both pictures. */
const pathOf = ({ outline }: Section): string =>
  outline.map(({ x, y }) => `${(WIDTH / 2 + x * scale).toFixed(1)},${(HEIGHT - 14 - y * scale).toFixed(1)}`).join(' ')
const pictures = computed(() => [
  { key: 'meant', section: props.hand.meant.section, dps: props.hand.meant.effectiveDps },
  { key: 'made', section: props.hand.made.section, dps: props.hand.made.effectiveDps },
])
const footOf = (section: Section): number => HEIGHT - 14 - edgeHeight(section) * scale
</script>

<template>
  <div class="apexes">
    <figure v-for="picture in pictures" :key="picture.key">
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="$t(`practice.${picture.key}Of`, { angle: formats.angle(Math.round(picture.dps * 10) / 10) })"
      >
        <polygon class="steel" :points="pathOf(picture.section)" />
        <polygon v-if="picture.key === 'made'" class="meant" :points="pathOf(hand.meant.section)" />
        <line class="foot" x1="20" :x2="WIDTH - 20" :y1="footOf(hand.meant.section)" :y2="footOf(hand.meant.section)" />
      </svg>
      <figcaption>
        <b>{{ $t(`practice.${picture.key}`) }}</b>
        <span class="num">{{ formats.angle(Math.round(picture.dps * 10) / 10) }}</span>
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
.apexes {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}
figure {
  width: 240px;
  margin: 0;
}
svg {
  width: 100%;
  background: var(--paper);
  border: 1px solid var(--rule);
}
.steel {
  fill: var(--steel);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.meant {
  fill: none;
  stroke: var(--dull);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.foot {
  stroke: var(--rule-strong);
  stroke-dasharray: 2 4;
}
figcaption {
  display: flex;
  justify-content: space-between;
  padding-top: 6px;
}
</style>
