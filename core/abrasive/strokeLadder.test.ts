import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pressingForce } from './removal'
import { pressingOnRung, STROKE_SCHEMES, strokeLadder } from './strokeLadder'

describe('pressing along a ladder', () => {
  const falling = strokeLadder('falling', 'dull')

  // firm on the coarse stone, lighter set by set, a few N at the end (common practice).
  it('starts firm on the stone that takes the metal, and ends at a few newtons', () => {
    const heaviest = pressingForce({ micron: 30 })
    expect(heaviest).toBeGreaterThanOrEqual(12)
    expect(pressingOnRung(falling, heaviest, 0)).toBe(heaviest)
    expect(pressingOnRung(falling, heaviest, 0.99)).toBeLessThanOrEqual(4)
    expect(pressingOnRung(falling, heaviest, 1.8)).toBeLessThanOrEqual(4)
  })

  it('is never heavy on diamond, and two hands press on a face', () => {
    expect(pressingForce({ micron: 63, diamond: true, part: 'face' })).toBeLessThanOrEqual(12)
    expect(pressingForce({ micron: 63, part: 'face' })).toBeGreaterThan(pressingForce({ micron: 63, part: 'chip' }))
  })

  it('changes with the rung: 20 strokes at the first pressure, then lighter', () => {
    expect([0, 19, 20, 30, 35, 38, 40].map((stroke) => pressingOnRung(falling, 20, stroke / 41))).toEqual([
      20, 20, 17, 13, 10, 6, 3,
    ])
  })

  it('never gets heavier, whatever the ladder', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...STROKE_SCHEMES),
        fc.constantFrom('kept-up', 'dull', 'very-dull'),
        fc.integer({ min: 3, max: 27 }),
        (scheme, condition, heaviest) => {
          const rungs = strokeLadder(scheme, condition)
          const path = Array.from({ length: 30 }, (_, index) => pressingOnRung(rungs, heaviest, index / 25))
          for (const [index, newtons] of path.entries()) {
            expect(newtons).toBeLessThanOrEqual(Math.max(heaviest, 3))
            if (index > 0) expect(newtons).toBeLessThanOrEqual(path[index - 1] ?? Infinity)
          }
        },
      ),
    )
  })
})
