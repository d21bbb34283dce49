import type { HabitStatements } from '../../../core/edge/fleet/habits'
import type { Queryable } from '../../db/database'
import type { StoredHouse } from '../../db/queries/house/houses'
import type { StoredPerson } from '../../db/queries/house/people'
import { countWalks } from '../../db/queries/house/walks'

/** What a house says of its honing, and what its chef saw of it. */
export async function habitStatements(
  db: Queryable,
  house: StoredHouse,
  people: readonly StoredPerson[],
  now: Date,
): Promise<HabitStatements> {
  return {
    house: house.honingHabit,
    people: new Map(
      people.flatMap(({ id, honingHabit }) => (honingHabit === null ? [] : [[id, honingHabit] as const])),
    ),
    walks: await countWalks(db, house.id, now),
  }
}
