/** A steady hand holds the angle within this, degrees per side (assumed). */
export const STEADY_DPS = 1.5
/** Pressing within this share of what is wanted is as it should be (assumed). */
const PRESS_SHARE = 0.35
/** Over this many readings a slow change counts as drift when it goes further than a steady hand. */
const DRIFT_READINGS = 12

export type Judged = 'within' | 'high' | 'low'

/** Where a live angle stands against the edge's, degrees per side. */
export const judgeAngle = (dps: number, wantedDps: number): Judged =>
  Math.abs(dps - wantedDps) <= STEADY_DPS ? 'within' : dps > wantedDps ? 'high' : 'low'

/** Where a pressing force stands against what this stone wants, N. */
export const judgePress = (newtons: number, wantedNewtons: number): Judged =>
  Math.abs(newtons - wantedNewtons) <= Math.max(1.5, PRESS_SHARE * wantedNewtons)
    ? 'within'
    : newtons > wantedNewtons
      ? 'high'
      : 'low'

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/**
 * Whether an angle creeps away over the last strokes: the second half of the last readings stands
 * further from the first half than a steady hand would put it.
 *
 * @param readings degrees per side, oldest first
 */
export function isDrifting(readings: readonly number[]): boolean {
  const last = readings.slice(-DRIFT_READINGS)
  if (last.length < DRIFT_READINGS) return false
  const half = DRIFT_READINGS / 2
  return Math.abs(mean(last.slice(half)) - mean(last.slice(0, half))) > STEADY_DPS
}
