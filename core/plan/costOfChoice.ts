import { violationOf } from './explain'
import { planCost, planTotals } from './objective'
import { mayDo, type Placement, type PlanProblem } from './problem'
import { validPlacements, withSeconds } from './secondSessions'

/** What one plan means against another, in what people know: positive is more. */
export interface TotalsChange {
  /** hours of service with a dull edge */
  readonly dullHours: number
  /** minutes at the bench */
  readonly minutes: number
  /** edge height taken before its time, µm */
  readonly wastedUm: number
}

/** What a plan means against the one before it. */
export function totalsChange(
  problem: PlanProblem,
  before: readonly Placement[],
  after: readonly Placement[],
): TotalsChange {
  const [was, is] = [planTotals(problem, before), planTotals(problem, after)]
  return {
    dullHours: is.dullHours - was.dullHours,
    minutes: is.minutes - was.minutes,
    wastedUm: is.wastedUm - was.wastedUm,
  }
}

/**
 * What it means that a session stands where it is and not in the best place that is free; null where no other place
 * would be better. All else of the plan stays.
 */
export function costOfStaying(
  problem: PlanProblem,
  placements: readonly Placement[],
  jobId: string,
): TotalsChange | null {
  const whole = withSeconds(problem, placements)
  const job = whole.jobs.find(({ id }) => id === jobId)
  if (!job || !placements.some((one) => one.jobId === jobId)) return null
  const others = placements.filter((one) => one.jobId !== jobId)
  const elsewhere = problem.windows.flatMap((window) =>
    problem.people
      .filter((person) => mayDo(person, job) && person.present[window.id])
      .flatMap((person) =>
        job.routes.map(({ benchId }) => ({ jobId, windowId: window.id, benchId, personId: person.id })),
      ),
  )
  let best: readonly Placement[] | null = null
  let bestCost = planCost(problem, placements) - 1e-6
  for (const place of elsewhere) {
    if (violationOf(whole, others, place) !== null) continue
    const moved = validPlacements(problem, [...others, place])
    const cost = planCost(problem, moved)
    if (moved.length === placements.length && cost < bestCost) {
      best = moved
      bestCost = cost
    }
  }
  return best && totalsChange(problem, best, placements)
}
