import { describe, expect, it } from 'vitest'
import { MeasureError } from '../measure'
import { shareInterval } from './shareInterval'

const Z_95 = 1.959963984540054

describe('the interval of a share', () => {
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('of %i in %i is that of the printed table', (hits, n, low, high) => {
    // R. G. Newcombe, Statistics in Medicine 17 (1998) 857–872, table I, method 3, to its four places (from memory)
    const interval = shareInterval(hits, n, Z_95)
    expect(interval.low).toBeCloseTo(low, 4)
    expect(interval.high).toBeCloseTo(high, 4)
    expect(interval.share).toBe(hits / n)
  })

  it('holds the truth about as often as it says', () => {
    // exactly, over every count that a binomial of this share can give
    for (const [truth, n] of [
      [0.5, 12],
      [0.9, 20],
      [0.97, 60],
    ] as const) {
      let held = 0
      let chance = (1 - truth) ** n
      for (let hits = 0; hits <= n; hits++) {
        const { low, high } = shareInterval(hits, n)
        if (low <= truth && truth <= high) held += chance
        chance *= ((n - hits) / (hits + 1)) * (truth / (1 - truth))
      }
      expect(held).toBeGreaterThan(0.72)
      expect(held).toBeLessThan(0.95)
    }
  })

  it('refuses counts that cannot be', () => {
    expect(() => shareInterval(3, 2)).toThrow(MeasureError)
    expect(() => shareInterval(0, 0)).toThrow(MeasureError)
    expect(() => shareInterval(-1, 5)).toThrow(MeasureError)
  })
})
