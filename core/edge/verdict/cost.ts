import { grainMicrons } from '../../abrasive/grain'
import { removalRate, STROKES_PER_MINUTE } from '../../abrasive/removal'
import { recede, recedingFaceDps } from '../../geometry/recession'
import type { BladeGeometry } from '../../knife/bladeGeometry'

/** What an action takes: minutes of a person, strokes a side, edge height in µm. */
export interface Cost {
  readonly minutes: number
  readonly strokesPerSide: number
  readonly steelUm: number
}

export const COARSEST_USUAL_GRIT = 220
export const COARSE_GRIT = 320
export const MIDDLE_GRIT = 1000
export const FINE_GRIT = 3000
export const THINNING_GRIT = 220
/** Setting up, each later stone with its deburring, and strop, test and wash, minutes (assumed). */
const SETUP_MINUTES = 3
const STAGE_MINUTES = 5
const CLOSING_MINUTES = 3
const PRESSING_NEWTONS = 10
/** Falling counts on each later stone, a side (common practice: ten a side). */
const LATER_STROKES_PER_SIDE = 10

/** Minutes and steel of taking the edge down by `recessionUm`, from a first grit on. */
export function stoneCost(blade: BladeGeometry, recessionUm: number, startGrit: number): Cost {
  const recessionMm = recessionUm / 1000
  const { removedAreaMm2 } = recede({
    bteMm: blade.bteMm,
    dps: blade.dps,
    faceDps: recedingFaceDps(blade, blade.dps),
    recessionMm,
  })
  const micron = grainMicrons({ scale: 'JIS', value: startGrit })
  const grinding =
    (removedAreaMm2 * blade.lengthMm) / removalRate({ micron, newtons: PRESSING_NEWTONS, hrc: blade.hrc })
  const laterStages = [MIDDLE_GRIT, FINE_GRIT].filter((grit) => grit > startGrit).length
  const minutes = SETUP_MINUTES + grinding + laterStages * STAGE_MINUTES + CLOSING_MINUTES
  const strokesPerSide = Math.ceil((grinding * STROKES_PER_MINUTE) / 2) + laterStages * LATER_STROKES_PER_SIDE
  return { minutes: Math.ceil(minutes), strokesPerSide, steelUm: Math.round(recessionUm) }
}

/** Minutes of bringing a blade back to the thickness it had when new, over the lowest third of its faces. */
export function thinningCost(blade: BladeGeometry): Cost {
  const removedMm3 = ((blade.bteMm - blade.bteWhenNewMm) / 2) * (blade.heelHeightMm / 3) * blade.lengthMm
  const micron = grainMicrons({ scale: 'JIS', value: THINNING_GRIT })
  const grinding = removedMm3 / removalRate({ micron, newtons: 2 * PRESSING_NEWTONS, hrc: blade.hrc })
  return {
    minutes: Math.ceil(SETUP_MINUTES + grinding + 2 * STAGE_MINUTES),
    strokesPerSide: Math.ceil((grinding * STROKES_PER_MINUTE) / 2) + 2 * LATER_STROKES_PER_SIDE,
    steelUm: 0,
  }
}
