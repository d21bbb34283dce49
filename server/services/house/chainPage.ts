import type { ChainHouse, ChainPage, Compared } from '../../../contract/chain'
import { compareEdges, withinLimit, type EdgeReading } from '../../../core/chain/compareEdges'
import { boardFactor, handFactor } from '../../../core/edge/fleet/fleetLessons'
import { handLife } from '../../../core/edge/fleet/handLife'
import { BOARDS } from '../../../core/house/stations'
import { BY_CONDITION } from '../../../core/policy/policy'
import { DAY_MS } from '../../../core/time'
import { actAcrossHouses, actFor } from '../../acting'
import type { Database } from '../../db/database'
import { chainHouses, readingsSince, workSince } from '../../db/queries/house/chains'
import { findHouse, type StoredHouse } from '../../db/queries/house/houses'
import { currentPlan } from '../../db/queries/week/plans'
import type { Caller } from '../../signIn/sessions'
import { assertOwnsChain } from './chains'
import { allViews, loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife } from '../fleet/knifeView'
import { standingSessions } from '../fleet/standingSessions'

const AHEAD_DAYS = 7
const DONE_DAYS = 7
const READ_DAYS = 28
const COMPARED_DAYS = 90

/** What is read of one house, inside its own wall. */
interface HouseRead {
  readonly figures: ChainHouse
  readonly readings: readonly EdgeReading[]
  readonly boards: readonly {
    readonly board: (typeof BOARDS)[number]
    readonly effect: ReturnType<typeof boardFactor>
  }[]
  readonly hands: Compared['hands'][number]['hands']
}

const daysAgo = (now: Date, days: number): Date => new Date(now.getTime() - days * DAY_MS)

function handsOf({ people, similar }: FleetSnapshot, namesAllowed: boolean): HouseRead['hands'] {
  return people.flatMap(({ id, name }) =>
    (similar.lessons.readings.byHand.get(id) ?? 0) > 0
      ? [{ name: namesAllowed ? name : null, life: handLife(handFactor(similar.lessons, id, 'whole', 'afterUse')) }]
      : [],
  )
}

/** Hours at a board with a dull edge in the days ahead, if nothing were done. */
function dullHoursAhead(snapshot: FleetSnapshot): number {
  const hoursOf = new Map(snapshot.context.stations.map(({ id, hoursPerService }) => [id, hoursPerService]))
  const untilMs = snapshot.nowMs + AHEAD_DAYS * DAY_MS
  let hours = 0
  for (const knife of snapshot.knives) {
    const stored = snapshot.states.get(knife.id)
    if (stored?.status !== 'in-service' || stored.stationId === null) continue
    const { services } = presentKnife(knife, stored, snapshot, 'whole').forecast
    for (const { startMs, chanceDull } of services)
      if (startMs < untilMs) hours += chanceDull * (hoursOf.get(stored.stationId) ?? 0)
  }
  return hours
}

async function readHouse(db: Database, house: StoredHouse, namesAllowed: boolean, now: Date): Promise<HouseRead> {
  const snapshot = await loadFleetSnapshot(db, house, now)
  const stations = new Map(snapshot.context.stations.map((station) => [station.id, station]))
  const views = (await allViews(snapshot)).filter(({ status }) => status === 'in-service')
  const sessions = await standingSessions(db, await currentPlan(db, house.id), snapshot)
  const overdue = sessions.filter(({ endsAt }) => Date.parse(endsAt) <= now.getTime()).length
  const lately = await workSince(db, house.id, daysAgo(now, READ_DAYS))
  const knives = new Map(views.map((view) => [view.id, view]))
  const readings = (await readingsSince(db, house.id, daysAgo(now, COMPARED_DAYS))).flatMap(
    ({ knifeId, forceGf }): EdgeReading[] => {
      const knife = knives.get(knifeId)
      const board = knife && stations.get(knife.stationId)?.board
      return knife && board ? [{ type: knife.type, board, within: forceGf <= knife.limitGf }] : []
    },
  )
  const rule = house.policies.find(({ scope }) => scope === 'house') ?? BY_CONDITION
  return {
    figures: {
      houseId: house.id,
      name: house.name,
      knives: views.length,
      inLimit: views.filter(({ seen, word }) => seen && word !== 'dull' && word !== 'out').length,
      unseen: views.filter(({ seen }) => !seen).length,
      dullHoursAhead: dullHoursAhead(snapshot),
      planned: sessions.length - overdue,
      done: (await workSince(db, house.id, daysAgo(now, DONE_DAYS))).sharpened,
      overdue,
      readingsPerKnife: views.length > 0 ? lately.checked / views.length : 0,
      school: rule.school,
      honing: rule.honing,
      within: withinLimit(readings),
    },
    readings,
    boards: BOARDS.filter((board) => [...stations.values()].some((one) => one.active && one.board === board)).map(
      (board) => ({ board, effect: boardFactor(snapshot.similar.lessons, board) }),
    ),
    hands: handsOf(snapshot, namesAllowed),
  }
}

function compareHouses(houses: readonly HouseRead[]): Compared {
  const boards = BOARDS.flatMap((board) => {
    const known = houses.flatMap(({ figures, boards: own }) =>
      own.flatMap(({ board: one, effect }) =>
        one === board && effect.says !== 'nothing' ? [{ houseId: figures.houseId, effect }] : [],
      ),
    )
    return known.length > 1 ? [{ board, houses: known }] : []
  })
  return {
    boards,
    edges: compareEdges(houses.map(({ figures, readings }) => ({ houseId: figures.houseId, readings }))).map(
      ({ type, board, houses: own }) => ({ type, board, houses: [...own] }),
    ),
    hands: houses.flatMap(({ figures, hands }) => (hands.length > 0 ? [{ houseId: figures.houseId, hands }] : [])),
  }
}

/**
 * How the houses of a chain stand, for its owner: each is read inside its own wall, and of people only what their house allows.
 *
 * @throws Fault `no-chain` or `not-chain-owner`
 */
export async function chainPage(db: Database, caller: Caller, backupAt: string | null, now: Date): Promise<ChainPage> {
  const chain = await assertOwnsChain(db, caller)
  const members = await actAcrossHouses(() => chainHouses(db, chain.id))
  const houses: HouseRead[] = []
  // one after another: a chain's page is looked at now and then, and kitchens are served meanwhile
  for (const { houseId, namesAllowed } of members) {
    const read = await actFor({ houseId, personId: caller.person.id, deviceId: null }, async () => {
      const house = await findHouse(db, houseId)
      return house && (await readHouse(db, house, namesAllowed, now))
    })
    if (read) houses.push(read)
  }
  return {
    name: chain.name,
    now: now.toISOString(),
    backupAt,
    houses: houses.map(({ figures }) => figures),
    compared: compareHouses(houses),
  }
}
