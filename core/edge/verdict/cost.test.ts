import { describe, expect, it } from 'vitest'
import { planProgression } from '../../abrasive/progression'
import { recessionToBurrUm } from '../../abrasive/sessionRemoval'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import { NO_DEFECTS } from '../model/events'
import { wornAreaFromBluntWidth } from '../model/wear'
import { costOf, grindingWork, USUAL_SHELF, wayThrough, worstBluntUm } from './cost'

const CHEF: BladeGeometry = {
  lengthMm: 240,
  heelHeightMm: 48,
  spineMm: 2.4,
  bteMm: 0.35,
  bteWhenNewMm: 0.35,
  dps: 17,
  hrc: 57,
  minimumHeightMm: 34.5,
}
const SHELF = { stones: USUAL_SHELF, finishMicron: 4 }
const edge = (bluntUm: number, defects = NO_DEFECTS): Parameters<typeof grindingWork>[0] => {
  const zone = {
    roll: 0,
    wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: bluntUm, dps: CHEF.dps }),
    freshForceGf: 160,
    logSd: 0.1,
    wornLogSd: 0.1,
  }
  return { zones: { heel: zone, belly: zone, tip: zone }, defects }
}

describe('what a verdict says work costs', () => {
  it('is what the same way through the same stones costs at the bench', () => {
    const work = grindingWork(edge(14), CHEF, 'stone', 0.35)
    const way = wayThrough(CHEF, work, SHELF)
    const bench = planProgression({ ...work, blade: CHEF, ...SHELF })
    expect(costOf(way).steelUm).toBe(Math.round(bench.recessionUm))
    expect(costOf(way).minutes).toBe(Math.ceil(bench.minutes + 0.5))
    expect(costOf(way).strokesPerSide).toBe(bench.stages.reduce((sum, { strokesPerSide }) => sum + strokesPerSide, 0))
  })

  it('a kept-up knife takes about seven minutes of a sitting, a dull one about twelve (common practice)', () => {
    expect(costOf(wayThrough(CHEF, grindingWork(edge(6), CHEF, 'stone', 0.35), SHELF)).minutes).toBeLessThanOrEqual(7)
    const dull = costOf(wayThrough(CHEF, grindingWork(edge(15), CHEF, 'stone', 0.35), SHELF)).minutes
    expect(dull).toBeGreaterThanOrEqual(10)
    expect(dull).toBeLessThanOrEqual(18)
  })
})

describe('what has to go', () => {
  it('is half the blunt width over the tangent of the angle, and the burr of the stone', () => {
    const toApex = (bluntUm: number, dps: number): number => bluntUm / (2 * Math.tan((dps * Math.PI) / 180))
    expect(recessionToBurrUm({ bluntUm: 10, dps: 17, micron: 30 })).toBeCloseTo(toApex(10, 17) + 20, 9)
    expect(recessionToBurrUm({ bluntUm: 10, dps: 12, micron: 11.5 })).toBeCloseTo(toApex(10, 12) + 8, 9)
  })

  it('an edge that glints is blunter than any reckoning that says otherwise, and begins coarse', () => {
    const glinting = edge(2, { ...NO_DEFECTS, glint: ['belly'] })
    expect(worstBluntUm(glinting, 17)).toBeGreaterThanOrEqual(15)
    const [first] = wayThrough(CHEF, grindingWork(glinting, CHEF, 'stone', 0.35), SHELF).stages
    expect(first?.stone.micron).toBeGreaterThan(20)
  })

  it('a nick goes with the apex where it lies no deeper; a chip is ground past; one left on purpose waits', () => {
    const nick = { ...NO_DEFECTS, chip: { zone: 'belly' as const, depthMm: 0.01 } }
    expect(grindingWork(edge(12, nick), CHEF, 'stone', 0.35)).toMatchObject({
      bluntUm: expect.closeTo(12, 6) as number,
    })
    const chip = { ...NO_DEFECTS, chip: { zone: 'belly' as const, depthMm: 0.4 } }
    expect(grindingWork(edge(12, chip), CHEF, 'repair', 0.35)).toEqual({ chip: { depthMm: 0.4 } })
    const waits = { ...NO_DEFECTS, chip: { zone: 'belly' as const, depthMm: 0.4, rests: true } }
    expect(grindingWork(edge(12, waits), CHEF, 'stone', 0.35)).not.toHaveProperty('chip')
  })

  it('thinning goes down to the thickness wanted, and by a tenth where a blade wedges without being thick', () => {
    expect(grindingWork(edge(5), { ...CHEF, bteMm: 0.5 }, 'thin', 0.35)).toEqual({
      thinning: { byMm: expect.closeTo(0.15, 9) as number },
    })
    expect(grindingWork(edge(5), CHEF, 'thin', 0.35)).toEqual({
      thinning: { byMm: expect.closeTo(0.035, 9) as number },
    })
  })
})
