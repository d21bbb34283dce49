import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { occurrences, type WeeklySpan } from '../../house/serviceClock'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { DAY_MS } from '../../time'
import { forecastEdge, usualUse } from '../forecast/forecast'
import { DEFAULT_PRIOR, HABIT, WEAR } from '../filter/belief'
import type { KnifeEvent } from '../model/events'
import { wornForce } from '../model/force'
import type { LadderRung } from '../model/ladder'
import { verdict } from '../verdict/verdict'
import { foldHistory } from './history'
import { type UsageContext } from './usage'
import type { KnifeState } from './state'

/** What people say and do about an edge, as evidence: reports, signs, claims, and rows from before. */
const START = Date.UTC(2026, 0, 5)
const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}
const chef: BladeGeometry = {
  lengthMm: 240,
  heelHeightMm: 48,
  spineMm: 2.4,
  bteMm: 0.35,
  bteWhenNewMm: 0.35,
  dps: 17,
  hrc: 57,
  minimumHeightMm: 34.5,
}
const LIMIT = 350
const week: WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
  { id: `l${weekday}`, weekday, name: 'lunch', starts: '12:00', ends: '14:00' },
  { id: `d${weekday}`, weekday, name: 'dinner', starts: '18:00', ends: '22:00' },
])
const usage: UsageContext = {
  stations: new Map([
    ['here', [{ fromMs: 0, board: 'soft-plastic', product: 'mixed', hoursPerService: 2 }]],
    ['there', [{ fromMs: 0, board: 'hard-plastic', product: 'mixed', hoursPerService: 2 }]],
  ]),
  services: occurrences(week, 'UTC', START, START + 120 * DAY_MS),
}
let serial = 0
const event = <K extends KnifeEvent['kind']>(
  kind: K,
  days: number,
  payload: Extract<KnifeEvent, { kind: K }>['payload'],
  personId: string | null = 'ada',
): KnifeEvent =>
  ({ id: `w${String(serial++).padStart(5, '0')}`, kind, atMs: START + days * DAY_MS, personId, payload }) as KnifeEvent
const added = (days = 0, condition: 'new' | 'in-use' = 'new', stationId = 'here'): KnifeEvent =>
  event('added', days, { condition, stationId, holderId: 'ada' })
const read = (days: number, forceGf: number): KnifeEvent =>
  event('checked', days, { readings: ZONES.map((zone) => ({ zone, forcesGf: [forceGf] })), ladder: [] })
const sees = (days: number, rung: LadderRung): KnifeEvent =>
  event('checked', days, { readings: [], ladder: [{ zone: 'whole', rung }] })
const honed = (days: number, cameBack?: 'fully' | 'partly' | 'not'): KnifeEvent =>
  event('honed', days, { tool: 'smooth-steel', cameBack })
const fold = (events: readonly KnifeEvent[], days: number): KnifeState =>
  foldHistory({ spec, usage, events, untilMs: START + days * DAY_MS, limitGf: LIMIT })
const next = (state: KnifeState): ReturnType<typeof verdict> => verdict(state, chef, 'general')
const morning = (day: number): number => day + 0.45

describe('“it did not come back”', () => {
  it('is heard however keen the edge was reckoned: next is a test or a stone, until one was done', () => {
    const keen = fold([added(), read(0.4, 170)], 1.4)
    expect(['none', 'hone']).toContain(next(keen).action)
    const said = fold([added(), read(0.4, 170), honed(1.45, 'not')], 1.46)
    expect(['check', 'stone']).toContain(next(said).action)
    expect(next(said).reasons.map(({ code }) => code)).toContain('hone-failed')
    // saying “fully” the next morning is no answer to it
    const later = fold([added(), read(0.4, 170), honed(1.45, 'not'), honed(2.45, 'fully')], 2.46)
    expect(['check', 'stone']).toContain(next(later).action)
    const tested = fold([added(), read(0.4, 170), honed(1.45, 'not'), read(1.46, 172)], 1.47)
    expect(next(tested).reasons.map(({ code }) => code)).not.toContain('hone-failed')
  })

  it('moves what only a stone can lower, up to near the limit', () => {
    const before = fold([added(), read(0.4, 170)], 4.4)
    const after = fold([added(), read(0.4, 170), honed(4.45, 'not')], 4.46)
    const worst = (state: KnifeState): number => Math.max(...ZONES.map((zone) => wornForce(state.zones[zone], 17)))
    expect(worst(after)).toBeGreaterThan(worst(before) + 15)
  })
})

describe('“it came back fully”', () => {
  it('every morning for two weeks is one witness: wear moves by little', () => {
    const mornings = Array.from({ length: 14 }, (_, day) => day)
    const silent = fold([added(), ...mornings.map((day) => honed(morning(day)))], 14)
    const praised = fold([added(), ...mornings.map((day) => honed(morning(day), 'fully'))], 14)
    const wear = ({ belief }: KnifeState): number => belief.mean[WEAR] ?? 0
    expect(Math.abs(wear(praised) - wear(silent))).toBeLessThan(0.2)
  })
})

describe('everyday signs', () => {
  it('make a knife a tested one: nobody asks again what was seen', () => {
    const stranger = fold([added(0, 'in-use')], 0.4)
    expect(next(stranger)).toMatchObject({ action: 'check' })
    expect(next(stranger).reasons[0]).toMatchObject({ code: 'never-read', values: { sign: 'skates' } })
    const seen = fold([added(0, 'in-use'), sees(0.4, 'paper')], 0.41)
    expect(next(seen).reasons.map(({ code }) => code)).not.toContain('never-read')
    expect(next(seen).action).not.toBe('check')
    const skates = fold([added(0, 'in-use'), sees(0.4, 'skates'), sees(0.4, 'glints')], 0.41)
    expect(next(skates).action).toBe('stone')
  })

  it('of no tester teach how a knife wears, life after life', () => {
    const life = (start: number, days: number): KnifeEvent[] => [
      sees(start + 0.4, 'silent-paper'),
      sees(start + days / 2, 'paper'),
      sees(start + days, 'skates'),
      event('sharpened', start + days + 0.01, { finishMicron: 4, minutes: 15 }),
    ]
    const fast = fold([added(), ...[0, 4, 8, 12].flatMap((start) => life(start, 3.9))], 17)
    const slow = fold([added(), ...[0, 20, 40].flatMap((start) => life(start, 19.9))], 60)
    expect(fast.belief.mean[WEAR] ?? 0).toBeGreaterThan((slow.belief.mean[WEAR] ?? 0) + 0.4)
  })
})

describe('a session of which nothing was shown', () => {
  it('is kept as a claim: the edge is no keen one, and a test is asked for', () => {
    const dull = [added(), read(3.4, 409)]
    const claimed = fold([...dull, event('sharpened', 3.45, { finishMicron: 4, claimed: true })], 3.46)
    const shown = fold([...dull, event('sharpened', 3.45, { finishMicron: 4, minutes: 12 })], 3.46)
    expect(next(claimed).action).toBe('check')
    expect(next(claimed).reasons[0]?.code).toBe('claimed')
    expect(claimed.zones.belly.logSd).toBeGreaterThan(1.3 * shown.zones.belly.logSd)
    const tested = fold([...dull, event('sharpened', 3.45, { finishMicron: 4, claimed: true }), read(3.46, 168)], 3.47)
    expect(['none', 'hone']).toContain(next(tested).action)
  })
})

describe('a history from before', () => {
  // a house that moves in with ten weeks of rows, the row that brings the knife in last of all
  const rows: KnifeEvent[] = [
    read(2.4, 190),
    read(9.4, 290),
    honed(9.45),
    event('sharpened', 12.4, { finishMicron: 4, minutes: 14 }),
    read(12.41, 165),
    read(20.4, 300),
    event('moved', 30.1, { stationId: 'there' }),
    read(33.4, 420),
  ]

  it('has worked: the station it is brought in with holds backwards to its oldest row', () => {
    const movedIn = fold([...rows.slice(0, 6), added(70, 'in-use')], 70.1)
    expect(movedIn.hoursSinceSharpening).toBeGreaterThan(200)
    const lived = fold([added(2.3, 'in-use'), ...rows.slice(0, 6)], 70.1)
    expect(movedIn.zones.belly.wornAreaUm2).toBeCloseTo(lived.zones.belly.wornAreaUm2, 6)
  })

  it('gives the same state in any order, and the same as lived through', () => {
    const events = [...rows, added(2.3, 'in-use')]
    const lived = fold(events, 70)
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
        expect(fold(shuffled, 70)).toEqual(lived)
      }),
      { numRuns: 25 },
    )
  })

  it('lets a correction replace what it corrects', () => {
    const wrong = read(20.4, 900)
    const right = read(20.4, 300)
    const corrected = [
      added(),
      ...rows.slice(0, 5),
      wrong,
      event('voided', 21, { eventId: wrong.id, reason: 'misread' }),
      right,
    ]
    expect(fold(corrected, 40)).toEqual(fold([added(), ...rows.slice(0, 5), right], 40))
  })
})

describe('a month without rota', () => {
  it('is a month in which nothing is known to have happened: no wear, no forecast, and the log still reads', () => {
    const closed: UsageContext = {
      ...usage,
      services: usage.services.filter(({ startMs }) => startMs < START + 10 * DAY_MS),
    }
    const at = (days: number): KnifeState =>
      foldHistory({
        spec,
        usage: closed,
        events: [added(), read(2.4, 190)],
        untilMs: START + days * DAY_MS,
        limitGf: LIMIT,
      })
    expect(at(40).zones.belly.wornAreaUm2).toBe(at(10).zones.belly.wornAreaUm2)
    expect(forecastEdge(at(40), usualUse(spec, LIMIT, [])).toLimit).toEqual({ early: null, middle: null, late: null })
    const back = foldHistory({
      spec,
      usage: closed,
      events: [added(), read(2.4, 190), read(39.4, 420), read(39.5, 430)],
      untilMs: START + 40 * DAY_MS,
      limitGf: LIMIT,
    })
    expect(next(back).action).toBe('stone')
  })
})

describe('honing nobody writes down', () => {
  it('is told from how the edge goes: one that keeps as if honed is believed to be, one that goes as if not is not', () => {
    // F = fresh + 120·ρ + 12·b at 2 h a service; end of service roll 0.4 when honed each time, and near 1 when never
    const forces = (roll: number): KnifeEvent[] =>
      [1, 2, 3, 4, 5, 6].map((day) => read(day + 0.95, 165 + 120 * roll + 12 * Math.sqrt(4 * 0.306 * 3.5 * 4 * day)))
    const odds = (roll: number): number => fold([added(), ...forces(roll)], 8).belief.mean[HABIT] ?? 0
    expect(odds(0.4)).toBeGreaterThan(odds(0.85) + 0.8)
  })

  it('belongs to who holds the knife: in other hands it is asked anew, and remembered when it comes back', () => {
    const forces = [1, 2, 3, 4, 5, 6].map((day) => read(day + 0.95, 300 + 8 * day))
    const hers = fold([added(), ...forces], 8)
    const given = fold([added(), ...forces, event('moved', 8, { holderId: 'bo' })], 8.01)
    expect(given.belief.mean[HABIT]).toBe(DEFAULT_PRIOR.habit.mean)
    const back = fold(
      [added(), ...forces, event('moved', 8, { holderId: 'bo' }), event('moved', 8.1, { holderId: 'ada' })],
      8.2,
    )
    expect(back.belief.mean[HABIT]).toBeCloseTo(hers.belief.mean[HABIT] ?? NaN, 6)
  })

  it('makes forecasts as long as the past shows, not as a tidy kitchen would have them', () => {
    const services = usage.services
      .filter(({ startMs }) => startMs > START + 9 * DAY_MS)
      .map((service) => ({
        ...service,
        hours: 2,
        factor: 1,
      }))
    const hours = (roll: number): number => {
      const state = fold(
        [
          added(),
          ...[1, 2, 3, 4, 5, 6].map((day) =>
            read(day + 0.95, 165 + 120 * roll + 12 * Math.sqrt(4 * 0.306 * 3.5 * 4 * day)),
          ),
          event('sharpened', 8.4, { finishMicron: 4, minutes: 12 }),
        ],
        9,
      )
      return forecastEdge(state, usualUse(spec, LIMIT, services)).toLimit.middle?.hours ?? Infinity
    }
    expect(hours(0.85)).toBeLessThan(hours(0.4))
  })
})
