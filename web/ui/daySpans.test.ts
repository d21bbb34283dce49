import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAY_BEGINS_MIN, DAY_MIN, draggedSpan, SNAP_MIN, spanMinutes } from './daySpans'

const dinner = { starts: '17:30', ends: '22:00' }

describe('a span of a day', () => {
  it('lies where its clock says, beyond midnight too', () => {
    expect(spanMinutes(dinner)).toEqual({ from: 1050, to: 1320 })
    expect(spanMinutes({ starts: '18:00', ends: '01:30' })).toEqual({ from: 1080, to: 1530 })
    expect(spanMinutes({ starts: '00:30', ends: '02:00' })).toEqual({ from: 1470, to: 1560 })
  })

  it('is dragged as a whole, or by one end, in quarters of an hour', () => {
    expect(draggedSpan(dinner, 37, 'whole')).toEqual({ starts: '18:00', ends: '22:30' })
    expect(draggedSpan(dinner, -60, 'starts')).toEqual({ starts: '16:30', ends: '22:00' })
    expect(draggedSpan(dinner, 150, 'ends')).toEqual({ starts: '17:30', ends: '00:30' })
  })

  it('keeps a quarter of an hour, and its day', () => {
    expect(draggedSpan(dinner, 900, 'starts')).toEqual({ starts: '21:45', ends: '22:00' })
    expect(draggedSpan(dinner, -900, 'ends')).toEqual({ starts: '17:30', ends: '17:45' })
    expect(draggedSpan(dinner, 2000, 'whole')).toEqual({ starts: '00:30', ends: '05:00' })
    expect(draggedSpan(dinner, -2000, 'whole')).toEqual({ starts: '05:00', ends: '09:30' })
  })

  it('never leaves its day nor turns round, however it is dragged', () => {
    const quarter = fc.integer({ min: 0, max: 90 })
    fc.assert(
      fc.property(
        quarter,
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: -3000, max: 3000 }),
        fc.constantFrom('whole', 'starts', 'ends'),
        (at, length, by, part) => {
          const clock = (minutes: number): string =>
            `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
          const from = DAY_BEGINS_MIN + at * SNAP_MIN
          const span = {
            starts: clock(from),
            ends: clock(Math.min(from + length * SNAP_MIN, DAY_BEGINS_MIN + DAY_MIN)),
          }
          const after = spanMinutes(draggedSpan(span, by, part))
          expect(after.from).toBeGreaterThanOrEqual(DAY_BEGINS_MIN)
          expect(after.to).toBeLessThanOrEqual(DAY_BEGINS_MIN + DAY_MIN)
          expect(after.to - after.from).toBeGreaterThanOrEqual(SNAP_MIN)
        },
      ),
    )
  })
})
