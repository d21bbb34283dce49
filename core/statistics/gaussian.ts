/**
 * A multivariate normal distribution. The covariance is the lower triangle, row by row, so that it can
 * be kept and compared as plain numbers.
 */
export interface Gaussian {
  readonly mean: readonly number[]
  readonly cov: readonly number[]
}

/** A linear form: coefficients of the few parameters it depends on. */
export type Gradient = readonly (readonly [index: number, coefficient: number])[]

/** One parameter's new value, how it depends on the old ones, and the variance that comes with the step. */
export interface Transition {
  readonly index: number
  readonly value: number
  readonly gradient: Gradient
  readonly noise: number
  /** standard deviation of a part of the noise that all parameters moved in this step have in common */
  readonly shared?: number
}

/** A number with its variance. */
export interface Moments {
  readonly mean: number
  readonly variance: number
}

const packed = (i: number, j: number): number => (i >= j ? (i * (i + 1)) / 2 + j : (j * (j + 1)) / 2 + i)
const entry = (values: ArrayLike<number>, index: number): number => values[index] ?? 0

/** Independent parameters with given means and standard deviations. */
export function independent(means: readonly number[], sds: readonly number[]): Gaussian {
  const cov = Array.from({ length: (means.length * (means.length + 1)) / 2 }, () => 0)
  for (const [index, sd] of sds.entries()) cov[packed(index, index)] = sd * sd
  return { mean: [...means], cov }
}

export const covariance = (of: Gaussian, i: number, j: number): number => entry(of.cov, packed(i, j))
export const meanOf = (of: Gaussian, index: number): number => entry(of.mean, index)

/** Covariance of a linear form with every parameter. Plain loops here and below: a fleet's log takes millions of these. */
function covarianceWithAll(of: Gaussian, gradient: Gradient): number[] {
  const { cov } = of
  const size = of.mean.length
  // a copy of doubles stays an array of doubles, which a fresh array of zeros would first have to become
  const sums = cov.slice(0, size)
  sums.fill(0)
  for (let at = 0; at < gradient.length; at++) {
    const term = gradient[at]
    if (!term) continue
    const [index, weight] = term
    const start = (index * (index + 1)) / 2
    for (let row = 0; row <= index; row++) sums[row] = entry(sums, row) + weight * entry(cov, start + row)
    let below = start + 2 * index + 1
    for (let row = index + 1; row < size; row++) {
      sums[row] = entry(sums, row) + weight * entry(cov, below)
      below += row + 1
    }
  }
  return sums
}

function weightedSum(gradient: Gradient, values: ArrayLike<number>): number {
  let sum = 0
  for (let at = 0; at < gradient.length; at++) {
    const term = gradient[at]
    if (term) sum += term[1] * entry(values, term[0])
  }
  return sum
}

/** Variance of a linear form. */
export function formVariance(of: Gaussian, gradient: Gradient): number {
  let sum = 0
  for (const [one, a] of gradient) {
    for (const [other, b] of gradient) sum += a * b * entry(of.cov, packed(one, other))
  }
  return Math.max(0, sum)
}

/** The distribution after some parameters moved on: P′ = J·P·Jᵀ + Q with the rest of J the identity. */
export function predict(of: Gaussian, steps: readonly Transition[]): Gaussian {
  if (steps.length === 0) return of
  const mean = of.mean.slice()
  const cov = of.cov.slice()
  const rows: number[][] = []
  for (const step of steps) rows.push(covarianceWithAll(of, step.gradient))
  // rows and columns first as if the others stood still, then each pair of moved ones over it
  for (let at = 0; at < steps.length; at++) {
    const [step, row] = [steps[at], rows[at]]
    if (!step || !row) continue
    const { index } = step
    mean[index] = step.value
    const start = (index * (index + 1)) / 2
    for (let other = 0; other <= index; other++) cov[start + other] = entry(row, other)
    let below = start + 2 * index + 1
    for (let other = index + 1; other < mean.length; other++) {
      cov[below] = entry(row, other)
      below += other + 1
    }
  }
  for (let at = 0; at < steps.length; at++) {
    const [step, row] = [steps[at], rows[at]]
    if (!step || !row) continue
    for (let later = at; later < steps.length; later++) {
      const fellow = steps[later]
      if (fellow)
        cov[packed(step.index, fellow.index)] =
          weightedSum(fellow.gradient, row) +
          (fellow === step ? step.noise : 0) +
          (step.shared ?? 0) * (fellow.shared ?? 0)
    }
  }
  return { mean, cov }
}

/**
 * The distribution after something was learned about one linear form of its parameters: the form had
 * moments `before` and now has moments `after`; every parameter follows as far as it is correlated.
 * With `after` from a reading with normal noise this is the Kalman update (Kalman 1960).
 */
export function update(of: Gaussian, gradient: Gradient, before: Moments, after: Moments): Gaussian {
  if (!(before.variance > 0)) return of
  const gain = covarianceWithAll(of, gradient).map((value) => value / before.variance)
  const shift = after.mean - before.mean
  const narrowed = after.variance - before.variance
  const mean = of.mean.map((value, index) => value + entry(gain, index) * shift)
  const cov = of.cov.slice()
  let at = 0
  for (let row = 0; row < mean.length; row++) {
    const weight = entry(gain, row) * narrowed
    for (let column = 0; column <= row; column++, at++) cov[at] = entry(cov, at) + weight * entry(gain, column)
    cov[at - 1] = Math.max(0, entry(cov, at - 1))
  }
  return { mean, cov }
}

/** Parameters known afresh, independent of all others. */
export function reset(
  of: Gaussian,
  values: readonly { readonly index: number; readonly mean: number; readonly sd: number }[],
): Gaussian {
  const mean = [...of.mean]
  const cov = [...of.cov]
  for (const value of values) {
    mean[value.index] = value.mean
    for (let other = 0; other < mean.length; other++) cov[packed(value.index, other)] = 0
    cov[packed(value.index, value.index)] = value.sd ** 2
  }
  return { mean, cov }
}

/** The same belief with one parameter pulled to a value, as a correction that keeps the rest. */
export const withMean = (of: Gaussian, index: number, value: number): Gaussian =>
  meanOf(of, index) === value ? of : { mean: of.mean.map((old, at) => (at === index ? value : old)), cov: of.cov }
