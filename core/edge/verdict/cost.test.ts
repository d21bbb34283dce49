import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planProgression } from '../../abrasive/progression'
import { recessionToApexUm } from '../../abrasive/removal'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import { COARSE_GRIT, COARSEST_USUAL_GRIT, FINE_GRIT, MIDDLE_GRIT, stoneCost, thinningCost } from './cost'

const CHEF: BladeGeometry = {
  lengthMm: 240,
  heelHeightMm: 48,
  spineMm: 2.4,
  bteMm: 0.35,
  bteWhenNewMm: 0.35,
  dps: 17,
  hrc: 57,
  minimumHeightMm: 34.5,
}

describe('what a session on the stone costs', () => {
  it('is about five minutes on a fine stone, and 25 to 30 from a coarse one through three (common practice)', () => {
    const topUp = stoneCost(CHEF, 22, FINE_GRIT).minutes
    expect(topUp).toBeGreaterThanOrEqual(5)
    expect(topUp).toBeLessThanOrEqual(12)
    const full = stoneCost(CHEF, 100, COARSE_GRIT).minutes
    expect(full).toBeGreaterThanOrEqual(18)
    expect(full).toBeLessThanOrEqual(32)
  })

  it('is more for more steel, and more again from a stone too fine for it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 400 }), (um) => {
        expect(stoneCost(CHEF, um + 100, COARSE_GRIT).minutes).toBeGreaterThanOrEqual(
          stoneCost(CHEF, um, COARSE_GRIT).minutes,
        )
        expect(stoneCost(CHEF, um, MIDDLE_GRIT).strokesPerSide).toBeGreaterThan(0)
      }),
    )
    expect(stoneCost(CHEF, 520, MIDDLE_GRIT).minutes).toBeGreaterThan(stoneCost(CHEF, 520, COARSEST_USUAL_GRIT).minutes)
  })

  it('takes two to three times as long above 61 HRC (common practice)', () => {
    const grinding = (hrc: number): number =>
      stoneCost({ ...CHEF, hrc }, 500, COARSEST_USUAL_GRIT).minutes -
      stoneCost({ ...CHEF, hrc }, 1, COARSEST_USUAL_GRIT).minutes
    expect(grinding(63) / grinding(57)).toBeGreaterThan(1.9)
    expect(grinding(63) / grinding(57)).toBeLessThan(3.2)
  })

  it('says the same of the first stone as the bench’s own planning, within its rounding', () => {
    const { stages } = planProgression({
      blade: CHEF,
      recessionMm: 0.5,
      finishMicron: 63,
      stones: [{ id: '220', micron: 63 }],
    })
    const grinding = stoneCost(CHEF, 500, COARSEST_USUAL_GRIT).minutes - stoneCost(CHEF, 1, COARSEST_USUAL_GRIT).minutes
    // the table presses ten newtons, the bench twelve on a coarse stone
    expect(Math.abs(grinding - 1.2 * (stages[0]?.minutes ?? NaN))).toBeLessThan(1.5)
  })
})

describe('height that goes with a blunt apex', () => {
  it('is half its width over the tangent of its angle, and the burr', () => {
    expect(recessionToApexUm(10, 17)).toBeCloseTo(5 / Math.tan((17 * Math.PI) / 180) + 20, 9)
  })

  it('is more at a flatter angle', () => {
    expect(recessionToApexUm(10, 12)).toBeGreaterThan(recessionToApexUm(10, 20))
  })
})

describe('thinning', () => {
  it('costs no height, and longer the thicker the blade has become', () => {
    const some = thinningCost({ ...CHEF, bteMm: 0.45 })
    const more = thinningCost({ ...CHEF, bteMm: 0.55 })
    expect(some.steelUm).toBe(0)
    expect(more.minutes).toBeGreaterThan(some.minutes)
  })
})
