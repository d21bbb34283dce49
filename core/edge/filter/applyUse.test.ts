import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { covariance, meanOf } from '../../statistics/gaussian'
import { honeEffect, nextHoning, NO_ROD_WORK, type HoneEffect } from '../model/hone'
import { applyChanceOfHoning, applyHoning, applyUse, honeEfficiency, honingChance } from './applyUse'
import {
  BLUNT,
  DEFAULT_PRIOR,
  firstBelief,
  HABIT,
  HONE,
  ROLL,
  WEAR,
  wearRate,
  zoneWear,
  type EdgeBelief,
  type EdgePrior,
} from './belief'

const NATURE: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
/** Nothing doubted: the belief then has to do what the model does. */
const CERTAIN: EdgePrior = {
  wear: { mean: 0, sd: 1e-9 },
  zone: { sd: 1e-9 },
  shape: { mean: 0, sd: 1e-9 },
  hone: { mean: 0, sd: 1e-9 },
  habit: { mean: 0, sd: 1e-9 },
}
const fresh = (prior: EdgePrior = CERTAIN): EdgeBelief => firstBelief(NATURE, 'new', prior)

describe('use, as the edge model has it', () => {
  it('adds κ·β·π·h to the worn area of each zone (Archard 1953)', () => {
    const before = fresh()
    const after = applyUse(before, NATURE, 6, 0)
    for (const zone of ZONES) {
      const grown = zoneWear(after, NATURE.dps, zone).wornAreaUm2 - zoneWear(before, NATURE.dps, zone).wornAreaUm2
      expect(grown).toBeCloseTo(6 * wearRate(NATURE, zone), 6)
    }
  })

  it('bends the apex as ρ = 1 − (1−ρ)·e^(−w/τ), τ = 6 h', () => {
    const before = fresh()
    const after = applyUse(before, NATURE, 3, 0)
    for (const zone of ZONES)
      expect(1 - meanOf(after, ROLL[zone])).toBeCloseTo((1 - meanOf(before, ROLL[zone])) * Math.exp(-3 / 6), 9)
  })

  it('comes to the same in two pieces as in one', () => {
    const whole = applyUse(fresh(), NATURE, 8, 0)
    const pieces = applyUse(applyUse(fresh(), NATURE, 3, 0), NATURE, 5, 3)
    for (const zone of ZONES) {
      expect(meanOf(pieces, BLUNT[zone])).toBeCloseTo(meanOf(whole, BLUNT[zone]), 9)
      expect(meanOf(pieces, ROLL[zone])).toBeCloseTo(meanOf(whole, ROLL[zone]), 9)
    }
  })

  it('wears the tip more than the belly and the belly more than the heel', () => {
    const after = applyUse(fresh(), NATURE, 6, 0)
    const blunt = (zone: 'heel' | 'belly' | 'tip'): number => meanOf(after, BLUNT[zone])
    expect(blunt('tip')).toBeGreaterThan(blunt('belly'))
    expect(blunt('belly')).toBeGreaterThan(blunt('heel'))
  })

  it('widens the doubt about how blunt each zone is, and no use changes nothing', () => {
    const before = fresh(DEFAULT_PRIOR)
    const after = applyUse(before, NATURE, 10, 0)
    for (const zone of ZONES)
      expect(covariance(after, BLUNT[zone], BLUNT[zone])).toBeGreaterThan(covariance(before, BLUNT[zone], BLUNT[zone]))
    expect(applyUse(before, NATURE, 0, 0)).toBe(before)
  })
})

const honedWith = (belief: EdgeBelief, effect: HoneEffect): EdgeBelief =>
  applyHoning(belief, NATURE, effect, nextHoning(NO_ROD_WORK, effect, NATURE.dps))

describe('honing, as the edge model has it', () => {
  const rolled = applyUse(fresh(), NATURE, 6, 0)
  const steel = honeEffect({ tool: 'smooth-steel', hrc: NATURE.hrc, mismatchDps: 0 })

  it('takes ρ to ρ(1−η), η about 0.6 for a smooth steel on soft stainless', () => {
    const { value } = honeEfficiency(rolled, steel)
    expect(value).toBeCloseTo(0.6, 6)
    const after = honedWith(rolled, steel)
    for (const zone of ZONES) {
      expect(meanOf(after, ROLL[zone])).toBeCloseTo(meanOf(rolled, ROLL[zone]) * 0.4, 9)
      expect(meanOf(after, BLUNT[zone])).toBeCloseTo(meanOf(rolled, BLUNT[zone]), 9)
    }
  })

  it('at five degrees below the edge touches the shoulder only and brings nothing back', () => {
    const flat = honeEffect({ tool: 'smooth-steel', hrc: NATURE.hrc, mismatchDps: -5 })
    expect(honeEfficiency(rolled, flat)).toEqual({ value: 0, byHone: 0 })
  })

  it('on an abrasive rod also takes worn steel away', () => {
    const rod = honeEffect({ tool: 'diamond-rod', hrc: NATURE.hrc, mismatchDps: 0 })
    const after = honedWith(rolled, rod)
    for (const zone of ZONES) expect(meanOf(after, BLUNT[zone])).toBeLessThan(meanOf(rolled, BLUNT[zone]))
  })

  it('ties how well honing works to where the edge stands', () => {
    const doubtful = applyUse(fresh(DEFAULT_PRIOR), NATURE, 6, 0)
    const after = honedWith(doubtful, steel)
    for (const zone of ZONES) expect(covariance(after, ROLL[zone], HONE)).toBeLessThan(0)
    expect(covariance(after, WEAR, WEAR)).toBeCloseTo(covariance(doubtful, WEAR, WEAR), 12)
  })
})

describe('a service nobody wrote a honing down for', () => {
  const steel = honeEffect({ tool: 'smooth-steel', hrc: NATURE.hrc, mismatchDps: 0 })
  const perhapsHoned = (belief: EdgeBelief): EdgeBelief =>
    applyChanceOfHoning(belief, NATURE, steel, nextHoning(NO_ROD_WORK, steel, NATURE.dps, honingChance(belief)))

  // Moments of a two-point mixture, written out: honed with chance u, left alone with chance 1 − u.
  it('has the mean and variance of a roll that was honed or was not, for any chance', () => {
    for (const odds of [-2, 0, 1.5]) {
      const rolled = applyUse(fresh({ ...CERTAIN, habit: { mean: odds, sd: 1e-9 } }), NATURE, 6, 0)
      const chance = 1 / (1 + Math.exp(-odds))
      const after = perhapsHoned(rolled)
      for (const zone of ZONES) {
        const roll = meanOf(rolled, ROLL[zone])
        const [honed, left] = [0.4 * roll, roll]
        const middle = chance * honed + (1 - chance) * left
        const own = (1 - chance * 0.6) ** 2 * covariance(rolled, ROLL[zone], ROLL[zone])
        expect(meanOf(after, ROLL[zone])).toBeCloseTo(middle, 9)
        expect(covariance(after, ROLL[zone], ROLL[zone]) - own).toBeCloseTo(
          chance * (honed - middle) ** 2 + (1 - chance) * (left - middle) ** 2,
          9,
        )
      }
      // one pass over the rod does all zones or none
      expect(covariance(after, ROLL.heel, ROLL.tip)).toBeGreaterThan(0)
    }
  })

  it('ties the roll to the habit: less bent, more likely honed', () => {
    const after = perhapsHoned(applyUse(fresh(DEFAULT_PRIOR), NATURE, 6, 0))
    for (const zone of ZONES) expect(covariance(after, ROLL[zone], HABIT)).toBeLessThan(0)
  })
})
