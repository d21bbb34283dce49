import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { KnifeState } from '../log/state'
import { costOf, grindingWork, startGritOf, wayThrough, type StoneAction } from './cost'
import type { Reason, Recommendation, VerdictRules } from './recommendation'

/** Work on stones as a verdict says it: with the first stone, minutes, strokes and steel of the one removal model. */
export function grindingStep(
  action: StoneAction,
  state: KnifeState,
  blade: BladeGeometry,
  reasons: readonly Reason[],
  rules: VerdictRules,
): Recommendation {
  const work = grindingWork(state, blade, action, Math.min(rules.thicknessLimitMm, blade.bteWhenNewMm))
  const way = wayThrough(blade, work, {
    stones: rules.stones,
    finishMicron: action === 'thin' ? FACE_FINISH_MICRON : rules.finishMicron,
  })
  return { action, reasons, cost: costOf(way), startGrit: startGritOf(way), tool: null, dps: blade.dps }
}

/** Polishing a face beyond this is looks (common practice: #400 to #1000), µm. */
export const FACE_FINISH_MICRON = 11.5
