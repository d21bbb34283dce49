import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  CellFault,
  choice,
  day,
  json,
  length,
  moment,
  number,
  pattern,
  plain,
  readDecimal,
  text,
  yesNo,
  type CellContext,
} from './cells'

const mm: CellContext = { unit: 'mm', zone: 'Europe/Dublin' }
const inches: CellContext = { unit: 'in', zone: 'Europe/Dublin' }

describe('a number in a cell', () => {
  it.each([
    ['48', 48],
    ['48.5', 48.5],
    ['48,5', 48.5],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['1 234,5', 1234.5],
    [' 12 mm ', 12],
    ['57 HRC', 57],
    ['17°', 17],
    ['€ 89,90', 89.9],
    ['312 gf', 312],
    ['-3', -3],
    ['.5', 0.5],
  ])('%j is %d', (written, value) => {
    expect(readDecimal(written)).toBe(value)
  })

  it.each(['', 'tall', '4-8', '1e5', '--3', '0x10', 'NaN', 'Infinity', '12 mm 3'])('%j is no number', (written) => {
    expect(() => readDecimal(written)).toThrow(CellFault)
  })

  it('reads back whatever a spreadsheet of either kind writes', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 99_999, noNaN: true }), (value) => {
        const rounded = Math.round(value * 100) / 100
        for (const locale of ['en-GB', 'de-DE']) {
          const written = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(
            rounded,
          )
          expect(readDecimal(written)).toBeCloseTo(rounded, 6)
        }
      }),
    )
  })

  it('stays inside its bounds, and says which they are', () => {
    expect(number(10, 5000)('240', mm)).toBe(240)
    expect(() => number(10, 5000)('-3', mm)).toThrow(
      expect.objectContaining({ key: 'out-of-range', values: { text: '-3', low: 10, high: 5000 } }),
    )
  })
})

describe('a length in a cell', () => {
  it('is taken in the unit of its header', () => {
    expect(length(40, 600)('240', mm)).toBe(240)
    // 1 inch is 25.4 mm exactly (international yard and pound agreement, 1959)
    expect(length(40, 600)('10', inches)).toBe(254)
  })

  it('is judged in millimetres, whatever it was written in', () => {
    expect(() => length(40, 600)('240', inches)).toThrow(CellFault)
    expect(() => length(40, 600)('9.5', mm)).toThrow(CellFault)
  })
})

describe('other cells', () => {
  it.each([
    ['yes', true],
    ['Y', true],
    ['x', true],
    ['ja', true],
    ['no', false],
    ['0', false],
    ['-', false],
  ])('%j means %s', (written, meant) => {
    expect(yesNo(written, mm)).toBe(meant)
  })

  it('is neither yes nor no when it says perhaps', () => {
    expect(() => yesNo('perhaps', mm)).toThrow(expect.objectContaining({ key: 'not-yes-or-no' }))
  })

  it('knows a choice by any of its spellings', () => {
    const read = choice(['chef', 'boning-stiff'], { 'chefs knife': 'chef', 'boning knife': 'boning-stiff' })
    expect(
      ['Chef', 'CHEF’S KNIFE', "chef's  knife", 'Boning stiff', 'boning-STIFF', 'Boning knife'].map((written) =>
        read(written, mm),
      ),
    ).toEqual(['chef', 'chef', 'chef', 'boning-stiff', 'boning-stiff', 'boning-stiff'])
    expect(() => read('axe', mm)).toThrow(expect.objectContaining({ key: 'not-one-of' }))
  })

  it('compares names without accents, case, apostrophes and punctuation', () => {
    expect(plain('  Sauté – Nº 2 ')).toBe(plain('saute no 2'))
    expect(plain('Chef’s')).toBe(plain("CHEF'S"))
  })

  it('takes a calendar day and no other', () => {
    expect(day('2026-02-28', mm)).toBe('2026-02-28')
    for (const wrong of ['2026-02-30', '28.02.2026', '2026-2-8', 'today'])
      expect(() => day(wrong, mm)).toThrow(CellFault)
  })

  it('takes a moment with an offset as it is, and without one on the house’s own wall', () => {
    expect(moment('2026-07-01T16:40:00Z', mm).toISOString()).toBe('2026-07-01T16:40:00.000Z')
    expect(moment('2026-07-01T16:40:00+02:00', mm).toISOString()).toBe('2026-07-01T14:40:00.000Z')
    // Ireland is an hour ahead of UTC in summer
    expect(moment('2026-07-01 16:40', mm).toISOString()).toBe('2026-07-01T15:40:00.000Z')
    expect(moment('2026-01-01 16:40', mm).toISOString()).toBe('2026-01-01T16:40:00.000Z')
    expect(() => moment('01/07/2026 16:40', mm)).toThrow(expect.objectContaining({ key: 'not-a-moment' }))
  })

  it('refuses days and hours that no calendar has, with or without an offset', () => {
    const wrong = [
      '2026-02-30 12:00',
      '2026-02-30T12:00Z',
      '2026-03-01 25:10',
      '2026-13-01 10:00',
      '2026-03-01T10:61+01:00',
    ]
    for (const raw of wrong) expect(() => moment(raw, mm)).toThrow(expect.objectContaining({ key: 'no-such-moment' }))
    expect(() => day('2026-02-30', mm)).toThrow()
  })

  // Clocks in this zone go back at 02:00 on 25 October 2026 and forward at 01:00 on 29 March 2026 (IANA time zone data).
  it('says so where the clock change makes an hour come twice or never, and takes it with an offset', () => {
    expect(() => moment('2026-10-25 01:30', mm)).toThrow(expect.objectContaining({ key: 'hour-twice' }))
    expect(() => moment('2026-03-29 01:30', mm)).toThrow(expect.objectContaining({ key: 'hour-skipped' }))
    expect(moment('2026-10-25 01:30+01:00', mm).toISOString()).toBe('2026-10-25T00:30:00.000Z')
    expect(moment('2026-10-25 02:30', mm).toISOString()).toBe('2026-10-25T02:30:00.000Z')
    expect(moment('2026-10-25 00:30', mm).toISOString()).toBe('2026-10-24T23:30:00.000Z')
  })

  it('refuses what is too long, misshapen or no JSON', () => {
    expect(() => text(3)('four', mm)).toThrow(expect.objectContaining({ key: 'too-long' }))
    expect(() => pattern(/^\d{4}$/, (raw) => raw, 'not-a-pin')('12a4', mm)).toThrow(
      expect.objectContaining({ key: 'not-a-pin' }),
    )
    expect(json('{"a":1}', mm)).toEqual({ a: 1 })
    expect(() => json('{a:1}', mm)).toThrow(expect.objectContaining({ key: 'not-json' }))
  })
})
