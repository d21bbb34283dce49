import { describe, expect, it } from 'vitest'
import { BY_CONDITION, type Policy } from '../policy/policy'
import { chance, type Chance } from '../statistics/random'
import { trueForce, trueHone, trueUse, type TrueEdge, type TrueKnife } from '../../synthetic/trueEdge'
import { compareYears } from './compareYears'
import { playYear } from './playYear'
import { sessionTable } from './sessionTable'
import { AS_IT_IS, type WhatIf, type YearHouse, type YearKnife, type YearOutcome, type YearWay } from './yearHouse'

const knife = (more: Partial<YearKnife> = {}): YearKnife => ({
  id: 'k',
  type: 'chef',
  stationId: 's',
  holderId: 'p',
  blade: {
    lengthMm: 240,
    heelHeightMm: 48,
    spineMm: 2.4,
    bteMm: 0.3,
    bteWhenNewMm: 0.3,
    dps: 17,
    hrc: 57,
    minimumHeightMm: 36,
  },
  newHeightMm: 48,
  thickestMm: 0.5,
  limitGf: 350,
  finishMicron: 4,
  rateUm2PerHour: 3.5,
  rateLogSd: 0,
  factor: 1,
  hoursPerService: 2,
  freshGf: 160,
  roll: 0,
  wornAreaUm2: 0,
  daysSinceStone: 0,
  tool: 'smooth-steel',
  efficiency: 0.6,
  habit: 1,
  ...more,
})
const house = (knives: readonly YearKnife[], more: Partial<YearHouse> = {}): YearHouse => ({
  knives,
  servicesByWeekday: [2, 2, 2, 2, 2, 2, 2],
  benchMinutesByWeekday: [120, 120, 120, 120, 120, 120, 120],
  hands: 2,
  benches: 2,
  stones: [
    { id: '#320', micron: 40 },
    { id: '#1000', micron: 11.5 },
    { id: '#3000', micron: 4 },
  ],
  ...more,
})
const by = (more: Partial<Policy>): YearWay => ({ kind: 'policy', policy: { ...BY_CONDITION, ...more } })
const never = by({ school: 'few-a-year', honing: 'never' })
const year = (own: YearHouse, way: YearWay, whatIf: WhatIf = AS_IT_IS, runs = 6): YearOutcome => {
  const [outcome] = compareYears({ house: own, ways: [way], whatIf, runs, seed: 1 })
  if (!outcome) throw new Error('no year')
  return outcome
}
const fleet = Array.from({ length: 8 }, (_knife, at) => knife({ id: `k${at}`, rateLogSd: 0.4, daysSinceStone: 3 * at }))

describe('a year with a known answer', () => {
  it('of a knife that nobody touches is dull from the hour the edge model says', () => {
    const shut = house([knife()], { benchMinutesByWeekday: [0, 0, 0, 0, 0, 0, 0] })
    const { dullHours, minutes, steelMm } = year(shut, by({ honing: 'never' }))
    // 350 = 160 + 120 + 12·b, b = 2·√(a·tan 17°), a = 3.5·h: 7.95 h once the edge has rolled over altogether
    const widthUm = (350 - 160 - 120) / 12
    const hoursToLimit = widthUm ** 2 / (4 * Math.tan((17 * Math.PI) / 180)) / 3.5
    expect(hoursToLimit).toBeCloseTo(7.95, 2)
    // a year of 2 h twice a day, but for the first hours; the roll takes a day or two to be whole
    expect(dullHours.mean).toBeGreaterThan(0.97 * (365 * 4 - hoursToLimit - 6))
    expect(dullHours.mean).toBeLessThan(1.05 * (365 * 4 - hoursToLimit))
    expect([minutes.mean, steelMm.mean]).toEqual([0, 0])
  })

  it('by the calendar has as many sessions as the calendar has turns, each taking what the removal model says', () => {
    for (const weeks of [2, 4, 8]) {
      const { sessions } = year(house(fleet), by({ school: 'every-weeks', weeks }), AS_IT_IS, 2)
      const turns = fleet.reduce((sum, one) => sum + Math.floor((364 + (one.daysSinceStone ?? 0)) / (7 * weeks)), 0)
      expect(sessions.mean).toBe(turns)
    }
    const one = knife()
    const way = by({ school: 'few-a-year', timesAYear: 2 })
    const { steelMm, sessions } = year(house([one]), way, AS_IT_IS, 1)
    expect(sessions.mean).toBe(1)
    const { stone } = sessionTable(one, house([]).stones, 17)
    expect(1000 * steelMm.mean).toBeGreaterThan(stone(20).steelUm)
    expect(1000 * steelMm.mean).toBeLessThanOrEqual(stone(1e3).steelUm)
  })

  it('has no session where nobody has a minute, and every knife sent out does without one', () => {
    const shut = house(fleet, { benchMinutesByWeekday: [0, 0, 0, 0, 0, 0, 0] })
    expect(year(shut, by({})).sessions.mean).toBe(0)
    const out = year(shut, { kind: 'sent-out', weeks: 8 })
    expect(out.minutes.mean).toBe(0)
    expect(out.sentOut.mean).toBe(out.sessions.mean)
    expect(out.sentOut.mean).toBe(8 * 6)
    // collected and brought: while they are away, others do their work
    const { daysAway, serviceHours } = out
    expect(daysAway.mean).toBe(3 * out.sentOut.mean)
    expect(serviceHours.mean).toBeLessThan(0.97 * year(shut, never).serviceHours.mean)
  })

  it('wears through a blade that has little to lose, and replaces it', () => {
    const thin = knife({ blade: { ...knife().blade, heelHeightMm: 36.3 }, newHeightMm: 48 })
    expect(year(house([thin]), { kind: 'sent-out', weeks: 4 }).retirements.mean).toBe(1)
  })
})

describe('a year against edges whose truth was written out a second time', () => {
  const DAYS = 365
  const WEEKS = [3, 5, 8] as const
  /** What the services of a year mean in hours: their work scatters by a log standard deviation of 0.2. */
  const SCATTERED = Math.exp(0.2 ** 2 / 2)

  /** Dull hours of a true knife that goes to the stone every so many weeks, whoever honed it before its services. */
  function trueDullHours(own: TrueKnife, weeks: number, hoursPerService: number, luck: Chance): number {
    const fresh: TrueEdge = { freshGf: { heel: 160, belly: 160, tip: 160 }, hours: 0, roll: 0.02 }
    const PARTS = 24
    let edge = fresh
    let dull = 0
    for (let day = 0; day < DAYS; day++) {
      if (day > 0 && day % (7 * weeks) === 0) edge = fresh
      for (let service = 0; service < 2; service++) {
        if (luck.happens(own.honed)) edge = trueHone(own, edge)
        for (let part = 0; part < PARTS; part++) {
          edge = trueUse(edge, hoursPerService / PARTS)
          if (trueForce(own, edge, 'belly') > own.limitGf) dull += hoursPerService / PARTS
        }
      }
    }
    return dull
  }

  it('has their dull hours, however they wear and whoever hones them', () => {
    const kinds: readonly TrueKnife[] = [
      { wearUm2PerHour: 0.15, hone: 0.6, honed: 1, limitGf: 300 },
      { wearUm2PerHour: 0.3, hone: 0.6, honed: 0.5, limitGf: 330 },
      { wearUm2PerHour: 0.2, hone: 0.4, honed: 0, limitGf: 350 },
      { wearUm2PerHour: 0.8, hone: 0.7, honed: 0.9, limitGf: 280 },
    ].map((own) => ({ ...own, dps: 17, hrc: 57, zoneShare: { heel: 1, belly: 1, tip: 1 }, law: 'archard' }))
    const gaps = kinds.flatMap((own) =>
      WEEKS.map((weeks) => {
        const runs = 12
        const truth =
          Array.from({ length: runs }, (_year, seed) => trueDullHours(own, weeks, 2 * SCATTERED, chance(seed))).reduce(
            (sum, one) => sum + one,
            0,
          ) / runs
        const played = year(
          house([
            knife({
              limitGf: own.limitGf,
              rateUm2PerHour: own.wearUm2PerHour,
              efficiency: own.hone,
              habit: own.honed,
              roll: 0.02,
            }),
          ]),
          by({ school: 'every-weeks', weeks }),
          AS_IT_IS,
          runs,
        ).dullHours.mean
        return { truth, played }
      }),
    )
    // the work of each service scatters, which the truth does not: within a tenth, or twelve hours of 1460
    for (const { truth, played } of gaps) expect(Math.abs(played - truth)).toBeLessThan(Math.max(12, 0.1 * truth))
    expect(gaps.filter(({ truth }) => truth > 50 && truth < 1200).length).toBeGreaterThan(4)
  })
})

describe('thinning', () => {
  const thick = knife({ blade: { ...knife().blade, bteMm: 0.6 } })
  const twice = by({ school: 'few-a-year' })

  it('has a place at the bench as any work, and is not done where nobody has the minutes', () => {
    const open = year(house([thick]), twice)
    expect(open.thinnings.mean).toBeGreaterThan(0)
    const shut = year(house([thick], { benchMinutesByWeekday: [0, 0, 0, 0, 0, 0, 0] }), twice)
    expect([shut.thinnings.mean, shut.minutes.mean]).toEqual([0, 0])
  })
})

describe('ways beside each other', () => {
  const own = house(fleet)
  const [edge, weekly, monthly, twice, rod, untouched] = compareYears({
    house: own,
    ways: [
      by({}),
      by({ school: 'weekly' }),
      by({ school: 'every-weeks', weeks: 4 }),
      by({ school: 'few-a-year' }),
      by({ school: 'rod-first' }),
      never,
    ],
    whatIf: AS_IT_IS,
    runs: 6,
    seed: 1,
  })

  it('are as the trade knows them: rarely leaves dull services, often takes steel and time', () => {
    expect(twice?.dullHours.mean).toBeGreaterThan(monthly?.dullHours.mean ?? NaN)
    expect(monthly?.dullHours.mean).toBeGreaterThan(weekly?.dullHours.mean ?? NaN)
    expect(weekly?.minutes.mean).toBeGreaterThan(monthly?.minutes.mean ?? NaN)
    expect(weekly?.steelMm.mean).toBeGreaterThan(twice?.steelMm.mean ?? NaN)
    expect(untouched?.dullHours.mean).toBeGreaterThan(twice?.dullHours.mean ?? NaN)
    // an abrasive rod stretches the time between stones (common practice)
    expect(rod?.sessions.mean).toBeLessThan(edge?.sessions.mean ?? NaN)
    expect(edge?.dullHours.mean).toBeLessThan(monthly?.dullHours.mean ?? NaN)
  })

  it('meet the same luck: the same ask gives the same answer, and another seed another', () => {
    const ask = { house: own, ways: [by({})], whatIf: AS_IT_IS, runs: 3 }
    expect(compareYears({ ...ask, seed: 5 })).toEqual(compareYears({ ...ask, seed: 5 }))
    expect(compareYears({ ...ask, seed: 5 })).not.toEqual(compareYears({ ...ask, seed: 99 }))
    const tables = own.knives.map((one) => sessionTable(one, own.stones, one.blade.dps))
    const spread = (first: YearWay, second: YearWay, seeds: readonly (readonly [number, number])[]): number => {
      const gaps = seeds.map(
        ([a, b]) =>
          playYear(own, tables, first, AS_IT_IS, a).dullHours - playYear(own, tables, second, AS_IT_IS, b).dullHours,
      )
      const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length
      return Math.sqrt(gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / gaps.length)
    }
    const [two, three] = [by({ school: 'every-weeks', weeks: 2 }), by({ school: 'every-weeks', weeks: 3 })]
    const seeds = [1, 2, 3, 4, 5, 6, 7, 8]
    // what differs between two ways is told more surely by the same luck than by another
    expect(
      spread(
        two,
        three,
        seeds.map((seed) => [seed, seed]),
      ),
    ).toBeLessThan(
      spread(
        two,
        three,
        seeds.map((seed) => [seed, seed + 50]),
      ),
    )
  })

  it('tell how far they have come', () => {
    const told: string[] = []
    compareYears({
      house: house([knife()]),
      ways: [by({}), never],
      whatIf: AS_IT_IS,
      runs: 2,
      seed: 1,
      onProgress: (done, all) => told.push(`${done}/${all}`),
    })
    expect(told).toEqual(['1/4', '2/4', '3/4', '4/4'])
  })
})

describe('what if', () => {
  const own = house(fleet.map((one) => ({ ...one, factor: 1.6 })))
  const way = by({})

  it('boards were soft: edges last longer', () => {
    const soft = year(own, way, { ...AS_IT_IS, boardFactor: 1 })
    expect(soft.sessions.mean).toBeLessThan(year(own, way).sessions.mean)
    // a board that is softer already stays what it is
    expect(year(own, way, { ...AS_IT_IS, boardFactor: 3 })).toEqual(year(own, way))
  })

  it('edges were steeper: the same wear is a wider apex', () => {
    const calendar = by({ school: 'every-weeks', weeks: 6 })
    expect(year(own, calendar, { ...AS_IT_IS, addedDps: 3 }).dullHours.mean).toBeGreaterThan(
      year(own, calendar).dullHours.mean,
    )
  })

  it('there were a coarser stone: less time on it', () => {
    const dull = by({ school: 'few-a-year', timesAYear: 3 })
    const fine = house(own.knives, { stones: [{ id: '#1000', micron: 11.5 }] })
    expect(year(fine, dull, { ...AS_IT_IS, coarseStone: true }).minutes.mean).toBeLessThan(
      year(fine, dull).minutes.mean,
    )
  })

  it('one more could sharpen: more is done where minutes are short', () => {
    const short = house(own.knives, { benchMinutesByWeekday: [25, 0, 0, 0, 0, 0, 0], hands: 1 })
    expect(year(short, way, { ...AS_IT_IS, oneMoreHand: true }).dullHours.mean).toBeLessThan(
      year(short, way).dullHours.mean,
    )
  })

  it('of a house without services is a year in which nothing gets dull', () => {
    const shut = house(fleet, { servicesByWeekday: [0, 0, 0, 0, 0, 0, 0] })
    expect(year(shut, way)).toMatchObject({ dullHours: { mean: 0 }, serviceHours: { mean: 0 } })
  })

  it('of a house without knives is nothing', () => {
    expect(year(house([]), way)).toMatchObject({ dullHours: { mean: 0, low: 0, high: 0 }, steelMm: { mean: 0 } })
  })
})
