import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CellFault, choice, json, length, number, pattern, readDecimal, spelled, text, type CellContext } from './cells'
import { day, moment, wallTime } from './days'
import { daySpans, weekParts } from './spans'
import { yesNo as yesNoWords } from './spellings/others'
import { plain } from './spellings/plain'

const mm: CellContext = { unit: 'mm', zone: 'Europe/Dublin', dayOrder: 'dmy', decimal: null }
const inches: CellContext = { ...mm, unit: 'in' }
const yesNo = spelled(yesNoWords, 'not-yes-or-no')

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
    expect(readDecimal(written, null)).toBe(value)
  })

  it.each(['', 'tall', '4-8', '1e5', '--3', '0x10', 'NaN', 'Infinity', '12 mm 3'])('%j is no number', (written) => {
    expect(() => readDecimal(written, null)).toThrow(CellFault)
  })

  it('reads back whatever a spreadsheet of either kind writes', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 99_999, noNaN: true }), (value) => {
        const rounded = Math.round(value * 100) / 100
        for (const locale of ['en-GB', 'de-DE']) {
          const written = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(
            rounded,
          )
          expect(readDecimal(written, null)).toBeCloseTo(rounded, 6)
        }
      }),
    )
  })

  it('that means two things is not read before somebody says which', () => {
    for (const written of ['1,234', '1.234', '€ 12.500'])
      expect(() => readDecimal(written, null)).toThrow(expect.objectContaining({ key: 'which-decimal' }))
    expect([readDecimal('1,234', ','), readDecimal('1,234', '.')]).toEqual([1.234, 1234])
    expect([readDecimal('1.234', ','), readDecimal('0.350', null)]).toEqual([1234, 0.35])
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

describe('a length with its unit', () => {
  it.each([
    ['24 cm', 240],
    ['240mm', 240],
    ['9.5"', 241.3],
    ['9 1/2 in', 241.3],
    ['9½″', 241.3],
    ['10-1/4 inch', 260.35],
    ['24,5 cm', 245],
    ['8 Zoll', 203.2],
    ['12 pouces', 304.8],
  ])('%j is %d mm', (written, mmLong) => {
    expect(length(40, 600)(written, inches)).toBeCloseTo(mmLong, 6)
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

  it.each([
    ['2026-02-28', '2026-02-28'],
    ['28.02.2026', '2026-02-28'],
    ['28.2.26', '2026-02-28'],
    ['03/04/2025', '2025-04-03'],
    ['3 Mar 2025', '2025-03-03'],
    ['3. März 2025', '2025-03-03'],
    ['le 3 mars 2025', '2025-03-03'],
    ['3 de marzo de 2025', '2025-03-03'],
    ['March 3, 2025', '2025-03-03'],
    ['3-Dec-24', '2024-12-03'],
    ['Okt 2023', '2023-10-01'],
    ['2022', '2022-01-01'],
    // the day that spreadsheets count as 45000 (ECMA-376, 1900 date base)
    [45_000, '2023-03-15'],
  ])('%j is the day %s', (written, meant) => {
    expect(day(written, mm)).toBe(meant)
  })

  it('takes the month first where the house writes so, and no day that no calendar has', () => {
    expect(day('03/04/2025', { ...mm, dayOrder: 'mdy' })).toBe('2025-03-04')
    for (const wrong of ['2026-02-30', '31/04/2026', 'today', '13/13/2025', 'week 12'])
      expect(() => day(wrong, mm)).toThrow(CellFault)
  })

  it.each([
    ['9', '09:00'],
    ['9am', '09:00'],
    ['9:30 pm', '21:30'],
    ['12 am', '00:00'],
    ['9.30', '09:30'],
    ['17h30', '17:30'],
    ['9 Uhr', '09:00'],
    ['0930', '09:30'],
    ['noon', '12:00'],
    ['24:00', '00:00'],
    [0.5, '12:00'],
  ])('%j is the time %s', (written, meant) => {
    expect(wallTime(written, mm)).toBe(meant)
  })

  it.each(['25:00', '13pm', 'late', '9:75', ''])('%j is no time', (written) => {
    expect(() => wallTime(written, mm)).toThrow(CellFault)
  })

  it('reads the days of a rota as they are written into it', () => {
    const spans = (written: string): string =>
      daySpans(written, mm)
        .map(({ starts, ends }) => `${starts}-${ends}`)
        .join(' ')
    expect(spans('9-17')).toBe('09:00-17:00')
    expect(spans('10:00–15:00, 17:00–23:00')).toBe('10:00-15:00 17:00-23:00')
    expect(spans('9am to 5pm')).toBe('09:00-17:00')
    expect(spans('6-10pm')).toBe('18:00-22:00')
    expect(spans('17:00-01:00')).toBe('17:00-01:00')
    for (const off of ['off', 'Frei', 'repos', 'X', 'libre']) expect(spans(off)).toBe('')
    expect(() => spans('9-5')).toThrow(expect.objectContaining({ key: 'which-half' }))
    expect(() => spans('double')).toThrow(CellFault)
  })

  it('reads weekdays with their hours', () => {
    expect(weekParts('Mon–Wed 9–17; Sat 10–14', mm)).toEqual([
      { weekdays: ['monday', 'tuesday', 'wednesday'], spans: [{ starts: '09:00', ends: '17:00' }] },
      { weekdays: ['saturday'], spans: [{ starts: '10:00', ends: '14:00' }] },
    ])
    expect(weekParts('Fr–Mo', mm)[0]).toEqual({ weekdays: ['friday', 'saturday', 'sunday', 'monday'], spans: null })
  })

  it('takes a moment with an offset as it is, and without one on the house’s own wall', () => {
    expect(moment('2026-07-01T16:40:00Z', mm).toISOString()).toBe('2026-07-01T16:40:00.000Z')
    expect(moment('2026-07-01T16:40:00+02:00', mm).toISOString()).toBe('2026-07-01T14:40:00.000Z')
    // Ireland is an hour ahead of UTC in summer
    expect(moment('2026-07-01 16:40', mm).toISOString()).toBe('2026-07-01T15:40:00.000Z')
    expect(moment('2026-01-01 16:40', mm).toISOString()).toBe('2026-01-01T16:40:00.000Z')
    expect(moment('01/07/2026 16:40', mm).toISOString()).toBe('2026-07-01T15:40:00.000Z')
    expect(moment('1 Jul 2026, 4:40pm', mm).toISOString()).toBe('2026-07-01T15:40:00.000Z')
    expect(() => moment('yesterday 16:40', mm)).toThrow(expect.objectContaining({ key: 'not-a-moment' }))
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
