import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { openCarryOvers, tickCarryOver } from '../../db/queries/bench/carryOvers'
import type { CarryOver } from '../../../contract/bench'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'

/**
 * Ticks off what a session had left with a knife.
 *
 * @returns what is still left
 * @throws Fault `carry-over-done` where somebody else was first: it names them, and changes nothing
 */
export async function tickOff(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  id: string,
): Promise<CarryOver[]> {
  const houseId = caller.house.id
  await changeHouse(db, houseId, async (change) => {
    const ticked = await tickCarryOver(change, houseId, knifeId, id, { personId: caller.person.id, at: clock() })
    if (!ticked) throw notFound('carry-over')
    if (!ticked.isNew) throw new Fault('conflict', 'carry-over-done', { name: ticked.name })
  })
  return await openCarryOvers(db, houseId, knifeId)
}
