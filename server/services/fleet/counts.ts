import { v7 as newId } from 'uuid'
import type { NewEvent } from '../../../contract/events'
import type { NewCount } from '../../../contract/counts'
import type { KnifeView } from '../../../contract/knives'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { insertCount } from '../../db/queries/fleet/counts'
import { findKnives } from '../../db/queries/fleet/knives'
import { listStates } from '../../db/queries/fleet/states'
import { Fault, notFound } from '../../faults'
import { assertMay, type Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS, recordWithin } from '../log/recordEvents'
import { viewKnives } from './fleet'

/**
 * Keeps a count, once: what was not there is missing from now on, what was missing and is there has been found. Two
 * people who count the same knives both have counted; a knife is missed by the first and found by whoever has it.
 *
 * @returns the knives whose state the count changed
 * @throws Fault when a knife is not of this house, or the count has yet to come
 */
export async function recordCount(db: Database, clock: Clock, caller: Caller, count: NewCount): Promise<KnifeView[]> {
  assertMay(caller, 'count')
  const houseId = caller.house.id
  const now = clock()
  if (Date.parse(count.endedAt) > now.getTime() + CLOCK_SLACK_MS)
    throw new Fault('invalid', 'future-event', { at: count.endedAt })
  const folded = await changeHouse(db, houseId, async (change) => {
    const named = [...new Set([...count.present, ...count.missing])]
    if ((await findKnives(change, houseId, named)).length < named.length) throw notFound('knife')
    if (!(await insertCount(change, houseId, caller.person.id, count))) {
      change.nothingNew()
      return []
    }
    const states = await listStates(change, houseId)
    const statusOf = (id: string): string | undefined => states.get(id)?.status
    const eventOf =
      (kind: 'missing' | 'found') =>
      (knifeId: string): NewEvent => ({ id: newId(), knifeId, kind, at: count.endedAt, payload: {} })
    const events = [
      ...count.missing
        .filter((id) => !['missing', 'away', 'retired'].includes(statusOf(id) ?? ''))
        .map(eventOf('missing')),
      ...count.present.filter((id) => statusOf(id) === 'missing').map(eventOf('found')),
    ]
    return events.length === 0 ? [] : await recordWithin(change, caller, events, now)
  })
  return folded.length === 0 ? [] : await viewKnives(db, caller.house, now, folded)
}
