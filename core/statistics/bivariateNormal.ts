import { normalCdf } from './normal'

const POINTS = 48
/** Newton's method doubles the digits; the starting guess has three. */
const NEWTON_STEPS = 4
const HALF = 0.5

/** Nodes and weights of the Gauss–Legendre rule on [−1, 1], by Newton's method on the Legendre polynomial. */
function gaussLegendre(points: number): readonly (readonly [node: number, weight: number])[] {
  return Array.from({ length: points }, (_, at) => {
    let x = Math.cos((Math.PI * (at + 0.75)) / (points + HALF))
    let weight = 0
    for (let step = 0; step < NEWTON_STEPS; step++) {
      let [before, here] = [1, x]
      for (let degree = 2; degree <= points; degree++)
        [before, here] = [here, ((2 * degree - 1) * x * here - (degree - 1) * before) / degree]
      const slope = (points * (x * here - before)) / (x * x - 1)
      x -= here / slope
      weight = 2 / ((1 - x * x) * slope * slope)
    }
    return [x, weight] as const
  })
}
let rule: ReturnType<typeof gaussLegendre> | null = null

/**
 * Chance that two standard normals of a given correlation both stay below their bounds. Plackett's (1954)
 * integral over the correlation's angle, Φ₂ = Φ(h)Φ(k) + (1/2π) ∫ exp(−(h²+k²−2hk sin θ)/(2cos²θ)) dθ from 0
 * to asin ρ, by Gauss–Legendre; about seven digits up to |ρ| 0.99, four beyond.
 *
 * @param h upper bound of the first, in standard deviations; ±Infinity is no bound and none below
 * @param rho correlation, −1 to 1
 */
export function bivariateNormalCdf(h: number, k: number, rho: number): number {
  if (h === -Infinity || k === -Infinity) return 0
  if (h === Infinity) return normalCdf(k)
  if (k === Infinity) return normalCdf(h)
  if (rho >= 1) return normalCdf(Math.min(h, k))
  if (rho <= -1) return Math.max(0, normalCdf(h) - normalCdf(-k))
  const half = HALF * Math.asin(rho)
  rule ??= gaussLegendre(POINTS)
  const sum = rule.reduce((all, [node, weight]) => {
    const sine = Math.sin(half * (1 + node))
    return all + weight * Math.exp(-(h * h + k * k - 2 * h * k * sine) / (2 * (1 - sine * sine)))
  }, 0)
  return Math.min(1, Math.max(0, normalCdf(h) * normalCdf(k) + (half * sum) / (2 * Math.PI)))
}
