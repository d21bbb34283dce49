import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCTS } from '../../house/stations'
import { neededDps, strain } from './strain'

/** Life of an edge against that at another angle: hours go as 1/tan θ (model), and strain divides them. */
const life = (hrc: number, dps: number, product: (typeof PRODUCTS)[number]): number =>
  1 / (Math.tan((dps * Math.PI) / 180) * strain({ hrc, dps }, product))

const lastingAngle = (hrc: number, product: (typeof PRODUCTS)[number]): number =>
  Array.from({ length: 27 }, (_, at) => 6 + at).reduce((best, dps) =>
    life(hrc, dps, product) > life(hrc, best, product) ? dps : best,
  )

describe('an apex thinner than its work bears', () => {
  // Boning 25, up to 30; skinning and breaking 20–25; thin hard blades 10–15; chef’s 15–20 (common practice).
  it('goes sooner: 10 dps on bone is never the angle that lasts, for any steel', () => {
    for (const hrc of [54, 57, 61, 64]) {
      expect(lastingAngle(hrc, 'meat-on-bone')).toBeGreaterThanOrEqual(18)
      expect(life(hrc, 10, 'meat-on-bone')).toBeLessThan(life(hrc, 25, 'meat-on-bone'))
      expect(strain({ hrc, dps: 25 }, 'meat-on-bone')).toBe(1)
    }
  })

  it('bears the trade’s usual angles in soft food, and lower ones on hard steel', () => {
    expect(strain({ hrc: 57, dps: 15 }, 'mixed')).toBe(1)
    expect(strain({ hrc: 62, dps: 10 }, 'vegetables')).toBe(1)
    expect(neededDps(62, 'vegetables')).toBeLessThan(neededDps(56, 'vegetables'))
    expect(neededDps(62, 'meat-on-bone')).toBe(neededDps(56, 'meat-on-bone'))
    expect(strain({ hrc: 57, dps: 10, onBone: true }, 'mixed')).toBeGreaterThan(3)
  })

  it('never helps, and is the worse the flatter it is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PRODUCTS),
        fc.double({ min: 50, max: 66, noNaN: true }),
        fc.double({ min: 6, max: 29, noNaN: true }),
        (product, hrc, dps) => {
          expect(strain({ hrc, dps }, product)).toBeGreaterThanOrEqual(strain({ hrc, dps: dps + 1 }, product))
          expect(strain({ hrc, dps }, product)).toBeGreaterThanOrEqual(1)
        },
      ),
    )
  })
})
