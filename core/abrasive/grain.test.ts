import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grainMicrons, jisGrit } from './grain'
import { removalRate } from './removal'

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
    expect(() => grainMicrons({ scale: 'FEPA-F', value: 100 })).toThrow(
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
    expect([jisGrit(200), jisGrit(0.5)]).toEqual([220, 8000])
    // a FEPA P2000 paper is what Japanese stones call about #1000 (10.3 µm, ISO 6344-3)
    expect([1000, 1200]).toContain(jisGrit(grainMicrons({ scale: 'FEPA-P', value: 2000 })))
    expect(() => jisGrit(0)).toThrow()
  })
})

describe('removal after Preston (1927)', () => {
  it('is proportional to pressing force and grain', () => {
    const once = removalRate({ micron: 11.5, newtons: 10, hrc: 57 })
    expect(once).toBeCloseTo(1.2, 12)
    expect(removalRate({ micron: 23, newtons: 10, hrc: 57 })).toBeCloseTo(2 * once, 12)
    expect(removalRate({ micron: 11.5, newtons: 30, hrc: 57 })).toBeCloseTo(3 * once, 12)
  })

  // Very hard steel takes two to three times as long, and diamond is the way round it (common practice).
  it('takes two to three times as long on very hard steel, except on diamond', () => {
    const soft = removalRate({ micron: 11.5, newtons: 10, hrc: 57 })
    const hard = removalRate({ micron: 11.5, newtons: 10, hrc: 64 })
    expect(soft / hard).toBeGreaterThanOrEqual(2)
    expect(soft / hard).toBeLessThanOrEqual(3)
    expect(removalRate({ micron: 11.5, newtons: 10, hrc: 64, diamond: true })).toBe(soft)
  })
})
