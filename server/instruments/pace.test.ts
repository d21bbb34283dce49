import { describe, expect, it } from 'vitest'
import { paceOf } from './pace'

describe('lines of one sender', () => {
  const limits = { perSecond: 10, atOnce: 20, patience: 5 }

  it('pass at the rate they may, however long', () => {
    let nowMs = 0
    const next = paceOf(limits, () => nowMs)
    const all = Array.from({ length: 1000 }, () => {
      nowMs += 100
      return next()
    })
    expect(new Set(all)).toEqual(new Set(['pass']))
  })

  it('that come all at once pass as many as may, are dropped, and end', () => {
    const next = paceOf(limits, () => 0)
    const all = Array.from({ length: 30 }, () => next())
    expect(all.filter((one) => one === 'pass')).toHaveLength(20)
    expect(all.slice(20, 25)).toEqual(Array(5).fill('drop'))
    expect(all.slice(25)).toEqual(Array(5).fill('enough'))
  })
})
