import fc from 'fast-check'
import jStat from 'jstat'
import numeric from 'numeric'
import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { covariance, meanOf } from '../../statistics/gaussian'
import { edgeForce } from '../model/force'
import { LADDER, LADDER_FORCE, ladderInterval } from '../model/ladder'
import { BLUNT, DEFAULT_PRIOR, firstBelief, FRESH, resetToFresh, ROLL, zoneWear, type EdgeBelief } from './belief'
import { observationsOf, observeCheck, observeForce, type Observation } from './observe'
import { logForce } from './updateOnForce'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}
const unknown = firstBelief(spec, 'in-use', DEFAULT_PRIOR)
const NO_DOUBT = { heel: 0, belly: 0, tip: 0 }
const seen = (forceGf: number, logSd = 0.12): Observation => ({
  zone: 'belly',
  forceGf,
  logSd,
  deliberate: false,
  rung: null,
})
const force = (belief: EdgeBelief): number => Math.exp(logForce(belief, 'belly').mean)
const after = (belief: EdgeBelief, check: Parameters<typeof observeCheck>[1]): EdgeBelief =>
  observeCheck(belief, check, spec, NO_DOUBT).belief

describe('one observation of a force', () => {
  it('lands between reckoning and reading, and leaves less doubt', () => {
    fc.assert(
      fc.property(fc.double({ min: 200, max: 420, noNaN: true }), (read) => {
        const [was, is] = [force(unknown), force(observeForce(unknown, seen(read), true))]
        // the force is not quite linear in what is learned, so a little overshoot is the linearisation's
        expect(is).toBeGreaterThanOrEqual(Math.min(was, read) * 0.97)
        expect(is).toBeLessThanOrEqual(Math.max(was, read) * 1.03)
        expect(logForce(observeForce(unknown, seen(read), true), 'belly').variance).toBeLessThan(
          logForce(unknown, 'belly').variance,
        )
      }),
    )
  })

  it('hardly depends on the order of two tame readings', () => {
    const both = (first: number, second: number): number =>
      force(observeForce(observeForce(unknown, seen(first), true), seen(second), true))
    expect(both(290, 320) / both(320, 290)).toBeCloseTo(1, 2)
  })

  it('at one spot says something of its neighbours too', () => {
    const keen = observeForce(unknown, seen(160), true)
    expect(Math.exp(logForce(keen, 'tip').mean)).toBeLessThan(Math.exp(logForce(unknown, 'tip').mean))
  })

  it('agrees with the force law at the means', () => {
    expect(force(unknown)).toBeCloseTo(edgeForce(zoneWear(unknown, 17, 'belly'), 17), 9)
  })
})

describe('a check of the whole edge', () => {
  it('hears each reading and each rung of the zone it speaks of', () => {
    const check = {
      readings: [{ zone: 'heel' as const, forcesGf: [200, 210] }],
      ladder: [
        { zone: 'whole' as const, rung: 'paper' as const },
        { zone: 'tip' as const, rung: 'skates' as const },
      ],
    }
    expect(observationsOf(check, 'heel', false).map((one) => Math.round(one.forceGf))).toEqual([
      205,
      LADDER_FORCE.paper.forceGf,
    ])
    expect(observationsOf(check, 'belly', false)).toHaveLength(1)
    expect(observationsOf(check, 'tip', false)).toHaveLength(2)
  })

  it('trusts a serrated edge’s reading less', () => {
    const check = { readings: [{ zone: 'tip' as const, forcesGf: [300] }], ladder: [] }
    const [smooth, toothed] = [observationsOf(check, 'tip', false)[0], observationsOf(check, 'tip', true)[0]]
    expect(toothed?.logSd).toBeGreaterThan(smooth?.logSd ?? Infinity)
  })

  it('orders edges as the everyday signs do', () => {
    const forces = LADDER.map((rung) => force(after(unknown, { readings: [], ladder: [{ zone: 'whole', rung }] })))
    expect([...forces].sort((a, b) => a - b)).toEqual(forces)
  })

  it('knows less from a sign than from a number, and a sign is an interval', () => {
    const sign = after(unknown, { readings: [], ladder: [{ zone: 'belly', rung: 'paper' }] })
    const number = after(unknown, { readings: [{ zone: 'belly', forcesGf: [LADDER_FORCE.paper.forceGf] }], ladder: [] })
    expect(logForce(sign, 'belly').variance).toBeGreaterThan(logForce(number, 'belly').variance)
    expect(ladderInterval('shaves').low).toBe(-Infinity)
    expect(ladderInterval('glints').high).toBe(Infinity)
    for (const rung of LADDER) expect(ladderInterval(rung).low).toBeLessThan(ladderInterval(rung).high)
  })

  it('doubts one wild reading and believes its repetition', () => {
    const known = [180, 182, 179].reduce((belief, gf) => observeForce(belief, seen(gf, 0.05), true), unknown)
    const slip = observeCheck(known, { readings: [{ zone: 'belly', forcesGf: [2450] }], ladder: [] }, spec, NO_DOUBT)
    expect(slip.doubted.belly).toBe(1)
    expect(force(slip.belief)).toBeLessThan(1.25 * force(known))
    const again = observeCheck(
      slip.belief,
      { readings: [{ zone: 'belly', forcesGf: [900] }], ladder: [] },
      spec,
      slip.doubted,
    )
    expect(again.doubted.belly).toBe(0)
    expect(force(again.belief)).toBeGreaterThan(500)
  })
})

describe('a reading far off', () => {
  /** Mode of the belief times the reading's likelihood, by somebody else's minimiser. */
  function mode(belief: EdgeBelief, readGf: number, logSd: number): number {
    const places = [FRESH.belly, BLUNT.belly, ROLL.belly]
    const precision = jStat.inv(places.map((i) => places.map((j) => covariance(belief, i, j))))
    const loss = (at: number[]): number => {
      const off = places.map((place, index) => (at[index] ?? 0) - meanOf(belief, place))
      const prior = off.reduce(
        (sum, one, i) => sum + off.reduce((row, other, j) => row + one * other * (precision[i]?.[j] ?? 0), 0),
        0,
      )
      const force = Math.exp(at[0] ?? 0) + 12 * (at[1] ?? 0) + 120 * (at[2] ?? 0)
      return 0.5 * prior + 0.5 * (Math.log(readGf / Math.max(1, force)) / logSd) ** 2
    }
    const start = places.map((place) => meanOf(belief, place))
    const { solution: x } = numeric.uncmin(loss, start, 1e-12)
    return Math.exp(x[0] ?? 0) + 12 * (x[1] ?? 0) + 120 * (x[2] ?? 0)
  }

  // The mode by the quasi-Newton search of the npm package numeric (uncmin), on a force that bends with its parameters.
  it('is met where the posterior really peaks, not where one straight step ends', () => {
    for (const readGf of [230, 330, 390]) {
      const met = force(observeForce(unknown, seen(readGf, 0.06), true))
      expect(met / mode(unknown, readGf, 0.06)).toBeCloseTo(1, 2)
    }
  })

  it('is believed when it is read three times, by a knife that was thought keen', () => {
    const keen = firstBelief(spec, 'new', DEFAULT_PRIOR)
    const three = after(keen, { readings: [{ zone: 'belly', forcesGf: [520, 525, 515] }], ladder: [] })
    expect(force(three)).toBeGreaterThan(440)
    const once = after(keen, { readings: [{ zone: 'belly', forcesGf: [520] }], ladder: [] })
    expect(force(once)).toBeLessThan(0.6 * force(three))
  })

  it('right off a stone is not a bent edge: it did not reach the apex, or a burr is left', () => {
    const check = { readings: ZONES.map((zone) => ({ zone, forcesGf: [420, 410] })), ladder: [] }
    const keen = resetToFresh(firstBelief(spec, 'new', DEFAULT_PRIOR), 17, 4)
    const { belief } = observeCheck(keen, check, spec, NO_DOUBT, { offStone: true })
    expect(force(belief)).toBeGreaterThan(330)
    for (const zone of ZONES) expect(meanOf(belief, ROLL[zone])).toBeLessThan(0.1)
  })
})

describe('two different signs', () => {
  it('narrow the band more than one, and never more than their own spread allows', () => {
    const sign = (rung: (typeof LADDER)[number]): Parameters<typeof observeCheck>[1] => ({
      readings: [],
      ladder: [{ zone: 'whole', rung }],
    })
    const one = after(unknown, sign('paper'))
    const two = after(one, sign('draws-on-fruit'))
    const sd = (belief: EdgeBelief): number => Math.sqrt(logForce(belief, 'belly').variance)
    expect(sd(one)).toBeLessThan(sd(unknown))
    expect(sd(two)).toBeLessThan(sd(one))
    expect(sd(two)).toBeGreaterThan(0.5 * LADDER_FORCE.paper.logSd)
    expect(force(two)).toBeGreaterThan(LADDER_FORCE.paper.forceGf * 0.9)
    expect(force(two)).toBeLessThan(LADDER_FORCE['draws-on-fruit'].forceGf * 1.1)
  })
})
