import { pmt } from 'financial'
import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { chance } from '../statistics/random'
import { DAY_MS } from '../time'
import { chanceBefore, expectedCost } from './purchases'
import { yearlyRate } from './rate'
import { medianLife, survival, type Lifetime } from './survival'
import { toldByWeek } from './weeks'
import { bookValue, yearlyCost } from './writeOff'

describe('what a thing costs a year', () => {
  it.each([
    [180, 8, 0.05],
    [64, 2.5, 0.08],
    [1200, 15, 0.031],
  ])('%d over %d years at %d is the payment of a finance library', (price, years, rate) => {
    expect(yearlyCost(price, years, rate)).toBeCloseTo(-pmt(rate, years, price), 8)
  })

  it('is its share where money costs nothing, and its interest where it lasts for ever', () => {
    expect(yearlyCost(120, 6)).toBe(20)
    expect(yearlyCost(120, 6, 1e-9)).toBeCloseTo(20, 5)
    expect(yearlyCost(120, Infinity, 0.05)).toBeCloseTo(6, 10)
    expect(yearlyCost(0, 6, 0.05)).toBe(0)
  })

  it.each([
    [-1, 5, 0],
    [10, 0, 0],
    [10, 5, -0.1],
    [NaN, 5, 0],
  ])('is refused of %d over %d years at %d', (price, years, rate) => {
    expect(() => yearlyCost(price, years, rate)).toThrow()
  })

  it('leaves nothing after its life, and no more than its price before', () => {
    expect([bookValue(80, 0), bookValue(80, 0.25), bookValue(80, 1.4), bookValue(80, -1)]).toEqual([80, 60, 0, 80])
  })
})

describe('how long knives last', () => {
  // remission of leukaemia under 6-mercaptopurine, weeks (Freireich and others 1963), the standard example of textbooks on
  // survival; the shares as printed there, from memory
  const ENDED = [6, 6, 6, 7, 10, 13, 16, 22, 23]
  const WATCHED = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35]
  const patients: Lifetime[] = [
    ...ENDED.map((time) => ({ time, ended: true })),
    ...WATCHED.map((time) => ({ time, ended: false })),
  ]
  it('is estimated as in the textbook, with Greenwood’s error', () => {
    const steps = survival(patients)
    expect(steps.map(({ time, atRisk }) => [time, atRisk])).toEqual([
      [6, 21],
      [7, 17],
      [10, 15],
      [13, 12],
      [16, 11],
      [22, 7],
      [23, 6],
    ])
    expect(steps.map(({ share }) => Math.round(share * 1000))).toEqual([857, 807, 753, 690, 627, 538, 448])
    expect(steps[0]?.error).toBeCloseTo(0.0764, 4)
    expect(steps.at(-1)?.error).toBeCloseTo(0.1346, 4)
    expect(medianLife(steps)).toBe(23)
  })

  it('is the plain share where all have ended, and unknown where none has', () => {
    const all = [1, 2, 3, 4].map((time) => ({ time, ended: true }))
    expect(survival(all).map(({ share }) => share)).toEqual(
      [0.75, 0.5, 0.25, 0].map((share) => expect.closeTo(share, 12) as number),
    )
    expect(medianLife(survival(all.map((one) => ({ ...one, ended: false }))))).toBeNull()
  })
})

describe('how often something happens', () => {
  it.each([0, 1, 5, 10, 37])('%i times has the exact interval of a Poisson mean, by chi-squared', (count) => {
    // Garwood 1936: half the chi-squared quantiles with 2n and 2n + 2 degrees of freedom
    const { low, high } = yearlyRate(count, 1, 0.95)
    expect(low).toBeCloseTo(count === 0 ? 0 : jStat.chisquare.inv(0.025, 2 * count) / 2, 5)
    expect(high).toBeCloseTo(jStat.chisquare.inv(0.975, 2 * count + 2) / 2, 5)
  })

  it('agrees with the printed table for five and ten, 95 % (from memory)', () => {
    expect(yearlyRate(5, 1, 0.95)).toMatchObject({
      low: expect.closeTo(1.62, 2) as number,
      high: expect.closeTo(11.67, 2) as number,
    })
    expect(yearlyRate(10, 2, 0.95)).toMatchObject({
      perYear: 5,
      low: expect.closeTo(2.4, 2) as number,
      high: expect.closeTo(9.2, 2) as number,
    })
  })

  it('is asked of whole counts over some time', () => {
    expect(() => yearlyRate(-1, 1)).toThrow('out-of-range')
    expect(() => yearlyRate(1.5, 1)).toThrow('out-of-range')
    expect(() => yearlyRate(1, 0)).toThrow('not-positive')
  })
})

describe('what has to be bought', () => {
  const NOW = Date.parse('2026-11-24T12:00:00Z')
  const YEAR = 365 * DAY_MS
  it('is even odds at its middle date, and one in ten before the early one', () => {
    const band = { earlyMs: NOW + YEAR / 2, middleMs: NOW + YEAR, lateMs: NOW + 2 * YEAR }
    expect(chanceBefore(band, band.middleMs, NOW)).toBeCloseTo(0.5, 6)
    expect(chanceBefore(band, band.earlyMs, NOW)).toBeCloseTo(0.1, 3)
    expect(chanceBefore(band, band.lateMs, NOW)).toBeCloseTo(0.9, 3)
    expect(chanceBefore({ ...band, middleMs: NOW - 1 }, NOW, NOW)).toBe(1)
  })

  it('costs what its chances say, as drawing lots would show', () => {
    const purchases = [
      { chance: 0.9, price: 100 },
      { chance: 0.5, price: 40 },
      { chance: 0.2, price: 300 },
      { chance: 0.7, price: null },
    ]
    const { sum, sd, unpriced } = expectedCost(purchases)
    const luck = chance(5)
    const DRAWS = 40_000
    const drawn = Array.from({ length: DRAWS }, () =>
      purchases.reduce((all, one) => all + (luck.happens(one.chance) ? (one.price ?? 0) : 0), 0),
    )
    expect(sum).toBeCloseTo(170, 10)
    expect(jStat.mean(drawn)).toBeCloseTo(sum, -1)
    expect(Math.abs(jStat.stdev(drawn, true) / sd - 1)).toBeLessThan(0.02)
    expect(unpriced).toBe(0.7)
  })
})

describe('week by week', () => {
  const UNTIL = Date.parse('2026-11-24T12:00:00Z')
  const said = (daysAgo: number, more: object) => ({
    atMs: UNTIL - daysAgo * DAY_MS,
    knifeId: 'a',
    stationId: 's',
    limitGf: 350,
    dullestGf: null,
    minutes: null,
    ...more,
  })
  it('counts each event in one week alone, and leaves a gap a gap', () => {
    const weeks = toldByWeek(
      [
        said(1, { dullestGf: 300 }),
        said(2, { dullestGf: 400, knifeId: 'b' }),
        said(3, { minutes: 12 }),
        said(8, { minutes: 5 }),
        said(9, {}),
        said(40, { minutes: 9 }),
      ],
      UNTIL,
      3,
    )
    expect(weeks.map(({ measured, within, sessions, minutes }) => [measured, within, sessions, minutes])).toEqual([
      [0, 0, 0, 0],
      [0, 0, 1, 5],
      [2, 1, 1, 12],
    ])
    expect(weeks[2]?.knifeIds).toEqual(['a', 'b'])
    expect(weeks[2]?.fromMs).toBe(UNTIL - 7 * DAY_MS)
  })
})
