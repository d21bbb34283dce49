import { describe, expect, it } from 'vitest'
import { BY_CONDITION, SCHOOLS } from '../../core/policy/policy'
import type { YearBand, YearOutcome } from '../../core/year/yearHouse'
import { formats } from '../../words/format'
import { speaker } from '../../words/say'
import { dullPercent, moneyOf, yearRows, yearSentence, yearWays } from './yearRows'

const say = speaker()
const written = formats('en-IE', 'Europe/Dublin', 'mm')
const band = (mean: number): YearBand => ({ mean, low: 0.9 * mean, high: 1.1 * mean })
const outcome = (dullHours: number, minutes: number, more: Partial<YearOutcome> = {}): YearOutcome => ({
  serviceHours: band(1000),
  dullHours: band(dullHours),
  minutes: band(minutes),
  sessions: band(10),
  steelMm: band(1),
  thinnings: band(0),
  retirements: band(0),
  sentOut: band(0),
  daysAway: band(0),
  ...more,
})
const NO_PRICES = { hour: null, knife: null, grinder: null }

describe('ways of a year', () => {
  it('are each school and the grinder, and the house’s own first where it has rules', () => {
    expect(yearWays([], 8)).toHaveLength(SCHOOLS.length + 1)
    const own = yearWays([{ ...BY_CONDITION, scope: 'house', of: '', school: 'weekly' }], 8)
    expect([own[0]?.kind, own.at(-1)]).toEqual(['rules', { kind: 'sent-out', weeks: 8 }])
    const names = yearRows(
      own,
      own.map(() => outcome(1, 1)),
      NO_PRICES,
      say,
    ).map(({ name }) => name)
    expect(new Set(names).size).toBe(own.length)
    expect(names[0]).toBe('As the house does now')
  })

  it('that were not played to the end have no row', () => {
    expect(yearRows(yearWays([], 8), [], NO_PRICES, say)).toEqual([])
  })
})

describe('what a year costs', () => {
  it('is work, knives worn out and the grinder, by the chef’s figures; nothing where none was said', () => {
    expect(moneyOf(outcome(0, 600), NO_PRICES)).toBeNull()
    const more = { retirements: band(2), sentOut: band(10) }
    expect(moneyOf(outcome(0, 600, more), { hour: 20, knife: 90, grinder: 8 })?.mean).toBe(200 + 180 + 80)
    expect(moneyOf(outcome(0, 600, more), { ...NO_PRICES, knife: 90 })?.mean).toBe(180)
  })

  it('is a share of the hours worked, where there were any', () => {
    const [row] = yearRows(yearWays([], 8), [outcome(250, 1)], NO_PRICES, say)
    expect(row && dullPercent(row)).toBe(25)
    const [idle] = yearRows(yearWays([], 8), [outcome(0, 0, { serviceHours: band(0) })], NO_PRICES, say)
    expect(idle && dullPercent(idle)).toBe(0)
  })
})

describe('the year in sentences', () => {
  const ways = yearWays([{ ...BY_CONDITION, scope: 'house', of: '', school: 'few-a-year' }], 8)
  const of = (...outcomes: readonly YearOutcome[]) => yearRows(ways.slice(0, outcomes.length), outcomes, NO_PRICES, say)

  it('weighs dull hours against work, names the fewest and how the house does now', () => {
    // 20 · 900 + 60 against 20 · 30 + 3000 against 20 · 0 + 90000
    const told = yearSentence(of(outcome(900, 60), outcome(30, 3000), outcome(0, 90_000)), 1, say, written)
    expect(told).toContain('When the edge asks for it: 30 h dull, 50 h at the bench, 1.00 mm of each blade.')
    expect(told).toContain(
      'After every job leaves the fewest dull hours: 0 h, for 1500 h at the bench.'.replace(
        '1500',
        written.hours(1500).split(' ')[0] ?? '',
      ),
    )
    expect(told).toContain('As the house does now it is 900 h, for 1 h and 1.00 mm.')
    expect(told).not.toContain('costs least')
  })

  it('says one thing once, and what costs least where somebody said what things cost', () => {
    const rows = yearRows(ways.slice(0, 2), [outcome(5, 60), outcome(900, 30)], { ...NO_PRICES, hour: 20 }, say)
    const told = yearSentence(rows, 1, say, written)
    expect(told).not.toContain('fewest')
    expect(told).not.toContain('it is')
    expect(told).toContain('When the edge asks for it costs least: 10.00 a year.')
    expect(yearSentence([], 0, say, written)).toBe('')
  })
})
