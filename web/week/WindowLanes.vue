<script setup lang="ts">
import { computed } from 'vue'
import { isLimit, type LayoutLimit, type WindowLayout } from '../../core/plan/layout'
import type { PlanProblem, PlanWindow } from '../../core/plan/problem'
import { say, useFormats } from '../i18n'
import BenchLane from './BenchLane.vue'
import HandsMark from './HandsMark.vue'
import type { HandMoves } from './useHandMoves'
import { useWeekNames } from './useWeekNames'

const props = defineProps<{
  window: PlanWindow
  problem: PlanProblem
  layout: WindowLayout | LayoutLimit | undefined
  chosen: string | null
  locked: (jobId: string) => boolean
  takes: HandMoves['takes']
  mayPlan: boolean
}>()
const emit = defineEmits<{ choose: [jobId: string] }>()
const formats = useFormats()
const { person } = useWeekNames()

const iso = (ms: number): string => new Date(ms).toISOString()
const clock = (ms: number): string => formats.value.clock(iso(ms))
const sessions = computed(() => (props.layout && !isLimit(props.layout) ? props.layout.sessions : []))
const sittings = computed(() => (props.layout && !isLimit(props.layout) ? props.layout.sittings : []))
const soaking = computed(() => (props.layout && !isLimit(props.layout) ? props.layout.soaking : []))
const stoneName = (id: string): string => props.problem.stones.find((stone) => stone.id === id)?.name ?? ''
const soakWords = computed(() =>
  [...soaking.value]
    .sort((a, b) => a.fromMs - b.fromMs)
    .map(({ stoneId, fromMs }) => say('week.soak', { stone: stoneName(stoneId), time: clock(fromMs) }))
    .join(', '),
)
const benchName = (id: string): string => props.problem.benches.find((bench) => bench.id === id)?.name ?? ''
const sittingWords = computed(() =>
  sittings.value
    .map(({ personId, benchId, startMs, endMs, sessions: own }) =>
      say('week.sitting', {
        n: own.length,
        name: person(personId),
        bench: benchName(benchId),
        start: clock(startMs),
        end: clock(endMs),
      }),
    )
    .join('. '),
)
const here = computed(() =>
  props.problem.people
    .filter(({ present, skills }) => present[props.window.id] && skills.some((skill) => skill !== 'hone'))
    .map(({ id }) => ({ id, name: person(id) })),
)
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
        <HandsMark
          v-for="one in here"
          :key="one.id"
          :window-id="window.id"
          :person="one"
          :may-plan="mayPlan"
          :takes="(jobId) => takes(jobId, window.id, { personId: one.id })"
        />
      </p>
    </header>
    <div class="lanes">
      <div v-for="bench in problem.benches" :key="bench.id" class="row">
        <span class="bench small soft">{{ bench.name }}</span>
        <BenchLane
          :window="window"
          :bench="bench"
          :sessions="sessions.filter(({ placement }) => placement.benchId === bench.id)"
          :sittings="sittings.filter(({ benchId }) => benchId === bench.id)"
          :chosen="chosen"
          :locked="locked"
          :takes="(jobId) => takes(jobId, window.id, { benchId: bench.id })"
          :may-plan="mayPlan"
          @choose="emit('choose', $event)"
        />
      </div>
      <p v-if="sittingWords" class="small under">{{ sittingWords }}</p>
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
h3 {
  line-height: 1.2;
}
.name {
  font-weight: 400;
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
