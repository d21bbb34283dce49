import { MeasureError } from '../measure'

/** So many times in so long, and between which rates that is not surprising. */
export interface Rate {
  readonly count: number
  readonly perYear: number
  readonly low: number
  readonly high: number
}

const [STEPS, TOLERANCE] = [200, 1e-12]

/** Chance of at most `count` where `mean` are expected (Poisson). */
function atMost(count: number, mean: number): number {
  let [term, sum] = [Math.exp(-mean), Math.exp(-mean)]
  for (let k = 1; k <= count; k++) {
    term *= mean / k
    sum += term
  }
  return Math.min(1, sum)
}

/** The mean at which a falling chance is `wanted`, by halving. */
function meanAt(chance: (mean: number) => number, wanted: number, most: number): number {
  let [low, high] = [0, most]
  for (let step = 0; step < STEPS && high - low > TOLERANCE * most; step++) {
    const middle = (low + high) / 2
    if (chance(middle) > wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * A yearly rate from a count, with the exact interval of a Poisson mean (Garwood 1936).
 *
 * @param count how often it happened, a whole number from 0 to 500
 * @param years how long anybody watched, above 0
 * @param confidence share of such intervals that hold the true rate
 * @throws MeasureError for other counts or times
 */
export function yearlyRate(count: number, years: number, confidence = 0.8): Rate {
  const MOST_COUNT = 500
  if (!Number.isInteger(count) || count < 0 || count > MOST_COUNT)
    throw new MeasureError('out-of-range', 'count', { value: count, low: 0, high: MOST_COUNT })
  if (!(years > 0)) throw new MeasureError('not-positive', 'years', { value: years })
  const tail = (1 - confidence) / 2
  const most = count + 10 * Math.sqrt(count + 1) + 20
  const high = meanAt((mean) => atMost(count, mean), tail, most)
  const low = count === 0 ? 0 : meanAt((mean) => atMost(count - 1, mean), 1 - tail, most)
  return { count, perYear: count / years, low: low / years, high: high / years }
}
