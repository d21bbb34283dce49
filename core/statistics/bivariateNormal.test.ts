import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bivariateNormalCdf } from './bivariateNormal'
import { normalCdf, normalPdf } from './normal'

const z = fc.double({ min: -4, max: 4, noNaN: true })
const rhos = fc.double({ min: -0.98, max: 0.98, noNaN: true })

describe('the chance that two correlated normals both stay below', () => {
  // Sheppard (1899): Φ₂(0, 0; ρ) = 1/4 + asin(ρ)/2π.
  it('at their means is a quarter and the angle of the correlation', () => {
    fc.assert(
      fc.property(rhos, (rho) => {
        expect(bivariateNormalCdf(0, 0, rho)).toBeCloseTo(0.25 + Math.asin(rho) / (2 * Math.PI), 10)
      }),
    )
  })

  it('is the product where they have nothing to do with each other, and one of them where they are the same', () => {
    fc.assert(
      fc.property(z, z, (h, k) => {
        expect(bivariateNormalCdf(h, k, 0)).toBeCloseTo(normalCdf(h) * normalCdf(k), 12)
        expect(bivariateNormalCdf(h, k, 1)).toBe(normalCdf(Math.min(h, k)))
        expect(bivariateNormalCdf(h, k, -1)).toBeCloseTo(Math.max(0, normalCdf(h) + normalCdf(k) - 1), 12)
      }),
    )
  })

  // The definition: ∫ φ(x)·Φ((k − ρx)/√(1−ρ²)) dx up to h, by the midpoint rule on a fine grid.
  it('agrees with its definition summed out', () => {
    fc.assert(
      fc.property(z, z, rhos, (h, k, rho) => {
        const steps = 4000
        const width = (h + 9) / steps
        let sum = 0
        for (let at = 0; at < steps; at++) {
          const x = -9 + (at + 0.5) * width
          sum += normalPdf(x) * normalCdf((k - rho * x) / Math.sqrt(1 - rho * rho)) * width
        }
        expect(bivariateNormalCdf(h, k, rho)).toBeCloseTo(sum, 4)
      }),
      { numRuns: 40 },
    )
  })

  it('does not mind which is named first, and a bound that is none drops out', () => {
    fc.assert(
      fc.property(z, z, rhos, (h, k, rho) => {
        expect(bivariateNormalCdf(h, k, rho)).toBeCloseTo(bivariateNormalCdf(k, h, rho), 12)
        expect(bivariateNormalCdf(h, Infinity, rho)).toBe(normalCdf(h))
        expect(bivariateNormalCdf(-Infinity, k, rho)).toBe(0)
      }),
    )
  })
})
