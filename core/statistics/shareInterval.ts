import { assertPositive, assertWithin } from '../measure'

/** A share with the interval it lies in. */
export interface ShareInterval {
  readonly share: number
  readonly low: number
  readonly high: number
}

/** Standard normal quantile of an 80 % interval. */
export const Z_80 = 1.2815515655446004

/**
 * A share of `n` with its score interval: honest for few and for shares near 0 and 1 (Wilson, J. Am. Stat. Assoc. 22, 1927).
 *
 * @param hits 0 ≤ hits ≤ n, whole
 * @param n > 0, whole
 * @param z standard normal quantile of the interval, 80 % unless told otherwise
 * @throws MeasureError for counts that cannot be
 */
export function shareInterval(hits: number, n: number, z = Z_80): ShareInterval {
  assertPositive('n', n)
  assertWithin('hits', hits, 0, n)
  const share = hits / n
  const wide = z ** 2 / n
  const middle = (share + wide / 2) / (1 + wide)
  const half = (z / (1 + wide)) * Math.sqrt((share * (1 - share)) / n + wide / (4 * n))
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}
