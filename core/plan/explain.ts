import { MINUTE_MS } from '../time'
import { indexPlan, isLimit, layOutWindow, type LayoutLimit } from './layout'
import { costOfLeavingOut, placementCost } from './objective'
import {
  mayDo,
  isAllowedIn,
  routeMinutes,
  type Placement,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
} from './problem'

/** Why a job is where it is, or what stopped it: codes with values, for the catalogue to phrase. */
export interface PlanReason {
  readonly code:
    | 'locked'
    | 'again'
    | 'before-dull'
    | 'already-dull'
    | 'stands'
    | 'same-hands'
    | 'only-hands'
    | 'saves'
    | 'no-skill'
    | 'no-hands-then'
    | 'no-window'
    | 'too-long'
    | 'not-yet'
    | 'too-soon'
    | 'no-room'
    | 'send-out'
    | 'no-stones'
    | 'own-hands'
    | 'own-hands-untrained'
  readonly values: Readonly<Record<string, number | string>>
}

const inHours = (job: PlanJob, problem: PlanProblem): PlanPerson[] =>
  problem.people.filter((person) => mayDo(person, job))
const minutesOf = (job: PlanJob): number => Math.ceil(Math.min(...job.routes.map(routeMinutes)))

/** Less than that of dull service is not worth a word, hours. */
const TOLD_HOURS = 0.05

/** Reasons for a placement, the weightiest first. */
export function placementReasons(problem: PlanProblem, placement: Placement): PlanReason[] {
  const job = problem.jobs.find(({ id }) => id === placement.jobId)
  const at = problem.windows.findIndex(({ id }) => id === placement.windowId)
  const window = problem.windows[at]
  if (!job || !window) return []
  const able = inHours(job, problem).filter(({ present }) => present[window.id])
  const savedHours = job.dullHoursLeft - (job.dullHours[at] ?? 0)
  return [
    ...(problem.locks.some(({ jobId }) => jobId === job.id) ? [{ code: 'locked' as const, values: {} }] : []),
    ...(job.follows
      ? [{ code: 'again' as const, values: { windowId: problem.windows[job.follows.window]?.id ?? '' } }]
      : []),
    ...(job.kind === 'repair' || job.kind === 'thin' ? [{ code: 'stands' as const, values: { kind: job.kind } }] : []),
    ...(job.dullBy
      ? [
          {
            code: job.dullBy.startMs >= window.startMs ? ('before-dull' as const) : ('already-dull' as const),
            values: { service: job.dullBy.name, atMs: job.dullBy.startMs },
          },
        ]
      : []),
    ...(job.lastHands === placement.personId
      ? [{ code: 'same-hands' as const, values: { personId: placement.personId } }]
      : []),
    ...(able.length === 1
      ? [{ code: 'only-hands' as const, values: { personId: placement.personId, skill: job.skill } }]
      : []),
    ...(savedHours >= TOLD_HOURS ? [{ code: 'saves' as const, values: { hours: savedHours } }] : []),
  ]
}

/** What stopped a job, and what would free it. */
export function leavingReason(
  problem: PlanProblem,
  placements: readonly Placement[],
  jobId: string,
): PlanReason | null {
  const job = problem.jobs.find(({ id }) => id === jobId)
  if (!job) return null
  if (job.kind === 'send-out') return { code: 'send-out', values: {} }
  if (job.routes.length === 0) return { code: 'no-stones', values: {} }
  if (problem.windows.length === 0) return { code: 'no-window', values: {} }
  const able = inHours(job, problem)
  if (able.length === 0)
    return job.onlyHands === null
      ? { code: 'no-skill', values: { skill: job.skill } }
      : { code: 'own-hands-untrained', values: { skill: job.skill, personId: job.onlyHands } }
  const stays = able.flatMap(({ id, pace, present }) =>
    Object.entries(present).map(([windowId, { fromMs, toMs }]) => ({
      personId: id,
      pace,
      windowId,
      minutes: (toMs - fromMs) / MINUTE_MS,
    })),
  )
  if (stays.length === 0) return { code: 'no-hands-then', values: { skill: job.skill } }
  const minutes = minutesOf(job)
  const longest = Math.max(...stays.map((stay) => stay.minutes / stay.pace))
  if (longest < minutes) return { code: 'too-long', values: { minutes, longest: Math.floor(longest) } }
  const index = indexPlan(problem)
  const leaving = costOfLeavingOut(job, problem.weights)
  let nearest: (LayoutLimit & { readonly windowId: string; readonly cost: number }) | null = null
  for (const { personId, pace, windowId } of stays) {
    const at = problem.windows.findIndex(({ id }) => id === windowId)
    if (!isAllowedIn(job, at)) continue
    const here = placements.filter((placement) => placement.windowId === windowId && placement.jobId !== jobId)
    for (const route of job.routes) {
      const cost = placementCost(job, at, routeMinutes(route) * pace, personId, problem.weights)
      if (cost >= leaving) continue
      const laid = layOutWindow(index, windowId, [...here, { jobId, windowId, benchId: route.benchId, personId }])
      if (isLimit(laid) && (nearest === null || cost < nearest.cost)) nearest = { ...laid, windowId, cost }
    }
  }
  if (nearest)
    return {
      code: 'no-room',
      values: {
        limit: nearest.limit,
        id: nearest.id,
        windowId: nearest.windowId,
        minutes: Math.ceil(nearest.overMinutes),
      },
    }
  return { code: 'not-yet', values: { percent: Math.round(100 * (job.chanceAt.at(-1) ?? 0)) } }
}

/** Why somebody may not, or cannot, do a job there; null when nothing stands against it. */
export function violationOf(
  problem: PlanProblem,
  placements: readonly Placement[],
  moved: Placement,
): PlanReason | null {
  const job = problem.jobs.find(({ id }) => id === moved.jobId)
  const person = problem.people.find(({ id }) => id === moved.personId)
  if (!job || !person) return { code: 'no-hands-then', values: {} }
  // whoever does it
  const first = job.follows && problem.windows[job.follows.window]
  if (
    first &&
    !isAllowedIn(
      job,
      problem.windows.findIndex(({ id }) => id === moved.windowId),
    )
  )
    return { code: 'too-soon', values: { windowId: first.id } }
  if (!person.skills.includes(job.skill)) return { code: 'no-skill', values: { skill: job.skill, personId: person.id } }
  if (!mayDo(person, job)) return { code: 'own-hands', values: { personId: job.onlyHands ?? '' } }
  if (!person.present[moved.windowId])
    return { code: 'no-hands-then', values: { skill: job.skill, personId: person.id } }
  if (!job.routes.some(({ benchId }) => benchId === moved.benchId)) return { code: 'no-stones', values: {} }
  const others = placements.filter(({ jobId, windowId }) => windowId === moved.windowId && jobId !== moved.jobId)
  const laid = layOutWindow(indexPlan(problem), moved.windowId, [...others, moved])
  return isLimit(laid)
    ? {
        code: 'no-room',
        values: { limit: laid.limit, id: laid.id, windowId: moved.windowId, minutes: Math.ceil(laid.overMinutes) },
      }
    : null
}
