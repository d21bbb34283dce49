import { useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Improvement, PlanView } from '../../contract/week'
import { planChanges, type PlanChange } from '../../core/plan/changes'
import { violationOf, type PlanReason } from '../../core/plan/explain'
import { indexPlan, layOutPlan, type LayoutLimit, type WindowLayout } from '../../core/plan/layout'
import { planCost, planTotals, type PlanTotals } from '../../core/plan/objective'
import { totalsChange, type TotalsChange } from '../../core/plan/costOfChoice'
import { samePlace, type Placement, type PlanProblem, type PlanWeights } from '../../core/plan/problem'
import { knifeOfJob, renumberSessions, validPlacements, withSeconds } from '../../core/plan/secondSessions'
import { call } from '../api'
import { byName } from '../i18n'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import { useKeptDraft } from './keptDraft'
import type { PlanAnswer, PlanTask } from '../workers/planWorker'

/** A first plan is there in less than a second. */
const FIRST_PLAN_MS = 700
/** What moving one job of a plan people know is worth, minutes of work (assumed). */
const ANCHOR_MINUTES = 12
const IMPROVE_SECONDS = 20
const LOOK_EVERY_MS = 500

/** What the last change by hand did. */
export interface HandMade {
  readonly jobId: string
  /** what it means against the plan before; null where it could not be done */
  readonly change: TotalsChange | null
  readonly breaks: PlanReason | null
}

export interface WeekPlan {
  readonly view: ShallowRef<PlanView | null>
  /** with the sessions that could follow those placed */
  readonly problem: ComputedRef<PlanProblem | null>
  readonly placements: ShallowRef<readonly Placement[]>
  readonly layouts: ComputedRef<ReadonlyMap<string, WindowLayout | LayoutLimit>>
  readonly totals: ComputedRef<PlanTotals | null>
  readonly cost: ComputedRef<number>
  readonly bound: Ref<number | null>
  readonly searching: Ref<boolean>
  readonly refusal: Ref<string>
  readonly handMade: ShallowRef<HandMade | null>
  readonly improving: ShallowRef<Improvement | null>
  /** what this plan changes against the accepted one */
  readonly changes: ComputedRef<readonly PlanChange[]>
  readonly isAccepted: ComputedRef<boolean>
  readonly load: () => Promise<void>
  readonly plan: (keepClose: boolean) => void
  readonly place: (placement: Placement) => boolean
  readonly unplace: (jobId: string) => void
  readonly isLocked: (jobId: string) => boolean
  readonly toggleLock: (jobId: string) => void
  readonly weigh: (weights: PlanWeights) => void
  readonly improve: () => Promise<void>
  readonly stopImproving: () => Promise<void>
  readonly accept: () => Promise<boolean>
}

/** The week as it is being planned: everything done by hand counts at once on this device, and holds when accepted. */
export function useWeekPlan(): WeekPlan {
  const view = shallowRef<PlanView | null>(null)
  const weights = shallowRef<PlanWeights | null>(null)
  const locks = shallowRef<readonly Placement[]>([])
  const placements = shallowRef<readonly Placement[]>([])
  const bound = ref<number | null>(null)
  const searching = ref(false)
  const refusal = ref('')
  const handMade = shallowRef<HandMade | null>(null)
  const improving = shallowRef<Improvement | null>(null)
  const asked = computed((): PlanProblem | null => {
    if (!view.value) return null
    const { problem: given } = view.value
    const benches = [...given.benches].sort(byName)
    return { ...given, benches, weights: weights.value ?? given.weights, locks: locks.value }
  })
  const problem = computed(() => asked.value && withSeconds(asked.value, placements.value))
  const index = computed(() => problem.value && indexPlan(problem.value))
  const layouts = computed(() =>
    index.value ? layOutPlan(index.value, placements.value) : new Map<string, WindowLayout | LayoutLimit>(),
  )
  const totals = computed(() => problem.value && planTotals(problem.value, placements.value))
  const cost = computed(() => (asked.value ? planCost(asked.value, placements.value) : 0))
  /** sessions of the accepted plan that are still ahead */
  const acceptedPlaces = computed((): Placement[] =>
    view.value
      ? renumberSessions(view.value.problem, view.value.accepted?.sessions ?? []).map(
          ({ jobId, windowId, benchId, personId }) => ({ jobId, windowId, benchId, personId }),
        )
      : [],
  )
  const known = computed(() => new Set(acceptedPlaces.value.map(({ jobId }) => jobId)))
  const changes = computed(() =>
    problem.value && view.value?.accepted
      ? planChanges(problem.value, acceptedPlaces.value, placements.value, known.value)
      : [],
  )
  const sameLocks = computed(() => JSON.stringify(locks.value) === JSON.stringify(view.value?.problem.locks ?? []))
  const isAccepted = computed(
    () => view.value?.accepted !== null && changes.value.length === 0 && sameLocks.value && weights.value === null,
  )

  let worker: Worker | null = null
  let turn = 0
  function search(startFrom: readonly Placement[], anchors: PlanTask['anchors']): void {
    const { value } = asked
    if (!value) return
    worker ??= new Worker(new URL('../workers/planWorker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.ask !== turn) return
      searching.value = false
      placements.value = data.placements
    }
    worker.onerror = () => {
      searching.value = false
      refusal.value = refusalText(new Error('plan'))
    }
    changesHere++
    searching.value = true
    bound.value = null
    handMade.value = null
    const task: PlanTask = { ask: ++turn, problem: value, startFrom, anchors, milliseconds: FIRST_PLAN_MS }
    // plain copies: the worker takes no proxies
    worker.postMessage(JSON.parse(JSON.stringify(task)))
  }
  const kept = useKeptDraft()
  const session = useSession()
  onScopeDispose(() => {
    worker?.terminate()
    const isMade =
      session.signedIn !== null &&
      view.value !== null &&
      placements.value.length > 0 &&
      (!isAccepted.value || improving.value !== null)
    kept.keep(
      isMade
        ? {
            basedOn: view.value?.accepted?.version ?? 0,
            placements: placements.value,
            locks: locks.value,
            weights: weights.value,
            improvementId: improving.value ? (asking?.id ?? null) : null,
          }
        : null,
    )
  })
  /** Goes on where somebody left for another page. @returns whether there was a draft to go on with */
  function takeUp(seen: PlanView): boolean {
    const draft = kept.take(seen.accepted?.version ?? 0)
    if (!draft) return false
    weights.value = draft.weights
    locks.value = draft.locks
    placements.value = validPlacements(seen.problem, draft.placements)
    if (draft.improvementId !== null) follow(draft.improvementId)
    return true
  }

  async function load(): Promise<void> {
    try {
      const seen = await call(endpoints.plan)
      view.value = seen
      weights.value = null
      locks.value = seen.problem.locks
      bound.value = seen.accepted?.bound ?? null
      refusal.value = ''
      placements.value = acceptedPlaces.value
      if (takeUp(seen)) return
      if (!seen.accepted && seen.problem.windows.length > 0) search([], null)
    } catch (error) {
      refusal.value = refusalText(error)
    }
  }
  function plan(keepClose: boolean): void {
    const from = keepClose ? acceptedPlaces.value : []
    search(from, keepClose ? { placements: from, cost: ANCHOR_MINUTES } : null)
  }

  /** counts what was changed on this device: by hand, by other weights, by a new search */
  let changesHere = 0
  function settle(wanted: readonly Placement[], jobId: string): void {
    if (!asked.value) return
    changesHere++
    // a session that would now come before the one it follows goes off the plan
    const next = validPlacements(asked.value, wanted)
    handMade.value = { jobId, change: totalsChange(asked.value, placements.value, next), breaks: null }
    placements.value = next
    bound.value = null
  }
  /** Puts a job somewhere by hand. @returns whether it can be done there */
  function place(placement: Placement): boolean {
    if (!problem.value) return false
    const breaks = violationOf(problem.value, placements.value, placement)
    if (breaks) {
      handMade.value = { jobId: placement.jobId, change: null, breaks }
      return false
    }
    locks.value = locks.value.filter(({ jobId }) => jobId !== placement.jobId)
    settle([...placements.value.filter(({ jobId }) => jobId !== placement.jobId), placement], placement.jobId)
    return true
  }
  function unplace(jobId: string): void {
    locks.value = locks.value.filter((lock) => lock.jobId !== jobId)
    settle(
      placements.value.filter((one) => one.jobId !== jobId),
      jobId,
    )
  }
  const isLocked = (jobId: string): boolean => locks.value.some((lock) => lock.jobId === jobId)
  /** Locks a session with those of its knife before it, or frees it with those after. */
  function toggleLock(jobId: string): void {
    const placement = placements.value.find((one) => one.jobId === jobId)
    if (!placement) return
    const own = (problem.value?.jobs ?? []).filter(({ knifeId }) => knifeId === knifeOfJob(jobId)).map(({ id }) => id)
    const at = own.indexOf(jobId)
    const touched = new Set(isLocked(jobId) ? own.slice(at) : own.slice(0, at + 1))
    changesHere++
    const others = locks.value.filter((lock) => !touched.has(lock.jobId))
    locks.value = isLocked(jobId) ? others : [...others, ...placements.value.filter((one) => touched.has(one.jobId))]
  }
  function weigh(next: PlanWeights): void {
    weights.value = next
    search(placements.value, null)
  }

  /** the improvement asked for last, and how often the plan had been changed here by then */
  let asking: { readonly id: string; readonly changesBefore: number } | null = null
  const { pause, resume } = useIntervalFn(
    async () => {
      const asker = asking
      if (!asker || !problem.value) return
      try {
        const told = await call(endpoints.improvement, { params: { id: asker.id } })
        // what was changed here meanwhile is newer than the question: an answer to that no longer fits
        if (asking?.id !== asker.id || asker.changesBefore !== changesHere) {
          forgetImprovement()
          return
        }
        improving.value = told
        if (told.bound !== null) bound.value = told.bound
        if (told.placements && told.cost !== null && told.cost < cost.value - 1e-6) placements.value = told.placements
        if (told.status !== 'waiting' && told.status !== 'running') {
          pause()
          improving.value = null
        }
      } catch (error) {
        forgetImprovement()
        refusal.value = refusalText(error)
      }
    },
    LOOK_EVERY_MS,
    { immediate: false },
  )
  function forgetImprovement(): void {
    pause()
    improving.value = null
  }
  function follow(id: string, changesBefore = changesHere): void {
    asking = { id, changesBefore }
    improving.value = { status: 'waiting', seconds: 0, bound: null, cost: null, placements: null, proven: false }
    resume()
  }
  async function improve(): Promise<void> {
    if (!problem.value) return
    const changesBefore = changesHere
    try {
      const { id } = await call(endpoints.improvePlan, {
        body: {
          weights: problem.value.weights,
          locks: locks.value,
          placements: placements.value,
          seconds: IMPROVE_SECONDS,
        },
      })
      follow(id, changesBefore)
      handMade.value = null
    } catch (error) {
      refusal.value = refusalText(error)
    }
  }
  async function stopImproving(): Promise<void> {
    if (asking) await call(endpoints.cancelJob, { params: { id: asking.id } }).catch(() => undefined)
  }

  async function accept(): Promise<boolean> {
    if (!problem.value) return false
    try {
      await call(endpoints.acceptPlan, {
        body: {
          basedOn: view.value?.accepted?.version ?? 0,
          weights: problem.value.weights,
          locks: locks.value,
          placements: placements.value,
          improvementId: asking?.id ?? null,
        },
      })
      await load()
      return true
    } catch (error) {
      refusal.value = refusalText(error)
      return false
    }
  }
  watch(placements, (now, before) => {
    // a lock is on a place: who moves the job moves on from it
    locks.value = locks.value.filter(
      (lock) => now.some((one) => samePlace(one, lock)) || !before.some((one) => samePlace(one, lock)),
    )
  })
  return {
    view,
    problem,
    placements,
    layouts,
    totals,
    cost,
    bound,
    searching,
    refusal,
    handMade,
    improving,
    changes,
    isAccepted,
    load,
    plan,
    place,
    unplace,
    isLocked,
    toggleLock,
    weigh,
    improve,
    stopImproving,
    accept,
  }
}
