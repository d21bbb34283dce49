import { describe, expect, it } from 'vitest'
import { NO_LESSONS } from './lessons'
import { addEye, signShare } from './scatter'

const ODA = 'oda'
const seen = (rung: 'paper' | 'skates', forceGf: number) =>
  addEye(NO_LESSONS, {
    kind: 'checked',
    id: 'e',
    atMs: 0,
    personId: ODA,
    payload: { readings: [{ zone: 'tip', forcesGf: [forceGf] }], ladder: [{ zone: 'tip', rung }] },
  })
const often = (rung: 'paper' | 'skates', forceGf: number, times: number) =>
  Array.from({ length: times }).reduce<ReturnType<typeof seen>>(
    (lessons) =>
      addEye(lessons, {
        kind: 'checked',
        id: 'e',
        atMs: 0,
        personId: ODA,
        payload: { readings: [{ zone: 'tip', forcesGf: [forceGf] }], ladder: [{ zone: 'tip', rung }] },
      }),
    NO_LESSONS,
  )

describe('an eye', () => {
  it('is trusted as the table is until a sign was measured as well', () => {
    expect(signShare(NO_LESSONS, ODA)).toBe(1)
    expect(signShare(seen('paper', 245), 'somebody else')).toBe(1)
    const elsewhere = addEye(NO_LESSONS, {
      kind: 'checked',
      id: 'e',
      atMs: 0,
      personId: ODA,
      payload: { readings: [{ zone: 'heel', forcesGf: [400] }], ladder: [{ zone: 'tip', rung: 'paper' }] },
    })
    expect(elsewhere).toBe(NO_LESSONS)
  })

  it('is trusted more the oftener it was right, and less the further it was off, within bounds', () => {
    const [right, wrong] = [often('paper', 245, 12), often('paper', 600, 12)]
    expect(signShare(right, ODA)).toBeCloseTo(Math.sqrt(0.5), 10)
    expect(signShare(wrong, ODA)).toBeGreaterThan(2)
    expect(signShare(often('paper', 600, 500), ODA)).toBe(2.5)
    expect(signShare(often('paper', 245, 500), ODA)).toBe(0.6)
  })

  it('reads a force between the signs beside it as right', () => {
    // 'skates' reaches from halfway to 'draws on fruit' to halfway to 'glints'
    expect(signShare(seen('skates', 400), ODA)).toBe(signShare(seen('skates', 500), ODA))
    expect(signShare(seen('skates', 300), ODA)).toBeGreaterThan(signShare(seen('skates', 400), ODA))
  })
})
