import {
  informBySimilarKnives,
  learnFleet,
  stationShift,
  type FleetLessons,
  type SimilarKnife,
  type Stations,
} from '../../../core/edge/fleet/fleetLessons'
import type { HabitStatements } from '../../../core/edge/fleet/habits'
import type { KnifeState } from '../../../core/edge/log/state'
import { knownBlade } from '../../../core/knife/blade'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import type { HouseContext } from '../log/usageContext'

/** What a house's knives teach each other, ready to be asked about any of them. */
export interface SimilarKnives {
  readonly lessons: FleetLessons
  readonly stations: Stations
  /** a knife's state with what similar knives taught */
  readonly inform: (knife: StoredKnife, state: KnifeState) => KnifeState
  /** how much harder the station it lies at now wears it than where it has worked so far */
  readonly shift: (knife: StoredKnife, state: KnifeState) => number
}

const asSimilarKnife = (knife: StoredKnife, state: KnifeState): SimilarKnife => ({
  id: knife.id,
  steel: knife.steelEn ?? 'unnamed',
  role: knownBlade(knife).role,
  state,
})

/** Learns from every knife of the house. Cheap next to folding a log, so it is done whenever a fleet is read. */
export function findSimilarKnives(
  context: HouseContext,
  knives: readonly StoredKnife[],
  states: ReadonlyMap<string, KnifeState>,
  said: HabitStatements,
): SimilarKnives {
  const stations: Stations = new Map(context.stations.map((station) => [station.id, station]))
  const everyone = knives.flatMap((knife): SimilarKnife[] => {
    const state = states.get(knife.id)
    // hands that learn say nothing of how the house sharpens
    return state && state.status !== 'practice' ? [asSimilarKnife(knife, state)] : []
  })
  const lessons = learnFleet(everyone, stations, said)
  return {
    lessons,
    stations,
    inform: (knife, state) =>
      informBySimilarKnives(asSimilarKnife(knife, state), lessons, stations, knownBlade(knife).spec.dps),
    shift: (knife, state) =>
      state.stationId === null ? 1 : stationShift(asSimilarKnife(knife, state), state.stationId, lessons, stations),
  }
}
