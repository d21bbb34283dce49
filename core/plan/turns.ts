import { optionsOf, type Option } from './draft'
import { indexPlan, type PlanIndex } from './layout'
import { costOfLeavingOut, costOfLeavingSecond } from './objective'
import type { Placement, PlanJob, PlanProblem } from './problem'
import { everySession, secondJobId, secondSession } from './secondSessions'

/** Where a session could go, cheapest first, and what leaving it out costs. */
export interface Places {
  readonly options: readonly Option[]
  readonly leaving: number
}

/** A knife's turn at the bench: its first session in the plan, or its second. */
export interface Turn {
  readonly jobId: string
  readonly locked: boolean
  readonly first: Turn | null
  readonly second: Turn | null
  /** its places; those of a second session by the number of the window that the first is in */
  readonly places: (firstIn: number) => Places
}

/** A place a job had before: leaving it is worth something, so that re-planning disturbs little. */
export interface Anchors {
  readonly placements: readonly Placement[]
  /** minutes of work that moving one job is worth */
  readonly cost: number
}

/** What a plan could be made of: every first session and every second one. */
export function searchTurns(
  problem: PlanProblem,
  anchors: Anchors | undefined,
): { readonly index: PlanIndex; readonly turns: Turn[] } {
  const index = indexPlan({ ...problem, jobs: everySession(problem) })
  const locked = new Set(problem.locks.map(({ jobId }) => jobId))
  const anchorOf = new Map((anchors?.placements ?? []).map((placement) => [placement.jobId, placement]))
  const anchorCost = anchors?.cost ?? 0
  const placesOf = (job: PlanJob, leaving: number, onTop: (window: number) => number, givenBack = 0): Places => {
    const anchor = anchorOf.get(job.id)
    const most = leaving + (anchor ? anchorCost : 0)
    return { options: optionsOf(index, { job, anchor, anchorCost, most: most + givenBack, onTop }), leaving: most }
  }
  const turns = problem.jobs.flatMap((job): Turn[] => {
    // dear by itself, a first session may still pay together with its second
    const secondCosts = problem.windows.map((_window, at) => costOfLeavingSecond(problem, job, at))
    const own = placesOf(
      job,
      costOfLeavingOut(job, problem.weights),
      (window) => secondCosts[window] ?? 0,
      Math.max(0, ...secondCosts),
    )
    const first: Turn = { jobId: job.id, locked: locked.has(job.id), first: null, second: null, places: () => own }
    if (!job.next) return [first]
    const known = new Map<number, Places>()
    // what leaving it out costs is in the first session's cost already: having it gives that back
    const placesAfter = (window: number): Places => {
      const session = secondSession(problem, job, window)
      const places = session
        ? placesOf(session, 0, () => -costOfLeavingSecond(problem, job, window))
        : { options: [], leaving: 0 }
      known.set(window, places)
      return places
    }
    const second: Turn = {
      jobId: secondJobId(job.id),
      locked: locked.has(secondJobId(job.id)),
      first,
      second: null,
      places: (window) => known.get(window) ?? placesAfter(window),
    }
    return [{ ...first, second }, second]
  })
  return { index, turns }
}
