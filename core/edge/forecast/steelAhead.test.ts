import { describe, expect, it } from 'vitest'
import { recede } from '../../geometry/recession'
import { faceAngle } from '../../geometry/stack'
import type { BladeSpec } from '../../knife/bladeSpec'
import { DAY_MS } from '../../time'
import { initialState, type KnifeState } from '../log/state'
import { applyGrinding, initialSteel, thicknessAfterRecession, updateOnMeasurement } from '../log/steelLeft'
import { steelAhead } from './steelAhead'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
const geometry = {
  lengthMm: 240,
  heelHeightMm: 48,
  spineMm: 2.4,
  bteMm: 0.35,
  bteWhenNewMm: 0.35,
  dps: 17,
  hrc: 57,
  minimumHeightMm: 34.5,
}

/** A session on three stones, of an edge so blunt, µm. */
const session = (bluntUm: number): Parameters<typeof applyGrinding>[2] => ({ bluntUm, grains: [40, 11.5, 4] })

describe('what a session takes', () => {
  it('the edge moves up into thicker steel, as recession says', () => {
    const after = applyGrinding(initialSteel(spec.joined, 'in-use'), spec, session(12), 0.1)
    expect(after.heightMm.mean).toBeCloseTo(47.9, 9)
    expect(after.bteMm.mean).toBeCloseTo(
      recede({ bteMm: 0.35, dps: 17, faceDps: faceAngle(spec.joined), recessionMm: 0.1 }).bteMm,
      9,
    )
    expect(after.heightMm.sd).toBeGreaterThan(initialSteel(spec.joined, 'in-use').heightMm.sd)
  })

  it('a measured height beats the estimate and teaches what a session here really takes', () => {
    let steel = initialSteel(spec.joined, 'in-use')
    for (let at = 0; at < 20; at++) steel = applyGrinding(steel, spec, session(14), undefined)
    const estimated = steel.heightMm.mean
    const found = updateOnMeasurement(steel, { heelHeightMm: 45 })
    expect(found.heightMm.mean).toBeLessThan(estimated)
    expect(Math.abs(found.heightMm.mean - 45)).toBeLessThan(0.25)
    expect(found.takes.mean).toBeGreaterThan(0)
    expect(found.takes.sd).toBeLessThan(steel.takes.sd)
    const next = applyGrinding(found, spec, session(14), undefined)
    expect(found.heightMm.mean - next.heightMm.mean).toBeGreaterThan((48 - estimated) / 20)
  })

  it('thickens faster on a blade with fat faces', () => {
    const wedge: BladeSpec = { ...spec, joined: { ...spec.joined, spineMm: 5 } }
    expect(thicknessAfterRecession(wedge, 0.35, 1) - 0.35).toBeGreaterThan(
      2 * (thicknessAfterRecession(spec, 0.35, 1) - 0.35),
    )
  })
})

describe('thinning due and worn out', () => {
  const after = (sessions: number, days: number): KnifeState => {
    const start = initialState(spec, 0, 'in-use')
    let { steel } = start
    for (let at = 0; at < sessions; at++) steel = applyGrinding(steel, spec, session(12), 0.05)
    return { ...start, steel, atMs: days * DAY_MS }
  }

  it('have dates with bands, sooner for a knife that meets the stone more often', () => {
    const [often, seldom] = [
      steelAhead(after(20, 100), spec, geometry, 0.5),
      steelAhead(after(5, 100), spec, geometry, 0.5),
    ]
    for (const band of [often.thinningDue, often.wornOut, seldom.thinningDue]) {
      expect(band && band.earlyMs < band.middleMs && band.middleMs < band.lateMs).toBe(true)
    }
    expect(often.wornOut?.middleMs).toBeLessThan(seldom.wornOut?.middleMs ?? Infinity)
    expect(often.sessionsPerYear.mean).toBeGreaterThan(seldom.sessionsPerYear.mean)
  })

  // 20 sessions of 0.05 mm in 100 days take 3.65 mm a year; 12.5 mm of height left are 3.4 years.
  it('agree with arithmetic on paper', () => {
    const { wornOut } = steelAhead(after(40, 200), spec, geometry, 0.5)
    const years = ((wornOut?.middleMs ?? NaN) - 200 * DAY_MS) / (365.25 * DAY_MS)
    expect(years).toBeGreaterThan(2.8)
    expect(years).toBeLessThan(3.7)
  })

  it('are silent when it is too late already', () => {
    const { thinningDue, wornOut } = steelAhead(after(3, 30), spec, { ...geometry, minimumHeightMm: 49 }, 0.3)
    expect(thinningDue).toBeNull()
    expect(wornOut).toBeNull()
  })
})
