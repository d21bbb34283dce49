/** Density of the standard normal distribution. */
export const normalPdf = (z: number): number => Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI)

/** From here on the tail is reckoned by its continued fraction; nearer the middle by the series. */
const TAIL_FROM = 3
const SERIES_TERMS = 60
const FRACTION_TERMS = 40

/** Upper tail of the standard normal by its continued fraction (Laplace 1805), for z ≥ 3. */
function upperTail(z: number): number {
  let fraction = 0
  for (let term = FRACTION_TERMS; term >= 1; term--) fraction = term / (z + fraction)
  return normalPdf(z) / (z + fraction)
}

/**
 * Standard normal distribution function, to about 14 digits: Pólya's series
 * Φ(z) = ½ + φ(z)·(z + z³/3 + z⁵/15 + …) in the middle, the continued fraction in the tails.
 */
export function normalCdf(z: number): number {
  if (z > TAIL_FROM) return 1 - upperTail(z)
  if (z < -TAIL_FROM) return upperTail(-z)
  let term = z
  let sum = z
  for (let odd = 3; odd < 2 * SERIES_TERMS && Math.abs(term) > 1e-17; odd += 2) {
    term *= (z * z) / odd
    sum += term
  }
  return 0.5 + normalPdf(z) * sum
}

/**
 * Quantile of the standard normal distribution: Newton's method on {@link normalCdf}, started from a
 * logistic guess.
 *
 * @param p probability, 0 < p < 1
 * @throws RangeError outside that
 * @example normalQuantile(0.9) // 1.2816
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`a quantile needs a probability between 0 and 1, not ${p}`)
  let z = Math.max(-6, Math.min(6, Math.log(p / (1 - p)) / 1.702))
  for (let step = 0; step < 50; step++) {
    const miss = (normalCdf(z) - p) / normalPdf(z)
    // Halley's correction keeps the far tails from overshooting
    const move = miss / (1 + 0.5 * z * miss)
    z -= move
    if (Math.abs(move) < 1e-13) break
  }
  return z
}

/** Half width of an 80 % interval in standard deviations. */
export const Z_80 = 1.2815515655446004

/** A quantity with its standard deviation. */
export interface Known {
  readonly mean: number
  readonly sd: number
}

/** Two independent statements about one quantity, weighted by how well each is known. */
export function combine(one: Known, other: Known): Known {
  const [a, b] = [one.sd ** 2, other.sd ** 2]
  if (a + b === 0) return one
  return { mean: (one.mean * b + other.mean * a) / (a + b), sd: Math.sqrt((a * b) / (a + b)) }
}

/** Log odds of a probability between 0 and 1, and back. */
export const logit = (p: number): number => Math.log(p / (1 - p))
export const logistic = (odds: number): number => 1 / (1 + Math.exp(-odds))

/** What a posterior says beyond the prior it started from: the evidence alone. Null when there is next to none. */
export function evidenceBeyond(prior: Known, posterior: Known): Known | null {
  const precision = 1 / posterior.sd ** 2 - 1 / prior.sd ** 2
  if (!(precision > 1e-3 / prior.sd ** 2)) return null
  return {
    mean: (posterior.mean / posterior.sd ** 2 - prior.mean / prior.sd ** 2) / precision,
    sd: Math.sqrt(1 / precision),
  }
}
