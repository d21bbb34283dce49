import { v4 as newId } from 'uuid'
import type { Station } from '../../contract/house'
import type { Queryable } from '../db/database'
import { findKnives, insertKnives, updateKnife, type StoredKnife } from '../db/queries/fleet/knives'
import { insertPerson } from '../db/queries/house/people'
import { insertStation, insertStationPeriod } from '../db/queries/house/stations'
import { asKnifeEvent, insertEvents, type EventWrite } from '../db/queries/log/events'
import { countFleetTables } from '../db/queries/fleet/knives'
import { replaceFolds } from '../db/queries/log/folds'
import { foldKnife, refold } from '../services/log/knifeState'
import { loadHouseContext } from '../services/log/usageContext'
import { leavesAs, nameOf, realChanges, type Decision, type NewStation, type Leaving } from './fleetDecision'
import { personNamed } from './names'
import type { Present, Taking } from './plan'
import { plain } from './spellings/plain'

/** Knives written in one go. */
const AT_ONCE = 250

/** A station a file names and the house does not know yet. */
const newStation = ({ name, board, product }: NewStation): Station => ({
  id: newId(),
  name,
  board,
  product,
  hoursPerService: 2.5,
  active: true,
  weight: 1,
})

const STATUS_EVENT = {
  'in-service': 'released',
  quarantined: 'quarantined',
  missing: 'missing',
  retired: 'retired',
} as const

function statusPayload(status: Leaving, reason: string): EventWrite['payload'] {
  if (status === 'in-service') return {}
  return status === 'missing' ? { note: reason } : { reason }
}

function eventsOf(
  decision: Decision,
  stationId: string,
  holderId: string | null | undefined,
  present: Present,
): EventWrite[] {
  const base = { knifeId: decision.knife.id, personId: present.caller.person.id, deviceId: present.caller.deviceId }
  const status = leavesAs(decision, present)
  const leaving: EventWrite[] = status
    ? [
        {
          ...base,
          id: newId(),
          kind: STATUS_EVENT[status],
          at: new Date(present.now.getTime() + 1),
          payload: statusPayload(status, present.say('cell.from-file')),
        },
      ]
    : []
  if (!decision.before) {
    const payload = { condition: 'in-use', stationId, holderId: holderId ?? null }
    return [{ ...base, id: newId(), kind: 'added', at: present.now, payload }, ...leaving]
  }
  const moves = decision.changes.some(({ column }) => column === 'station' || column === 'holder')
  const payload = { stationId, ...(holderId === undefined ? {} : { holderId }) }
  return [...(moves ? [{ ...base, id: newId(), kind: 'moved' as const, at: present.now, payload }] : []), ...leaving]
}

/** Makes what rows that are taken name and nobody has yet. @returns ids by plain name */
async function makeNamed(
  db: Queryable,
  present: Present,
  decisions: readonly Decision[],
): Promise<{ stations: ReadonlyMap<string, string>; people: ReadonlyMap<string, string> }> {
  const houseId = present.caller.house.id
  const stations = new Map(present.context.stations.map(({ name, id }) => [plain(name), id]))
  const people = new Map(present.people.map(({ name, id }) => [plain(name), id]))
  for (const { station, holder } of decisions) {
    if (typeof station === 'object' && 'fresh' in station && !stations.has(plain(station.fresh.name))) {
      const made = newStation(station.fresh)
      await insertStation(db, houseId, made)
      await insertStationPeriod(db, houseId, made, new Date(0))
      stations.set(plain(made.name), made.id)
    }
    if (holder && typeof holder === 'object' && 'fresh' in holder && !people.has(plain(holder.fresh.name))) {
      const made = personNamed(holder.fresh)
      await insertPerson(db, houseId, made)
      people.set(plain(made.name), made.id)
    }
  }
  return { stations, people }
}

/** Brings decided knives in, a few hundred at a time, in one change. */
export async function applyFleet(
  db: Queryable,
  present: Present,
  all: readonly Decision[],
  { takes, step }: Taking,
): Promise<void> {
  const houseId = present.caller.house.id
  const decisions = all.filter(({ row }) => takes(row))
  const made = await makeNamed(db, present, decisions)
  const holderOf = ({ holder }: Decision): string | null | undefined =>
    holder === null ? undefined : (made.people.get(plain(nameOf(holder))) ?? null)
  const write = async (some: readonly Decision[]): Promise<void> => {
    const writes = some.map((decision) => ({
      decision,
      events: eventsOf(decision, made.stations.get(plain(nameOf(decision.station))) ?? '', holderOf(decision), present),
    }))
    const added = writes.filter(({ decision }) => !decision.before)
    await insertKnives(
      db,
      houseId,
      added.map(({ decision }) => decision.knife),
    )
    for (const one of some) if (one.before && realChanges(one).length > 0) await updateKnife(db, houseId, one.knife)
    await insertEvents(
      db,
      houseId,
      writes.flatMap(({ events }) => events),
    )
    // measures as the database rounds them, which is what any later rebuild reads
    const kept = new Map(
      (
        await findKnives(
          db,
          houseId,
          some.map(({ knife }) => knife.id),
        )
      ).map((knife) => [knife.id, knife]),
    )
    const stored = ({ knife }: Decision): StoredKnife => kept.get(knife.id) ?? knife
    await replaceFolds(
      db,
      houseId,
      added.map(({ decision, events }) => foldKnife(context, stored(decision), events.map(asKnifeEvent))),
    )
    for (const { decision, events } of writes) {
      if (decision.before && (realChanges(decision).length > 0 || events.length > 0))
        await refold(db, context, stored(decision))
    }
  }
  const context = await loadHouseContext(db, present.caller.house)
  let counted = 0
  for (let at = 0; at < decisions.length; at += AT_ONCE) {
    const some = decisions.slice(at, at + AT_ONCE)
    await write(some)
    // the database plans its own checks by how large it takes the tables to be
    if (at >= 2 * counted) {
      await countFleetTables(db)
      counted = at + some.length
    }
    await step(some.length)
  }
}
