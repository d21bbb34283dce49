import { describe, expect, it } from 'vitest'
import { NO_DEFECTS } from '../../core/edge/model/events'
import { checkPayload, EMPTY_DRAFT, isEmpty, isPlausibleForce, spread, withoutLast, withReading } from './checkDraft'

describe('a check while it is being made', () => {
  it('moves from heel to belly to tip, then stays for repeats', () => {
    const three = [240, 250, 260].reduce(withReading, EMPTY_DRAFT)
    expect(three.forces).toEqual({ heel: [240], belly: [250], tip: [260] })
    const repeat = withReading({ ...three, zone: 'heel' }, 244)
    expect(repeat).toMatchObject({ zone: 'heel', forces: { heel: [240, 244] } })
    expect(spread(repeat.forces.heel)).toEqual({ mean: 242, halfRange: 2 })
  })

  it('can take the last reading off again', () => {
    expect(withoutLast(withReading(EMPTY_DRAFT, 240), 'heel').forces.heel).toEqual([])
  })

  it('says only what was found', () => {
    expect(isEmpty(EMPTY_DRAFT)).toBe(true)
    expect(checkPayload(withReading(EMPTY_DRAFT, 240))).toEqual({
      readings: [{ zone: 'heel', forcesGf: [240] }],
      ladder: [],
    })
    expect(checkPayload({ ...EMPTY_DRAFT, rungs: { tip: 'skates' }, defects: NO_DEFECTS })).toMatchObject({
      ladder: [{ zone: 'tip', rung: 'skates' }],
      defects: NO_DEFECTS,
    })
  })

  it('keeps forces, spots and defects when the whole edge shows a sign', () => {
    const draft = { ...withReading(EMPTY_DRAFT, 240), rungs: { tip: 'skates' as const }, defects: NO_DEFECTS }
    expect(checkPayload(draft, 'paper')).toEqual({
      readings: [{ zone: 'heel', forcesGf: [240] }],
      ladder: [
        { zone: 'whole', rung: 'paper' },
        { zone: 'tip', rung: 'skates' },
      ],
      defects: NO_DEFECTS,
    })
  })

  it('knows a force no tester reads', () => {
    expect([-3, 0, 50_000].map(isPlausibleForce)).toEqual([false, false, false])
    expect(isPlausibleForce(240)).toBe(true)
  })

  it('stops at ten repeats', () => {
    const many = Array.from({ length: 14 }, () => 240).reduce(
      (draft, force) => withReading({ ...draft, zone: 'heel' as const }, force),
      EMPTY_DRAFT,
    )
    expect(many.forces.heel).toHaveLength(10)
  })
})
