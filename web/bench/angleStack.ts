import { bestStack, faceAngle, stackHeight, type StackChoice, type StackPiece } from '../../core/geometry/stack'
import { MeasureError } from '../../core/measure'

/** How to find an angle on this blade: the height under the spine, and the pieces that make it. */
export interface AngleStack {
  readonly dps: number
  readonly stackMm: number
  readonly choice: StackChoice | null
  /** the stack does not reach the angle, or no stack can */
  readonly problem: 'no-pieces' | 'too-tall' | 'too-coarse' | 'flatter-than-face' | null
}

/** A stack taller than this share of the blade leaves nothing to hold (assumed). */
const TALLEST_SHARE = 0.45

/** A stack further off than this is no help: on a low blade one coin is many degrees. */
const COARSEST_DPS = 2

export function angleStack(
  blade: { readonly heelHeightMm: number; readonly spineMm: number },
  dps: number,
  pieces: readonly StackPiece[],
): AngleStack {
  if (dps <= faceAngle(blade)) return { dps, stackMm: 0, choice: null, problem: 'flatter-than-face' }
  const stackMm = stackHeight({ ...blade, dps })
  if (stackMm > TALLEST_SHARE * blade.heelHeightMm) return { dps, stackMm, choice: null, problem: 'too-tall' }
  try {
    const choice = bestStack({ ...blade, dps, pieces })
    return { dps, stackMm, choice, problem: Math.abs(choice.dps - dps) > COARSEST_DPS ? 'too-coarse' : null }
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    return { dps, stackMm, choice: null, problem: 'no-pieces' }
  }
}
