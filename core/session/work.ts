import type { EdgeCondition } from '../abrasive/strokeLadder'
import type { KnifeState } from '../edge/log/state'
import { worstBluntUm } from '../edge/verdict/cost'

/** Widths of a blunt apex, µm, that part a kept-up edge from a dull and a very dull one (assumed). */
const KEPT_UP_UM = 8
const VERY_DULL_UM = 18

/** How far gone an edge is, which says how many strokes a counted ladder begins with. */
export function edgeCondition(state: Pick<KnifeState, 'zones' | 'defects'>, dps: number): EdgeCondition {
  const bluntUm = worstBluntUm(state, dps)
  if (state.defects.glint.length > 0 || bluntUm > VERY_DULL_UM) return 'very-dull'
  return bluntUm < KEPT_UP_UM ? 'kept-up' : 'dull'
}
