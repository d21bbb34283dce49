<script setup lang="ts">
import { whyEmpty, type MissingForPlan } from '../../core/plan/whyEmpty'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { leavingReason } from '../../core/plan/explain'
import { costOfLeavingOut } from '../../core/plan/objective'
import { changeWords, movedWords, planReasonWords } from '../../words/week'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ProgressLine from '../ui/ProgressLine.vue'
import DragSpace from '../ui/DragSpace.vue'
import { useAddressed } from '../ui/useAddressed'
import ComparisonPanel from './ComparisonPanel.vue'
import JobPanel from './JobPanel.vue'
import PlanSheets from './PlanSheets.vue'
import PlanWeightsPanel from './PlanWeightsPanel.vue'
import RiskBand from './RiskBand.vue'
import ShelfJob from './ShelfJob.vue'
import { useDragWords } from './useDragWords'
import { useHandMoves } from './useHandMoves'
import { useWeekNames } from './useWeekNames'
import { useWeekPlan } from './useWeekPlan'
import WindowLanes from './WindowLanes.vue'

const formats = useFormats()
const session = useSession()
const fleet = useFleet()
const notices = useNotices()
const { knife, namesIn } = useWeekNames()
const week = useWeekPlan()
const {
  view,
  problem,
  placements,
  layouts,
  totals,
  bound,
  cost,
  searching,
  refusal,
  handMade,
  improving,
  changes,
  isAccepted,
} = week
const chosen = ref<string | null>(null)
useAddressed(chosen, 'session', null)
/** What the printer gets: by its own command the sheets of the benches. */
const sheets = ref<'benches' | 'people'>('benches')
const mayPlan = computed(() => session.may('manage-house'))
onMounted(() => {
  void week.load()
})
/** A check, a broken stone or somebody's new shift moves the ground under a plan: looked at again as soon as the house says so. */
watchDebounced(
  () => fleet.revision,
  () => {
    if (isAccepted.value && !searching.value && improving.value === null) void week.load()
  },
  { debounce: 800 },
)

const names = computed(() => problem.value && namesIn(problem.value))
const placed = computed(() => new Set(placements.value.map(({ jobId }) => jobId)))
/** Jobs that want the bench and have no place, dearest to leave first. */
const shelf = computed(() => {
  const { value } = problem
  if (!value) return []
  return value.jobs
    .filter(({ id, wanted }) => wanted && !placed.value.has(id))
    .sort((a, b) => costOfLeavingOut(b, value.weights) - costOfLeavingOut(a, value.weights))
    .flatMap((job) => {
      const reason = leavingReason(value, placements.value, job.id)
      const view = knife(job.knifeId)
      return view
        ? [{ job, view, words: reason && names.value ? planReasonWords(reason, names.value, say, formats.value) : '' }]
        : []
    })
})
const missing = computed(() => problem.value && whyEmpty(problem.value))
const WHERE_MISSING: Readonly<Record<MissingForPlan, string>> = {
  windows: '/house?part=week',
  benches: '/crew',
  shifts: '/crew',
  skills: '/crew',
  meeting: '/crew',
}
const empty = computed(() => {
  const { value } = problem
  if (!value) return ''
  if (missing.value) return say(`week.missing.${missing.value}`)
  return value.jobs.some(({ wanted }) => wanted) || placements.value.length > 0 ? '' : say('week.nothing')
})
const leftAlone = computed(() => problem.value?.jobs.reduce((sum, job) => sum + job.dullHoursLeft, 0) ?? 0)
const summary = computed(
  () =>
    totals.value &&
    say('week.summary', {
      n: placements.value.length,
      minutes: formats.value.minutes(totals.value.minutes),
      before: formats.value.hours(leftAlone.value),
      after: formats.value.hours(totals.value.dullHours),
    }),
)
const standing = computed(() => {
  const accepted = view.value?.accepted
  if (!accepted) return say('week.draft')
  const who = {
    when: formats.value.moment(accepted.acceptedAt),
    name: fleet.people.get(accepted.acceptedBy ?? '')?.name ?? '',
  }
  return isAccepted.value ? say('week.accepted', who) : say('week.changedSince', { n: changes.value.length })
})
const TELLING_PERCENT = 50
const gap = computed(() => {
  if (bound.value === null || cost.value <= 0) return say('week.unproven')
  const percent = Math.max(0, (100 * (cost.value - bound.value)) / cost.value)
  // a bound that has only begun to rise says nothing yet
  if (percent > TELLING_PERCENT) return say('week.unproven')
  return percent < 0.05 ? say('week.optimal') : say('week.bound', { percent: Math.ceil(percent * 10) / 10 })
})
const moved = computed(() =>
  view.value?.accepted && names.value ? movedWords(view.value.moved, names.value, say, formats.value) : [],
)
const changed = computed(() =>
  names.value
    ? changes.value.map((change) => (names.value ? changeWords(change, names.value, say, formats.value) : ''))
    : [],
)

const moves = useHandMoves(week, chosen, mayPlan)
const { offer, takes } = moves
const { dragWords, lifted, putDown } = useDragWords(week, moves, chosen)
async function accept(): Promise<void> {
  if (await week.accept()) notices.done(say('week.acceptedNow'))
}
function print(which: 'benches' | 'people'): void {
  sheets.value = which
  requestAnimationFrame(() => {
    window.print()
  })
}
</script>

<template>
  <div class="page week">
    <header class="page-head">
      <h1>{{ $t('week.title') }}</h1>
      <span class="soft">{{ standing }}</span>
      <span class="end no-print">
        <AppButton kind="quiet" @click="print('benches')">{{ $t('week.printBenches') }}</AppButton>
        <AppButton kind="quiet" @click="print('people')">{{ $t('week.printPeople') }}</AppButton>
      </span>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!view && !refusal" class="lead">{{ $t('week.loading') }}</p>
    <template v-if="view && problem && totals">
      <p v-if="empty" class="lead">
        {{ empty }}
        <RouterLink v-if="mayPlan && missing" :to="WHERE_MISSING[missing]">{{ $t('week.mendIt') }}</RouterLink>
      </p>
      <template v-if="problem.windows.length > 0">
        <p class="lead" aria-live="polite">
          {{ searching ? $t('week.searching') : summary }} <span class="soft">{{ searching ? '' : gap }}</span>
        </p>
        <p v-if="!searching && (view?.byRule.length ?? 0) > 0" class="soft small">
          {{ $t('week.byRule', view?.byRule.length ?? 0) }}
        </p>
        <div v-if="moved.length > 0" class="stale" role="status">
          <b>{{ $t('week.stale') }}</b> {{ moved.join(' ') }}
          <AppButton v-if="mayPlan" :disabled="searching" @click="week.plan(true)">
            {{ $t('week.planAgain') }}
          </AppButton>
        </div>
        <p v-if="mayPlan" class="actions no-print">
          <AppButton kind="main" :disabled="searching || isAccepted" @click="accept">
            {{ $t('week.accept') }}
          </AppButton>
          <AppButton :disabled="searching || improving !== null" @click="week.improve">
            {{ $t('week.improve') }}
          </AppButton>
          <template v-if="improving">
            <ProgressLine :label="$t('week.improve')" :done="improving.seconds" :total="20" />
            <span class="num">{{ $t('week.improving', { seconds: Math.round(improving.seconds), all: 20 }) }}</span>
            <AppButton kind="quiet" @click="week.stopImproving">{{ $t('week.stop') }}</AppButton>
          </template>
          <AppButton kind="quiet" v-else :disabled="searching" @click="week.plan(false)">
            {{ $t('week.planAfresh') }}
          </AppButton>
        </p>
        <RiskBand :view="view" :problem="problem" :placements="placements" />
        <DragSpace :how-to="say('week.choose')" :told="dragWords" @lift="lifted" @drop="putDown">
          <div class="columns">
            <div>
              <WindowLanes
                v-for="window in problem.windows"
                :key="window.id"
                :window="window"
                :problem="problem"
                :layout="layouts.get(window.id)"
                :chosen="chosen"
                :locked="week.isLocked"
                :may-plan="mayPlan"
                :takes="takes"
                @choose="chosen = $event"
              />
              <section v-if="changed.length > 0" class="heavy-rule changes">
                <h2>{{ $t('week.changes') }}</h2>
                <p v-for="line in changed" :key="line">{{ line }}</p>
              </section>
            </div>
            <aside class="no-print">
              <JobPanel
                v-if="chosen && problem.jobs.some(({ id }) => id === chosen)"
                :job-id="chosen"
                :problem="problem"
                :placements="placements"
                :layouts="layouts"
                :hand-made="handMade"
                :locked="week.isLocked(chosen)"
                :may-plan="mayPlan"
                @place="week.place"
                @unplace="week.unplace(chosen)"
                @lock="week.toggleLock(chosen)"
                @offer="offer(chosen)"
              />
              <p v-else class="soft">{{ $t('week.choose') }}</p>
              <section class="heavy-rule">
                <h2>{{ $t('week.shelf') }}</h2>
                <p v-if="shelf.length === 0" class="soft">{{ $t('week.shelfEmpty') }}</p>
                <ShelfJob
                  v-for="one in shelf"
                  :key="one.job.id"
                  :job-id="one.job.id"
                  :view="one.view"
                  :words="one.words"
                  :may-plan="mayPlan"
                  @choose="chosen = one.job.id"
                />
              </section>
              <PlanWeightsPanel v-if="mayPlan" :weights="problem.weights" :totals="totals" @weigh="week.weigh" />
              <ComparisonPanel :problem="problem" :placements="placements" />
            </aside></div
        ></DragSpace>
        <PlanSheets class="sheets" :sheets="sheets" :view="view" :problem="problem" :layouts="layouts" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 26px;
  margin-top: 16px;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 18px;
  align-content: start;
}
.stale {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  margin: 8px 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ember);
  background: var(--paper);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  margin: 10px 0 14px;
}
progress {
  width: 180px;
  height: 14px;
  accent-color: var(--keen);
}
.changes {
  margin-top: 14px;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .week > :not(.sheets) {
    display: none !important;
  }
}
</style>
