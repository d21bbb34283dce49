import type { KnifeView } from '../../contract/knives'
import type { PlanProblem } from '../../core/plan/problem'
import type { PlanNames } from '../../words/week'
import { useFleet } from '../stores/fleet'

/** Names of knives and people as plans speak of them. */
export function useWeekNames(): { readonly namesIn: (problem: PlanProblem) => PlanNames; readonly knife: (id: string) => KnifeView | undefined; readonly person: (id: string) => string } {
  const fleet = useFleet()
  const person = (id: string): string => fleet.people.get(id)?.name ?? ''
  return { person, knife: fleet.byId, namesIn: (problem) => ({ problem, person, knife: (id) => fleet.byId(id)?.code ?? '' }) }
}
