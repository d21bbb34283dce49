import { LIKELY } from './jobs'
import { isAllowedIn, type Placement, type PlanJob, type PlanProblem } from './problem'
import { chancesWith } from './risk'

const SECOND = '#2'
/** Jobs are named by their knife; the second session of one has its number behind that. */
export const knifeOfJob = (jobId: string): string => (jobId.endsWith(SECOND) ? jobId.slice(0, -SECOND.length) : jobId)
export const isSecond = (jobId: string): boolean => jobId.endsWith(SECOND)
export const secondJobId = (jobId: string): string => `${jobId}${SECOND}`

const sum = (list: readonly number[]): number => list.reduce((all, one) => all + one, 0)

/**
 * The second session of a knife whose edge does not last from its first to the end of the plan: what it is worth
 * hangs on when the first is. Null for a knife whose edge lasts. A plan sends no knife to the stone a third time.
 *
 * @param first a first session
 * @param window number of the window the first session is in
 */
export function secondSession({ windows }: PlanProblem, first: PlanJob, window: number): PlanJob | null {
  const { next } = first
  if (!next) return null
  const { services, freshChances } = next
  const starts = services.map(({ startMs }) => startMs)
  const firstMs = windows[window]?.endMs ?? Infinity
  // what happens before the first session is none of the second's business
  const chances = (...doneMs: readonly number[]): number[] =>
    chancesWith(starts, { left: [], fresh: freshChances }, doneMs)
  const hours = (...doneMs: readonly number[]): number =>
    sum(chances(...doneMs).map((one, at) => one * (services[at]?.hours ?? 0)))
  const alone = chances(firstMs)
  const chanceAt = windows.map(({ startMs }) => alone[starts.findLastIndex((start) => start < startMs)] ?? 0)
  const last = alone.at(-1) ?? 0
  const dull = services.find((_service, at) => (alone[at] ?? 0) > LIKELY)
  const hoursAlone = hours(firstMs)
  return {
    id: secondJobId(first.id),
    knifeId: first.knifeId,
    kind: 'stone',
    skill: next.skill,
    routes: next.routes,
    next: null,
    dullHours: windows.map(({ endMs }, at) => (at > window ? hours(firstMs, endMs) - hoursAlone : 0)),
    dullHoursLeft: 0,
    chanceAt,
    wastedUm: chanceAt.map((chance) => next.steelUm * (1 - chance)),
    dueShare: last,
    wanted: last > LIKELY && window < windows.length - 1,
    dullBy: dull ? { name: dull.name, startMs: dull.startMs } : null,
    daysSinceStone: 0,
    lastHands: first.lastHands,
    onlyHands: first.onlyHands,
    group: first.group,
    mayBeAway: first.mayBeAway,
    follows: { jobId: first.id, window },
  }
}

/**
 * First and second sessions together, to look their skill and ways up by: those are the same whenever a session
 * is. What second ones are worth has to be asked of {@link withSeconds}.
 */
export const everySession = (problem: PlanProblem): PlanJob[] =>
  problem.jobs.flatMap((job) => [job, ...[secondSession(problem, job, 0)].filter((second) => second !== null)])

const windowNumbers = ({ windows }: PlanProblem): ReadonlyMap<string, number> =>
  new Map(windows.map(({ id }, at) => [id, at]))

/** A problem with the second sessions that could follow the first ones placed. They belong to the placements they were made for. */
export function withSeconds(problem: PlanProblem, placements: readonly Placement[]): PlanProblem {
  const numbers = windowNumbers(problem)
  const windowOf = new Map(placements.map(({ jobId, windowId }) => [jobId, numbers.get(windowId)]))
  const jobs = problem.jobs
    .filter(({ follows }) => follows === null)
    .flatMap((first): PlanJob[] => {
      const window = windowOf.get(first.id)
      const second = window === undefined ? null : secondSession(problem, first, window)
      return second ? [first, second] : [first]
    })
  return { ...problem, jobs }
}

/** Placements that still have their job and their window, and come after the session they follow. */
export function validPlacements(problem: PlanProblem, placements: readonly Placement[]): Placement[] {
  const numbers = windowNumbers(problem)
  const jobs = new Map(withSeconds(problem, placements).jobs.map((job) => [job.id, job]))
  return placements.filter(({ jobId, windowId }) => {
    const [job, window] = [jobs.get(jobId), numbers.get(windowId)]
    return job !== undefined && window !== undefined && isAllowedIn(job, window)
  })
}

/** A knife's sessions in the plan numbered anew by their windows: once the first is done, the second is the first. */
export function renumberSessions(problem: PlanProblem, placements: readonly Placement[]): Placement[] {
  const numbers = windowNumbers(problem)
  const numberOf = ({ windowId }: Placement): number => numbers.get(windowId) ?? -1
  const begun = new Set<string>()
  return placements
    .filter((one) => numberOf(one) >= 0)
    .sort((a, b) => numberOf(a) - numberOf(b))
    .map(({ jobId, windowId, benchId, personId }) => {
      const knifeId = knifeOfJob(jobId)
      const isFirst = !begun.has(knifeId)
      begun.add(knifeId)
      return { jobId: isFirst ? knifeId : secondJobId(knifeId), windowId, benchId, personId }
    })
}
