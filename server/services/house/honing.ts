import type { Person, Walk } from '../../../contract/house'
import type { HoneTool } from '../../../core/edge/model/hone'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { findPerson, listPeople, publicPerson, updatePerson } from '../../db/queries/house/people'
import { insertWalks } from '../../db/queries/house/walks'
import { Fault, notFound } from '../../faults'
import { assertMay, type Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS } from '../log/recordEvents'

/**
 * Keeps what was seen on a walk through the kitchen, all of it or none.
 *
 * @throws Fault for somebody who is not of this house, or a walk that has yet to come
 */
export async function recordWalks(
  db: Database,
  clock: Clock,
  caller: Caller,
  walks: readonly Walk[],
): Promise<{ recorded: number }> {
  const houseId = caller.house.id
  const late = walks.find(({ at }) => Date.parse(at) > clock().getTime() + CLOCK_SLACK_MS)
  if (late) throw new Fault('invalid', 'future-event', { at: late.at })
  const recorded = await changeHouse(db, houseId, async (change) => {
    const known = new Set((await listPeople(change, houseId)).map(({ id }) => id))
    if (walks.some(({ personId }) => !known.has(personId))) throw notFound('person')
    const inserted = await insertWalks(change, houseId, caller.person.id, walks)
    if (inserted === 0) change.nothingNew()
    return inserted
  })
  return { recorded }
}

/** @throws Fault for another person's tool, unless the caller manages the house */
export async function setHoneTool(
  db: Database,
  caller: Caller,
  personId: string,
  tool: HoneTool | null,
): Promise<Person> {
  if (personId !== caller.person.id) assertMay(caller, 'manage-house')
  const houseId = caller.house.id
  return await changeHouse(db, houseId, async (change) => {
    const person = await findPerson(change, houseId, personId)
    if (!person) throw notFound('person')
    const after = { ...person, honeTool: tool }
    await updatePerson(change, houseId, after)
    return publicPerson(after)
  })
}
