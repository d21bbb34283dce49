import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MeasureError } from '../measure'
import { recede } from '../geometry/recession'
import { areaOf, edgeHeight, facesAt, thicknessAbove, type SectionBlade } from '../geometry/section'
import { operate, shoulderOf, type Operation } from './operate'

const CHEF: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.42,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
}
const BONING: SectionBlade = {
  heelHeightMm: 26,
  spineMm: 2.6,
  bteMm: 0.5,
  dpsLeft: 25,
  dpsRight: 25,
  grind: 'boning-shoulder',
  ratioRight: 50,
}
const SLICER: SectionBlade = {
  heelHeightMm: 38,
  spineMm: 2,
  bteMm: 0.28,
  dpsLeft: 13,
  dpsRight: 13,
  grind: 'flat',
  ratioRight: 70,
}
const SINGLE: SectionBlade = {
  heelHeightMm: 34,
  spineMm: 3.4,
  bteMm: 0.4,
  dpsLeft: 2,
  dpsRight: 13,
  grind: 'single',
  ratioRight: 100,
}

describe('thinning', () => {
  it('thins to the target where the bevels begin, and leaves the apex and the spine alone', () => {
    const done = operate(CHEF, { kind: 'thin', targetBteMm: 0.28 })
    expect(done.measures.after.bteMm).toBe(0.28)
    expect(thicknessAbove(done.after, 0.14 / Math.tan((17 * Math.PI) / 180))).toBeCloseTo(0.28, 6)
    expect(done.lossMm).toBe(0)
    expect(done.measures.after.at3Mm).toBeLessThan(done.measures.before.at3Mm)
    expect(thicknessAbove(done.after, 40)).toBeCloseTo(thicknessAbove(done.before, 40), 9)
    // nearly flat: a few degrees off the face at most (common practice)
    expect(done.cuts[0]?.offFaceDps).toBeLessThan(3)
  })

  it('never takes height, whatever the blade and target', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 55, noNaN: true }),
        fc.double({ min: 1.5, max: 3, noNaN: true }),
        fc.double({ min: 0.25, max: 0.7, noNaN: true }),
        fc.double({ min: 12, max: 25, noNaN: true }),
        fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        fc.integer({ min: 30, max: 70 }),
        (heelHeightMm, spineMm, bteMm, dps, share, ratioRight) => {
          const done = operate(
            { ...CHEF, heelHeightMm, spineMm, bteMm, dpsLeft: dps, dpsRight: dps, ratioRight },
            { kind: 'thin', targetBteMm: share * bteMm },
          )
          expect(done.lossMm).toBeCloseTo(0, 9)
          expect(done.areaMm2).toBeGreaterThan(0)
          expect(areaOf(done.after)).toBeLessThan(areaOf(done.before))
        },
      ),
    )
  })

  it('little and often takes less than all at once takes, each time', () => {
    const little = operate(CHEF, { kind: 'thin', targetBteMm: 0.38 })
    const full = operate(CHEF, { kind: 'thin', targetBteMm: 0.26 })
    expect(little.areaMm2).toBeLessThan(full.areaMm2)
    const twice = operate({ ...CHEF, bteMm: 0.38 }, { kind: 'thin', targetBteMm: 0.34 })
    expect(twice.areaMm2).toBeGreaterThan(0)
  })

  it('works one side of a single bevel, and its back stays flat', () => {
    const done = operate(SINGLE, { kind: 'thin', targetBteMm: 0.3 })
    expect(done.lossMm).toBe(0)
    expect(done.cuts[0]?.byside.left).toBe(0)
    expect(done.cuts[0]?.byside.right).toBeGreaterThan(0)
  })

  it('refuses a target thicker than the blade is, and names what it is', () => {
    expect(() => operate(CHEF, { kind: 'thin', targetBteMm: 0.5 })).toThrow(
      expect.objectContaining({ quantity: 'targetBteMm', values: expect.objectContaining({ high: 0.42 }) }),
    )
    expect(() => operate(CHEF, { kind: 'thin', targetBteMm: 0 })).toThrow(
      expect.objectContaining({ code: 'not-positive' }),
    )
  })
})

describe('convexing', () => {
  it('flat-to-convex keeps the edge where it is; a full convex costs height', () => {
    const kept = operate(CHEF, { kind: 'flat-to-convex', targetBteMm: 0.3 })
    expect(kept.lossMm).toBeCloseTo(0, 9)
    expect(kept.cuts.map(({ name }) => name)).toEqual(['face', 'second-bevel', 'blend'])
    // the second bevel is slightly steeper than the face, and the blend between them takes next to nothing
    expect(kept.cuts[1]?.dps).toBeGreaterThan(kept.cuts[0]?.dps ?? 90)
    expect(kept.cuts[2]?.areaMm2).toBeLessThan(0.1 * kept.areaMm2)
    const full = operate(CHEF, { kind: 'full-convex', targetBteMm: 0.3 })
    expect(full.lossMm).toBeCloseTo(0.3, 6)
    expect(full.areaMm2).toBeGreaterThan(kept.areaMm2)
    // every facet takes steel, each steeper than the one above it, and flatter than the edge
    const facets = full.cuts.filter(({ name }) => name === 'facet')
    for (const { areaMm2 } of facets) expect(areaMm2).toBeGreaterThan(1e-4)
    const angles = facets.map(({ dps }) => dps)
    expect(angles).toEqual([...angles].sort((a, b) => a - b))
    expect(Math.max(...angles)).toBeLessThan(17)
    // convex: thicker in the middle than the straight line from shoulder to where it ends
    const at = (mm: number): number => thicknessAbove(full.after, mm)
    expect(at(8)).toBeGreaterThan(at(1) + (7 / 25) * (at(26) - at(1)))
  })
})

describe('a boning knife’s shoulder', () => {
  it('is rubbed flat, shouldered at 10 to 15 degrees about 5 mm up, and edged at 25 to 30 (common practice)', () => {
    const done = operate(BONING, { kind: 'boning', rubShare: 0.65, shoulderDps: 12, shoulderMm: 5, edgeDps: 25 })
    expect(done.cuts.map(({ name }) => name)).toEqual(['rub', 'shoulder', 'edge'])
    expect(done.cuts[1]?.dps).toBe(12)
    expect(done.cuts[2]?.dps).toBe(25)
    expect(done.lossMm).toBeCloseTo(0, 9)
    expect(done.measures.after.at10Mm).toBeLessThan(done.measures.before.at10Mm)
  })
})

describe('another angle', () => {
  it('flatter keeps the height and thins the shoulder; steeper costs height and keeps the thickness', () => {
    const flatter = operate(CHEF, { kind: 're-bevel', dps: 14 })
    expect(flatter.lossMm).toBeCloseTo(0, 9)
    expect(flatter.areaMm2).toBeGreaterThan(0)
    const steeper = operate(CHEF, { kind: 're-bevel', dps: 20 })
    expect(steeper.lossMm).toBeCloseTo(0.21 / Math.tan((17 * Math.PI) / 180) - 0.21 / Math.tan((20 * Math.PI) / 180), 6)
    expect(steeper.measures.after.bteMm).toBeCloseTo(0.42, 2)
  })

  it('flatter than the face is refused, with the nearest that goes', () => {
    expect(() => operate(CHEF, { kind: 're-bevel', dps: 1 })).toThrow(
      expect.objectContaining({ code: 'angle-below-face', values: expect.objectContaining({ dps: 1 }) }),
    )
  })

  it('a micro-bevel is as wide as asked, and hardly costs a thing', () => {
    const done = operate(CHEF, { kind: 'micro-bevel', dps: 22, widthMm: 0.15 })
    const rise = done.lossMm
    const [tanNew, tanOld] = [22, 17].map((dps) => Math.tan((dps * Math.PI) / 180)) as [number, number]
    const meets = (rise * tanNew) / (tanNew - tanOld)
    expect((meets - rise) / Math.cos((22 * Math.PI) / 180)).toBeCloseTo(0.15, 9)
    expect(rise).toBeLessThan(0.1)
  })
})

describe('a ratio changed over several sessions', () => {
  it('gets there in as many steps, each putting its strokes on the narrow side', () => {
    let blade = SLICER
    let taken = 0
    for (let left = 4; left >= 1; left--) {
      const done = operate(blade, { kind: 'ratio', toRight: 50, sessions: left })
      expect(done.cuts[0]?.byside.left).toBeGreaterThanOrEqual(0)
      taken += done.lossMm
      blade = { ...blade, ratioRight: done.ratioRight }
    }
    expect(blade.ratioRight).toBeCloseTo(50, 9)
    expect(taken).toBeGreaterThan(0)
  })
})

describe('a chip', () => {
  it('is ground past its deepest point at the old angle, and takes what the closed form says', () => {
    const done = operate(CHEF, { kind: 'chip', depthMm: 0.4, sessions: 1 })
    expect(edgeHeight(done.after)).toBeCloseTo(0.42, 6)
    const faceDps = (Math.atan((2.2 / 2 - 0.21) / (45 - 0.21 / Math.tan((17 * Math.PI) / 180))) * 180) / Math.PI
    const closed = recede({ bteMm: 0.42, dps: 17, faceDps, recessionMm: 0.42 })
    expect(done.areaMm2).toBeCloseTo(closed.removedAreaMm2, 6)
    expect(done.measures.after.bteMm).toBeCloseTo(closed.bteMm, 4)
  })

  it('half now takes half the height', () => {
    expect(operate(CHEF, { kind: 'chip', depthMm: 0.4, sessions: 2 }).lossMm).toBeCloseTo(0.2, 9)
  })

  it('deeper than half the blade is refused', () => {
    expect(() => operate(CHEF, { kind: 'chip', depthMm: 30, sessions: 1 })).toThrow(
      expect.objectContaining({ quantity: 'depthMm' }),
    )
  })
})

describe('serrated edges', () => {
  const BREAD: SectionBlade = {
    heelHeightMm: 36,
    spineMm: 2,
    bteMm: 0.45,
    dpsLeft: 2,
    dpsRight: 18,
    grind: 'flat',
    ratioRight: 100,
  }

  it('keep their teeth in both schools: hundredths of a millimetre go', () => {
    for (const school of ['ground-side', 'flat-back'] as const) {
      const done = operate(BREAD, { kind: 'serrated', school, dps: 18 })
      expect(done.areaMm2).toBeGreaterThan(0)
      expect(done.lossMm).toBeLessThan(0.05)
    }
  })
})

describe('work on the faces', () => {
  const works: readonly Operation[] = [
    { kind: 'thin', targetBteMm: 0.25 },
    { kind: 'flat-to-convex', targetBteMm: 0.25 },
    { kind: 'full-convex', targetBteMm: 0.25 },
    { kind: 'boning', rubShare: 0.65, shoulderDps: 12, shoulderMm: 5, edgeDps: 25 },
  ]
  const blades = fc.record({
    heelHeightMm: fc.double({ min: 25, max: 55, noNaN: true }),
    spineMm: fc.double({ min: 1.8, max: 3.5, noNaN: true }),
    bteMm: fc.double({ min: 0.3, max: 0.6, noNaN: true }),
    dps: fc.double({ min: 12, max: 25, noNaN: true }),
    grind: fc.constantFrom(
      'flat' as const,
      'convex' as const,
      'hollow' as const,
      'wide-bevel' as const,
      'boning-shoulder' as const,
    ),
    ratioRight: fc.integer({ min: 30, max: 70 }),
  })

  /** A low, stout blade may have faces steeper than the angle drawn for it: such a one is refused, and proves nothing. */
  function unlessTooFlat(work: () => ReturnType<typeof operate>): ReturnType<typeof operate> | null {
    try {
      return work()
    } catch (error) {
      if (error instanceof MeasureError && error.code === 'angle-below-face') return null
      throw error
    }
  }

  it('leaves the steel near the spine alone, whatever the grind', () => {
    fc.assert(
      fc.property(blades, fc.constantFrom(...works), ({ dps, ...blade }, work) => {
        const done = unlessTooFlat(() => operate({ ...blade, dpsLeft: dps, dpsRight: dps }, work))
        fc.pre(done !== null)
        for (const share of [0.85, 0.95]) {
          const [was, is] = [
            facesAt(done.before, share * blade.heelHeightMm),
            facesAt(done.after, share * blade.heelHeightMm),
          ]
          expect(is?.left).toBeCloseTo(was?.left ?? NaN, 6)
          expect(is?.right).toBeCloseTo(was?.right ?? NaN, 6)
        }
      }),
    )
  })
})

describe('any operation', () => {
  const operations = fc.oneof(
    fc.record({ kind: fc.constant('thin' as const), targetBteMm: fc.double({ min: 0.1, max: 0.4, noNaN: true }) }),
    fc.record({
      kind: fc.constant('flat-to-convex' as const),
      targetBteMm: fc.double({ min: 0.15, max: 0.4, noNaN: true }),
    }),
    fc.record({ kind: fc.constant('re-bevel' as const), dps: fc.double({ min: 10, max: 28, noNaN: true }) }),
    fc.record({
      kind: fc.constant('chip' as const),
      depthMm: fc.double({ min: 0.05, max: 3, noNaN: true }),
      sessions: fc.integer({ min: 1, max: 3 }),
    }),
    fc.record({
      kind: fc.constant('ratio' as const),
      toRight: fc.integer({ min: 30, max: 70 }),
      sessions: fc.integer({ min: 1, max: 5 }),
    }),
  ) as fc.Arbitrary<Operation>

  it('adds up cut by cut, never grows, and never loses more height than it says', () => {
    fc.assert(
      fc.property(operations, (operation) => {
        const done = operate(CHEF, operation)
        expect(done.cuts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0)).toBeCloseTo(done.areaMm2, 8)
        for (const cut of done.cuts) expect(cut.areaMm2).toBeGreaterThanOrEqual(-1e-9)
        expect(edgeHeight(done.after)).toBeCloseTo(done.lossMm, 9)
      }),
    )
  })
})

describe('the shoulder that can be taken hold of', () => {
  it('is where a thinned blade is as thick as it was thinned to, on the wider bevel', () => {
    const done = operate(CHEF, { kind: 'thin', targetBteMm: 0.3 })
    const { side, outMm, upMm } = shoulderOf(done, null)
    expect(side).toBe('right')
    expect(2 * outMm).toBeCloseTo(0.3, 9)
    expect(thicknessAbove(done.after, upMm)).toBeCloseTo(0.3, 9)
  })

  it('of a single bevel is the whole thickness out, and of a narrow bevel as far as it is wide', () => {
    expect(shoulderOf(operate(SINGLE, { kind: 'thin', targetBteMm: 0.3 }), null).outMm).toBeCloseTo(0.3, 9)
    const { outMm, upMm } = shoulderOf(operate(CHEF, { kind: 'micro-bevel', dps: 22, widthMm: 0.15 }), 0.15)
    expect(Math.hypot(outMm, upMm)).toBeCloseTo(0.15, 9)
  })
})
