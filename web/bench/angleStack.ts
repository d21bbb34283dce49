import {
  angleFromStack,
  bestStack,
  faceAngle,
  stackHeight,
  type StackChoice,
  type StackPiece,
} from '../../core/geometry/stack'
import { MeasureError } from '../../core/measure'

/** How to find an angle on this blade: the height under the spine, and the pieces that make it. */
export interface AngleStack {
  readonly dps: number
  readonly stackMm: number
  readonly choice: StackChoice | null
  /** the stack does not reach the angle, or no stack can */
  readonly problem: 'no-pieces' | 'too-tall' | 'too-coarse' | 'flatter-than-face' | 'flat' | null
  /** where the stack holds: the height it was reckoned for, and what it gives at the lower tip; null where it makes no difference */
  readonly holds: { readonly heightMm: number; readonly tipDps: number } | null
}

/** A blade is about this much lower where its tip is worked (assumed). */
const TIP_HEIGHT_SHARE = 0.55

/** A stack taller than this share of the blade leaves nothing to hold (assumed). */
const TALLEST_SHARE = 0.45

/** A stack further off than this is no help: on a low blade one coin is many degrees. */
const COARSEST_DPS = 2

export function angleStack(
  blade: { readonly heelHeightMm: number; readonly spineMm: number },
  dps: number,
  pieces: readonly StackPiece[],
): AngleStack {
  if (dps <= faceAngle(blade)) return { dps, stackMm: 0, choice: null, problem: 'flatter-than-face', holds: null }
  const stackMm = stackHeight({ ...blade, dps })
  if (stackMm > TALLEST_SHARE * blade.heelHeightMm)
    return { dps, stackMm, choice: null, problem: 'too-tall', holds: null }
  try {
    const choice = bestStack({ ...blade, dps, pieces })
    return {
      dps,
      stackMm,
      choice,
      problem: Math.abs(choice.dps - dps) > COARSEST_DPS ? 'too-coarse' : null,
      holds: holdsWhere(blade, choice.stackMm),
    }
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    return { dps, stackMm, choice: null, problem: 'no-pieces', holds: null }
  }
}

/** A face laid flat on the stone: nothing goes under the spine. */
export const flatStack = (blade: { readonly heelHeightMm: number; readonly spineMm: number }): AngleStack => ({
  dps: faceAngle(blade),
  stackMm: 0,
  choice: null,
  problem: 'flat',
  holds: null,
})

/** The same stack lifts a lower part of the blade more: it is right where the blade is as tall as it was reckoned for. */
function holdsWhere(
  blade: { readonly heelHeightMm: number; readonly spineMm: number },
  stackMm: number,
): AngleStack['holds'] {
  const heelHeightMm = TIP_HEIGHT_SHARE * blade.heelHeightMm
  if (stackMm >= heelHeightMm) return null
  return { heightMm: blade.heelHeightMm, tipDps: angleFromStack({ ...blade, heelHeightMm, stackMm }) }
}
