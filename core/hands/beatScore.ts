import { MeasureError } from '../measure'

/** A dry drill: a beat that is heard and counted, then silent strokes that the hand counts alone until it taps. */
export interface DryDrill {
  readonly perMinute: number
  readonly silentStrokes: number
  /** from the last beat that was heard to the tap, ms */
  readonly tappedMs: number
}

export interface BeatScore {
  /** how much later than due the tap came, as a share of the silent time: below 0 the hand hurries */
  readonly lateShare: number
}

/**
 * How a hand keeps a beat and a count that nobody gives it any more.
 *
 * @throws MeasureError for a beat or count of nothing
 */
export function beatScore({ perMinute, silentStrokes, tappedMs }: DryDrill): BeatScore {
  if (!(perMinute > 0) || !(silentStrokes > 0) || !(tappedMs > 0))
    throw new MeasureError('out-of-range', 'perMinute', { value: perMinute, low: 1, high: Infinity })
  const MINUTE_MS = 60_000
  const dueMs = (silentStrokes * MINUTE_MS) / perMinute
  return { lateShare: tappedMs / dueMs - 1 }
}

export type BeatAdvice = 'steady' | 'hurries' | 'slows' | 'miscounts'

/** A steady beat stays within this share (assumed); half a stroke and more in eight is a count that was lost. */
const [STEADY_SHARE, LOST_SHARE] = [0.08, 0.25]

export function beatAdvice({ lateShare }: BeatScore): BeatAdvice {
  if (Math.abs(lateShare) > LOST_SHARE) return 'miscounts'
  if (Math.abs(lateShare) <= STEADY_SHARE) return 'steady'
  return lateShare < 0 ? 'hurries' : 'slows'
}
