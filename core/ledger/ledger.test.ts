import { pmt } from 'financial'
import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { chance } from '../statistics/random'
import { foldHistory } from '../edge/log/history'
import type { KnifeEvent } from '../edge/model/events'
import type { Occurrence } from '../house/serviceClock'
import type { BladeSpec } from '../knife/bladeSpec'
import { ZONES } from '../knife/zones'
import { DAY_MS, HOUR_MS } from '../time'
import { chanceBefore, expectedCost } from './purchases'
import { yearlyRate } from './rate'
import { medianLife, survival, type Lifetime } from './survival'
import { chipsFound, ratesBy } from './harms'
import { stockAhead, stoneEnds, stoneWear } from './stock'
import { knifeWeeks, serviceShares, type KnifeWeeks } from './weeks'
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
  const FROM = Date.parse('2026-11-02T00:00:00Z')
  const service = (day: number): Occurrence => ({
    spanId: String(day),
    name: 'Dinner',
    startMs: FROM + day * DAY_MS + 18 * HOUR_MS,
    endMs: FROM + day * DAY_MS + 22 * HOUR_MS,
  })
  const spec: BladeSpec = {
    dps: 17,
    hrc: 57,
    carbides: { CrC: 2 },
    serrated: false,
    joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
  }
  const usage = {
    services: Array.from({ length: 28 }, (_, day) => service(day)),
    stations: new Map([
      ['line', [{ fromMs: 0, board: 'edge-grain' as const, product: 'vegetables' as const, hoursPerService: 3 }]],
    ]),
  }
  const said = (id: string, day: number, kind: string, payload: object): KnifeEvent =>
    ({ id, kind, atMs: FROM + day * DAY_MS + HOUR_MS, personId: null, payload }) as KnifeEvent
  const story = (limitGf: number): KnifeWeeks =>
    knifeWeeks(
      {
        spec,
        usage,
        limitGf,
        untilMs: FROM + 28 * DAY_MS,
        events: [
          said('a', 0, 'added', { condition: 'new', stationId: 'line', holderId: null }),
          said('b', 15, 'sharpened', { finishMicron: 4, minutes: 12, recessionMm: 0.2 }),
          said('c', 21, 'quarantined', { reason: 'loose' }),
        ],
      },
      FROM,
      4,
    )

  it('has each service of a knife once, in its week, and none while it is out of service', () => {
    const { weeks, served } = story(5000)
    expect(weeks.map(({ week, hours, sessions }) => [week, hours, sessions])).toEqual([
      [0, 21, 0],
      [1, 21, 0],
      [2, 21, 1],
    ])
    expect(served).toHaveLength(21)
    expect(weeks[2]).toMatchObject({ minutes: 12, dullHours: 0 })
    expect(weeks[2]?.steelMm).toBeCloseTo(0.2, 6)
  })

  it('is dull in every service under a limit that no edge keeps, and stands between elsewhere', () => {
    expect(story(40).weeks.every(({ hours, dullHours }) => hours === dullHours)).toBe(true)
    const between = story(260).served.filter(({ dull }) => dull).length
    expect(between).toBeGreaterThan(0)
    expect(between).toBeLessThan(21)
  })

  it('folds to the same edge whether it stops at each service or not', () => {
    const events = [said('a', 0, 'added', { condition: 'new', stationId: 'line', holderId: null })]
    const input = { spec, usage, limitGf: 300, untilMs: FROM + 20 * DAY_MS + 20 * HOUR_MS, events }
    const stops: number[] = []
    const stopping = foldHistory({ ...input, onService: ({ endMs }) => stops.push(endMs) })
    const plain = foldHistory(input)
    expect(stops).toHaveLength(20)
    for (const zone of ZONES) {
      expect(stopping.zones[zone].roll).toBeCloseTo(plain.zones[zone].roll, 9)
      expect(stopping.zones[zone].logSd).toBeCloseTo(plain.zones[zone].logSd, 9)
    }
    expect(stopping.hoursSinceSharpening).toBeCloseTo(plain.hoursSinceSharpening, 9)
  })

  it('counts a service as sharp only when every knife ended it so', () => {
    const at = (day: number, dull: boolean) => ({ startMs: service(day).startMs, stationId: 'line', dull })
    expect(serviceShares([at(0, false), at(0, true), at(1, false), at(8, false), at(40, true)], FROM, 2)).toEqual([
      { services: 2, within: 1 },
      { services: 1, within: 1 },
    ])
  })
})

describe('what is used up', () => {
  const NOW = Date.parse('2026-11-24T12:00:00Z')
  const daysAgo = (days: number): number => NOW - days * DAY_MS
  it('goes as its counts say, purchases between them counted in', () => {
    const ahead = stockAhead(
      [
        { atMs: daysAgo(60), left: 4, added: 0 },
        { atMs: daysAgo(30), left: 5, added: 3 },
        { atMs: daysAgo(10), left: 3, added: 0 },
      ],
      NOW,
      9,
      1,
    )
    // two and two in fifty days
    expect(ahead?.perDay).toBeCloseTo(0.08, 10)
    expect(ahead?.left).toBeCloseTo(2.2, 10)
    expect(ahead?.by).toBe('counts')
    expect(((ahead?.runsOut?.middleMs ?? 0) - NOW) / DAY_MS).toBeCloseTo(27.5, 6)
    expect(ahead?.runsOut?.earlyMs).toBeLessThan(ahead?.runsOut?.middleMs ?? 0)
  })
  it('goes by its uses until there are two counts, and is open where nobody can tell', () => {
    const once = [{ atMs: daysAgo(10), left: 2, added: 0 }]
    expect(stockAhead(once, NOW, 4, 100)).toMatchObject({ by: 'uses', perDay: 0.04, left: 1.6 })
    expect(stockAhead(once, NOW, 4, null)).toMatchObject({ by: 'nothing', perDay: null, runsOut: null, left: 2 })
    expect(stockAhead([], NOW, 4, 100)).toBeNull()
    // more there than could be: a count that forgot what was bought uses up nothing
    expect(stockAhead([...once, { atMs: NOW, left: 5, added: 0 }], NOW, 0, null)?.by).toBe('nothing')
  })
  it('wears a stone by two measures, or as stones do, and never below nothing', () => {
    const two = stoneWear(
      [
        { mm: 25, knives: 0 },
        { mm: 21, knives: 80 },
      ],
      100,
      5,
    )
    expect(two).toMatchObject({ measured: true, mmAKnife: 0.05, nowMm: 20 })
    expect(two?.knivesLeft).toBeCloseTo(300, 6)
    const one = stoneWear([{ mm: 6, knives: 10 }], 500, 5)
    expect(one).toMatchObject({ measured: false, nowMm: 0, knivesLeft: 0, factor: 2 })
    // a ruler cannot tell a tenth
    expect(
      stoneWear(
        [
          { mm: 25, knives: 0 },
          { mm: 24.9, knives: 4 },
        ],
        4,
        5,
      )?.measured,
    ).toBe(false)
    expect(stoneWear([], 10, 5)).toBeNull()
    expect(two && stoneEnds(two, 0, NOW)).toBeNull()
    expect(two && ((stoneEnds(two, 1, NOW)?.middleMs ?? 0) - NOW) / DAY_MS).toBeCloseTo(300, 6)
  })
})

describe('what hurts blades', () => {
  const DAY = DAY_MS
  const check = (day: number, chip: object | null) => ({
    kind: 'checked',
    atMs: day * DAY,
    payload: { defects: { chip } },
  })
  it('is a chip once, until a stone takes it away, with its own cause or that of an accident told before', () => {
    const found = chipsFound(
      [
        check(10, { zone: 'tip' }),
        check(11, { zone: 'tip' }),
        { kind: 'sharpened', atMs: 12 * DAY, payload: {} },
        check(20, { zone: 'tip', cause: 'bone' }),
        { kind: 'sharpened', atMs: 21 * DAY, payload: {} },
        { kind: 'checked', atMs: 22 * DAY, payload: {} },
        check(60, { zone: 'heel' }),
      ],
      [
        { atMs: 8 * DAY, cause: 'plate' },
        { atMs: 19 * DAY, cause: 'drop' },
        { atMs: 50 * DAY, cause: 'sink' },
      ],
    )
    expect(found.map(({ cause }) => cause)).toEqual(['plate', 'bone', null])
  })
  it('is counted most first, each with its exact interval', () => {
    const rates = ratesBy(['bone', null, 'bone'], 1)
    expect(rates.map(({ key, count }) => [key, count])).toEqual([
      ['bone', 2],
      [null, 1],
    ])
    expect(rates[0]).toMatchObject(yearlyRate(2, 1))
  })
})
