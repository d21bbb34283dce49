import type { BenchPlace, PersonSkill, Shift, ShiftDay } from '../../../contract/week'
import { learnedRate } from '../../../core/abrasive/learnedRate'
import type { Queryable } from '../../db/database'
import { burrTimesByPerson } from '../../db/queries/bench/burrTimes'
import { listBenches, listShiftDays, listShifts, listSkills } from '../../db/queries/week/crew'

/** People and benches of the days ahead. */
export interface CrewAhead {
  readonly shifts: readonly Shift[]
  readonly days: readonly ShiftDay[]
  readonly skills: readonly PersonSkill[]
  readonly benches: readonly BenchPlace[]
  readonly paces: ReadonlyMap<string, { readonly pace: number; readonly sessions: number }>
}

export async function loadCrew(db: Queryable, houseId: string, fromDay: string): Promise<CrewAhead> {
  const times = await burrTimesByPerson(db, houseId)
  return {
    shifts: await listShifts(db, houseId),
    days: await listShiftDays(db, houseId, fromDay),
    skills: await listSkills(db, houseId),
    benches: await listBenches(db, houseId),
    paces: new Map(
      [...times].map(([id, own]) => {
        const { rate, sessions } = learnedRate(own)
        return [id, { pace: Math.round(100 / rate) / 100, sessions }]
      }),
    ),
  }
}
