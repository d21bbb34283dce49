import { mayDo, samePlace, type Placement, type PlanProblem } from './problem'
import { isSecond } from './secondSessions'

/** One job that is somewhere else than before, and why. */
export interface PlanChange {
  readonly jobId: string
  readonly before: Placement | null
  readonly after: Placement | null
  readonly why:
    | 'person-away'
    | 'window-gone'
    | 'no-longer-wanted'
    | 'bench-gone'
    | 'skill-gone'
    | 'stones-gone'
    | 'first-moved'
    | 'new-work'
    | 'made-room'
}

/**
 * What a new plan changes against an old one, with the reason as far as the problem itself shows it: the
 * person is not there, the window is gone, the knife no longer wants it; the rest made room for others.
 *
 * @param problem the problem of the new plan
 * @param known jobs the old plan knew of
 */
export function planChanges(
  problem: PlanProblem,
  before: readonly Placement[],
  after: readonly Placement[],
  known: ReadonlySet<string>,
): PlanChange[] {
  const was = new Map(before.map((placement) => [placement.jobId, placement]))
  const is = new Map(after.map((placement) => [placement.jobId, placement]))
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((jobId): PlanChange[] => {
    const [old, fresh] = [was.get(jobId) ?? null, is.get(jobId) ?? null]
    if (old && fresh && samePlace(old, fresh)) return []
    return [{ jobId, before: old, after: fresh, why: reasonOf(problem, old, known.has(jobId)) }]
  })
}

function reasonOf(problem: PlanProblem, old: Placement | null, wasKnown: boolean): PlanChange['why'] {
  if (!old) return wasKnown ? 'made-room' : 'new-work'
  const job = problem.jobs.find(({ id }) => id === old.jobId)
  if (!job && isSecond(old.jobId)) return 'first-moved'
  if (!job?.wanted) return 'no-longer-wanted'
  if (!problem.windows.some(({ id }) => id === old.windowId)) return 'window-gone'
  const person = problem.people.find(({ id }) => id === old.personId)
  if (!person?.present[old.windowId]) return 'person-away'
  if (!mayDo(person, job)) return 'skill-gone'
  if (!problem.benches.some(({ id }) => id === old.benchId)) return 'bench-gone'
  return job.routes.some(({ benchId }) => benchId === old.benchId) ? 'made-room' : 'stones-gone'
}

/**
 * What has happened to a problem since a plan was made on it, as short codes: a plan none of whose
 * foundations moved is still good, whatever the clock says.
 */
export function planFoundations(problem: PlanProblem): readonly string[] {
  return [
    ...problem.jobs.filter(({ wanted }) => wanted).map(({ id, kind }) => `job ${id} ${kind}`),
    ...problem.windows.map(({ id }) => `window ${id}`),
    ...problem.benches.map(({ id }) => `bench ${id}`),
    ...problem.stones.map(({ id }) => `stone ${id}`),
    ...problem.people.flatMap(({ id, skills, present }) => [
      ...Object.keys(present).map((windowId) => `there ${id} ${windowId}`),
      ...skills.map((skill) => `skill ${id} ${skill}`),
    ]),
  ]
}

/** What there is to know of a session to tell whether it has been done. */
interface PlannedTime {
  readonly knifeId: string
  /** ISO 8601 */
  readonly startsAt: string
}

/**
 * Sessions of an accepted plan that are still to be done. A knife sharpened since the plan was accepted has had
 * its first session, early or late, and with it every one that was to be before that moment; except for work that
 * a sharpening alone does not do.
 *
 * @param sharpenedMs by knife, when it was last on a stone
 * @param stillWants whether a knife wants a session's work even now: thick as before, or chipped as before
 */
export function sessionsLeft<S extends PlannedTime>(
  sessions: readonly S[],
  acceptedMs: number,
  sharpenedMs: ReadonlyMap<string, number>,
  stillWants: (session: S) => boolean,
): S[] {
  const begun = new Set<string>()
  const left = new Set(
    [...sessions]
      .sort((a, b) => a.startsAt.localeCompare(b.startsAt))
      .filter((session) => {
        const { knifeId, startsAt } = session
        const doneMs = sharpenedMs.get(knifeId) ?? -Infinity
        if (doneMs <= acceptedMs || stillWants(session)) return true
        const isFirst = !begun.has(knifeId)
        begun.add(knifeId)
        return !isFirst && Date.parse(startsAt) > doneMs
      }),
  )
  // in the order they have in the plan: it says how they are laid out
  return sessions.filter((session) => left.has(session))
}

/** Foundations that fell away or came up, leaving out windows that have simply passed. */
export function changedFoundations(
  before: readonly string[],
  now: readonly string[],
  passed: ReadonlySet<string>,
): { readonly gone: string[]; readonly fresh: string[] } {
  const [had, has] = [new Set(before), new Set(now)]
  const isPast = (one: string): boolean => [...passed].some((windowId) => one.endsWith(windowId))
  return { gone: before.filter((one) => !has.has(one) && !isPast(one)), fresh: now.filter((one) => !had.has(one)) }
}
