import { assertPositive, MeasureError } from '../measure'

/** Edge angles that an inclinometer told over one stroke, heel to tip, degrees per side. */
export type Stroke = readonly number[]

/** How a hand held an angle over a drill. All in degrees. */
export interface HoldScore {
  readonly strokes: number
  readonly meanDps: number
  /** mean less the angle wanted: above 0 too steep */
  readonly offDps: number
  /** standard deviation within a stroke, pooled: rocking */
  readonly withinDps: number
  /** standard deviation of the strokes’ own means: each lifting is a new guess */
  readonly betweenDps: number
  /** how far the mean crept from the first stroke to the last, by least squares: tiring */
  readonly driftDps: number
  /** how much higher the last quarter of a stroke stands than the rest of it: the tip lifted too early or too far */
  readonly tipLiftDps: number
}

/** Fewer strokes say nothing about a hand. */
export const FEWEST_STROKES = 6
const FEWEST_ANGLES = 4
const TIP_SHARE = 0.25

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
const squaresAround = (values: readonly number[], centre: number): number =>
  values.reduce((sum, value) => sum + (value - centre) ** 2, 0)

/**
 * What a row of strokes says of the hand that made them: one-way analysis of variance with the stroke as the group
 * (Fisher 1925), and a straight line through the strokes' means.
 *
 * @param strokes at least {@link FEWEST_STROKES}, each of at least four angles; any spacing in time
 * @param wantedDps the angle that was to be held, degrees per side
 * @throws MeasureError where there are fewer strokes or angles
 */
export function holdScore(strokes: readonly Stroke[], wantedDps: number): HoldScore {
  assertPositive('wantedDps', wantedDps)
  if (strokes.length < FEWEST_STROKES || strokes.some((stroke) => stroke.length < FEWEST_ANGLES))
    throw new MeasureError('out-of-range', 'strokes', { value: strokes.length, low: FEWEST_STROKES, high: Infinity })
  const means = strokes.map(meanOf)
  const count = strokes.reduce((sum, stroke) => sum + stroke.length, 0)
  const within = strokes.reduce((sum, stroke, at) => sum + squaresAround(stroke, means[at] ?? 0), 0)
  const meanDps = meanOf(strokes.flat())
  const middle = (means.length - 1) / 2
  const slope =
    means.reduce((sum, mean, at) => sum + (at - middle) * mean, 0) /
    means.reduce((sum, _, at) => sum + (at - middle) ** 2, 0)
  return {
    strokes: strokes.length,
    meanDps,
    offDps: meanDps - wantedDps,
    withinDps: Math.sqrt(within / (count - strokes.length)),
    betweenDps: Math.sqrt(squaresAround(means, meanOf(means)) / (means.length - 1)),
    driftDps: slope * (means.length - 1),
    tipLiftDps: meanOf(strokes.map(tipLift)),
  }
}

function tipLift(stroke: Stroke): number {
  const tip = Math.max(1, Math.round(TIP_SHARE * stroke.length))
  return meanOf(stroke.slice(-tip)) - meanOf(stroke.slice(0, -tip))
}

/** An instrument that slides on the blade tells another angle from one stroke to the next, and keeps telling it. */
const SLIP_DPS = 5
const SLIP_STROKES = 3

/**
 * The stroke from which on an inclinometer seems to have slipped; null where none does. A hand that changes comes and goes:
 * three strokes to either side of a slip agree among themselves.
 */
export function slippedAt(strokes: readonly Stroke[]): number | null {
  const means = strokes.map(meanOf)
  for (let at = SLIP_STROKES; at + SLIP_STROKES <= means.length; at++) {
    const [before, after] = [means.slice(at - SLIP_STROKES, at), means.slice(at, at + SLIP_STROKES)]
    const spread = (some: readonly number[]): number => Math.max(...some) - Math.min(...some)
    const jump = Math.abs(meanOf(after) - meanOf(before))
    if (jump > SLIP_DPS && spread(before) < jump / 3 && spread(after) < jump / 3) return at
  }
  return null
}

/** What of a hand to work on first, where something stands out. */
export type HoldAdvice = 'steady' | 'too-steep' | 'too-flat' | 'rocks' | 'new-guess' | 'creeps' | 'tip-lifts'

/** A trained hand stays within this, degrees (assumed: STEADY_DPS of the bench is its band). */
const GOOD = { off: 1.5, within: 1, between: 1, drift: 1.5, tip: 1.5 } as const

/** The one thing to practise next: whatever stands furthest outside what a trained hand does. */
export function adviceOn(score: HoldScore): HoldAdvice {
  const faults: (readonly [HoldAdvice, number])[] = [
    [score.offDps > 0 ? 'too-steep' : 'too-flat', Math.abs(score.offDps) / GOOD.off],
    ['tip-lifts', Math.abs(score.tipLiftDps) / GOOD.tip],
    ['rocks', score.withinDps / GOOD.within],
    ['new-guess', score.betweenDps / GOOD.between],
    ['creeps', Math.abs(score.driftDps) / GOOD.drift],
  ]
  const worst = faults.reduce((a, b) => (b[1] > a[1] ? b : a))
  return worst[1] > 1 ? worst[0] : 'steady'
}
