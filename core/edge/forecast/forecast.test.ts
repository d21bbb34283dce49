import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { HOUR_MS } from '../../time'
import { HABIT } from '../filter/belief'
import { initialState, type KnifeState } from '../log/state'
import { firstDull, forecastEdge, lifeFromFresh, rotaAhead, usualUse, type PlannedService } from './forecast'

const NATURE: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
const LIMIT = 350
const fresh = initialState(NATURE, 0, 'new')
const services = (count: number, hours = 4, factor = 1): PlannedService[] =>
  Array.from({ length: count }, (_, at) => ({
    name: `S${at}`,
    startMs: at * 12 * HOUR_MS,
    endMs: (at * 12 + hours) * HOUR_MS,
    hours,
    factor,
  }))

describe('an edge through the services ahead', () => {
  const forecast = forecastEdge(fresh, usualUse(NATURE, LIMIT, services(40)))

  it('is duller after each, and surer to be dull', () => {
    for (const [at, service] of forecast.services.entries()) {
      const before = forecast.services[at - 1]
      if (!before) continue
      // honing is a matter of luck ahead, so a service may end a little better than the one before
      expect(service.chanceDull).toBeGreaterThanOrEqual(before.chanceDull - 0.04)
      for (const zone of ZONES) expect(service.zones[zone].forceGf).toBeGreaterThan(before.zones[zone].forceGf * 0.985)
    }
  })

  it('is as dull as its worst zone', () => {
    for (const { chanceDull, zones, worstZone } of forecast.services) {
      // any zone will do, so the knife is at least as likely dull as its worst, and no likelier than all together
      expect(chanceDull).toBeGreaterThanOrEqual(Math.max(...ZONES.map((zone) => zones[zone].chanceDull)))
      expect(chanceDull).toBeLessThanOrEqual(ZONES.reduce((sum, zone) => sum + zones[zone].chanceDull, 1e-12))
      expect(zones[worstZone].forceGf).toBe(Math.max(...ZONES.map((zone) => zones[zone].forceGf)))
    }
  })

  it('passes its limit early, in the middle and late, in that order, and the band holds the force', () => {
    const { early, middle, late } = forecast.toLimit
    expect(early && middle && late).toBeTruthy()
    expect(early?.hours).toBeLessThan(middle?.hours ?? 0)
    expect(middle?.hours).toBeLessThan(late?.hours ?? 0)
    for (const { zones } of forecast.services) {
      for (const zone of ZONES) {
        expect(zones[zone].lowGf).toBeLessThan(zones[zone].forceGf)
        expect(zones[zone].highGf).toBeGreaterThan(zones[zone].forceGf)
      }
    }
  })

  it('names the first service that is more likely dull than not', () => {
    const dull = firstDull(forecast)
    const at = forecast.services.findIndex(({ chanceDull }) => chanceDull > 0.5)
    expect(dull).toBe(forecast.services[at])
    expect(firstDull(forecastEdge(fresh, usualUse(NATURE, 5000, services(4))))).toBeNull()
  })

  it('stops where nothing new can be said, and says the same until then', () => {
    const short = forecastEdge(fresh, { ...usualUse(NATURE, LIMIT, services(80)), untilSure: 'knife' })
    const long = forecastEdge(fresh, usualUse(NATURE, LIMIT, services(80)))
    expect(short.services.length).toBeLessThan(80)
    expect(short.services).toEqual(long.services.slice(0, short.services.length))
    expect(short.toLimit).toEqual(long.toLimit)
  })

  it('wears sooner on a harder board: the hours to the limit go with one over the factor', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.2, max: 3, noNaN: true }), (factor) => {
        // unhoned: what honing brings back does not go with the board
        const toLimit = (factorThere: number): number =>
          forecastEdge(fresh, { ...usualUse(NATURE, LIMIT, services(400, 0.25, factorThere)), hone: null }).toLimit
            .middle?.hours ?? NaN
        expect(toLimit(1) / toLimit(factor)).toBeCloseTo(factor, 0)
        expect(Math.abs(toLimit(1) / toLimit(factor) / factor - 1)).toBeLessThan(0.06)
      }),
      { numRuns: 12 },
    )
  })

  it('lasts longer honed before each service than never honed', () => {
    const never = forecastEdge(fresh, { ...usualUse(NATURE, LIMIT, services(60)), hone: null }).toLimit.middle
    expect(never?.hours).toBeLessThan(forecast.toLimit.middle?.hours ?? 0)
  })
})

describe('hours from a fresh edge', () => {
  // Model: hours to a given blunt width go as 1/tan θ (1.358 from 20 to 15 degrees), κ falls with the retention regression, and a flatter edge starts keener.
  it('are longer at a flatter angle, by more than the tangents alone', () => {
    const at = (dps: number): number => {
      const spec = { ...NATURE, dps }
      return lifeFromFresh(initialState(spec, 0, 'new'), spec, 300, { hours: 1, factor: 1 }).middle ?? NaN
    }
    expect(at(15) / at(20)).toBeGreaterThan(1.358)
    expect(at(15) / at(20)).toBeLessThan(4)
  })

  it('are silent where so much use does not dull it', () => {
    expect(lifeFromFresh(fresh, NATURE, 50_000, { hours: 0.1, factor: 0.1 })).toEqual({
      early: null,
      middle: null,
      late: null,
    })
  })
})

describe('services ahead by the rota', () => {
  const periods = [
    { fromMs: 0, untilMs: null, board: 'soft-plastic' as const, product: 'mixed' as const, hoursPerService: 3 },
  ]
  const service = { name: 'Lunch', startMs: 10 * HOUR_MS, endMs: 14 * HOUR_MS, minutes: 240 }

  it('count the rest of one that is running', () => {
    const [running] = rotaAhead(periods as never, [service as never], 13 * HOUR_MS)
    expect(running?.hours).toBeCloseTo(3 / 4, 9)
    expect(rotaAhead(periods as never, [service as never], 15 * HOUR_MS)).toEqual([])
    expect(rotaAhead(undefined, [service as never], 0)).toEqual([])
  })
})

describe('honing ahead', () => {
  const honedIn = (recorded: number, odds: number): KnifeState => ({
    ...fresh,
    belief: { mean: fresh.belief.mean.map((value, at) => (at === HABIT ? odds : value)), cov: fresh.belief.cov },
    lessons: { ...fresh.lessons, honing: { 'station ': { services: 99, recorded } } },
  })
  const hours = (state: KnifeState, share?: number): number => {
    const use = usualUse(NATURE, LIMIT, services(80))
    const hone = use.hone && { ...use.hone, ...(share === undefined ? {} : { share }) }
    return forecastEdge(state, { ...use, hone }).toLimit.middle?.hours ?? NaN
  }

  it('is never more than the log shows: what is on record, and what is likely of the rest', () => {
    const [never, half, always] = [honedIn(0, -6), honedIn(50, -6), honedIn(99, -6)].map((state) => hours(state))
    expect(never).toBeLessThan(half ?? NaN)
    expect(half).toBeLessThan(always ?? NaN)
    expect(hours(honedIn(0, 6))).toBeGreaterThan(half ?? NaN)
    expect(never).toBeCloseTo(hours(honedIn(99, 6), 0), 0)
  })

  it('gives the same forecast every time, to the last digit', () => {
    const use = usualUse(NATURE, LIMIT, services(40))
    expect(forecastEdge(honedIn(30, 0.4), use)).toEqual(forecastEdge(honedIn(30, 0.4), use))
  })
})
