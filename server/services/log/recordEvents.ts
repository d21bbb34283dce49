import type { NewEvent } from '../../../contract/events'
import type { KnifeState } from '../../../core/edge/log/state'
import { EVENT_TRAITS } from '../../../core/edge/model/eventKinds'
import { DESCRIBED, type Description, type EventPayloads } from '../../../core/edge/model/events'
import { knownBlade } from '../../../core/knife/blade'
import { MINUTE_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse, type HouseChange } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { deletePhotosOf } from '../../db/queries/bench/photos'
import { lockKnife, updateKnife, type StoredKnife } from '../../db/queries/fleet/knives'
import { findPerson } from '../../db/queries/house/people'
import { findState } from '../../db/queries/log/folds'
import { asKnifeEvent, findEvent, insertEvents, knownEventIds, type EventWrite } from '../../db/queries/log/events'
import { Fault, notFound } from '../../faults'
import { assertMay, type Caller } from '../../signIn/sessions'
import { assertHasEdge } from './edgeOnly'
import { foldOn } from './knifeState'
import { loadHouseContext } from './usageContext'

/** A tablet's clock may run a little ahead. */
export const CLOCK_SLACK_MS = 2 * MINUTE_MS
/** Nothing a person logs now happened before this. */
const EARLIEST = new Date('2000-01-01T00:00:00Z')

function assertTime(event: NewEvent, now: Date): void {
  const at = new Date(event.at)
  const path = `events.${event.id}.at`
  if (at.getTime() > now.getTime() + CLOCK_SLACK_MS) {
    throw new Fault('invalid', 'future-event', { at: event.at }, [
      { path, key: 'future-event', values: { at: event.at } },
    ])
  }
  if (at < EARLIEST)
    throw new Fault('invalid', 'ancient-event', { at: event.at }, [
      { path, key: 'ancient-event', values: { at: event.at } },
    ])
}

async function assertVoidable(
  db: Queryable,
  caller: Caller,
  event: Extract<NewEvent, { kind: 'voided' }>,
): Promise<void> {
  const target = await findEvent(db, caller.house.id, event.payload.eventId)
  if (!target || target.knifeId !== event.knifeId) throw notFound('event')
  if (target.kind === 'voided' || target.kind === 'added') throw new Fault('conflict', 'cannot-void')
  if (target.voided) throw new Fault('conflict', 'voided-already')
  if (target.personId !== caller.person.id) assertMay(caller, 'void-any')
}

/** A knife as it was described before a session that is taken back, as far as nobody has changed that since. */
async function restoreDescription(
  db: Queryable,
  houseId: string,
  knife: StoredKnife,
  events: readonly NewEvent[],
): Promise<StoredKnife> {
  let now = knife
  for (const event of events) {
    const target = event.kind === 'voided' ? await findEvent(db, houseId, event.payload.eventId) : null
    const described =
      target?.kind === 'sharpened' ? (target.payload as EventPayloads['sharpened']).described : undefined
    if (!described) continue
    const still = DESCRIBED.filter((name) => now[name] === described.after[name])
    now = {
      ...now,
      ...(Object.fromEntries(still.map((name) => [name, described.before[name]])) as Partial<Description>),
    }
  }
  if (now !== knife) await updateKnife(db, houseId, now)
  return now
}

async function assertMove(
  db: Queryable,
  caller: Caller,
  event: Extract<NewEvent, { kind: 'moved' }>,
  stationIds: ReadonlySet<string>,
): Promise<void> {
  const { stationId, holderId } = event.payload
  if (stationId !== undefined && !stationIds.has(stationId)) throw notFound('station')
  if (holderId) {
    const holder = await findPerson(db, caller.house.id, holderId)
    if (!holder?.active) throw notFound('person')
  }
}

/** What can only be said of a knife that is missing, or away, and the event that makes it so. */
const NEEDS = {
  found: { status: 'missing', by: 'missing', fault: 'not-missing' },
  returned: { status: 'away', by: 'sent-out', fault: 'not-away' },
} as const

async function assertGone(
  db: Queryable,
  houseId: string,
  { id, code }: StoredKnife,
  event: NewEvent & { readonly kind: keyof typeof NEEDS },
  together: readonly NewEvent[],
): Promise<void> {
  const { status, by, fault } = NEEDS[event.kind]
  // a device that was offline tells both at once
  if (together.some(({ kind, at }) => kind === by && at < event.at)) return
  if ((await findState(db, houseId, id))?.status !== status) throw new Fault('conflict', fault, { code })
}

function assertChipFits(event: NewEvent, knife: StoredKnife): void {
  if (event.kind !== 'checked') return
  const chip = event.payload.defects?.chip
  if (chip && knife.heelHeightMm !== null && chip.depthMm >= knife.heelHeightMm) {
    throw new Fault('invalid', 'chip-too-deep', { depth: chip.depthMm, height: knife.heelHeightMm })
  }
}

/** What can only happen to an edge. */
const ON_AN_EDGE: ReadonlySet<string> = new Set(['used', 'checked', 'honed', 'came-back', 'sharpened'])

/** A honing by somebody whose working angle is known also keeps how far that is from the knife's. */
function payloadOf(event: NewEvent, knife: StoredKnife, workingDps: number | null): NewEvent['payload'] {
  if (event.kind !== 'honed' || event.payload.mismatchDps !== undefined || workingDps === null) return event.payload
  return { ...event.payload, mismatchDps: Math.round((workingDps - knownBlade(knife).spec.dps) * 10) / 10 }
}

const toWrite =
  (caller: Caller, knife: StoredKnife, workingDps: number | null) =>
  (event: NewEvent): EventWrite => ({
    id: event.id,
    knifeId: event.knifeId,
    kind: event.kind,
    at: new Date(event.at),
    personId: caller.person.id,
    deviceId: caller.deviceId,
    payload: payloadOf(event, knife, workingDps),
  })

/** A knife with the state its log now gives. */
export interface FoldedKnife {
  readonly knife: StoredKnife
  readonly state: KnifeState
}

/**
 * Records what happened to knives, all of it or none, and gives those knives folded up to it. Events recorded before
 * are left as they were.
 *
 * @throws Fault when a knife, station, person or voided event is not of this house, when the role
 *   does not carry the right, or when an event lies in the future
 */
export async function recordEvents(
  db: Database,
  clock: Clock,
  caller: Caller,
  events: readonly NewEvent[],
): Promise<FoldedKnife[]> {
  const now = clock()
  for (const event of events) {
    const { right } = EVENT_TRAITS[event.kind]
    if (right) assertMay(caller, right)
  }
  return await changeHouse(db, caller.house.id, (change) => recordWithin(change, caller, events, now))
}

/** The same as part of a change under way, for events that were found in order. */
export async function recordWithin(
  change: HouseChange,
  caller: Caller,
  events: readonly NewEvent[],
  now: Date,
): Promise<FoldedKnife[]> {
  for (const event of events) assertTime(event, now)
  const houseId = caller.house.id
  const context = await loadHouseContext(change, caller.house)
  const stationIds = new Set(context.stations.map((station) => station.id))
  const eventIds = events.map((event) => event.id)
  const known = await knownEventIds(change, houseId, eventIds)
  if (known.size === new Set(eventIds).size) change.nothingNew()
  change.ofKnives()
  const workingDps = (await findPerson(change, houseId, caller.person.id))?.workingDps ?? null
  const folded: FoldedKnife[] = []
  // in one order for everybody: a rebuild holds knives without holding the house
  for (const knifeId of [...new Set(events.map((event) => event.knifeId))].sort()) {
    const knife = await lockKnife(change, houseId, knifeId)
    if (!knife) throw notFound('knife')
    const fresh = events.filter((event) => event.knifeId === knifeId && !known.has(event.id))
    for (const event of fresh) {
      if (event.kind === 'moved') await assertMove(change, caller, event, stationIds)
      if (event.kind === 'voided') await assertVoidable(change, caller, event)
      if (event.kind === 'found' || event.kind === 'returned') await assertGone(change, houseId, knife, event, fresh)
      assertChipFits(event, knife)
      if (ON_AN_EDGE.has(event.kind)) assertHasEdge(knife)
    }
    const takenBack = fresh.flatMap((event) => (event.kind === 'voided' ? event.payload.eventId : []))
    if (takenBack.length > 0) await deletePhotosOf(change, houseId, takenBack)
    const writes = fresh.map(toWrite(caller, knife, workingDps))
    const described = await restoreDescription(change, houseId, knife, fresh)
    await insertEvents(change, houseId, writes)
    folded.push({ knife: described, state: await foldOn(change, context, described, writes.map(asKnifeEvent)) })
  }
  return folded
}
