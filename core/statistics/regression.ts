import { formVariance, independent, meanOf, update, type Gaussian, type Gradient } from './gaussian'
import type { Known } from './normal'

/** Names of effects with how much of each an observation contains. */
export type Terms = readonly (readonly [effect: string, share: number])[]

/** Something known about a weighted sum of effects. */
export interface EffectObservation {
  readonly id: string
  readonly terms: Terms
  readonly value: number
  readonly variance: number
}

/** Effects with normal priors around zero, and what the observations left of them. */
export interface Regression {
  readonly belief: Gaussian
  readonly places: ReadonlyMap<string, number>
  readonly priorSd: ReadonlyMap<string, number>
  readonly observations: ReadonlyMap<string, EffectObservation>
}

const gradientOf = (places: ReadonlyMap<string, number>, terms: Terms): Gradient =>
  terms.flatMap(([effect, share]): Gradient => {
    const place = places.get(effect)
    return place === undefined ? [] : [[place, share]]
  })

/** The belief with one observation put in (`sign` 1) or taken out again (`sign` −1). */
function applyObservation(
  belief: Gaussian,
  gradient: Gradient,
  { value, variance }: EffectObservation,
  sign: 1 | -1,
): Gaussian {
  const before = {
    mean: gradient.reduce((sum, [at, share]) => sum + share * meanOf(belief, at), 0),
    variance: formVariance(belief, gradient),
  }
  if (!(before.variance > 0)) return belief
  const precision = 1 / before.variance + sign / variance
  if (!(precision > 0)) return belief
  const mean = (before.mean / before.variance + (sign * value) / variance) / precision
  return update(belief, gradient, before, { mean, variance: 1 / precision })
}

/**
 * Bayesian linear regression with independent normal effects: the exact posterior, one observation at a
 * time (Lindley and Smith 1972).
 *
 * @param priorSd standard deviation of each effect around zero, by name
 * @param observations what is known of weighted sums; terms without a prior are left out
 */
export function regress(priorSd: ReadonlyMap<string, number>, observations: readonly EffectObservation[]): Regression {
  const places = new Map([...priorSd.keys()].map((effect, index) => [effect, index]))
  const start = independent(
    [...priorSd].map(() => 0),
    [...priorSd.values()],
  )
  const belief = observations.reduce(
    (known, one) => applyObservation(known, gradientOf(places, one.terms), one, 1),
    start,
  )
  return { belief, places, priorSd, observations: new Map(observations.map((one) => [one.id, one])) }
}

/**
 * What the regression says of a sum of effects.
 *
 * @param without id of an observation to leave out, so that nobody is told what he said himself
 */
export function sumOf(regression: Regression, terms: Terms, without?: string): Known {
  const { belief, places, observations } = regression
  const own = without === undefined ? undefined : observations.get(without)
  const known = own ? applyObservation(belief, gradientOf(places, own.terms), own, -1) : belief
  const gradient = gradientOf(places, terms)
  return {
    mean: gradient.reduce((sum, [at, share]) => sum + share * meanOf(known, at), 0),
    sd: Math.sqrt(formVariance(known, gradient)),
  }
}

/** Prior standard deviation of the same sum. */
export const priorSdOf = (regression: Regression, terms: Terms): number =>
  Math.sqrt(terms.reduce((sum, [effect, share]) => sum + (share * (regression.priorSd.get(effect) ?? 0)) ** 2, 0))
