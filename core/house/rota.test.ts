import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isPresent, occurrencesWith, overlappingShifts, presences, type Shift } from './rota'

const ZONE = 'Europe/Dublin'
const at = (instant: string): number => Date.parse(instant)
const shift = (weekday: number, starts: string, ends: string, personId = 'oda'): Shift => ({
  id: `${personId}-${weekday}-${starts}`,
  personId,
  weekday,
  starts,
  ends,
})
const iso = (ms: number): string => new Date(ms).toISOString().slice(0, 16)

describe('who is in the house', () => {
  const week = [shift(2, '09:00', '17:00'), shift(3, '18:00', '02:00')]

  it('follows the weekly pattern, past midnight where a shift ends before it starts', () => {
    const all = presences(week, [], ZONE, at('2026-03-09T00:00:00Z'), at('2026-03-16T00:00:00Z'))
    expect(all.map(({ startMs, endMs }) => [iso(startMs), iso(endMs)])).toEqual([
      ['2026-03-10T09:00', '2026-03-10T17:00'],
      ['2026-03-11T18:00', '2026-03-12T02:00'],
    ])
    expect(isPresent(all, 'oda', at('2026-03-12T01:59:00Z'))).toBe(true)
    expect(isPresent(all, 'oda', at('2026-03-12T02:00:00Z'))).toBe(false)
    expect(isPresent(all, 'teun', at('2026-03-10T10:00:00Z'))).toBe(false)
  })

  it('takes a single day in the pattern’s place: other hours, or none', () => {
    const days = [
      { personId: 'oda', day: '2026-03-10', starts: '12:00', ends: '15:00' },
      { personId: 'oda', day: '2026-03-11', starts: null, ends: null },
    ]
    const all = presences(week, days, ZONE, at('2026-03-09T00:00:00Z'), at('2026-03-16T00:00:00Z'))
    expect(all.map(({ startMs, endMs }) => [iso(startMs), iso(endMs)])).toEqual([
      ['2026-03-10T12:00', '2026-03-10T15:00'],
    ])
  })

  it('keeps the wall’s time when the clocks go forward', () => {
    const sundays = presences(
      [shift(7, '09:00', '17:00')],
      [],
      ZONE,
      at('2026-03-20T00:00:00Z'),
      at('2026-04-06T00:00:00Z'),
    )
    expect(sundays.map(({ startMs }) => iso(startMs))).toEqual([
      '2026-03-22T09:00',
      '2026-03-29T08:00',
      '2026-04-05T08:00',
    ])
  })
})

describe('a day unlike its weekday', () => {
  it('puts its own services and windows in the place of the week’s, and nothing on a closed day', () => {
    const lunch = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({
      id: `lunch-${weekday}`,
      weekday,
      name: 'lunch',
      starts: '12:00',
      ends: '14:30',
    }))
    const special = [
      {
        day: '2026-03-11',
        spans: [{ id: 'b', kind: 'service' as const, name: 'banquet', starts: '17:00', ends: '23:30' }],
      },
      { day: '2026-03-12', spans: [] },
    ]
    const found = occurrencesWith(
      lunch,
      special,
      'service',
      ZONE,
      at('2026-03-10T00:00:00Z'),
      at('2026-03-14T00:00:00Z'),
    )
    expect(found.map(({ name, startMs }) => `${name} ${iso(startMs)}`)).toEqual([
      'lunch 2026-03-10T12:00',
      'banquet 2026-03-11T17:00',
      'lunch 2026-03-13T12:00',
    ])
  })
})

describe('shifts that overlap', () => {
  it('are found within a day, past midnight, and from Sunday into Monday', () => {
    expect(overlappingShifts([shift(1, '09:00', '13:00'), shift(1, '12:30', '18:00')])).not.toBeNull()
    expect(overlappingShifts([shift(1, '20:00', '03:00'), shift(2, '02:00', '08:00')])).not.toBeNull()
    expect(overlappingShifts([shift(7, '22:00', '05:00'), shift(1, '04:00', '12:00')])).not.toBeNull()
    expect(
      overlappingShifts([shift(1, '09:00', '13:00'), shift(1, '13:00', '18:00'), shift(2, '09:00', '13:00')]),
    ).toBeNull()
  })

  it('are found whichever of the two comes first', () => {
    const clock = fc.integer({ min: 0, max: 23 }).map((hour) => `${String(hour).padStart(2, '0')}:00`)
    const shifts = fc
      .record({ weekday: fc.integer({ min: 1, max: 7 }), starts: clock, ends: clock })
      .filter(({ starts, ends }) => starts !== ends)
    fc.assert(
      fc.property(shifts, shifts, (a, b) => {
        expect(overlappingShifts([a, b]) === null).toBe(overlappingShifts([b, a]) === null)
      }),
    )
  })
})
