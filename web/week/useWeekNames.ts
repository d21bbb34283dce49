import type { KnifeView } from '../../contract/knives'
import type { PlanProblem } from '../../core/plan/problem'
import { knifeOfJob } from '../../core/plan/secondSessions'
import type { PlanNames } from '../../words/week'
import { useFleet } from '../live/fleet'

/** Names of people, and of knives by their own id or that of a job, as plans speak of them. */
export function useWeekNames(): {
  readonly namesIn: (problem: PlanProblem) => PlanNames
  readonly knife: (id: string) => KnifeView | undefined
  readonly person: (id: string) => string
} {
  const fleet = useFleet()
  const knife = (id: string): KnifeView | undefined => fleet.byId(knifeOfJob(id))
  const person = (id: string): string => fleet.people.get(id)?.name ?? ''
  return { person, knife, namesIn: (problem) => ({ problem, person, knife: (id) => knife(id)?.code ?? '' }) }
}
