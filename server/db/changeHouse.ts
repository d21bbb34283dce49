import { Fault } from '../faults'
import type { Database, Queryable } from './database'
import { lockHouse, touchHouse } from './queries/house/houses'
import { uniqueFault, type WriteValues } from './violations'

/** The client of a change under way. */
export interface HouseChange extends Queryable {
  /** Says that nothing came of it: open screens are not told, and keep what they have. */
  readonly nothingNew: () => void
  /** Says that nothing came of it but what is noted of single knives: the others stand as they did. */
  readonly ofKnives: () => void
}

/**
 * The one way to write to a house: begin, lock the house's row, work, commit. Changes of one house so happen one
 * after another, on whatever server, and two people who act at once are both right about what they saw. When it
 * has committed, open screens hear of it; the views that the writer is answered with are read afterwards, outside
 * the lock.
 *
 * Outside of it stay what is no house's matter (sessions, counts of tries) and what a worker notes of its own job.
 *
 * @param values what is written, by field, for the sentence of a refusal
 * @throws Fault by the constraint that was hit
 */
export async function changeHouse<T>(
  db: Database,
  houseId: string,
  work: (change: HouseChange) => Promise<T>,
  values: WriteValues = {},
): Promise<T> {
  try {
    return await db.transaction(async (client) => {
      if (!(await lockHouse(client, houseId))) throw new Fault('not-found', 'not-found', { what: 'house' })
      let isNew = true
      let isOfKnives = false
      const result = await work({
        ...client,
        nothingNew: () => {
          isNew = false
        },
        ofKnives: () => {
          isOfKnives = true
        },
      })
      if (isNew) await touchHouse(client, houseId, isOfKnives)
      return result
    })
  } catch (error) {
    throw uniqueFault(error, values) ?? error
  }
}
