import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOUR_MS } from '../time'
import { laidTogether, occurrences, occurrencesOfDay, startOfDay, type WeeklySpan } from './serviceClock'

const span = (weekday: number, starts: string, ends: string, more: Partial<WeeklySpan> = {}): WeeklySpan => ({
  id: `${weekday} ${starts}`,
  weekday,
  name: 'service',
  starts,
  ends,
  ...more,
})
const at = (text: string): number => new Date(text).getTime()

describe('services on the house’s own clock', () => {
  it('happen at wall time, in summer and in winter', () => {
    const dinner = [span(6, '18:00', '22:00')]
    const winter = occurrences(dinner, 'Europe/Dublin', at('2026-01-03T00:00:00Z'), at('2026-01-04T00:00:00Z'))
    const summer = occurrences(dinner, 'Europe/Dublin', at('2026-07-04T00:00:00Z'), at('2026-07-05T00:00:00Z'))
    expect(winter[0]?.startMs).toBe(at('2026-01-03T18:00:00Z'))
    expect(summer[0]?.startMs).toBe(at('2026-07-04T17:00:00Z'))
  })

  // Summer time in the European Union begins on the last Sunday of March at 01:00 UTC (Directive 2000/84/EC).
  it('lose an hour in the night the clocks go forward', () => {
    const night = [span(7, '00:30', '04:30')]
    const [short] = occurrences(night, 'Europe/Paris', at('2026-03-28T12:00:00Z'), at('2026-03-29T12:00:00Z'))
    const [usual] = occurrences(night, 'Europe/Paris', at('2026-03-21T12:00:00Z'), at('2026-03-22T12:00:00Z'))
    expect((usual?.endMs ?? 0) - (usual?.startMs ?? 0)).toBe(4 * HOUR_MS)
    expect((short?.endMs ?? 0) - (short?.startMs ?? 0)).toBe(3 * HOUR_MS)
  })

  it('may run past midnight', () => {
    const [late] = occurrences(
      [span(5, '21:00', '01:30')],
      'UTC',
      at('2026-03-07T00:30:00Z'),
      at('2026-03-07T00:45:00Z'),
    )
    expect(late).toMatchObject({ startMs: at('2026-03-06T21:00:00Z'), endMs: at('2026-03-07T01:30:00Z') })
  })

  it('belong only to the weeks that kept them', () => {
    const changed = [
      span(1, '12:00', '14:00', { untilMs: at('2026-03-10T00:00:00Z') }),
      span(1, '11:00', '15:00', { fromMs: at('2026-03-10T00:00:00Z') }),
    ]
    const found = occurrences(changed, 'UTC', at('2026-03-01T00:00:00Z'), at('2026-03-31T00:00:00Z'))
    expect(found.map((one) => new Date(one.startMs).toISOString().slice(5, 16))).toEqual([
      '03-02T12:00',
      '03-09T12:00',
      '03-16T11:00',
      '03-23T11:00',
      '03-30T11:00',
    ])
  })

  it('of a day begin on that day', () => {
    const week = [span(1, '22:00', '02:00'), span(2, '12:00', '14:00'), span(2, '18:00', '23:00')]
    const tuesday = occurrencesOfDay(week, 'America/New_York', at('2026-03-10T20:00:00Z'))
    expect(tuesday.map((one) => one.spanId)).toEqual(['2 12:00', '2 18:00'])
    expect(startOfDay(at('2026-03-10T02:00:00Z'), 'America/New_York')).toBe(at('2026-03-09T04:00:00Z'))
  })
})

describe('windows that overlap', () => {
  const window = (startMs: number, endMs: number): Parameters<typeof laidTogether>[0][number] => ({
    spanId: `${startMs}`,
    name: 'quiet',
    startMs,
    endMs,
  })
  const spans = (all: readonly (readonly [number, number])[]): number[][] =>
    laidTogether(all.map(([from, to]) => window(from, to))).map(({ startMs, endMs }) => [startMs, endMs])

  it('are one window', () => {
    expect(
      spans([
        [30, 60],
        [0, 40],
      ]),
    ).toEqual([[0, 60]])
    expect(
      spans([
        [0, 90],
        [10, 20],
        [80, 95],
        [200, 210],
      ]),
    ).toEqual([
      [0, 95],
      [200, 210],
    ])
    expect(
      spans([
        [0, 60],
        [60, 90],
      ]),
    ).toEqual([
      [0, 60],
      [60, 90],
    ])
  })

  it('cover the same moments as before, none of them twice', () => {
    const moments = fc.array(fc.tuple(fc.nat(60), fc.integer({ min: 1, max: 20 })), { maxLength: 12 })
    fc.assert(
      fc.property(moments, (starts) => {
        const before = starts.map(([from, minutes]) => [from, from + minutes] as const)
        const after = spans(before)
        for (let at = 0; at < 90; at++) {
          const covers = (all: readonly (readonly number[])[]): number =>
            all.filter(([from = 0, to = 0]) => from <= at && at < to).length
          expect(covers(after)).toBe(Math.min(1, covers(before)))
        }
      }),
    )
  })
})
