import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { occurrences, type WeeklySpan } from '../../house/serviceClock'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { DAY_MS, HOUR_MS } from '../../time'
import { firstDull, forecastEdge, rotaAhead, usualUse } from '../forecast/forecast'
import { NO_DEFECTS, type KnifeEvent } from '../model/events'
import { edgeForce } from '../model/force'
import { verdict } from '../verdict/verdict'
import { advance, foldHistory } from './history'
import { type UsageContext } from './usage'
import { chanceAbove, forceBand, initialState, type KnifeState } from './state'

const START = Date.UTC(2026, 0, 5)
const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}
const week: WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
  { id: `l${weekday}`, weekday, name: 'lunch', starts: '12:00', ends: '14:00' },
  { id: `d${weekday}`, weekday, name: 'dinner', starts: '18:00', ends: '22:00' },
])
const usage: UsageContext = {
  stations: new Map([
    ['soft', [{ fromMs: 0, board: 'soft-plastic', product: 'mixed', hoursPerService: 2 }]],
    ['plate', [{ fromMs: 0, board: 'plate', product: 'mixed', hoursPerService: 2 }]],
  ]),
  services: occurrences(week, 'UTC', START, START + 200 * DAY_MS),
}
let serial = 0
const event = <K extends KnifeEvent['kind']>(
  kind: K,
  afterHours: number,
  payload: Extract<KnifeEvent, { kind: K }>['payload'],
): KnifeEvent =>
  ({
    id: `e${String(serial++).padStart(5, '0')}`,
    kind,
    atMs: START + afterHours * HOUR_MS,
    personId: null,
    payload,
  }) as KnifeEvent
const added = (stationId = 'soft', condition: 'new' | 'in-use' = 'new'): KnifeEvent =>
  event('added', 0, { condition, stationId, holderId: null })
const read = (afterHours: number, forceGf: number): KnifeEvent =>
  event('checked', afterHours, { readings: ZONES.map((zone) => ({ zone, forcesGf: [forceGf] })), ladder: [] })
const fold = (events: readonly KnifeEvent[], hours: number): KnifeState =>
  foldHistory({ spec, usage, events, untilMs: START + hours * HOUR_MS, limitGf: 350 })
const belly = (state: KnifeState): number => edgeForce(state.zones.belly, spec.dps)

describe('a knife that was missed', () => {
  const missed = event('missing', 30, {})

  it('wears no more until it is found, and is then what it was', () => {
    const away = fold([added(), missed], 100)
    expect(away).toMatchObject({ status: 'missing', statusReason: null, statusSinceMs: missed.atMs })
    expect(belly(away)).toBe(belly(fold([added(), missed], 31)))
    const found = fold([added(), missed, event('found', 100, { note: 'in the laundry' })], 120)
    expect(found).toMatchObject({ status: 'in-service', missedAs: null })
    expect(belly(found)).toBeGreaterThan(belly(away))
  })

  it('comes back to quarantine where it was there, with the reason of then', () => {
    const out = event('quarantined', 20, { reason: 'loose handle' })
    const found = fold([added(), out, missed, event('found', 40, {})], 50)
    expect(found).toMatchObject({ status: 'quarantined', statusReason: 'loose handle', statusSinceMs: out.atMs })
  })

  it('has been found by whoever checks it, whether they say so or not', () => {
    expect(fold([added(), missed, read(40, 200)], 50).status).toBe('in-service')
  })

  it('is missed once, and not at all once it is retired', () => {
    const twice = fold([added(), missed, event('missing', 40, { note: 'still not there' })], 50)
    expect(twice).toMatchObject({ statusSinceMs: missed.atMs, statusReason: null })
    expect(fold([added(), missed, event('missing', 40, {}), event('found', 45, {})], 50).status).toBe('in-service')
    expect(fold([added(), event('retired', 20, { reason: 'worn' }), missed], 50).status).toBe('retired')
  })
})

describe('a blade for practice', () => {
  it('wears by no service, is not missed at a count, and goes back into service', () => {
    const practice = event('practice', 30, { note: 'cheap and flat' })
    const blade = fold([added(), practice], 100)
    expect(blade).toMatchObject({ status: 'practice', statusReason: 'cheap and flat' })
    expect(belly(blade)).toBe(belly(fold([added(), practice], 31)))
    expect(fold([added(), practice, event('missing', 40, {})], 50).status).toBe('practice')
    expect(fold([added(), practice, event('released', 40, {})], 50).status).toBe('in-service')
  })
})

describe('the life of an edge', () => {
  it('wears only in services, and faster on plates', () => {
    const morning = fold([added()], 11)
    const night = fold([added()], 23)
    expect(belly(morning)).toBe(belly(fold([added()], 1)))
    expect(belly(night)).toBeGreaterThan(belly(morning))
    expect(belly(fold([added('plate')], 23))).toBeGreaterThan(belly(night))
  })

  it('is the same however the time is cut up', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 24 * 20 }), { minLength: 1, maxLength: 6 }), (stops) => {
        const start: KnifeState = { ...initialState(spec, START, 'new'), stationId: 'soft' }
        const whole = advance(start, spec, usage, START + 24 * 20 * HOUR_MS)
        const parts = [...stops]
          .sort((a, b) => a - b)
          .reduce<KnifeState>((state, hours) => advance(state, spec, usage, START + hours * HOUR_MS), start)
        const end = advance(parts, spec, usage, START + 24 * 20 * HOUR_MS)
        for (const zone of ZONES)
          expect(edgeForce(end.zones[zone], spec.dps)).toBeCloseTo(edgeForce(whole.zones[zone], spec.dps), 6)
      }),
      { numRuns: 40 },
    )
  })

  it('moves towards a reading, further when little was known', () => {
    const sure = [added(), read(1, 180), read(1.5, 180), read(2, 180)]
    const unsure = [added('soft', 'in-use')]
    const nudged = belly(fold([...sure, read(3, 260)], 4)) - belly(fold(sure, 4))
    const moved = belly(fold([...unsure, read(3, 480)], 4)) - belly(fold(unsure, 4))
    expect(nudged).toBeGreaterThan(0)
    expect(moved).toBeGreaterThan(nudged)
  })

  it('shrugs off one wild reading', () => {
    const calm = [added(), read(1, 180), read(25, 200), read(49, 210)]
    const slip = event('checked', 50, { readings: [{ zone: 'belly', forcesGf: [2450] }], ladder: [] })
    expect(belly(fold([...calm, slip], 51))).toBeLessThan(1.3 * belly(fold(calm, 51)))
  })

  it('believes a surprise that is confirmed by its neighbours or by a repeat', () => {
    const dull = [added(), read(1, 420), read(2, 430), read(3, 425)]
    expect(belly(fold([...dull, read(4, 165)], 5))).toBeLessThan(220)
    const twice = event('checked', 4, { readings: [{ zone: 'belly', forcesGf: [165, 160] }], ladder: [] })
    expect(belly(fold([...dull, twice], 5))).toBeLessThan(220)
  })

  it('honing brings back the roll but not the wear', () => {
    const before = fold([added(), read(1, 180)], 24 * 6 - 1)
    const after = fold([added(), read(1, 180), event('honed', 24 * 6 - 1, { tool: 'smooth-steel' })], 24 * 6 - 1)
    const share = after.zones.belly.roll / before.zones.belly.roll
    expect(share).toBeGreaterThan(0.37)
    expect(share).toBeLessThan(0.43)
    expect(after.zones.belly.wornAreaUm2).toBe(before.zones.belly.wornAreaUm2)
  })

  it('takes it for wear when honing did not bring it back', () => {
    const events = [added(), read(1, 180)]
    const hone = (cameBack: 'fully' | 'not'): KnifeState =>
      fold([...events, event('honed', 24 * 6, { tool: 'smooth-steel', cameBack })], 24 * 6)
    expect(hone('fully').zones.belly.roll).toBeLessThan(hone('not').zones.belly.roll + 0.3)
    expect(hone('not').zones.belly.wornAreaUm2).toBeGreaterThan(hone('fully').zones.belly.wornAreaUm2)
    expect(hone('not').lastHone).toBe('not')
  })

  it('starts anew at the stone', () => {
    const state = fold([added(), read(1, 180), event('sharpened', 24 * 30, { finishMicron: 4 })], 24 * 30)
    expect(state.zones.tip.roll).toBeLessThan(0.05)
    expect(state.zones.tip.wornAreaUm2).toBeLessThan(1)
    expect(state.hoursSinceSharpening).toBe(0)
  })

  it('rests in quarantine', () => {
    const out = [added(), event('quarantined', 1, { reason: 'loose handle' })]
    expect(belly(fold(out, 24 * 10))).toBe(belly(fold(out, 2)))
  })

  it('uses declared hours instead of the rota’s, zero among them', () => {
    const idle = fold([added(), event('used', 23, { hours: 0 })], 24)
    const usual = fold([added()], 24)
    const hard = fold([added(), event('used', 23, { hours: 4 })], 24)
    expect(idle.hoursSinceSharpening).toBeCloseTo(2, 9)
    expect(usual.hoursSinceSharpening).toBeCloseTo(4, 9)
    expect(hard.hoursSinceSharpening).toBeCloseTo(6, 9)
  })

  it('forgets a voided event as if it had never been', () => {
    const [join, wrong, later] = [added(), read(30, 900), read(60, 240)]
    const withVoid = fold([join, wrong, later, event('voided', 61, { eventId: wrong.id, reason: 'wrong knife' })], 70)
    expect(withVoid).toEqual(fold([join, later], 70))
  })

  it('follows the knife from station to station', () => {
    const moved = fold([added(), event('moved', 24, { stationId: 'plate', holderId: 'oda' })], 48)
    expect(moved).toMatchObject({ stationId: 'plate', holderId: 'oda' })
    expect(belly(moved)).toBeGreaterThan(belly(fold([added()], 48)))
  })

  it('stays finite through months without a reading, contradictions and no services at all', () => {
    const silent = fold([added('soft', 'in-use')], 24 * 190)
    const torn = fold([added(), read(5, 120), read(6, 900), read(7, 100), read(8, 4000)], 24 * 60)
    const idle = foldHistory({
      spec,
      usage: { ...usage, services: [] },
      events: [added()],
      untilMs: START + 90 * DAY_MS,
      limitGf: 350,
    })
    for (const state of [silent, torn, idle]) {
      for (const zone of ZONES) {
        const band = forceBand(state.zones[zone], spec.dps)
        expect(Number.isFinite(band.highGf)).toBe(true)
        expect(band.lowGf).toBeGreaterThan(0)
        expect(band.lowGf).toBeLessThanOrEqual(band.forceGf)
      }
    }
    expect(foldHistory({ spec, usage, events: [], untilMs: START, limitGf: 350 }).status).toBe('in-service')
  })

  it('keeps what is known of defects until somebody looks again', () => {
    const chip = { ...NO_DEFECTS, chip: { zone: 'heel', depthMm: 0.4 } } as const
    const events = [added(), event('checked', 2, { readings: [], ladder: [], defects: chip }), read(5, 200)]
    expect(fold(events, 6).defects.chip?.depthMm).toBe(0.4)
    expect(
      fold([...events, event('checked', 7, { readings: [], ladder: [], defects: NO_DEFECTS })], 8).defects.chip,
    ).toBeNull()
  })
})

describe('a glint', () => {
  const sign = (hours: number, rung: 'glints' | 'paper', zone: 'whole' | 'tip' = 'whole'): KnifeEvent =>
    event('checked', hours, { readings: [], ladder: [{ zone, rung }] })

  // An edge that glints along its length wants a stone coarser than #1000 (common practice).
  it('under the lamp sends a knife to a coarse stone, whatever had been reckoned', () => {
    const state = fold([added(), read(1, 200), sign(5, 'glints')], 6)
    expect(state.defects.glint).toEqual(['heel', 'belly', 'tip'])
    const chef = {
      lengthMm: 240,
      heelHeightMm: 48,
      spineMm: 2.4,
      bteMm: 0.35,
      bteWhenNewMm: 0.35,
      dps: 17,
      hrc: 57,
      minimumHeightMm: 34.5,
    }
    expect(verdict(state, chef, 'general')).toMatchObject({ action: 'stone', startGrit: 320 })
  })

  it('stays until another look at that zone, or the stone', () => {
    expect(fold([added(), sign(5, 'glints'), sign(6, 'paper', 'tip')], 7).defects.glint).toEqual(['heel', 'belly'])
    expect(fold([added(), sign(5, 'glints'), read(6, 200)], 7).defects.glint).toHaveLength(3)
    expect(fold([added(), sign(5, 'glints'), event('sharpened', 6, { finishMicron: 4 })], 7).defects.glint).toEqual([])
  })
})

describe('uncertainty', () => {
  it('grows with use and shrinks with a reading', () => {
    const width = (state: KnifeState): number => {
      const band = forceBand(state.zones.tip, spec.dps)
      return Math.log(band.highGf / band.lowGf)
    }
    const checked = [added(), read(1, 180)]
    expect(width(fold(checked, 24 * 20))).toBeGreaterThan(width(fold(checked, 24 * 2)))
    expect(width(fold([...checked, read(24 * 20, 300)], 24 * 20))).toBeLessThan(width(fold(checked, 24 * 20)))
  })

  it('is even odds at the force itself', () => {
    const zone = fold([added(), read(1, 180)], 24 * 5).zones.belly
    expect(chanceAbove(zone, spec.dps, edgeForce(zone, spec.dps))).toBeCloseTo(0.5, 6)
    expect(chanceAbove(zone, spec.dps, 100)).toBeGreaterThan(0.95)
  })
})

describe('the first dull service', () => {
  const ahead = (state: KnifeState): ReturnType<typeof firstDull> =>
    firstDull(
      forecastEdge(
        state,
        usualUse(
          spec,
          350,
          rotaAhead(
            state.stationId === null ? undefined : usage.stations.get(state.stationId),
            usage.services,
            state.atMs,
          ),
        ),
      ),
    )

  it('comes sooner for a worn edge, and never for one that is not used', () => {
    const fresh = ahead(fold([added(), read(1, 170)], 2))
    const worn = ahead(fold([added(), read(1, 320)], 2))
    expect(worn && fresh && worn.startMs < fresh.startMs).toBe(true)
    expect(fresh?.worstZone).toBe('tip')
    expect(ahead({ ...fold([added()], 2), stationId: null })).toBeNull()
  })
})
