import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { knifeDefaults } from '../../knife/knifeTypes'
import { isStainless, STEELS } from '../../knife/steels'
import { freshForce } from './force'
import { honeEffect, honeStrokes, isRodSpent, nextHoning, NO_ROD_WORK, type HoneTool, type RodWork } from './hone'
import { LADDER, LADDER_FORCE } from './ladder'
import { edgeWord } from './scale'
import { bluntWidth, priorWearRate, retentionTcc, wearBy, wornAreaFromBluntWidth } from './wear'

describe('blunt width', () => {
  it('of 70 µm² is 8.66 µm at 15 dps and 10.10 at 20', () => {
    expect(bluntWidth({ wornAreaUm2: 70, dps: 15 })).toBeCloseTo(8.66, 2)
    expect(bluntWidth({ wornAreaUm2: 70, dps: 20 })).toBeCloseTo(10.1, 2)
  })

  it('lets 15 dps last 1.358 times as long as 20 dps to the same width', () => {
    const area = (dps: number): number => wornAreaFromBluntWidth({ bluntWidthUm: 10, dps })
    expect(area(15) / area(20)).toBeCloseTo(1.358, 3)
  })

  it('refuses a negative area', () => {
    expect(() => bluntWidth({ wornAreaUm2: -1, dps: 15 })).toThrow(expect.objectContaining({ code: 'not-positive' }))
  })
})

describe('retention by steel', () => {
  // The published regression of cutting-card totals, at the two values stated with it.
  it.each([
    [61, 15, {}, 259.8],
    [57, 15, { CrC: 2 }, 219],
  ])('%d HRC at %d dps', (hrc, dps, carbides, tcc) => {
    expect(retentionTcc({ hrc, dps, carbides })).toBeCloseTo(tcc, 6)
  })

  it('wears the reference steel at 3.5 µm² an hour and better steel slower', () => {
    expect(priorWearRate({ hrc: 57, carbides: { CrC: 2 } })).toBeCloseTo(3.5, 12)
    expect(priorWearRate({ hrc: 61, carbides: { CrC: 12 } })).toBeLessThan(3.5)
  })

  it('stays finite and positive for every steel in the table', () => {
    for (const steel of STEELS) {
      const rate = priorWearRate({ hrc: steel.typicalHrc, carbides: steel.carbides })
      expect(rate).toBeGreaterThan(0.5)
      expect(rate).toBeLessThan(20)
    }
  })

  // EN 10088-1: stainless from 10.5 % chromium, with at most 1.2 % carbon.
  it('calls 1.4116 stainless, 1.3505 reactive, and 1.2379 too: chromium bound in 1.5 % carbon keeps no rust off', () => {
    const stainless = STEELS.filter(isStainless).map((steel) => steel.en)
    expect(stainless).toEqual(expect.arrayContaining(['1.4116', '1.4034', '1.4125']))
    expect(stainless).not.toContain('1.3505')
    expect(stainless).not.toContain('1.2379')
  })
})

describe('wear on the board', () => {
  it('adds up: two short spells equal one long one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (first, second) => {
          const use = { factor: 1.3, wearRateUm2PerHour: 3.5 }
          const fresh = { roll: 0, wornAreaUm2: 0 }
          const apart = wearBy(wearBy(fresh, { ...use, hours: first }), { ...use, hours: second })
          const together = wearBy(fresh, { ...use, hours: first + second })
          expect(apart.roll).toBeCloseTo(together.roll, 10)
          expect(apart.wornAreaUm2).toBeCloseTo(together.wornAreaUm2, 8)
        },
      ),
    )
  })

  it('rolls 63 % of the way in six hours', () => {
    expect(wearBy({ roll: 0, wornAreaUm2: 0 }, { hours: 6, factor: 1, wearRateUm2PerHour: 1 }).roll).toBeCloseTo(
      0.632,
      3,
    )
  })
})

describe('the force test', () => {
  it('reads 130 to 200 gf fresh off any stone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 80, noNaN: true }),
        fc.double({ min: 8, max: 30, noNaN: true }),
        (finishMicron, dps) => {
          const force = freshForce({ finishMicron, dps })
          expect(force).toBeGreaterThanOrEqual(130)
          expect(force).toBeLessThanOrEqual(200)
        },
      ),
    )
  })

  it('calls 300 gf on a chef’s knife tiring and 700 gf out', () => {
    expect(edgeWord(300, 350)).toBe('tiring')
    expect(edgeWord(700, 350)).toBe('out')
    expect(edgeWord(200, 350)).toBe('keen')
  })

  it('puts the ordinary checks in their order', () => {
    const forces = LADDER.map((rung) => LADDER_FORCE[rung].forceGf)
    expect([...forces].sort((a, b) => a - b)).toEqual(forces)
  })
})

describe('honing', () => {
  it('is worth 0.6 of the roll with a smooth steel on 57 HRC, and a warning on 62', () => {
    expect(honeEffect({ tool: 'smooth-steel', hrc: 57 })).toMatchObject({ efficiency: 0.6, chippingRisk: false })
    const hard = honeEffect({ tool: 'smooth-steel', hrc: 62 })
    expect(hard.efficiency).toBeCloseTo(0.2, 12)
    expect(hard.chippingRisk).toBe(true)
  })

  it('does nothing 5° too low and fattens the edge when too high', () => {
    expect(honeEffect({ tool: 'smooth-steel', hrc: 57, mismatchDps: -5 }).efficiency).toBe(0)
    expect(honeEffect({ tool: 'smooth-steel', hrc: 57, mismatchDps: -2 }).efficiency).toBe(0.6)
    const steep = honeEffect({ tool: 'smooth-steel', hrc: 57, mismatchDps: 5 })
    expect(nextHoning(NO_ROD_WORK, steep, 17).freshForceRiseGf).toBeGreaterThan(0)
  })

  function honeOften(
    tool: HoneTool,
    times: number,
    mismatchDps = 0,
  ): { rod: RodWork; takenUm2: number; riseGf: number; heightUm: number } {
    const effect = honeEffect({ tool, hrc: 57, mismatchDps })
    let [rod, takenUm2, riseGf, heightUm] = [NO_ROD_WORK, 0, 0, 0]
    for (let time = 0; time < times; time++) {
      const step = nextHoning(rod, effect, 17)
      rod = step.rod
      takenUm2 += step.abradedUm2
      riseGf += step.freshForceRiseGf
      heightUm += step.heightUm
    }
    return { rod, takenUm2, riseGf, heightUm }
  }

  // Model: from 17 to 22 dps that is some 12 gf in all, never more.
  it('builds a micro-bevel that has an end: from 17 up to 22 dps some 12 gf, however often', () => {
    for (const tool of ['smooth-steel', 'strop', 'ceramic-rod', 'diamond-rod'] as const) {
      expect(honeOften(tool, 400, 5).riseGf).toBeGreaterThan(11)
      expect(honeOften(tool, 400, 5).riseGf).toBeLessThan(12.5)
    }
    expect(honeOften('diamond-rod', 1, 5).riseGf).toBeGreaterThan(honeOften('smooth-steel', 1, 5).riseGf)
    expect(honeOften('diamond-rod', 30, 2).riseGf).toBe(0)
  })

  // Model: the n-th abrasive honing takes a₁·e^(−n/N); 180 diamond-rod honings cost height.
  it('takes less each time on rod and strop, comes to an end, and costs height', () => {
    const { takenUm2, heightUm, rod } = honeOften('diamond-rod', 180)
    const closed = (25 * (1 - Math.exp(-180 / 90))) / (1 - Math.exp(-1 / 90))
    expect(takenUm2).toBeCloseTo(closed, 6)
    expect(heightUm).toBeGreaterThan(50)
    expect(heightUm).toBeLessThan(200)
    expect(isRodSpent(rod, 'diamond-rod')).toBe(true)
    expect(isRodSpent(honeOften('strop', 20).rod, 'strop')).toBe(false)
    expect(honeOften('smooth-steel', 180).takenUm2).toBe(0)
    expect(isRodSpent(honeOften('smooth-steel', 500).rod, 'smooth-steel')).toBe(false)
  })

  // 5 to 10 strokes a side (common practice).
  it('asks for 5 to 10 strokes a side', () => {
    for (const roll of [0, 0.3, 1]) {
      expect(honeStrokes(roll)).toBeGreaterThanOrEqual(5)
      expect(honeStrokes(roll)).toBeLessThanOrEqual(10)
    }
  })
})

describe('a new knife needs only a type and a length', () => {
  it('gets the height of its kind, a little more when longer', () => {
    expect(knifeDefaults('chef', 240).heelHeightMm).toBe(48)
    expect(knifeDefaults('chef', 300).heelHeightMm).toBe(52)
  })
})
