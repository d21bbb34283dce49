import type { ComputedRef, Ref } from 'vue'
import { violationOf } from '../../core/plan/explain'
import { placementCost } from '../../core/plan/objective'
import { mayDo, routeMinutes, type Placement } from '../../core/plan/problem'
import { useKeys } from '../ui/useKeys'
import type { WeekPlan } from './useWeekPlan'

export interface HandMoves {
  readonly put: (jobId: string, windowId: string, benchId: string) => void
  readonly hand: (jobId: string, windowId: string, personId: string) => void
  readonly offer: (jobId: string) => void
  /** whether a job could stand in a window at a bench, in anybody's hands, or in somebody's hands, at any bench */
  readonly takes: (jobId: string, windowId: string, at: { benchId: string } | { personId: string }) => boolean
}

/** Moving sessions by hand: dropped on a lane, taken from the shelf, or with the keys. */
export function useHandMoves(week: WeekPlan, chosen: Ref<string | null>, mayPlan: ComputedRef<boolean>): HandMoves {
  /** The people who could do a job in a window, those who had it last first. */
  function handsIn(jobId: string, windowId: string): string[] {
    const { value } = week.problem
    const job = value?.jobs.find(({ id }) => id === jobId)
    if (!value || !job) return []
    return value.people
      .filter((person) => mayDo(person, job) && person.present[windowId])
      .map(({ id }) => id)
      .sort((a, b) => Number(b === job.lastHands) - Number(a === job.lastHands))
  }
  /** A job in a window at a bench, in the hands it has, then in those that had it last, then in any. */
  function triesAt(jobId: string, windowId: string, benchId: string): Placement[] {
    const old = week.placements.value.find((one) => one.jobId === jobId)
    const hands = handsIn(jobId, windowId)
    const inOrder =
      old && hands.includes(old.personId) ? [old.personId, ...hands.filter((id) => id !== old.personId)] : hands
    return (inOrder.length > 0 ? inOrder : [old?.personId ?? week.problem.value?.people[0]?.id ?? '']).map(
      (personId): Placement => ({ jobId, windowId, benchId, personId }),
    )
  }
  /** A job in a window in somebody's hands, at the bench it has, then at any. */
  function triesWith(jobId: string, windowId: string, personId: string): Placement[] {
    const old = week.placements.value.find((one) => one.jobId === jobId)
    return (week.problem.value?.benches ?? [])
      .map(({ id }) => id)
      .sort((a, b) => Number(b === old?.benchId) - Number(a === old?.benchId))
      .map((benchId): Placement => ({ jobId, windowId, benchId, personId }))
  }
  const fits = (one: Placement): boolean =>
    week.problem.value !== null && violationOf(week.problem.value, week.placements.value, one) === null
  function takes(jobId: string, windowId: string, at: { benchId: string } | { personId: string }): boolean {
    const tries = 'benchId' in at ? triesAt(jobId, windowId, at.benchId) : triesWith(jobId, windowId, at.personId)
    return !week.isLocked(jobId) && tries.some(fits)
  }
  /** Puts a job down in the first of some ways that fits; where none does, the first says why not. */
  function putInto(jobId: string, tries: readonly Placement[]): void {
    if (!mayPlan.value || week.isLocked(jobId)) return
    chosen.value = jobId
    const one = tries.find(fits) ?? tries[0]
    if (one) week.place(one)
  }
  const put = (jobId: string, windowId: string, benchId: string): void => {
    putInto(jobId, triesAt(jobId, windowId, benchId))
  }
  const hand = (jobId: string, windowId: string, personId: string): void => {
    putInto(jobId, triesWith(jobId, windowId, personId))
  }
  /** Puts a job from the shelf where it costs least and fits. */
  function offer(jobId: string): void {
    const { value } = week.problem
    const job = value?.jobs.find(({ id }) => id === jobId)
    if (!value || !job) return
    const all = value.windows
      .flatMap((window, at) =>
        handsIn(jobId, window.id).flatMap((personId) =>
          job.routes.map((route) => ({
            placement: { jobId, windowId: window.id, benchId: route.benchId, personId },
            cost: placementCost(job, at, routeMinutes(route), personId, value.weights),
          })),
        ),
      )
      .sort((a, b) => a.cost - b.cost)
    const one = all.find(({ placement }) => fits(placement)) ?? all[0]
    if (one) week.place(one.placement)
  }
  function step(windows: number, benches: number): void {
    const { value } = week.problem
    const at = week.placements.value.find(({ jobId }) => jobId === chosen.value)
    if (!value || !at) return
    const window = value.windows[value.windows.findIndex(({ id }) => id === at.windowId) + windows]
    const bench =
      value.benches[
        (value.benches.findIndex(({ id }) => id === at.benchId) + benches + value.benches.length) % value.benches.length
      ]
    if (window && bench) put(at.jobId, window.id, bench.id)
  }
  function nextHands(): void {
    const at = week.placements.value.find(({ jobId }) => jobId === chosen.value)
    if (!at || week.isLocked(at.jobId)) return
    const hands = handsIn(at.jobId, at.windowId)
    const next = hands[(hands.indexOf(at.personId) + 1) % hands.length]
    if (next) week.place({ ...at, personId: next })
  }
  const onChosen =
    (work: (jobId: string) => void) =>
    (event?: KeyboardEvent): void => {
      if (!chosen.value || !mayPlan.value) return
      event?.preventDefault()
      work(chosen.value)
    }
  useKeys({
    ArrowLeft: onChosen(() => {
      step(-1, 0)
    }),
    ArrowRight: onChosen(() => {
      step(1, 0)
    }),
    ArrowUp: onChosen(() => {
      step(0, -1)
    }),
    ArrowDown: onChosen(() => {
      step(0, 1)
    }),
    p: onChosen(nextHands),
    l: onChosen(week.toggleLock),
    Delete: onChosen(week.unplace),
    Escape: () => {
      chosen.value = null
    },
  })
  return { put, hand, offer, takes }
}
