import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EDGED_TYPES, knifeDefaults } from '../knife/knifeTypes'
import { ZONES } from '../knife/zones'
import { profile } from './profile'

describe('a knife in profile', () => {
  it.each(EDGED_TYPES)('draws a %s inside its own length and height', (type) => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 400, noNaN: true }), (lengthMm) => {
        const { heelHeightMm, serrated } = knifeDefaults(type, lengthMm)
        const drawn = profile({ type, lengthMm, heelHeightMm, serrated })
        for (const point of drawn.blade) {
          expect(point.x).toBeGreaterThanOrEqual(-1e-6)
          expect(point.x).toBeLessThanOrEqual(lengthMm + 1e-6)
          expect(Number.isFinite(point.y)).toBe(true)
        }
        expect(Math.max(...drawn.blade.map(({ y }) => y))).toBeLessThan(heelHeightMm * 1.1 + 2)
      }),
      { numRuns: 15 },
    )
  })

  it('has an edge longer than it is straight, in three joined zones', () => {
    const chef = profile({ type: 'chef', lengthMm: 240, heelHeightMm: 48 })
    const total = ZONES.reduce((sum, zone) => sum + chef.arcLengthMm[zone], 0)
    expect(total).toBeGreaterThan(240)
    expect(total).toBeLessThan(250)
    expect(chef.edge.heel.at(-1)).toEqual(chef.edge.belly[0])
    expect(chef.edge.belly.at(-1)).toEqual(chef.edge.tip[0])
    expect(chef.edge.tip.at(-1)?.x).toBeCloseTo(240, 9)
  })

  it('keeps the arc length of a bread knife that of its smooth line', () => {
    const smooth = profile({ type: 'bread', lengthMm: 250, heelHeightMm: 36 })
    const toothed = profile({ type: 'bread', lengthMm: 250, heelHeightMm: 36, serrated: true })
    expect(toothed.arcLengthMm).toEqual(smooth.arcLengthMm)
    expect(toothed.edge.heel.length).toBeGreaterThan(smooth.edge.heel.length)
  })

  it('draws what has no blade by its outline, with no edge', () => {
    const plate = profile({ type: 'plate', lengthMm: 82, heelHeightMm: 82 })
    expect(plate.blade.every(({ x, y }) => Math.abs(Math.hypot(x - 41, y - 41) - 41) < 1e-9)).toBe(true)
    expect(plate.hole).toMatchObject({ x: 41, y: 41 })
    const glove = profile({ type: 'glove', lengthMm: 240, heelHeightMm: 110 })
    expect(glove.bounds).toMatchObject({ left: 0, top: 110 })
    expect(glove.bounds.right).toBeCloseTo(240, 9)
    for (const { edge } of [plate, glove]) expect(ZONES.flatMap((zone) => edge[zone])).toEqual([])
  })

  it('refuses a blade of no length', () => {
    expect(() => profile({ type: 'chef', lengthMm: 0, heelHeightMm: 48 })).toThrow(
      expect.objectContaining({ quantity: 'lengthMm' }),
    )
  })
})
