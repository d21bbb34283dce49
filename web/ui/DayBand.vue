<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { say } from '../i18n'
import AppButton from './AppButton.vue'
import { DAY_MIN, dayShare, draggedSpan, shortClock, SNAP_MIN, spanMinutes, TICKS_H, type BandSpan } from './daySpans'

/** One day as the kitchen lives it: services and shifts solid, quiet windows open. A span is dragged whole or by an end. */
const props = defineProps<{ spans: readonly BandSpan[]; chosen: string | null; day: string }>()
const emit = defineEmits<{
  choose: [id: string]
  change: [id: string, times: { starts: string; ends: string }]
  remove: [id: string]
}>()

type Part = 'whole' | 'starts' | 'ends'
const band = useTemplateRef<HTMLElement>('band')
const held = ref<{ span: BandSpan; part: Part; fromX: number } | null>(null)
const drawn = computed(() =>
  props.spans.map((span) => {
    const { from, to } = spanMinutes(span)
    return { span, style: { left: dayShare(from), width: `${(100 * (to - from)) / DAY_MIN}%` } }
  }),
)
const ticks = TICKS_H.map((hour) => dayShare(hour * 60))

const label = ({ kind, name, starts, ends }: BandSpan): string =>
  say(name === '' ? 'house.spanLabelPlain' : 'house.spanLabel', {
    kind: say(`house.${kind}`),
    name,
    starts,
    ends,
    day: props.day,
  })

function lift(event: PointerEvent, span: BandSpan): void {
  const { part } = (event.target as HTMLElement).dataset
  held.value = { span: { ...span }, part: part === 'starts' || part === 'ends' ? part : 'whole', fromX: event.clientX }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  emit('choose', span.id)
}
function carry(event: PointerEvent): void {
  const width = band.value?.clientWidth ?? 0
  if (!held.value || width === 0) return
  const { span, part, fromX } = held.value
  emit('change', span.id, draggedSpan(span, ((event.clientX - fromX) / width) * DAY_MIN, part))
}
/** Arrows move a span by a quarter of an hour; with Shift they move its end. */
function press(event: KeyboardEvent, span: BandSpan): void {
  if (event.key === 'Delete' || event.key === 'Backspace') emit('remove', span.id)
  else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    const by = event.key === 'ArrowLeft' ? -SNAP_MIN : SNAP_MIN
    emit('choose', span.id)
    emit('change', span.id, draggedSpan(span, by, event.shiftKey ? 'ends' : 'whole'))
  } else return
  event.preventDefault()
}
</script>

<template>
  <div ref="band" class="band" role="group" :aria-label="day">
    <span v-for="left in ticks" :key="left" class="tick" :style="{ left }" />
    <AppButton
      v-for="{ span, style } in drawn"
      :key="span.id"
      kind="bare"
      class="span"
      :class="[span.kind, { chosen: chosen === span.id }]"
      :style="style"
      :aria-pressed="chosen === span.id"
      :aria-label="label(span)"
      @pointerdown="lift($event, span)"
      @pointermove="carry"
      @pointerup="held = null"
      @pointercancel="held = null"
      @click="emit('choose', span.id)"
      @keydown="press($event, span)"
    >
      <span class="end from" data-part="starts" />
      <span v-if="span.name" class="name">{{ span.name }}</span>
      <span class="num small hours">{{ shortClock(span.starts) }}–{{ shortClock(span.ends) }}</span>
      <span class="end to" data-part="ends" />
    </AppButton>
  </div>
</template>

<style scoped>
.band {
  position: relative;
  height: 48px;
  border-block: 1px solid var(--rule);
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px dotted var(--rule);
}
.span {
  position: absolute;
  top: 0;
  height: 100%;
  display: grid;
  align-content: center;
  padding: 0 12px;
  overflow: hidden;
  border: 0;
  color: var(--ink);
  font: inherit;
  font-size: 0.9rem;
  line-height: 1.15;
  text-align: left;
  white-space: nowrap;
  cursor: grab;
  touch-action: none;
}
.span.quiet {
  background: var(--paper);
  border-inline: 1.5px solid var(--steel-line);
}
.span.service,
.span.shift {
  background: var(--service);
  color: var(--on-service);
}
.span.chosen {
  outline: 3px solid var(--ember);
  outline-offset: -2px;
  z-index: 1;
}
.name,
.hours {
  pointer-events: none;
}
.end {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 12px;
  cursor: ew-resize;
}
.end::after {
  content: '';
  position: absolute;
  top: 14px;
  bottom: 14px;
  left: 5px;
  border-left: 2px solid currentColor;
  opacity: 0.5;
}
.from {
  left: 0;
}
.to {
  right: 0;
}
</style>
