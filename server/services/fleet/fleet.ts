import { endpoints } from '../../../contract/endpoints'
import type { Fleet } from '../../../contract/fleet'
import type { KnifeView } from '../../../contract/knives'
import type { HoneTool } from '../../../core/edge/model/hone'
import type { KnifeState } from '../../../core/edge/log/state'
import { startOfDay, type Occurrence } from '../../../core/house/serviceClock'
import { DAY_MS, MINUTE_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database, Queryable } from '../../db/database'
import { knifeMarks, listKnives, type StoredKnife } from '../../db/queries/fleet/knives'
import { listStates } from '../../db/queries/fleet/states'
import { findHouse, type StoredHouse } from '../../db/queries/house/houses'
import { listPeople, publicPerson, type StoredPerson } from '../../db/queries/house/people'
import { listBenches } from '../../db/queries/week/crew'
import { currentPlan } from '../../db/queries/week/plans'
import { notFound } from '../../faults'
import { prepare, type Prepared } from '../../mount'
import { standAside } from '../../urgent'
import { houseOccurrences, loadHouseContext, usageContext, type HouseContext } from '../log/usageContext'
import { loadBench } from '../shelf/layOutSession'
import { habitStatements } from './habitStatements'
import { knifeView, OUTLOOK_MS, type HouseSnapshot } from './knifeView'
import { findSimilarKnives } from './similarKnives'
import { standingSessions } from './standingSessions'

/** Everything that reading the knives of a house takes. */
export interface FleetSnapshot extends HouseSnapshot {
  readonly knives: readonly StoredKnife[]
  readonly states: ReadonlyMap<string, KnifeState>
  readonly people: readonly StoredPerson[]
  readonly context: HouseContext
}

/** Loads a house's knives with what they teach each other. */
export async function loadFleetSnapshot(db: Queryable, house: StoredHouse, now: Date): Promise<FleetSnapshot> {
  const context = await loadHouseContext(db, house)
  const [knives, states, people] = [
    await listKnives(db, house.id),
    await listStates(db, house.id),
    await listPeople(db, house.id),
  ]
  const nowMs = now.getTime()
  const oldest = Math.min(nowMs, ...[...states.values()].map((state) => state.atMs))
  return {
    house,
    context,
    knives,
    states,
    people,
    nowMs,
    usage: usageContext(context, oldest, nowMs + OUTLOOK_MS),
    similar: findSimilarKnives(context, knives, states, await habitStatements(db, house, people, now)),
    bench: await loadBench(db, house.id),
    honeTools: new Map(
      people.flatMap(({ id, honeTool }): [string, HoneTool][] => (honeTool === null ? [] : [[id, honeTool]])),
    ),
    workingDps: new Map(
      people.flatMap(({ id, workingDps }): [string, number][] => (workingDps === null ? [] : [[id, workingDps]])),
    ),
  }
}

/** How long reckoning goes on before others get a turn: a record takes a dozen of them, each waiting for one of these. */
const TURN_MS = 5

/** Views that were made a moment ago, by knife, each with the mark that it was made of. */
export type ViewsBefore = ReadonlyMap<string, { readonly mark: string; readonly view: KnifeView }>
const NO_VIEWS: ViewsBefore = new Map()

/**
 * Views of the whole fleet; forecasting 150 knives takes a good part of a second, and nobody else should wait for it.
 *
 * @param before views that still hold for knives whose mark is the same
 */
export async function allViews(
  snapshot: FleetSnapshot,
  marks: ReadonlyMap<string, string> = new Map(),
  before: ViewsBefore = NO_VIEWS,
): Promise<KnifeView[]> {
  const views: KnifeView[] = []
  let turnEndsMs = performance.now() + TURN_MS
  for (const knife of snapshot.knives) {
    const state = snapshot.states.get(knife.id)
    if (!state) continue
    const known = before.get(knife.id)
    if (known && known.mark === marks.get(knife.id)) {
      views.push(known.view)
      continue
    }
    views.push(knifeView(knife, state, snapshot))
    if (performance.now() < turnEndsMs) continue
    await standAside()
    turnEndsMs = performance.now() + TURN_MS
  }
  return views
}

/** Every knife of a house as it is at a moment. */
export async function readFleet(
  db: Queryable,
  house: StoredHouse,
  now: Date,
  marks?: ReadonlyMap<string, string>,
  before?: ViewsBefore,
): Promise<Fleet> {
  const snapshot = await loadFleetSnapshot(db, house, now)
  const { context, nowMs } = snapshot
  const dayFrom = startOfDay(nowMs, house.zone)
  const dayTo = startOfDay(dayFrom + 1.5 * DAY_MS, house.zone)
  const ofDay = (kind: 'service' | 'quiet'): Fleet['day']['services'] =>
    houseOccurrences(context, kind, dayFrom, dayTo)
      .filter(({ startMs }) => startMs >= dayFrom)
      .map(toSpan)
  const benches = new Map((await listBenches(db, house.id)).map(({ id, name }) => [id, name]))
  return {
    now: now.toISOString(),
    knives: await allViews(snapshot, marks, before),
    people: snapshot.people.map(publicPerson),
    stations: [...context.stations],
    planned: (await standingSessions(db, await currentPlan(db, house.id), snapshot))
      .filter(({ endsAt }) => Date.parse(endsAt) > nowMs)
      .map(({ knifeId, personId, windowId, benchId, startsAt, endsAt }) => ({
        knifeId,
        personId,
        windowId,
        benchId,
        bench: benches.get(benchId) ?? '',
        startsAt,
        endsAt,
      })),
    day: {
      startsAt: new Date(dayFrom).toISOString(),
      services: ofDay('service'),
      quiet: ofDay('quiet'),
    },
  }
}

const toSpan = (one: Occurrence): Fleet['day']['services'][number] => ({
  name: one.name,
  startsAt: new Date(one.startMs).toISOString(),
  endsAt: new Date(one.endMs).toISOString(),
})

export interface FleetReader {
  read(house: StoredHouse): Promise<Prepared>
}

interface KeptFleet {
  readonly revision: number
  readonly settingsRevision: number
  readonly minute: number
  readonly views: Promise<ViewsBefore>
  readonly answer: Promise<Prepared>
}

/**
 * Reads fleets, keeping the last answer of each house while its revision and the minute stay the same. The revision
 * comes from the database with every request, so many servers agree. Of one house one reading is made at a time: while
 * ten people write, those who read wait for the next that has their revision in it, and it serves them all. Where nothing
 * changed within the minute but single knives, only these are reckoned again: what they teach the others comes with the next.
 */
export function fleetReader(db: Database, clock: Clock): FleetReader {
  const kept = new Map<string, KeptFleet>()
  const underWay = new Map<string, Promise<unknown>>()

  async function make(houseId: string): Promise<Prepared> {
    const house = await findHouse(db, houseId)
    if (!house) throw notFound('house')
    const now = clock()
    const minute = minuteOf(now)
    // the revision was read first: what is made is at least that new
    const last = kept.get(houseId)
    const holds = last?.minute === minute && last.settingsRevision === house.settingsRevision
    const before = holds ? await last.views.catch(() => NO_VIEWS) : NO_VIEWS
    // marked first: what is read afterwards is at least that new
    const marks = await knifeMarks(db, houseId)
    const fleet = readFleet(db, house, now, marks, before)
    const answer = fleet.then((read) => prepare(endpoints.fleet, `${houseId}:${house.revision}:${minute}`, read))
    const views = fleet.then(
      ({ knives }) => new Map(knives.map((view) => [view.id, { mark: marks.get(view.id) ?? '', view }])),
    )
    views.catch(() => undefined)
    kept.set(houseId, { revision: house.revision, settingsRevision: house.settingsRevision, minute, views, answer })
    answer.catch(() => kept.delete(houseId))
    return await answer
  }

  return {
    read: async ({ id, revision }) => {
      for (;;) {
        const known = kept.get(id)
        if (known && known.revision >= revision && known.minute === minuteOf(clock())) return await known.answer
        const before = underWay.get(id)
        if (before) {
          await before
          continue
        }
        const making = make(id)
        const over = making.then(
          () => underWay.delete(id),
          () => underWay.delete(id),
        )
        underWay.set(id, over)
        return await making
      }
    },
  }
}
const minuteOf = (at: Date): number => Math.floor(at.getTime() / MINUTE_MS)

/** Views of a few knives straight from the database, after a write. */
export async function viewKnives(
  db: Queryable,
  house: StoredHouse,
  now: Date,
  pairs: readonly { readonly knife: StoredKnife; readonly state: KnifeState }[],
): Promise<KnifeView[]> {
  const snapshot = await loadFleetSnapshot(db, house, now)
  return pairs.map(({ knife, state }) => knifeView(knife, state, snapshot))
}
