import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grainMicrons } from './grain'
import { pathWeight, planProgression, type ProgressionInput, type ProgressionStone } from './progression'
import { grindability, removalRate, wantsDiamond } from './removal'
import { sessionRemoval } from './sessionRemoval'

// Every figure here is common practice, timed at the bench; minutes are on the stones, both sides, looking and feeling
// included. Rows of serrated, boning and single-bevel work stand beside the recipes.

const stone = (grit: number, diamond = false): ProgressionStone => ({
  id: `#${grit}`,
  micron: grainMicrons({ scale: 'JIS', value: grit }),
  diamond,
})
const SHELF = [220, 320, 400, 1000, 3000, 6000].map((grit) => stone(grit))
/** A 240 mm chef's knife in an ordinary kitchen stainless, as it is after some sharpenings. */
const CHEF = {
  lengthMm: 240,
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.4,
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
}
const plan = (work: Partial<ProgressionInput>): ReturnType<typeof planProgression> =>
  planProgression({ blade: CHEF, finishMicron: 4, stones: SHELF, ...work })
const path = ({ stages }: ReturnType<typeof planProgression>): string => stages.map(({ stone: { id } }) => id).join(' ')
const minutes = ({ stages }: ReturnType<typeof planProgression>): number[] => stages.map((one) => one.minutes)

function expectWithin(value: number | undefined, low: number, high: number): void {
  expect(value).toBeGreaterThanOrEqual(low)
  expect(value).toBeLessThanOrEqual(high)
}

describe('what is timed at the bench', () => {
  it('a dull chef’s knife: #320 to #400, #1000, #3000, 9 to 18 minutes, the coarse stone longest', () => {
    const dull = plan({ bluntUm: 15 })
    expect(path(dull)).toMatch(/^#(320|400) #1000 #3000$/)
    expectWithin(dull.minutes, 9, 18)
    const [coarse, middle, fine] = minutes(dull)
    expectWithin(coarse, 5, 11)
    expectWithin(middle, 2, 4)
    expectWithin(fine, 1.9, 5)
    const strokes = dull.stages.map(({ strokesPerSide }) => strokesPerSide)
    expect(strokes).toEqual([...strokes].sort((a, b) => b - a))
    expect(new Set(strokes).size).toBe(3)
  })

  it('a kept-up one: #1000 and #3000, 5 to 8 minutes', () => {
    const keptUp = plan({ bluntUm: 7 })
    expect(path(keptUp)).toBe('#1000 #3000')
    expectWithin(keptUp.minutes, 5, 8)
  })

  it('a top-up: #3000 alone, 4 minutes at most, light', () => {
    for (const bluntUm of [3, 5, 6]) {
      const topUp = plan({ bluntUm, isTopUp: true })
      expect(path(topUp)).toBe('#3000')
      expect(topUp.minutes).toBeLessThanOrEqual(4)
      expect(topUp.stages[0]?.newtons).toBeLessThanOrEqual(8)
    }
  })

  it('a top-up never turns into a coarse session, however blunt the edge', () => {
    for (const bluntUm of [10, 20, 40]) expect(path(plan({ bluntUm, isTopUp: true }))).toBe('#3000')
  })

  it('a chip of half a millimetre: #220 first, 20 minutes at most, 22 to 35 in all', () => {
    const chip = plan({ chip: { depthMm: 0.5 } })
    expect(chip.stages[0]?.stone.id).toBe('#220')
    expect(chip.stages[0]?.minutes).toBeLessThanOrEqual(20)
    expectWithin(chip.minutes, 22, 35)
  })

  it('the same chip begun on #1000 would take over ninety minutes, and is refused', () => {
    const [first] = plan({ chip: { depthMm: 0.5 }, stones: [stone(1000), stone(3000)] }).stages
    expect(first?.minutes).toBeGreaterThan(90)
    expect(() => plan({ chip: { depthMm: 0.5 }, startWith: '#1000' })).toThrow(/first-stone-too-fine/)
  })

  it('thinning by 0.1 mm: #220, perhaps #400, finish; 40 to 70 minutes, the coarse stone longest', () => {
    for (const finishMicron of [30, 11.5]) {
      const thin = plan({ thinning: { byMm: 0.1 }, finishMicron })
      expect(path(thin)).toMatch(/^#220 (#400|#320)?/)
      expectWithin(thin.minutes, 40, 70)
      expect(Math.max(...minutes(thin))).toBe(minutes(thin)[0])
      expect(thin.notes).toEqual([])
    }
  })

  it('64 HRC with seven per cent hard carbides: 1.8 to 3 times as long on ordinary stones, 1.2 to 1.8 on diamond', () => {
    const hard = { ...CHEF, hrc: 64, carbides: { CrC: 3, MC: 4 } }
    const [ordinary, diamond] = [400, 1000, 3000].reduce<[ProgressionStone[], ProgressionStone[]]>(
      ([a, b], grit) => [
        [...a, stone(grit)],
        [...b, stone(grit, true)],
      ],
      [[], []],
    )
    const usual = plan({ bluntUm: 15, stones: ordinary }).minutes
    expectWithin(plan({ blade: hard, bluntUm: 15, stones: ordinary }).minutes / usual, 1.8, 3)
    expectWithin(plan({ blade: hard, bluntUm: 15, stones: diamond }).minutes / usual, 1.2, 1.8)
  })

  it('plain carbon steel at 62 HRC is not slow', () => {
    const carbon = { ...CHEF, hrc: 62, carbides: {} }
    expectWithin(plan({ blade: carbon, bluntUm: 15 }).minutes / plan({ bluntUm: 15 }).minutes, 0.9, 1.15)
  })

  it('hard carbides at 62 HRC and above go to diamond first where there is one', () => {
    const hard = { hrc: 63, carbides: { CrC: 3, MC: 4 } }
    expect(wantsDiamond(hard)).toBe(true)
    expect(wantsDiamond({ hrc: 63, carbides: {} })).toBe(false)
    const shelf = [...SHELF, { ...stone(400, true), id: 'diamond' }]
    expect(plan({ blade: { ...CHEF, ...hard }, bluntUm: 12, stones: shelf }).stages[0]?.stone.id).toBe('diamond')
    expect(plan({ bluntUm: 12, stones: SHELF }).stages[0]?.stone.id).not.toBe('diamond')
  })
})

describe('figures the model was worked through with', () => {
  // the computation's own worked example, for this blade
  it('#400, #1000, #3000 take 6.4, 2.2 and 2.0 minutes at b 15, and 13.3 from #1000', () => {
    const own = plan({ bluntUm: 15, startWith: '#400' })
    expect(minutes(own).map((one) => Math.round(10 * one) / 10)).toEqual([6.4, 2.2, 2])
    expect(minutes(plan({ bluntUm: 15, startWith: '#1000' }))[0]).toBeCloseTo(13.3, 1)
  })

  it('about 7 mm³ go on #400 at b 15, and 2.2 on #1000 at b 7', () => {
    const metal = (bluntUm: number, micron: number): number | undefined =>
      sessionRemoval({ blade: CHEF, bluntUm, grains: [micron] }).removesMm3
    expect(metal(15, 30)).toBeCloseTo(7.2, 0)
    expect(metal(7, 11.5)).toBeCloseTo(2.2, 1)
  })

  it('#1000 takes 4.8 minutes at b 7; a top-up at b 5 three; thinning 35, 11 and 14', () => {
    expect(minutes(plan({ bluntUm: 7 }))[0]).toBeCloseTo(4.8, 1)
    expect(plan({ bluntUm: 5, isTopUp: true }).minutes).toBeCloseTo(3, 1)
    const thin = minutes(plan({ thinning: { byMm: 0.1, upToMm: 15 }, finishMicron: 11.5 }))
    expect(thin.map(Math.floor)).toEqual([35, 11, 14])
  })

  it('64 HRC with 3 % chromium and 4 % hard carbides is 2.1 times as slow as 57 HRC, on diamond 1.3', () => {
    const hard = { hrc: 64, carbides: { CrC: 3, MC: 4 } }
    const usual = { hrc: 57, carbides: { CrC: 2 } }
    expect(grindability(usual) / grindability(hard)).toBeCloseTo(2.1, 1)
    expect(grindability(usual, true) / grindability(hard, true)).toBeCloseTo(1.3, 1)
  })
})

describe('the removal model', () => {
  it('is proportional to pressing force (Preston 1927), and half a cubic millimetre a minute at its reference', () => {
    expect(removalRate({ micron: 11.5, newtons: 10, hrc: 57 })).toBeCloseTo(0.5, 9)
    expect(removalRate({ micron: 30, newtons: 20, hrc: 60 })).toBeCloseTo(
      2 * removalRate({ micron: 30, newtons: 10, hrc: 60 }),
      9,
    )
  })

  // what is weighed is continuous; minutes alone drop by about one where a coarser start begins to pay for its steel
  it('has no cliff: a little blunter never costs more than a little longer', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 40, noNaN: true }), (bluntUm) => {
        const [here, on] = [plan({ bluntUm }), plan({ bluntUm: bluntUm + 0.1 })]
        expect(Math.abs(on.minutes - here.minutes)).toBeLessThan(1.5)
        const weight = (um: number, of: typeof here): number =>
          pathWeight(
            { blade: CHEF, finishMicron: 4, stones: SHELF, bluntUm: um },
            of.stages.map((stage) => stage.stone),
          )
        expect(Math.abs(weight(bluntUm + 0.1, on) - weight(bluntUm, here))).toBeLessThan(0.3)
      }),
    )
    expect(Math.abs(plan({ bluntUm: 7.9 }).minutes - plan({ bluntUm: 8.1 }).minutes)).toBeLessThan(0.4)
  })

  it('debits the height it grinds: more for a blunter edge, nothing for a face', () => {
    const um = (bluntUm: number): number => plan({ bluntUm }).recessionUm
    expect(um(15)).toBeGreaterThan(um(7))
    expect(um(7)).toBeGreaterThan(plan({ bluntUm: 7, isTopUp: true }).recessionUm)
    const thin = plan({ thinning: { byMm: 0.1 }, finishMicron: 11.5 })
    expect(thin.recessionUm).toBe(0)
    expect(thin.bteMm).toBeCloseTo(0.3, 9)
  })

  it('thickens the edge by what recession does (its own check stands beside the formula)', () => {
    const { bteMm, recessionUm } = plan({ bluntUm: 15 })
    const faces = Math.tan((1.4 * Math.PI) / 180)
    const edge = Math.tan((17 * Math.PI) / 180)
    expect(bteMm).toBeCloseTo(0.4 + ((2 * recessionUm) / 1000) * ((edge * faces) / (edge - faces)), 4)
  })
})
