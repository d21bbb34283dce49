import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MeasureError } from '../measure'
import { angleFromStack, bestStack, faceAngle, stackHeight } from './stack'

describe('the stack under the spine', () => {
  it.each([
    [45, 2.2, 3.5, 5.86],
    [45, 2.2, 5.85, 8.87],
    [20, 1.6, 3.5, 12.36],
  ])('on a %d mm blade with a %d mm spine, %d mm gives %d dps', (heelHeightMm, spineMm, stackMm, dps) => {
    expect(angleFromStack({ heelHeightMm, spineMm, stackMm })).toBeCloseTo(dps, 2)
  })

  it.each([
    [15, 45, 2.2, 10.58],
    [17, 48, 2.4, 12.89],
    [20, 30, 2, 9.32],
  ])('%d dps on %d × %d mm takes %d mm', (dps, heelHeightMm, spineMm, stackMm) => {
    expect(stackHeight({ dps, heelHeightMm, spineMm })).toBeCloseTo(stackMm, 2)
  })

  it('has a face angle of 1.400° on 45 × 2.2 mm', () => {
    expect(faceAngle({ heelHeightMm: 45, spineMm: 2.2 })).toBeCloseTo(1.4, 3)
  })

  // Two quarters, 1.75 mm each by the US Mint's specification: the "two coin rule" is nowhere near 18°.
  it('two quarters under a 45 mm blade stay under 6°', () => {
    expect(angleFromStack({ heelHeightMm: 45, spineMm: 2.2, stackMm: 2 * 1.75 })).toBeLessThan(6)
  })

  it('is undone by its inverse for any blade and angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 90, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.double({ min: 15, max: 40, noNaN: true }),
        (heelHeightMm, spineMm, dps) => {
          const stackMm = stackHeight({ dps, heelHeightMm, spineMm })
          expect(angleFromStack({ stackMm, heelHeightMm, spineMm })).toBeCloseTo(dps, 8)
        },
      ),
    )
  })

  it('refuses an angle flatter than the face and a stack longer than the face', () => {
    expect(() => stackHeight({ dps: 1, heelHeightMm: 45, spineMm: 2.2 })).toThrow(MeasureError)
    expect(() => angleFromStack({ stackMm: 46, heelHeightMm: 45, spineMm: 2.2 })).toThrow(MeasureError)
    expect(() => stackHeight({ dps: 15, heelHeightMm: 0, spineMm: 2.2 })).toThrow(MeasureError)
  })
})

describe('the best stack a house can build', () => {
  const blade = { heelHeightMm: 45, spineMm: 2.2 }

  // Coin thickness: US Mint (5-cent 1.95 mm, quarter 1.75 mm); card 0.76 mm: ISO/IEC 7810 ID-1.
  it('takes six quarters for 15 dps on a 45 mm blade', () => {
    const stack = bestStack({ ...blade, dps: 15, pieces: [{ name: 'quarter', mm: 1.75, count: 10 }] })
    expect(stack.pieces).toEqual([{ name: 'quarter', mm: 1.75, count: 6 }])
    expect(stack.dps).toBeCloseTo(14.9, 1)
  })

  it('prefers fewer pieces when the angles are within 0.3° of each other', () => {
    const stack = bestStack({
      ...blade,
      dps: 15,
      pieces: [
        { name: 'card', mm: 0.76, count: 20 },
        { name: 'block', mm: 10.5, count: 1 },
      ],
    })
    expect(stack.pieces).toEqual([{ name: 'block', mm: 10.5, count: 1 }])
  })

  it('is as near as trying every combination gets, and never with more pieces than the tie allows', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 50, max: 400 }), fc.integer({ min: 1, max: 4 })), {
          minLength: 1,
          maxLength: 3,
        }),
        fc.integer({ min: 8, max: 25 }),
        (owned, dps) => {
          const pieces = owned.map(([hundredths, count], index) => ({ name: `p${index}`, mm: hundredths / 100, count }))
          const chosen = bestStack({ ...blade, dps, pieces })
          const every = combinations(pieces.map((piece) => piece.count))
            .map((counts) => ({
              total: counts.reduce((sum, n) => sum + n, 0),
              mm: counts.reduce((sum, n, at) => sum + n * (pieces[at]?.mm ?? 0), 0),
            }))
            .filter(({ total, mm }) => total > 0 && mm < 45)
            .map(({ total, mm }) => ({ total, error: Math.abs(angleFromStack({ ...blade, stackMm: mm }) - dps) }))
          const nearest = Math.min(...every.map((one) => one.error))
          const fewest = Math.min(...every.filter((one) => one.error <= nearest + 0.3 + 1e-9).map((one) => one.total))
          expect(Math.abs(chosen.dps - dps)).toBeLessThanOrEqual(nearest + 0.3 + 1e-6)
          expect(chosen.pieces.reduce((sum, piece) => sum + piece.count, 0)).toBe(fewest)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('says so when nothing is owned', () => {
    expect(() => bestStack({ ...blade, dps: 15, pieces: [] })).toThrow(expect.objectContaining({ code: 'no-pieces' }))
  })
})

function combinations(counts: readonly number[]): number[][] {
  return counts.reduce<number[][]>(
    (sets, most) => sets.flatMap((set) => Array.from({ length: most + 1 }, (_, count) => [...set, count])),
    [[]],
  )
}
