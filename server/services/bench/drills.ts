import type { Drill, NewDrill } from '../../../contract/practice'
import { adviceOn, holdScore, slippedAt } from '../../../core/hands/holdScore'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { deleteDrill, insertDrill, listDrills } from '../../db/queries/bench/drills'
import { findPerson } from '../../db/queries/house/people'
import { Fault, notFound } from '../../faults'
import { assertMay, type Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS } from '../log/recordEvents'

function judged(drill: NewDrill): Drill {
  const score = holdScore(drill.strokes, drill.wantedDps)
  return { ...drill, score, advice: adviceOn(score) }
}

/**
 * Keeps a drill of whoever sends it, once. What an instrument told after it slipped says nothing of a hand.
 *
 * @throws Fault `slipped` with the stroke, and for a drill that has yet to come
 */
export async function recordDrill(db: Database, clock: Clock, caller: Caller, drill: NewDrill): Promise<Drill> {
  if (Date.parse(drill.at) > clock().getTime() + CLOCK_SLACK_MS)
    throw new Fault('invalid', 'future-event', { at: drill.at })
  const slipped = slippedAt(drill.strokes)
  if (slipped !== null) throw new Fault('invalid', 'slipped', { stroke: slipped + 1 })
  const houseId = caller.house.id
  await changeHouse(db, houseId, async (change) => {
    await insertDrill(change, houseId, caller.person.id, drill)
    change.nothingNew()
  })
  return judged(drill)
}

/** What somebody practised, oldest first. @throws Fault for anybody else's, unless the caller manages the house */
export async function drillsOf(db: Database, caller: Caller, personId: string): Promise<Drill[]> {
  if (personId !== caller.person.id) assertMay(caller, 'manage-house')
  if (!(await findPerson(db, caller.house.id, personId))) throw notFound('person')
  return (await listDrills(db, caller.house.id, personId)).map(judged)
}

/** @throws Fault when there is no such drill of the caller's own */
export async function takeBackDrill(db: Database, caller: Caller, drillId: string): Promise<Record<string, never>> {
  await changeHouse(db, caller.house.id, async (change) => {
    if (!(await deleteDrill(change, caller.house.id, caller.person.id, drillId))) throw notFound('drill')
    change.nothingNew()
  })
  return {}
}
