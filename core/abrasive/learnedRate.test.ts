import { describe, expect, it } from 'vitest'
import { learnedRate } from './learnedRate'

describe('the rate of a stone in somebody’s hands', () => {
  it('is the table’s until a burr was timed', () => {
    expect(learnedRate([])).toMatchObject({ rate: 1, sessions: 0 })
    expect(learnedRate([{ planned: 5, minutes: 0 }])).toMatchObject({ rate: 1, sessions: 0 })
  })

  it('comes nearer to what the times say the more there are', () => {
    const slow = { planned: 5, minutes: 10 }
    const [once, often] = [learnedRate([slow]), learnedRate(Array.from({ length: 12 }, () => slow))]
    expect(once.rate).toBeLessThan(1)
    expect(once.rate).toBeGreaterThan(0.6)
    expect(often.rate).toBeCloseTo(0.53, 1)
    expect(often.high - often.low).toBeLessThan(once.high - once.low)
  })
})
