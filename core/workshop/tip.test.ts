import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { clip, polygonArea } from '../geometry/polygon'
import type { Point } from '../geometry/point'
import { EDGED_TYPES } from '../knife/knifeTypes'
import { lengthPerHeight, repairTip, shareAfter, type TipRepair, type TipShape } from './tip'

const CHEF: TipShape = { type: 'chef', lengthMm: 240, heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35 }
const whole: TipRepair = { kind: 'tip', lostMm: 5, from: 'spine', sessions: 1 }
const longest = (points: readonly Point[]): number => Math.max(...points.map(({ x }) => x))
const shapes = fc.record({
  type: fc.constantFrom(...EDGED_TYPES),
  lengthMm: fc.integer({ min: 120, max: 300 }),
  heelHeightMm: fc.integer({ min: 22, max: 50 }),
  spineMm: fc.constant(2),
  bteMm: fc.constant(0.3),
})

describe('a tip ground to a point again', () => {
  it('costs the length that is broken off and leaves the heel as it was', () => {
    const done = repairTip(CHEF, whole)
    expect(longest(done.whole) - longest(done.after)).toBeCloseTo(5, 6)
    expect(done.lengthLossMm).toBe(5)
    const behind = (points: readonly Point[]): number => polygonArea(clip(points, ({ x }) => x - 200))
    expect(behind(done.after)).toBeCloseTo(behind(done.whole), 9)
  })

  it('from the spine keeps the line of the edge, from the edge that of the spine', () => {
    const lowest = (points: readonly Point[], x: number): number =>
      Math.min(...points.filter((point) => Math.abs(point.x - x) < 3).map(({ y }) => y))
    const [spine, edge] = [repairTip(CHEF, whole), repairTip(CHEF, { ...whole, from: 'edge' })]
    expect(lowest(spine.after, 234)).toBeCloseTo(lowest(spine.before, 234), 6)
    expect(lowest(edge.after, 234)).toBeGreaterThan(lowest(edge.before, 234))
  })

  it('takes little: a 5 mm tip is well under a gram (common practice: a few minutes on a coarse stone)', () => {
    const { volumeMm3, thicknessMm } = repairTip(CHEF, whole)
    expect(volumeMm3 * 7.75e-3).toBeGreaterThan(0.01)
    expect(volumeMm3 * 7.75e-3).toBeLessThan(1)
    expect(thicknessMm).toBeLessThan(CHEF.spineMm)
  })

  it('in parts takes half, then half of the rest, then the rest, and ends in the same blade', () => {
    const full = repairTip(CHEF, whole)
    let groundShare = 0
    const taken: number[] = []
    for (let sessions = 3; sessions >= 1; sessions--) {
      const done = repairTip(CHEF, { ...whole, sessions, groundShare })
      taken.push(done.areaMm2 / full.areaMm2)
      expect(done.lengthLossMm).toBe(groundShare === 0 ? 5 : 0)
      groundShare = shareAfter({ sessions, groundShare })
      if (sessions === 1) expect(done.after).toEqual(full.after)
    }
    expect(taken.map((share) => Math.round(1000 * share) / 1000)).toEqual([0.5, 0.25, 0.25])
  })

  // polygon-clipping (Martinez–Rueda–Feito, published npm package): what goes lies inside what was there
  it('agrees with a published polygon-clipping library on blades of every kind', () => {
    fc.assert(
      fc.property(
        shapes,
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.constantFrom('spine' as const, 'edge' as const),
        (shape, lostMm, from) => {
          const { before, after, areaMm2 } = repairTip(shape, { ...whole, lostMm, from })
          const ring = (points: readonly Point[]): [number, number][] => points.map(({ x, y }) => [x, y])
          const gone = polygonClipping.difference([ring(before)], [ring(after)])
          const area = gone.flat().reduce((sum, one) => sum + polygonArea(one.map(([x, y]) => ({ x, y }))), 0)
          expect(area).toBeCloseTo(areaMm2, 4)
          expect(areaMm2).toBeGreaterThanOrEqual(0)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('is refused where it would be another knife, and for nothing at all', () => {
    expect(() => repairTip(CHEF, { ...whole, lostMm: 80 })).toThrow(
      expect.objectContaining({ quantity: 'lostMm', values: expect.objectContaining({ high: 60 }) }),
    )
    expect(() => repairTip(CHEF, { ...whole, lostMm: 0 })).toThrow(expect.objectContaining({ code: 'not-positive' }))
  })
})

describe('length over a life', () => {
  it('goes faster than height where edge and spine meet in a point, and hardly at all on a squared blade', () => {
    expect(lengthPerHeight(CHEF)).toBeGreaterThan(0.8)
    expect(lengthPerHeight(CHEF)).toBeLessThan(3)
    expect(lengthPerHeight({ type: 'nakiri', lengthMm: 165, heelHeightMm: 50 })).toBeLessThan(0.4)
  })
})
