<script setup lang="ts">
import { useDraggable } from '@dnd-kit/vue'
import { computed, useTemplateRef } from 'vue'
import type { SessionSlot } from '../../core/plan/layout'
import { MINUTE_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { initialsOf } from './initials'
import type { LaneBlock } from './laneRows'
import { useWeekNames } from './useWeekNames'

/** One session in its lane: whose blade, whose hands, how long. It is lifted with mouse, finger or pen. */
const props = defineProps<{
  block: LaneBlock<SessionSlot>
  rowPx: number
  chosen: boolean
  locked: boolean
  mayPlan: boolean
}>()
const emit = defineEmits<{ choose: [] }>()
const formats = useFormats()
const { knife, person } = useWeekNames()

const session = computed(() => props.block.session)
const jobId = computed(() => session.value.placement.jobId)
const view = computed(() => knife(jobId.value))
const holder = computed(() => person(session.value.placement.personId))
const minutes = computed(() => Math.round((session.value.endMs - session.value.startMs) / MINUTE_MS))
const clock = (ms: number): string => formats.value.clock(new Date(ms).toISOString())
const label = computed(() =>
  [
    view.value?.code ?? '',
    holder.value,
    `${clock(session.value.startMs)}–${clock(session.value.endMs)}`,
    ...(props.locked ? [say('week.locked')] : []),
  ].join(', '),
)
const place = computed(() => ({
  left: `${props.block.leftPx}px`,
  width: `${props.block.widthPx}px`,
  top: `${2 + props.block.row * props.rowPx}px`,
  height: `${props.rowPx - 3}px`,
}))
/** How much of the session goes by before its first knife stroke, on the flattening plate. */
const flatteningPx = computed(() => {
  const ms = session.value.flattening.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
  return `${(props.block.barPx * ms) / (session.value.endMs - session.value.startMs)}px`
})
const isWide = computed(() => props.block.widthPx >= 120)
const isMiddling = computed(() => props.block.widthPx >= 76)

const element = useTemplateRef<{ $el: HTMLElement }>('element')
const { isDragging } = useDraggable({
  id: () => `session ${jobId.value}`,
  data: () => ({ jobId: jobId.value }),
  // one that may not be moved is no draggable at all: it is still there to be chosen
  element: () => (props.mayPlan && !props.locked ? element.value?.$el : undefined),
  // it is carried itself: a copy left behind would need inline styles, which the page does not allow
  feedback: 'move',
})
</script>

<template>
  <AppButton
    ref="element"
    kind="bare"
    class="session"
    :class="{ chosen, locked, lifted: isDragging, still: !mayPlan }"
    :style="place"
    :data-job="jobId"
    :aria-label="label"
    :aria-pressed="chosen"
    @click="emit('choose')"
  >
    <b class="num">{{ view?.code }}</b>
    <span v-if="isMiddling" class="small">{{ initialsOf(holder) }}</span>
    <span v-if="isWide" class="small num">{{ minutes }}′</span>
    <EdgeStrip v-if="isWide && view" class="blade" :knife="view" :px-per-mm="0.15" />
    <span class="bar" :style="{ width: `${block.barPx}px` }" />
    <span
      v-if="session.flattening.length > 0"
      class="flat"
      :style="{ width: flatteningPx }"
      :title="say('week.flatten')"
    />
  </AppButton>
</template>

<style scoped>
.session {
  position: absolute;
  display: flex;
  align-items: center;
  gap: 6px;
  min-width: 0;
  padding: 0 4px 3px;
  overflow: hidden;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--ground);
  color: var(--ink);
  font: inherit;
  font-size: 0.8rem;
  line-height: 1.1;
  text-align: left;
  white-space: nowrap;
  cursor: grab;
  touch-action: manipulation;
}
.session.still {
  cursor: pointer;
}
.session.locked {
  border-width: 3px;
  padding-inline: 2.5px;
  cursor: default;
}
.session.chosen {
  border-color: var(--ember);
  outline: 2px solid var(--ember);
}
.session.lifted {
  box-shadow: 0 6px 16px rgb(0 0 0 / 0.3);
  opacity: 0.9;
}
.small {
  font-size: 0.78rem;
}
.blade {
  margin-left: auto;
}
/* how long it truly is, where its block had to be wider */
.bar,
.flat {
  position: absolute;
  bottom: 0;
  left: 0;
  height: 3px;
  background: var(--ink);
}
.flat {
  height: 6px;
  background: repeating-linear-gradient(135deg, var(--wood) 0 3px, var(--ink) 3px 5px);
}
</style>
