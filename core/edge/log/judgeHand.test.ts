import { describe, expect, it } from 'vitest'
import { initialState, type KnifeState } from './state'
import { isJudgementDue } from './judgeHand'

const spec = {
  dps: 17,
  hrc: 57,
  carbides: {},
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
const used = (hours: number, more: Partial<KnifeState> = {}): KnifeState => {
  const state = initialState(spec, 0, 'in-use')
  return {
    ...state,
    sharpening: { ...state.sharpening, personId: 'oda', hours, judged: false },
    checkedMs: 0,
    hoursSinceCheck: hours,
    ...more,
  }
}

// A sharpening is judged after five to six hours of use, not off the stone (common practice).
describe('the verdict that counts', () => {
  it('is asked for after five hours of use, and not for ever', () => {
    expect([1, 4.5, 5, 6, 8, 8.5].map((hours) => isJudgementDue(used(hours)))).toEqual([
      false,
      false,
      true,
      true,
      true,
      false,
    ])
  })

  it('is not asked for once it was given, by a reading or by a sign, nor of an edge nobody sharpened', () => {
    const given = used(6)
    expect(isJudgementDue({ ...given, sharpening: { ...given.sharpening, judged: true } })).toBe(false)
    expect(isJudgementDue(used(6, { hoursSinceCheck: 1 }))).toBe(false)
    expect(isJudgementDue({ ...given, sharpening: { ...given.sharpening, personId: null } })).toBe(false)
  })
})
