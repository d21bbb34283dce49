import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grainMicrons, jisGrit } from './grain'

describe('grain size', () => {
  // JIS R 6001 medians for fine grades.
  it.each([
    [320, 40],
    [400, 30],
    [600, 20],
    [800, 14],
    [1000, 11.5],
    [1500, 8],
    [2000, 6.7],
    [3000, 4],
    [4000, 3],
    [6000, 2],
    [8000, 1.2],
  ])('JIS #%d is %d µm', (value, micron) => {
    expect(grainMicrons({ scale: 'JIS', value })).toBe(micron)
  })

  // Macro grits of repair stones and plates: FEPA F and P (ISO 8486-1, ISO 6344-2), JIS R 6001-1 with the same F sizes; from memory.
  it.each([
    ['FEPA-F', 80, 185],
    ['FEPA-F', 120, 109],
    ['FEPA-F', 220, 58],
    ['FEPA-P', 80, 201],
    ['FEPA-P', 150, 100],
    ['FEPA-P', 220, 68],
    ['JIS', 120, 109],
  ] as const)('%s %d is %d µm', (scale, value, micron) => {
    expect(grainMicrons({ scale, value })).toBe(micron)
  })

  // ISO 6344-3 medians.
  it.each([
    [400, 35],
    [1000, 18.3],
    [2000, 10.3],
  ])('FEPA P%d is %d µm', (value, micron) => {
    expect(grainMicrons({ scale: 'FEPA-P', value })).toBe(micron)
  })

  it('falls steadily between the grades', () => {
    fc.assert(
      fc.property(fc.integer({ min: 220, max: 7999 }), (grit) => {
        const here = grainMicrons({ scale: 'JIS', value: grit })
        const finer = grainMicrons({ scale: 'JIS', value: grit + 1 })
        expect(finer).toBeLessThan(here)
      }),
    )
  })

  it('refuses what its standard does not grade', () => {
    expect(() => grainMicrons({ scale: 'JIS', value: 30000 })).toThrow(
      expect.objectContaining({ code: 'grade-outside-standard' }),
    )
    expect(() => grainMicrons({ scale: 'FEPA-F', value: 60 })).toThrow(
      expect.objectContaining({ code: 'grade-outside-standard' }),
    )
  })
})

describe('the JIS grit nearest to a grain', () => {
  // JIS R 6001
  it('is the grade itself where the grain is its median', () => {
    for (const grit of [320, 400, 600, 800, 1000, 1500, 2000, 3000, 4000, 6000, 8000])
      expect(jisGrit(grainMicrons({ scale: 'JIS', value: grit }))).toBe(grit)
  })

  it('is the nearest by ratio, and the last grade beyond them', () => {
    expect(jisGrit(12)).toBe(1000)
    expect([jisGrit(200), jisGrit(0.5)]).toEqual([80, 8000])
    // a FEPA P2000 paper is what Japanese stones call about #1000 (10.3 µm, ISO 6344-3)
    expect([1000, 1200]).toContain(jisGrit(grainMicrons({ scale: 'FEPA-P', value: 2000 })))
    expect(() => jisGrit(0)).toThrow()
  })
})
