import { WAY_OPTIONS, type HouseWays } from '../../../contract/bench'
import { PACES, type Pace, type Ways } from '../../../core/session/ways'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { listWays, replaceWays } from '../../db/queries/shelf/ways'
import { assertMay, type Caller } from '../../signIn/sessions'

/** The pace is kept among a person's ways, though no recipe asks for it. */
const PACE = 'pace'

export const paceOf = (own: Ways): Pace => PACES.find((pace) => pace === own[PACE]) ?? 'led'

const withoutPace = ({ [PACE]: _, ...ways }: Ways): Ways => ways

export async function houseWays(db: Queryable, caller: Caller): Promise<HouseWays> {
  const { house, own } = await listWays(db, caller.house.id, caller.person.id)
  return { options: WAY_OPTIONS, house, own: withoutPace(own), pace: paceOf(own) }
}

/** Sets the ways of the house, which a manager does, or one's own, with one's pace. */
export async function setWays(
  db: Database,
  caller: Caller,
  { whose, ways, pace }: { readonly whose: 'house' | 'own'; readonly ways: Ways; readonly pace?: Pace | undefined },
): Promise<HouseWays> {
  if (whose === 'house') assertMay(caller, 'manage-gear')
  const houseId = caller.house.id
  await changeHouse(db, houseId, async (change) => {
    if (whose === 'house') {
      await replaceWays(change, houseId, null, ways)
      return
    }
    const { own } = await listWays(change, houseId, caller.person.id)
    await replaceWays(change, houseId, caller.person.id, { ...ways, [PACE]: pace ?? paceOf(own) })
  })
  return await houseWays(db, caller)
}
