<script setup lang="ts">
import { useDroppable } from '@dnd-kit/vue'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { SessionSlot } from '../../core/plan/layout'
import type { PlanWindow } from '../../core/plan/problem'
import type { SittingOf } from '../../core/plan/sittings'
import { layLaneRows } from './laneRows'
import SessionBlock from './SessionBlock.vue'
import { useRefusal } from './useRefusal'

/** One bench in one window: its sessions by the clock, and a place to put more down. */
const props = defineProps<{
  window: PlanWindow
  bench: { readonly id: string; readonly name: string }
  sessions: readonly SessionSlot[]
  sittings: readonly SittingOf<SessionSlot>[]
  chosen: string | null
  locked: (jobId: string) => boolean
  /** whether a lifted job could be put down here */
  takes: (jobId: string) => boolean
  mayPlan: boolean
}>()
const emit = defineEmits<{ choose: [jobId: string] }>()

const ROW_PX = 30
/** Room for a code and a fingertip. */
const LEAST_PX = 48
const HALF_HOUR_MS = 1_800_000
const lane = useTemplateRef<HTMLElement>('lane')
const { width } = useElementSize(lane)
const blocks = computed(() =>
  width.value === 0 ? [] : layLaneRows(props.sessions, props.window, width.value, LEAST_PX),
)
const rows = computed(() => Math.max(1, ...blocks.value.map(({ row }) => row + 1)))
const share = (ms: number): string => `${(100 * ms) / (props.window.endMs - props.window.startMs)}%`
/** Where somebody sits, with laying out before the first knife and clearing away after the last. */
const bands = computed(() =>
  props.sittings.map(({ startMs, endMs, sessions, personId }) => {
    const first = Math.min(...sessions.map((session) => session.startMs))
    const last = Math.max(...sessions.map((session) => session.endMs))
    return {
      key: `${personId} ${startMs}`,
      whole: { left: share(startMs - props.window.startMs), width: share(endMs - startMs) },
      before: { left: share(startMs - props.window.startMs), width: share(first - startMs) },
      after: { left: share(last - props.window.startMs), width: share(endMs - last) },
    }
  }),
)
const ticks = computed(() => {
  const { startMs, endMs } = props.window
  const all: string[] = []
  for (let ms = Math.ceil(startMs / HALF_HOUR_MS) * HALF_HOUR_MS; ms < endMs; ms += HALF_HOUR_MS)
    all.push(`${(100 * (ms - startMs)) / (endMs - startMs)}%`)
  return all
})

const { isDropTarget } = useDroppable({
  id: () => `lane ${props.window.id} ${props.bench.id}`,
  data: () => ({ windowId: props.window.id, benchId: props.bench.id }),
  disabled: () => !props.mayPlan,
  element: lane,
})
const refuses = useRefusal(isDropTarget, (jobId) => props.takes(jobId))
</script>

<template>
  <div
    ref="lane"
    class="lane"
    :class="{ bare: sessions.length === 0, over: isDropTarget, refuses }"
    :style="{ height: sessions.length === 0 ? undefined : `${rows * ROW_PX + 3}px` }"
    :aria-label="bench.name"
    role="group"
    :data-window="window.id"
    :data-bench="bench.id"
  >
    <template v-for="band in bands" :key="band.key">
      <span class="sitting" :style="band.whole" />
      <span class="around" :style="band.before" />
      <span class="around" :style="band.after" />
    </template>
    <span v-for="left in ticks" :key="left" class="tick" :style="{ left }" />
    <SessionBlock
      v-for="block in blocks"
      :key="block.session.placement.jobId"
      :block="block"
      :row-px="ROW_PX"
      :chosen="chosen === block.session.placement.jobId"
      :locked="locked(block.session.placement.jobId)"
      :may-plan="mayPlan"
      @choose="emit('choose', block.session.placement.jobId)"
    />
  </div>
</template>

<style scoped>
.lane {
  position: relative;
  margin-bottom: 3px;
  background: var(--paper);
  border-block: 1px solid var(--rule);
}
/* nothing planned: a line to put something down on */
.lane.bare {
  height: 26px;
}
.lane.over {
  background: var(--steel);
  outline: 2.5px solid var(--keen);
}
.lane.refuses {
  outline: 2.5px dashed var(--out);
}
.sitting,
.around {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--steel);
}
/* laying out and clearing away: the stones lie wet, no knife is on them */
.around {
  background: repeating-linear-gradient(135deg, var(--rule) 0 2px, transparent 2px 6px);
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px dotted var(--rule);
}
</style>
