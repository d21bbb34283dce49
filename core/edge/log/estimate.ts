import { eachZone, type ByZone } from '../../knife/zones'
import { DEFAULT_PRIOR, parametersOf, type EdgePrior, type WearParameters } from '../filter/belief'
import { foldHistory, type KnifeHistory } from './history'
import { forceBand, type ForceBand, type KnifeState } from './state'

export interface EdgeEstimate {
  /** where every forecast starts from */
  readonly state: KnifeState
  /** force now with an 80 % interval, gf */
  readonly zones: ByZone<ForceBand>
  readonly parameters: WearParameters
}

/**
 * How sharp a knife is now and how it wears, from everything its log says: force readings, everyday
 * signs, what honing brought back, sessions, and the hours of the rota or those declared.
 *
 * The belief is one normal distribution over wear rate, shape of wear, honing and the three zones,
 * carried through the wear law and narrowed by each observation (extended Kalman filter, Jazwinski
 * 1970, with slips and ordinal signs matched by moments). It uses no chance and gives the same answer
 * for the same log in any order.
 *
 * @param history the knife, what surrounds it, its events in any order, and how far to carry the wear
 * @param prior what knives of its kind are like; the table's unless given
 * @example estimateEdge(history, DEFAULT_PRIOR).zones.tip // { forceGf, lowGf, highGf }
 */
export function estimateEdge(history: KnifeHistory, prior: EdgePrior = DEFAULT_PRIOR): EdgeEstimate {
  const state = foldHistory({ ...history, prior })
  return {
    state,
    zones: eachZone((zone) => forceBand(state.zones[zone], history.spec.dps)),
    parameters: parametersOf(state.belief),
  }
}
