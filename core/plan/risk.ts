import type { Placement, PlanProblem } from './problem'

/** Chances of one job's knife working dull, by service: if nothing is done, and by services since a session. */
export interface JobChances {
  readonly jobId: string
  readonly left: readonly number[]
  readonly fresh: readonly number[]
}

/**
 * The chance of working dull in each service, with sessions done at given ends.
 *
 * @param serviceStarts starts of the services that the chances run along, ms
 * @param left chance in each service if nothing is done, 0–1
 * @param fresh chance so many services after a session, 0–1; the last stands for all beyond
 * @param doneMs ends of the sessions, ms, in order
 */
export function chancesWith(
  serviceStarts: readonly number[],
  { left, fresh }: Pick<JobChances, 'left' | 'fresh'>,
  doneMs: readonly number[],
): number[] {
  let done = 0
  let since = 0
  return serviceStarts.map((startMs, at) => {
    for (; done < doneMs.length && startMs >= (doneMs[done] ?? Infinity); done++) since = 0
    return (done === 0 ? left[at] : fresh[Math.min(since++, fresh.length - 1)]) ?? 0
  })
}

/** Knives expected to work dull in each service, before and after a plan. */
export function dullByService(
  problem: PlanProblem,
  chances: readonly JobChances[],
  placements: readonly Placement[],
  serviceStarts: readonly number[],
): { readonly before: number[]; readonly after: number[] } {
  const knifeOf = new Map(problem.jobs.map(({ id, knifeId }) => [id, knifeId]))
  const endOf = new Map(problem.windows.map(({ id, endMs }) => [id, endMs]))
  const before = serviceStarts.map(() => 0)
  const after = serviceStarts.map(() => 0)
  for (const { jobId, left, fresh } of chances) {
    const doneMs = placements
      .filter((one) => knifeOf.get(one.jobId) === knifeOf.get(jobId))
      .map(({ windowId }) => endOf.get(windowId) ?? Infinity)
      .sort((a, b) => a - b)
    const now = chancesWith(serviceStarts, { left, fresh }, doneMs)
    for (const at of serviceStarts.keys()) {
      before[at] = (before[at] ?? 0) + (left[at] ?? 0)
      after[at] = (after[at] ?? 0) + (now[at] ?? 0)
    }
  }
  return { before, after }
}
