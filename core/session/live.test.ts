import { describe, expect, it } from 'vitest'
import { isDrifting, judgeAngle, judgePress } from './live'

describe('a live angle', () => {
  it('is within a steady hand, too steep or too flat', () => {
    expect([16, 17, 18.4].map((dps) => judgeAngle(dps, 17))).toEqual(['within', 'within', 'within'])
    expect(judgeAngle(20, 17)).toBe('high')
    expect(judgeAngle(12, 17)).toBe('low')
  })

  it('drifts when it creeps away, not when it trembles', () => {
    const tremble = [16.4, 17.6, 16.8, 17.3, 16.5, 17.4, 16.9, 17.2, 16.6, 17.5, 16.8, 17.1]
    expect(isDrifting(tremble)).toBe(false)
    expect(isDrifting(tremble.map((dps, index) => dps + 0.35 * index))).toBe(true)
    expect(isDrifting([10, 30])).toBe(false)
  })
})

describe('pressing', () => {
  // 18–27 N at the start, falling to light; finishing strokes take a few N (common practice).
  it('is judged against what the stone wants', () => {
    expect(judgePress(20, 20)).toBe('within')
    expect(judgePress(34, 20)).toBe('high')
    expect(judgePress(6, 12)).toBe('low')
    expect(judgePress(4.5, 4)).toBe('within')
    expect(judgePress(12, 4)).toBe('high')
  })
})
