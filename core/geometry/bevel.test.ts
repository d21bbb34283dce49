import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { angleFromBevel, bevelWidth, rightShare, thicknessFromBevels } from './bevel'
import { recede } from './recession'

const angle = fc.double({ min: 8, max: 35, noNaN: true })
const thickness = fc.double({ min: 0.1, max: 1, noNaN: true })

describe('the bevel triangle', () => {
  it('is 0.580 mm wide at 15 dps on 0.30 mm', () => {
    expect(bevelWidth({ bteMm: 0.3, dps: 15 })).toBeCloseTo(0.58, 3)
  })

  it('gives the angle back from thickness and width', () => {
    fc.assert(
      fc.property(thickness, angle, (bteMm, dps) => {
        expect(angleFromBevel({ bteMm, widthMm: bevelWidth({ bteMm, dps }) })).toBeCloseTo(dps, 8)
      }),
    )
  })

  it('names a width that no angle explains', () => {
    expect(() => angleFromBevel({ bteMm: 0.5, widthMm: 0.2 })).toThrow(expect.objectContaining({ quantity: 'widthMm' }))
  })

  it('adds up to the same thickness when the two sides are alike', () => {
    const widthMm = bevelWidth({ bteMm: 0.4, dps: 17 })
    expect(thicknessFromBevels({ leftWidthMm: widthMm, leftDps: 17, rightWidthMm: widthMm, rightDps: 17 })).toBeCloseTo(
      0.4,
      10,
    )
  })

  it('calls bevels of 0.3 and 0.7 mm a 70/30 edge', () => {
    expect(rightShare({ leftWidthMm: 0.3, rightWidthMm: 0.7 })).toBeCloseTo(0.7, 10)
  })
})

describe('recession at a kept angle', () => {
  it.each([
    [0.3, 15, 3, 0.1, 0.313, 0.6047, 0.030652],
    [0.35, 17, 1.5, 0.5, 0.3786, 0.6475, 0.18216],
  ])('from %d mm at %d/%d dps, losing %d mm', (bteMm, dps, faceDps, recessionMm, after, width, area) => {
    const gone = recede({ bteMm, dps, faceDps, recessionMm })
    expect(gone.bteMm).toBeCloseTo(after, 4)
    expect(gone.bevelWidthMm).toBeCloseTo(width, 4)
    expect(gone.removedAreaMm2).toBeCloseTo(area, 5)
  })

  it('agrees with the trapezoid between the old and the new bevel triangle', () => {
    fc.assert(
      fc.property(
        thickness,
        angle,
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (bteMm, dps, faceDps, recessionMm) => {
          const gone = recede({ bteMm, dps, faceDps, recessionMm })
          const cot = (degrees: number): number => 1 / Math.tan((degrees * Math.PI) / 180)
          const closed = ((gone.bteMm ** 2 - bteMm ** 2) / 4) * (cot(faceDps) - cot(dps))
          expect(gone.removedAreaMm2).toBeCloseTo(closed, 8)
          expect(gone.bteMm).toBeGreaterThanOrEqual(bteMm)
        },
      ),
    )
  })

  it('takes T·Δ from a blade with parallel faces', () => {
    expect(recede({ bteMm: 0.3, dps: 15, faceDps: 0, recessionMm: 0.2 }).removedAreaMm2).toBeCloseTo(0.06, 12)
  })

  it('refuses an edge flatter than its face', () => {
    expect(() => recede({ bteMm: 0.3, dps: 3, faceDps: 3, recessionMm: 0.1 })).toThrow(
      expect.objectContaining({ code: 'angle-below-face' }),
    )
  })
})
