import type { Placement, PlanProblem } from './problem'

/** Chances of one job's knife working dull, by service: if nothing is done, and by services since a session. */
export interface JobChances {
  readonly jobId: string
  readonly left: readonly number[]
  readonly fresh: readonly number[]
}

/**
 * Knives expected to work dull in each service, before and after a plan.
 *
 * @param serviceStarts starts of the services that the chances run along, ms
 */
export function dullByService(problem: PlanProblem, chances: readonly JobChances[], placements: readonly Placement[], serviceStarts: readonly number[]): { readonly before: number[]; readonly after: number[] } {
  const doneMs = new Map(placements.map(({ jobId, windowId }) => [jobId, problem.windows.find(({ id }) => id === windowId)?.endMs ?? Infinity]))
  const before = serviceStarts.map(() => 0)
  const after = serviceStarts.map(() => 0)
  for (const { jobId, left, fresh } of chances) {
    const done = doneMs.get(jobId) ?? Infinity
    let since = 0
    for (const [at, startMs] of serviceStarts.entries()) {
      const chance = left[at] ?? 0
      before[at] = (before[at] ?? 0) + chance
      after[at] = (after[at] ?? 0) + (startMs < done ? chance : (fresh[since] ?? fresh.at(-1) ?? 0))
      if (startMs >= done) since++
    }
  }
  return { before, after }
}
