import { MeasureError } from '../measure'

/** Pressing forces that a scale under the stone told over one stroke, heel to tip and back, N. */
export type PressedStroke = readonly number[]

/** How a hand pressed over a drill that begins firm and fades. */
export interface PressScore {
  readonly strokes: number
  /** mean force of the first third of the strokes while they press, N */
  readonly startN: number
  /** the same of the last third, N */
  readonly endN: number
  /** how much the force varies along a stroke while it presses, as a share of it: pooled standard deviation */
  readonly alongShare: number
}

/** Pressing begins here (common practice, four to six pounds-force: 18–27 N). */
export const FIRM_N = [18, 27] as const
/** A stroke that fades ends at no more than this share of where it began (assumed: the weight of the fingers). */
export const FADED_SHARE = 0.5
/** A trained hand presses evenly along the blade to within this share (assumed). */
const EVEN_SHARE = 0.2

const [FEWEST_STROKES, FEWEST_FORCES] = [6, 4]
/** One way of a stroke presses, the other glides back: what is lighter than this share of its hardest is gliding. */
const PRESSING_SHARE = 0.4

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

const pressing = (stroke: PressedStroke): number[] => {
  const hardest = Math.max(...stroke)
  return stroke.filter((newtons) => newtons >= PRESSING_SHARE * hardest)
}

/**
 * What a row of strokes on a scale says of the hand that pressed: how firm it began, how light it ended, how even it
 * was along the blade.
 *
 * @param strokes at least six, each of at least four forces above nothing, N
 * @throws MeasureError where there are fewer strokes or forces, or one presses nowhere
 */
export function pressScore(strokes: readonly PressedStroke[]): PressScore {
  const pressed = strokes.map(pressing)
  const isTooLittle = strokes.some((stroke) => stroke.length < FEWEST_FORCES || Math.max(...stroke) <= 0)
  if (strokes.length < FEWEST_STROKES || isTooLittle)
    throw new MeasureError('out-of-range', 'strokes', { value: strokes.length, low: FEWEST_STROKES, high: Infinity })
  const means = pressed.map(meanOf)
  const third = Math.floor(strokes.length / 3)
  const freedom = pressed.reduce((sum, stroke) => sum + stroke.length - 1, 0)
  // as shares of each stroke's own force: a light stroke may not hide behind a firm one
  const squares = pressed.reduce(
    (sum, stroke, at) => sum + stroke.reduce((all, newtons) => all + (newtons / (means[at] ?? 1) - 1) ** 2, 0),
    0,
  )
  return {
    strokes: strokes.length,
    startN: meanOf(means.slice(0, third)),
    endN: meanOf(means.slice(-third)),
    alongShare: Math.sqrt(squares / Math.max(1, freedom)),
  }
}

/** What of a hand's pressing to work on first. */
export type PressAdvice = 'steady' | 'too-heavy' | 'too-light' | 'no-fade' | 'uneven'

export function pressAdvice({ startN, endN, alongShare }: PressScore): PressAdvice {
  const [least, most] = FIRM_N
  if (startN > most) return 'too-heavy'
  if (startN < least) return 'too-light'
  if (endN > FADED_SHARE * startN) return 'no-fade'
  return alongShare > EVEN_SHARE ? 'uneven' : 'steady'
}

/** The force that is wanted at a stroke of the drill, N: firm, then fading in a straight line to the weight of the fingers. */
export function wantedNewtons(stroke: number, strokes: number): number {
  const [least, most] = FIRM_N
  const firm = (least + most) / 2
  const light = 0.25 * firm
  const third = Math.floor(strokes / 3)
  const fading = Math.max(0, Math.min(1, (stroke - third) / Math.max(1, strokes - 1 - third)))
  return firm + (light - firm) * fading
}
