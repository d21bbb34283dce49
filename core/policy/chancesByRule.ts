import { DAY_MS } from '../time'
import { daysUntilDue } from './followPolicy'
import { daysBetween, type Policy } from './policy'

/** How a rule counts a knife's services: 1 for one it should not work in before its turn at the stone, else 0. */
export interface RuleChances {
  readonly left: readonly number[]
  readonly fresh: readonly number[]
}

/**
 * What the planner goes by for a knife under a rule of the calendar: from the day its turn comes, each service counts
 * as one it works dull, whatever its edge says; after a session none does until the next turn. A knife that goes to the
 * stone after every job does so at its station, and takes no time of the windows. Null where the edge decides.
 *
 * @param serviceStarts starts of the services of the plan, ms
 * @param freshCount so many services after a session are wanted
 */
export function chancesByRule(
  policy: Policy,
  serviceStarts: readonly number[],
  freshCount: number,
  at: { readonly nowMs: number; readonly sharpenedMs: number | null },
): RuleChances | null {
  if (policy.school === 'every-job')
    return { left: serviceStarts.map(() => 0), fresh: new Array<number>(freshCount).fill(0) }
  const days = daysBetween(policy)
  const until = daysUntilDue(policy, at)
  if (days === null || until === null) return null
  const dueMs = at.nowMs + until * DAY_MS
  const [first = 0, last = 0] = [serviceStarts[0], serviceStarts.at(-1)]
  const gapMs = serviceStarts.length > 1 ? (last - first) / (serviceStarts.length - 1) : DAY_MS
  return {
    left: serviceStarts.map((startMs) => (startMs >= dueMs ? 1 : 0)),
    fresh: Array.from({ length: freshCount }, (_service, number) => (number * gapMs >= days * DAY_MS ? 1 : 0)),
  }
}
