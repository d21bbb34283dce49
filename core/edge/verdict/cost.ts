import { grainMicrons, jisGrit } from '../../abrasive/grain'
import { planProgression, type Progression, type ProgressionStone } from '../../abrasive/progression'
import type { GrindingWork } from '../../abrasive/sessionRemoval'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import { ZONES } from '../../knife/zones'
import type { KnifeState } from '../log/state'
import { bluntWidth } from '../model/wear'

/** What an action takes: minutes of a person, strokes a side, edge height in µm. */
export interface Cost {
  readonly minutes: number
  readonly strokesPerSide: number
  readonly steelUm: number
}

/** The shelf a verdict is reckoned with where nobody names another: what a kitchen with stones usually owns (assumed). */
export const USUAL_SHELF: readonly ProgressionStone[] = [220, 320, 400, 1000, 3000, 6000].map((grit) => ({
  id: `#${grit}`,
  micron: grainMicrons({ scale: 'JIS', value: grit }),
}))

/** Strop, wipe and put away: what a knife takes beside the stones, in a sitting that is set up (assumed). */
export const FINISHING_MINUTES = 0.5
/** A line that glints under a lamp is blunt metal at least so wide, µm (assumed): wider than any model says. */
const GLINT_UM = 20
/** Nobody thins by less, mm; and what wedges without being thick by the table is thinned by a tenth (assumed). */
const LEAST_THINNING_MM = 0.02
const WEDGING_SHARE = 0.1

/** Work on stones, by the action that asks for it. */
export type StoneAction = 'stone' | 'touch-up' | 'repair' | 'thin'
type EdgeNow = Pick<KnifeState, 'zones' | 'defects'>

/** Width of the apex where it is bluntest, µm; what glints is as wide as that. */
export function worstBluntUm(state: EdgeNow, dps: number): number {
  const worn = Math.max(...ZONES.map((zone) => bluntWidth({ wornAreaUm2: state.zones[zone].wornAreaUm2, dps })))
  return state.defects.glint.length > 0 ? Math.max(GLINT_UM, worn) : worn
}

/**
 * Steel that has to go from a knife: past the deepest point of a chip, down to a thickness, or back to an apex. A nick
 * that lies no deeper than the apex is worn goes with it.
 *
 * @param targetBteMm thickness behind the edge to thin to, mm
 */
export function grindingWork(
  state: EdgeNow,
  blade: BladeGeometry,
  action: StoneAction,
  targetBteMm: number,
): GrindingWork {
  if (action === 'thin') {
    const byMm = Math.max(
      LEAST_THINNING_MM,
      blade.bteMm > targetBteMm ? blade.bteMm - targetBteMm : WEDGING_SHARE * blade.bteMm,
    )
    return { thinning: { byMm } }
  }
  const bluntUm = worstBluntUm(state, blade.dps)
  const { chip } = state.defects
  const apexMm = bluntUm / 1000 / (2 * Math.tan((blade.dps * Math.PI) / 180))
  if (chip && !chip.rests && chip.depthMm > apexMm) return { chip: { depthMm: chip.depthMm } }
  return { bluntUm, isTopUp: action === 'touch-up' }
}

/** What a way through the stones costs whoever goes it, with the knife's own finishing. */
export function costOf({ minutes, recessionUm, stages }: Progression): Cost {
  return {
    minutes: Math.ceil(minutes + FINISHING_MINUTES),
    strokesPerSide: stages.reduce((sum, stage) => sum + stage.strokesPerSide, 0),
    steelUm: Math.round(recessionUm),
  }
}

/** JIS grit a way begins with. */
export const startGritOf = ({ stages }: Progression): number | null => {
  const [first] = stages
  return first ? jisGrit(first.stone.micron) : null
}

/** The way a knife goes through a shelf, without a burr or a scratch that is not reckoned. */
export const wayThrough = (
  blade: BladeGeometry,
  work: GrindingWork,
  shelf: { readonly stones: readonly ProgressionStone[]; readonly finishMicron: number },
): Progression => planProgression({ ...work, blade, ...shelf })
