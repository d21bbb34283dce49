<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { isLimit, type SessionSlot, type LayoutLimit, type WindowLayout } from '../../core/plan/layout'
import type { PlanProblem, PlanWindow } from '../../core/plan/problem'
import { MINUTE_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { useWeekNames } from './useWeekNames'

const props = defineProps<{
  window: PlanWindow
  problem: PlanProblem
  layout: WindowLayout | LayoutLimit | undefined
  chosen: string | null
  locked: (jobId: string) => boolean
  mayPlan: boolean
}>()
const emit = defineEmits<{
  choose: [jobId: string]
  put: [jobId: string, benchId: string]
  hand: [jobId: string, personId: string]
}>()
const formats = useFormats()
const { knife, person } = useWeekNames()

const iso = (ms: number): string => new Date(ms).toISOString()
const clock = (ms: number): string => formats.value.clock(iso(ms))
const share = (ms: number): number => (100 * (ms - props.window.startMs)) / (props.window.endMs - props.window.startMs)
const span = (fromMs: number, toMs: number): { left: string; width: string } => ({
  left: `${share(fromMs)}%`,
  width: `${share(toMs) - share(fromMs)}%`,
})
/** How much of a session goes by before its first knife stroke, on the flattening plate. */
const flatteningShare = ({ flattening, startMs, endMs }: SessionSlot): string =>
  `${(100 * flattening.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)) / (endMs - startMs)}%`
const sessions = computed(() => (props.layout && !isLimit(props.layout) ? props.layout.sessions : []))
const soaking = computed(() => (props.layout && !isLimit(props.layout) ? props.layout.soaking : []))
const stoneName = (id: string): string => props.problem.stones.find((stone) => stone.id === id)?.name ?? ''
const soakWords = computed(() =>
  [...soaking.value]
    .sort((a, b) => a.fromMs - b.fromMs)
    .map(({ stoneId, fromMs }) => say('week.soak', { stone: stoneName(stoneId), time: clock(fromMs) }))
    .join(', '),
)
const here = computed(() =>
  props.problem.people
    .filter(({ present, skills }) => present[props.window.id] && skills.some((skill) => skill !== 'hone'))
    .map(({ id }) => ({ id, name: person(id) })),
)
const quarters = computed(() => {
  const ticks: number[] = []
  for (let ms = Math.ceil(props.window.startMs / 1_800_000) * 1_800_000; ms < props.window.endMs; ms += 1_800_000)
    ticks.push(ms)
  return ticks
})
/** The knife of a job, or nothing while the fleet is still on its way. */
const viewsOf = (jobId: string): KnifeView[] => [knife(jobId)].flatMap((view) => view ?? [])
const initials = (name: string): string =>
  name
    .split(' ')
    .map((part) => part.charAt(0))
    .join('')
const label = (jobId: string, personId: string, startMs: number, endMs: number): string =>
  `${knife(jobId)?.code ?? ''}, ${person(personId)}, ${clock(startMs)}–${clock(endMs)}${props.locked(jobId) ? `, ${say('week.locked')}` : ''}`

function lift(event: DragEvent, jobId: string): void {
  event.dataTransfer?.setData('text/plain', jobId)
  emit('choose', jobId)
}
function drop(event: DragEvent, benchId: string): void {
  const jobId = event.dataTransfer?.getData('text/plain')
  if (jobId) emit('put', jobId, benchId)
}
function dropOn(event: DragEvent, personId: string): void {
  const jobId = event.dataTransfer?.getData('text/plain')
  if (jobId) emit('hand', jobId, personId)
}
</script>

<template>
  <section class="window" :aria-label="`${formats.weekday(iso(window.startMs))} ${window.name}`">
    <header>
      <h3>
        {{ formats.shortWeekday(iso(window.startMs)) }} <span class="name">{{ window.name }}</span>
      </h3>
      <p class="num small">{{ clock(window.startMs) }}–{{ clock(window.endMs) }}</p>
      <p class="small soft here">
        {{ here.length > 0 ? $t('week.here') : $t('week.nobodyHere') }}
        <span
          v-for="one in here"
          :key="one.id"
          class="hands"
          :title="one.name"
          :data-person="one.id"
          @dragover.prevent
          @drop.prevent="dropOn($event, one.id)"
          >{{ initials(one.name) }}</span
        >
      </p>
    </header>
    <div class="lanes">
      <div v-for="bench in problem.benches" :key="bench.id" class="row">
        <span class="bench small soft">{{ bench.name }}</span>
        <div
          class="lane"
          :class="{ bare: sessions.length === 0 }"
          :aria-label="bench.name"
          role="group"
          :data-window="window.id"
          :data-bench="bench.id"
          @dragover.prevent
          @drop.prevent="drop($event, bench.id)"
        >
          <span v-for="tick in quarters" :key="tick" class="tick" :style="{ left: `${share(tick)}%` }" />
          <template v-for="session in sessions" :key="session.placement.jobId">
            <button
              v-if="session.placement.benchId === bench.id"
              type="button"
              class="session"
              :class="{ chosen: chosen === session.placement.jobId, locked: locked(session.placement.jobId) }"
              :style="span(session.startMs, session.endMs)"
              :draggable="mayPlan && !locked(session.placement.jobId)"
              :data-job="session.placement.jobId"
              :aria-label="label(session.placement.jobId, session.placement.personId, session.startMs, session.endMs)"
              :aria-pressed="chosen === session.placement.jobId"
              @click="emit('choose', session.placement.jobId)"
              @dragstart="lift($event, session.placement.jobId)"
            >
              <span class="words">
                <span class="line"
                  ><b class="num">{{ knife(session.placement.jobId)?.code }}</b>
                  <span class="small num minutes"
                    >{{ Math.round((session.endMs - session.startMs) / MINUTE_MS) }}′</span
                  ></span
                >
                <span class="line"
                  ><span class="small">{{ initials(person(session.placement.personId)) }}</span
                  ><EdgeStrip
                    v-for="view in viewsOf(session.placement.jobId)"
                    :key="view.id"
                    class="blade"
                    :knife="view"
                    :px-per-mm="0.15"
                /></span>
              </span>
              <span
                v-if="session.flattening.length > 0"
                class="flat"
                :style="{ width: flatteningShare(session) }"
                :title="$t('week.flatten')"
              />
            </button>
          </template>
        </div>
      </div>
      <p v-if="soakWords" class="small soft under">{{ soakWords }}</p>
    </div>
  </section>
</template>

<style scoped>
.window {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  gap: 12px;
  border-top: 1px solid var(--rule);
  padding: 6px 0 3px;
}
.here {
  display: flex;
  flex-wrap: wrap;
  gap: 3px 5px;
}
.hands {
  padding: 0 4px;
  border-bottom: 1.5px solid var(--steel-line);
}
h3 {
  line-height: 1.2;
}
.name {
  font-weight: 400;
}
.lane {
  position: relative;
  height: 54px;
  margin-bottom: 3px;
  background: var(--paper);
  border-block: 1px solid var(--rule);
}
.row {
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 8px;
}
.bench {
  line-height: 1.15;
  padding-top: 3px;
  text-align: right;
}
/* nothing planned: a line to drop on */
.lane.bare {
  height: 22px;
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px dotted var(--rule);
}
.session {
  position: absolute;
  top: 2px;
  height: 48px;
  min-width: 0;
  padding: 0;
  display: flex;
  overflow: hidden;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--ground);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: grab;
}
.session.locked {
  border-width: 3px;
  cursor: default;
}
.session.chosen {
  border-color: var(--ember);
  outline: 2px solid var(--ember);
}
.flat {
  position: absolute;
  bottom: 0;
  left: 0;
  height: 8px;
  background: repeating-linear-gradient(135deg, var(--wood) 0 3px, transparent 3px 6px);
}
.words {
  flex: 1;
  min-width: 0;
  display: grid;
  align-content: space-between;
  padding: 1px 3px 8px;
  line-height: 1.1;
  overflow: hidden;
  container-type: inline-size;
}
/* a short session says who and which; its minutes and its blade stand in the panel */
@container (max-width: 78px) {
  .blade {
    display: none;
  }
}
@container (max-width: 72px) {
  .minutes {
    display: none;
  }
}
@container (max-width: 52px) {
  .line b {
    font-size: 0.78rem;
  }
}
/* a few minutes of one: its code stands upright, and who does it is in the panel */
@container (max-width: 40px) {
  .line b {
    writing-mode: vertical-rl;
    font-size: 0.72rem;
    line-height: 1;
  }
  .line + .line {
    display: none;
  }
}
.line {
  display: flex;
  align-items: baseline;
  gap: 5px;
  white-space: nowrap;
}
.words .small {
  font-size: 0.78rem;
}
.under {
  line-height: 1.2;
  padding-left: 86px;
}
@media (max-width: 700px) {
  .window {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
