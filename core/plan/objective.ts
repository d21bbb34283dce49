import {
  mayDo,
  routeMinutes,
  sittingKey,
  sittingMinutes,
  type JobRoute,
  type Placement,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanWeights,
} from './problem'
import { secondSession, withSeconds } from './secondSessions'

/** What things are worth in minutes of work (assumed; the chef's weights scale each). */
export const WORTH = {
  /** one hour of service with a dull knife */
  dullHour: 20,
  /** a µm of edge height taken before its time */
  steelUm: 0.05,
  /** a knife in other hands than the last time */
  otherHands: 6,
  /** a minute above a fair share of the bench work */
  unfairMinute: 0.3,
} as const

/** A plan's totals, in their own units. */
export interface PlanTotals {
  readonly dullHours: number
  /** setting up and clearing away each sitting in */
  readonly minutes: number
  readonly wastedUm: number
  readonly otherHands: number
  readonly unfairMinutes: number
  /** turns of one person at one bench in one window */
  readonly sittings: number
}

/** What one placement costs in minutes of work, its share of fairness and of its sitting left out. */
export function placementCost(
  job: PlanJob,
  window: number,
  minutes: number,
  personId: string,
  weights: PlanWeights,
): number {
  const hands = job.lastHands !== null && job.lastHands !== personId ? WORTH.otherHands : 0
  return (
    weights.dull * WORTH.dullHour * (job.dullHours[window] ?? 0) +
    weights.labour * minutes +
    weights.steel * WORTH.steelUm * (job.wastedUm[window] ?? 0) +
    weights.hands * hands
  )
}

const shortestRoute = ({ routes }: { readonly routes: readonly JobRoute[] }): number =>
  routes.length === 0 ? 0 : Math.min(...routes.map(routeMinutes))

/** What leaving a job out costs: the dull hours, and the work itself as far as it will be due anyway. */
export function costOfLeavingOut(job: PlanJob, weights: PlanWeights): number {
  return weights.dull * WORTH.dullHour * job.dullHoursLeft + weights.labour * job.dueShare * shortestRoute(job)
}

/** What leaving out the second session costs a knife whose first is in a window, by its number; nothing where its edge lasts. */
export function costOfLeavingSecond(problem: PlanProblem, first: PlanJob, window: number): number {
  const second = secondSession(problem, first, window)
  return second ? costOfLeavingOut(second, problem.weights) : 0
}

const canWork = (person: PlanPerson, problem: PlanProblem): boolean =>
  Object.keys(person.present).length > 0 &&
  problem.jobs.some(
    (job) => mayDo(person, job) || (job.next !== null && mayDo(person, { ...job, skill: job.next.skill })),
  )

/** Minutes of bench work that would be fair for each person who can do any: shares go by the time each is there. */
export function fairShares(problem: PlanProblem): ReadonlyMap<string, number> {
  // all that could come to the bench, whatever is placed: the share of it does not hang on the plan
  const all = problem.jobs.reduce(
    (sum, job) => sum + (job.follows ? 0 : shortestRoute(job) + (job.next ? shortestRoute(job.next) : 0)),
    0,
  )
  const hours = new Map(
    problem.people
      .filter((person) => canWork(person, problem))
      .map((person) => [
        person.id,
        Object.values(person.present).reduce((sum, { fromMs, toMs }) => sum + (toMs - fromMs), 0),
      ]),
  )
  const total = [...hours.values()].reduce((sum, one) => sum + one, 0)
  return new Map([...hours].map(([id, own]) => [id, total === 0 ? 0 : (all * own) / total]))
}

/** Minutes a placement takes in its person's hands. */
export function placedMinutes(problem: PlanProblem, placement: Placement): number {
  const route = problem.jobs
    .find(({ id }) => id === placement.jobId)
    ?.routes.find(({ benchId }) => benchId === placement.benchId)
  const pace = problem.people.find(({ id }) => id === placement.personId)?.pace ?? 1
  return route ? routeMinutes(route) * pace : 0
}

/** Totals of a plan over its horizon, second sessions of its knives among them. */
export function planTotals(asked: PlanProblem, placements: readonly Placement[]): PlanTotals {
  const problem = withSeconds(asked, placements)
  const placed = new Map(placements.map((placement) => [placement.jobId, placement]))
  const windowAt = new Map(problem.windows.map(({ id }, index) => [id, index]))
  const load = new Map<string, number>()
  const used = new Set<string>()
  const totals = { dullHours: 0, minutes: 0, wastedUm: 0, otherHands: 0 }
  for (const job of problem.jobs) {
    const placement = placed.get(job.id)
    const window = windowAt.get(placement?.windowId ?? '')
    if (!placement || window === undefined) {
      totals.dullHours += job.dullHoursLeft
      continue
    }
    const minutes = placedMinutes(problem, placement)
    totals.dullHours += job.dullHours[window] ?? 0
    totals.minutes += minutes
    totals.wastedUm += job.wastedUm[window] ?? 0
    totals.otherHands += job.lastHands !== null && job.lastHands !== placement.personId ? 1 : 0
    load.set(placement.personId, (load.get(placement.personId) ?? 0) + minutes)
    used.add(sittingKey(placement))
  }
  totals.minutes += used.size * sittingMinutes(problem.sitting)
  const fair = fairShares(problem)
  const unfairMinutes = [...load].reduce((sum, [id, minutes]) => sum + Math.max(0, minutes - (fair.get(id) ?? 0)), 0)
  return { ...totals, unfairMinutes, sittings: used.size }
}

/** A plan's cost in minutes of work: what the planner makes small. */
export function planCost(problem: PlanProblem, placements: readonly Placement[]): number {
  const { weights } = problem
  const totals = planTotals(problem, placements)
  const placed = new Set(placements.map(({ jobId }) => jobId))
  const deferred = withSeconds(problem, placements).jobs.reduce(
    (sum, job) => sum + (placed.has(job.id) ? 0 : job.dueShare * shortestRoute(job)),
    0,
  )
  return (
    weights.dull * WORTH.dullHour * totals.dullHours +
    weights.labour * (totals.minutes + deferred) +
    weights.steel * WORTH.steelUm * totals.wastedUm +
    weights.hands * WORTH.otherHands * totals.otherHands +
    weights.fair * WORTH.unfairMinute * totals.unfairMinutes
  )
}
