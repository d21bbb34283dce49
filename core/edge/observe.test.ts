import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edgeForce } from './force'
import { LADDER, LADDER_FORCE } from './ladder'
import { observationsOf, observeCheck, observeForce } from './observe'
import { anchored, forceSd, freshZone, newKnifeState, type BladeNature, type ZoneEdge } from './state'
import { wornAreaFromBluntWidth } from './wear'

const nature: BladeNature = { dps: 17, hrc: 57, carbides: { CrC: 2 }, serrated: false }
const edge = (sdGf: number): ZoneEdge =>
  anchored({ roll: 0.3, wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: 8, dps: 17 }), freshForceGf: 160 }, 17, sdGf)
const seen = (forceGf: number, logSd = 0.12): Parameters<typeof observeForce>[1] => ({ forceGf, logSd, deliberate: false })

describe('one observation of a force', () => {
  it('lands between reckoning and reading, and leaves less doubt than either', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 80, noNaN: true }), fc.double({ min: 220, max: 420, noNaN: true }), (sdGf, read) => {
        const before = edge(sdGf)
        const after = observeForce(before, seen(read), 17, false)
        const [was, is] = [edgeForce(before, 17), edgeForce(after, 17)]
        expect(is).toBeGreaterThanOrEqual(Math.min(was, read) - 1e-6)
        expect(is).toBeLessThanOrEqual(Math.max(was, read) + 1e-6)
        expect(forceSd(after, 17) / is).toBeLessThanOrEqual(sdGf / was + 1e-9)
      }),
    )
  })

  // The scalar Kalman filter in closed form (Kalman 1960): precision-weighted mean of the logarithms.
  it('is the precision-weighted mean in the logarithm', () => {
    const before = edge(30)
    const was = edgeForce(before, 17)
    const [priorVariance, readingVariance] = [(30 / was) ** 2, 0.12 ** 2]
    const mean = (Math.log(was) / priorVariance + Math.log(300) / readingVariance) / (1 / priorVariance + 1 / readingVariance)
    expect(edgeForce(observeForce(before, seen(300), 17, false), 17)).toBeCloseTo(Math.exp(mean), 6)
  })

  it('does not depend on the order of two tame readings', () => {
    const both = (first: number, second: number): number => edgeForce(observeForce(observeForce(edge(30), seen(first), 17, false), seen(second), 17, false), 17)
    expect(both(270, 300)).toBeCloseTo(both(300, 270), 6)
  })

  it('keeps roll where it can and explains the rest by wear', () => {
    const duller = observeForce(edge(40), seen(420), 17, true)
    expect(duller.roll).toBe(0.3)
    expect(duller.wornAreaUm2).toBeGreaterThan(edge(40).wornAreaUm2)
  })
})

describe('a check of the whole edge', () => {
  it('hears each reading and each rung of the zone it speaks of', () => {
    const check = {
      readings: [{ zone: 'heel' as const, forcesGf: [200, 210] }],
      ladder: [{ zone: 'whole' as const, rung: 'paper' as const }, { zone: 'tip' as const, rung: 'skates' as const }],
    }
    expect(observationsOf(check, 'heel', false).map((one) => Math.round(one.forceGf))).toEqual([205, LADDER_FORCE.paper.forceGf])
    expect(observationsOf(check, 'belly', false)).toHaveLength(1)
    expect(observationsOf(check, 'tip', false)).toHaveLength(2)
  })

  it('trusts a serrated edge’s reading less', () => {
    const check = { readings: [{ zone: 'tip' as const, forcesGf: [300] }], ladder: [] }
    const [smooth, toothed] = [observationsOf(check, 'tip', false)[0], observationsOf(check, 'tip', true)[0]]
    expect(toothed?.logSd).toBeGreaterThan(smooth?.logSd ?? Infinity)
  })

  it('orders edges as the everyday signs do', () => {
    const start = newKnifeState(nature, 0, 'in-use').zones
    const forces = LADDER.map((rung) => edgeForce(observeCheck(start, { readings: [], ladder: [{ zone: 'whole', rung }] }, nature).belly, 17))
    expect([...forces].sort((a, b) => a - b)).toEqual(forces)
  })

  it('leaves zones nobody looked at as they were', () => {
    const start = { heel: freshZone(17, 4), belly: freshZone(17, 4), tip: freshZone(17, 4) }
    const after = observeCheck(start, { readings: [{ zone: 'tip', forcesGf: [280] }], ladder: [] }, nature)
    expect(after.heel).toBe(start.heel)
    expect(after.tip).not.toBe(start.tip)
  })
})
