import type { PlanProblem } from './problem'

/** The one thing without which nothing can be planned, the first that is missing in the order in which it is needed. */
export type MissingForPlan = 'windows' | 'benches' | 'shifts' | 'skills' | 'meeting'

/**
 * Why a week has no place for any session; null where it has. `meeting` is a house whose people have their skills and
 * their shifts, but where nobody who may sharpen is there in a quiet window.
 */
export function whyEmpty({
  windows,
  benches,
  people,
}: Pick<PlanProblem, 'windows' | 'benches' | 'people'>): MissingForPlan | null {
  if (windows.length === 0) return 'windows'
  if (benches.length === 0) return 'benches'
  const isThere = ({ present }: PlanProblem['people'][number]): boolean => Object.keys(present).length > 0
  const maySharpen = ({ skills }: PlanProblem['people'][number]): boolean => skills.some((skill) => skill !== 'hone')
  if (!people.some(isThere)) return 'shifts'
  if (!people.some(maySharpen)) return 'skills'
  return people.some((person) => isThere(person) && maySharpen(person)) ? null : 'meeting'
}
