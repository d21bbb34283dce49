import type { ProgressionInput } from '../abrasive/progression'
import { BURR_ALLOWANCE_UM, recessionToApexUm } from '../abrasive/removal'
import type { EdgeCondition } from '../abrasive/strokeLadder'
import type { KnifeState } from '../edge/log/state'
import { bluntWidth } from '../edge/model/wear'
import type { BladeGeometry } from '../knife/bladeGeometry'
import { ZONES } from '../knife/zones'

/** Widths of a blunt apex, µm, that part a kept-up edge from a dull and a very dull one (assumed). */
const KEPT_UP_UM = 8
const VERY_DULL_UM = 18
/** A bevel made anew reaches further back than its apex: glint and very dull edges lose about a tenth of a millimetre (assumed). */
const REWORK_MM = 0.1
const LEAST_THINNING_MM = 0.02

type EdgeNow = Pick<KnifeState, 'zones' | 'defects'>

const worstBluntUm = (state: EdgeNow, dps: number): number =>
  Math.max(...ZONES.map((zone) => bluntWidth({ wornAreaUm2: state.zones[zone].wornAreaUm2, dps })))

/** How far gone an edge is, which says how many strokes its ladder begins with. */
export function edgeCondition(state: EdgeNow, dps: number): EdgeCondition {
  const blunt = worstBluntUm(state, dps)
  if (state.defects.glint.length > 0 || blunt > VERY_DULL_UM) return 'very-dull'
  return blunt < KEPT_UP_UM ? 'kept-up' : 'dull'
}

/**
 * Steel that has to go from a knife at the bench: down to its target thickness when thinning, past the
 * deepest point of a chip, or back to a clean apex.
 *
 * @param targetBteMm thickness behind the edge to thin to, mm
 */
export function workOnEdge(
  state: EdgeNow,
  blade: BladeGeometry,
  thinning: boolean,
  targetBteMm: number,
): Omit<ProgressionInput, 'finishMicron' | 'stones'> {
  if (thinning) return { blade, thinning: { byMm: Math.max(LEAST_THINNING_MM, blade.bteMm - targetBteMm) } }
  if (state.defects.chip && !state.defects.chip.rests) return { blade, chip: state.defects.chip }
  if (edgeCondition(state, blade.dps) === 'kept-up') return { blade, recessionMm: BURR_ALLOWANCE_UM / 1000 }
  return {
    blade,
    recessionMm: Math.max(recessionToApexUm(worstBluntUm(state, blade.dps), blade.dps) / 1000, REWORK_MM),
  }
}
