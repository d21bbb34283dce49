import type { HouseLearning } from '../../../contract/learning'
import {
  boardFactor,
  handFactor,
  productFactor,
  stationFactor,
  toolEfficiency,
  type FleetLessons,
} from '../../../core/edge/fleet/fleetLessons'
import { habitOf } from '../../../core/edge/fleet/habits'
import { handLife } from '../../../core/edge/fleet/handLife'
import { pooledScatter } from '../../../core/edge/log/scatter'
import { HONE_TOOLS } from '../../../core/edge/model/hone'
import { hasRight } from '../../../core/house/rights'
import { BOARD_FACTOR, BOARDS, PRODUCT_FACTOR, PRODUCTS } from '../../../core/house/stations'
import { ZONES } from '../../../core/knife/zones'
import type { Database } from '../../db/database'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from './fleet'
import { sideTimesByPerson } from '../../db/queries/bench/sideTimes'
import type { Hand } from '../../../core/session/plan'
import { weakSide } from '../../../core/session/sides'

const used = <T extends string>(all: readonly T[], seen: readonly T[]): T[] => all.filter((one) => seen.includes(one))

function handsOf({ people }: FleetSnapshot, lessons: FleetLessons): HouseLearning['hands'] {
  // what was learned of somebody goes with them
  return people.flatMap((person) => {
    if (!person.active) return []
    const readings = lessons.readings.byHand.get(person.id) ?? 0
    if (readings === 0) return []
    const whole = handFactor(lessons, person.id, 'whole', 'offStone')
    return [
      {
        personId: person.id,
        name: person.name,
        readings,
        whole,
        zones: ZONES.map((zone) => ({ zone, effect: handFactor(lessons, person.id, zone, 'offStone') })),
        life: handLife(handFactor(lessons, person.id, 'whole', 'afterUse')),
      },
    ]
  })
}

function toolsOf(lessons: FleetLessons): HouseLearning['tools'] {
  return HONE_TOOLS.flatMap((tool) => {
    const honings = lessons.readings.byTool.get(tool) ?? 0
    return honings > 0 ? [{ tool, honings, ...toolEfficiency(lessons, tool) }] : []
  })
}

/** Everybody who holds a knife, with how it is honed and how their readings scatter. */
function habitsOf({ people, states, similar, house }: FleetSnapshot): HouseLearning['habits'] {
  const holders = new Set([...states.values()].map(({ holderId }) => holderId))
  return people
    .filter(({ id, active }) => active && holders.has(id))
    .map(({ id, name, honingHabit }) => ({
      personId: id,
      name,
      ...habitOf(similar.lessons.habits, id),
      stated: honingHabit ?? house.honingHabit,
      scatter: pooledScatter(
        [...states.values()].map(({ lessons }) => lessons),
        id,
      ),
    }))
}

/** Everybody whose sides differ, with the strokes each got. */
async function sidesOf(db: Database, { people, house }: FleetSnapshot): Promise<HouseLearning['sides']> {
  const byPerson = await sideTimesByPerson(db, house.id)
  return people.flatMap(({ id, name, active }) => {
    const times = byPerson.get(id) ?? []
    const weak = active ? weakSide(times) : null
    if (!weak) return []
    const strokesOf = (hand: Hand): number =>
      times.reduce((sum, time) => sum + (time.hand === hand ? time.strokes : 0), 0)
    return [{ personId: id, name, ...weak, strokes: { left: strokesOf('left'), right: strokesOf('right') } }]
  })
}

/** What a house has taught so far, from every knife's log; of hands, one's own unless the caller manages the house. */
export async function houseLearning(db: Database, caller: Caller, now: Date): Promise<HouseLearning> {
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const { context, states } = snapshot
  const { lessons, stations } = snapshot.similar
  const active = context.stations.filter((station) => station.active)
  // what a hand does is for that person and the chef
  const seesAll = hasRight(caller.person.role, 'manage-house')
  const isShown = ({ personId }: { readonly personId: string }): boolean => seesAll || personId === caller.person.id
  return {
    readings: [...states.values()].reduce((sum, state) => sum + state.lessons.readings, 0),
    stations: active.map((station) => ({
      id: station.id,
      name: station.name,
      board: station.board,
      product: station.product,
      tableFactor: BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product],
      readings: Math.round(lessons.readings.byStation.get(station.id) ?? 0),
      effect: stationFactor(lessons, station.id, stations),
    })),
    boards: used(
      BOARDS,
      active.map(({ board }) => board),
    ).map((board) => ({ board, tableFactor: BOARD_FACTOR[board], effect: boardFactor(lessons, board) })),
    products: used(
      PRODUCTS,
      active.map(({ product }) => product),
    ).map((product) => ({ product, tableFactor: PRODUCT_FACTOR[product], effect: productFactor(lessons, product) })),
    hands: handsOf(snapshot, lessons).filter(isShown),
    habits: habitsOf(snapshot).filter(isShown),
    sides: (await sidesOf(db, snapshot)).filter(isShown),
    tools: toolsOf(lessons),
  }
}
