<script setup lang="ts">
import { computed } from 'vue'
import { costOfStaying } from '../../core/plan/costOfChoice'
import { violationOf, leavingReason, placementReasons } from '../../core/plan/explain'
import { isLimit, type LayoutLimit, type WindowLayout } from '../../core/plan/layout'
import { mayDo, routeMinutes, type Placement, type PlanProblem } from '../../core/plan/problem'
import { verdictWords } from '../../words/verdict'
import { planReasonWords, totalsChangeWords, windowName } from '../../words/week'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { useWeekNames } from './useWeekNames'
import type { HandMade } from './useWeekPlan'

const props = defineProps<{
  jobId: string
  problem: PlanProblem
  placements: readonly Placement[]
  layouts: ReadonlyMap<string, WindowLayout | LayoutLimit>
  handMade: HandMade | null
  locked: boolean
  mayPlan: boolean
}>()
const emit = defineEmits<{ place: [placement: Placement]; unplace: []; lock: []; offer: [] }>()
const formats = useFormats()
const { knife, person, namesIn } = useWeekNames()

const view = computed(() => knife(props.jobId))
const names = computed(() => namesIn(props.problem))
const placement = computed(() => props.placements.find(({ jobId }) => jobId === props.jobId) ?? null)
const laid = computed(() => {
  const layout = props.layouts.get(placement.value?.windowId ?? '')
  return layout && !isLimit(layout)
    ? layout.sessions.find((session) => session.placement.jobId === props.jobId)
    : undefined
})
/** Minutes of the job itself, as on every other screen; flattening and waiting for a stone lie between start and end. */
const workMinutes = computed(() => {
  const own = props.problem.jobs.find(({ id }) => id === props.jobId)
  const route = own?.routes.find(({ benchId }) => benchId === placement.value?.benchId)
  return route ? Math.ceil(routeMinutes(route) - 1e-6) : 0
})
const iso = (ms: number): string => new Date(ms).toISOString()
const when = computed(
  () =>
    laid.value &&
    say('week.session', {
      start: formats.value.clock(iso(laid.value.startMs)),
      end: formats.value.clock(iso(laid.value.endMs)),
      minutes: formats.value.minutes(workMinutes.value),
    }),
)
const stones = computed(() =>
  (laid.value?.stages ?? [])
    .map(({ stoneId }) => props.problem.stones.find(({ id }) => id === stoneId)?.name ?? '')
    .join(' → '),
)
const why = computed(() => {
  const { value } = placement
  const reasons = value
    ? placementReasons(props.problem, value)
    : [leavingReason(props.problem, props.placements, props.jobId)]
  return reasons.flatMap((reason) => (reason ? [planReasonWords(reason, names.value, say, formats.value)] : []))
})
const verdict = computed(() => (view.value ? verdictWords(view.value, say, formats.value).what : ''))
const told = computed(() => {
  const made = props.handMade
  if (made?.jobId !== props.jobId) return ''
  if (made.breaks) return say('week.cannot', { why: planReasonWords(made.breaks, names.value, say, formats.value) })
  const parts = made.change ? totalsChangeWords(made.change, say, formats.value) : ''
  return parts === '' ? say('week.even') : say('week.means', { parts })
})
/** What a lock holds back: the best place that is free, in what people know. */
const lockTold = computed(() => {
  const cost = props.locked ? costOfStaying(props.problem, props.placements, props.jobId) : null
  const parts = cost ? totalsChangeWords(cost, say, formats.value) : ''
  return parts === '' ? '' : say('week.lockMeans', { parts })
})
const checkFirst = computed(() => placement.value !== null && view.value?.verdict.action === 'check')
const job = computed(() => props.problem.jobs.find(({ id }) => id === props.jobId))
const windows = computed(() =>
  props.problem.windows.map(({ id }) => ({ value: id, label: windowName(props.problem, id, say, formats.value) })),
)
const benches = computed(() => props.problem.benches.map(({ id, name }) => ({ value: id, label: name })))
const people = computed(() =>
  props.problem.people
    .filter((one) => job.value && mayDo(one, job.value))
    .map(({ id }) => ({ value: id, label: person(id) })),
)
function change(more: Partial<Placement>): void {
  if (placement.value) emit('place', { ...placement.value, ...more })
}
const canStay = computed(
  () => placement.value === null || violationOf(props.problem, props.placements, placement.value) === null,
)
</script>

<template>
  <section v-if="view" class="panel heavy-rule" aria-live="polite">
    <h2>
      <RouterLink :to="{ name: 'knife', params: { code: view.code } }">{{ view.code }}</RouterLink>
      <span class="soft small">{{ $t(`type.${view.type}`) }}</span>
    </h2>
    <EdgeStrip :knife="view" :px-per-mm="0.6" />
    <p>{{ verdict }}</p>
    <p v-if="when">
      <b>{{ when }}</b><template v-if="stones">. {{ $t('week.stones', { stones }) }}</template>
    </p>
    <p v-for="reason in why" :key="reason" class="soft">{{ reason }}</p>
    <p v-if="checkFirst">{{ $t('week.checkFirst') }}</p>
    <p v-if="lockTold" class="soft">{{ lockTold }}</p>
    <p v-if="told" class="told" role="status">{{ told }}</p>
    <p v-if="!canStay" class="told">{{ $t('week.stale') }}</p>
    <template v-if="mayPlan && placement">
      <ChoiceField
        :model-value="placement.windowId"
        :label="$t('week.window')"
        :options="windows"
        @update:model-value="change({ windowId: $event })"
      />
      <div class="two">
        <ChoiceField
          :model-value="placement.benchId"
          :label="$t('week.bench')"
          :options="benches"
          @update:model-value="change({ benchId: $event })"
        />
        <ChoiceField
          :model-value="placement.personId"
          :label="$t('week.hands')"
          :options="people"
          @update:model-value="change({ personId: $event })"
        />
      </div>
      <p class="ways">
        <AppButton :aria-pressed="locked" @click="emit('lock')">
          {{ $t(locked ? 'week.unlock' : 'week.lock') }}
        </AppButton>
        <AppButton kind="quiet" @click="emit('unplace')">{{ $t('week.toShelf') }}</AppButton>
      </p>
      <p class="soft small">{{ $t('week.keys') }}</p>
    </template>
    <AppButton v-else-if="mayPlan && job && job.routes.length > 0" @click="emit('offer')">
      {{ $t('week.take') }}
    </AppButton>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
}
.told {
  border-left: 4px solid var(--ember);
  padding-left: 10px;
  font-weight: 600;
}
.two {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
