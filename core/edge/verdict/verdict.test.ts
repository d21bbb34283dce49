import { describe, expect, it } from 'vitest'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { BladeSpec } from '../../knife/bladeSpec'
import { eachZone, type Zone } from '../../knife/zones'
import { initialState, type KnifeState } from '../log/state'
import { NO_DEFECTS } from '../model/events'
import { wornAreaFromBluntWidth } from '../model/wear'
import { defaultRules, verdict } from './verdict'

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

function edge(roll: number, bluntUm: number, more: Partial<KnifeState> = {}, logSd = 0.02): KnifeState {
  const zone = {
    roll,
    wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: bluntUm, dps: 17 }),
    freshForceGf: 165,
    logSd,
    wornLogSd: logSd,
  }
  return {
    ...initialState(spec, 0, 'new'),
    zones: eachZone(() => zone),
    checkedMs: 0,
    hoursSinceCheck: 0,
    readingCount: 3,
    ...more,
  }
}
const decide = (state: KnifeState, blade: Partial<BladeGeometry> = {}): ReturnType<typeof verdict> =>
  verdict(state, { ...chef, ...blade }, 'general')
const codes = (state: KnifeState, blade: Partial<BladeGeometry> = {}): string[] =>
  decide(state, blade).reasons.map((reason) => reason.code)

describe('the next action', () => {
  it('is to leave a fresh edge alone', () => {
    expect(decide(edge(0, 1)).action).toBe('none')
  })

  it('is quarantine before anything else when the knife is unsafe', () => {
    const state = edge(0.5, 20, {
      defects: { ...NO_DEFECTS, handleLoose: true, cracked: true, chip: { zone: 'tip', depthMm: 1 } },
    })
    expect(decide(state).action).toBe('quarantine')
    expect(codes(state)).toEqual(['handle-loose', 'cracked'])
    expect(decide(state).runnerUp?.action).toBe('repair')
  })

  it('is to grind past the deepest point of a chip, coarse when it is deep', () => {
    const chip = (depthMm: number): ReturnType<typeof verdict> =>
      decide(edge(0.1, 2, { defects: { ...NO_DEFECTS, chip: { zone: 'heel', depthMm } } }))
    expect(chip(0.5)).toMatchObject({ action: 'repair', startGrit: 220 })
    expect(chip(0.5).cost.steelUm).toBeGreaterThanOrEqual(500)
    // #220–#500 for a chip (common practice)
    expect(chip(0.1).startGrit).toBeLessThanOrEqual(500)
  })

  it('is to hone an edge that is dull because it is bent', () => {
    const state = edge(0.9, 8)
    expect(decide(state).action).toBe('hone')
    expect(codes(state)).toEqual(['bent'])
    expect(decide(state).runnerUp?.action).toBe('stone')
  })

  it('is not to hone again what was honed just now', () => {
    expect(decide(edge(0.2, 2)).action).toBe('hone')
    expect(decide(edge(0.2, 2, { honedMs: 0, hoursSinceHone: 0 })).action).toBe('none')
    const honed = { honedMs: 0, hoursSinceHone: 0 }
    expect(decide(edge(0.9, 8, { ...honed, hoursSinceCheck: 6 })).action).toBe('check')
    expect(decide(edge(0.9, 8, honed)).action).toBe('stone')
  })

  it('is the stone when the same edge did not come back from honing', () => {
    expect(codes(edge(0.9, 8, { lastHone: 'not' }))).toContain('hone-failed')
    expect(decide(edge(0.9, 8, { lastHone: 'not' })).action).toBe('stone')
  })

  // glint or dull: coarser than #1000; kept up: #1000 (common practice)
  it('starts a badly worn or glinting edge on a coarse stone, a worn one on #1000', () => {
    expect(decide(edge(0, 22))).toMatchObject({ action: 'stone', startGrit: 320 })
    expect(decide(edge(0, 15.8))).toMatchObject({ action: 'stone', startGrit: 320 })
    expect(decide({ ...edge(0.9, 8, { lastHone: 'not' }) })).toMatchObject({ action: 'stone', startGrit: 1000 })
    expect(decide(edge(0.1, 2, { defects: { ...NO_DEFECTS, glint: ['belly'] } }))).toMatchObject({
      action: 'stone',
      startGrit: 320,
    })
  })

  it('is a check when the reckoning alone cannot tell, and not when it can', () => {
    const unsure = edge(0, 15.8, { hoursSinceCheck: 20 }, 0.2)
    expect(decide(unsure).action).toBe('check')
    expect(codes(unsure)).toEqual(['straddles'])
    expect(decide(unsure).runnerUp?.action).toBe('stone')
    expect(decide(edge(0, 15.8, {}, 0.03)).action).toBe('stone')
    expect(codes({ ...unsure, readingCount: 0 })).toEqual(['never-read'])
  })

  it('is thinning when it wedges in a carrot, whatever the caliper says', () => {
    const wedging = { ...edge(0, 1), defects: { ...edge(0, 1).defects, wedges: true } }
    expect(codes(wedging)).toEqual(['wedges'])
  })

  it('is thinning when the steel behind the edge is too thick or half as thick again', () => {
    expect(codes(edge(0, 1), { bteMm: 0.6 })).toEqual(['thick'])
    expect(codes(edge(0, 1), { bteMm: 0.46, bteWhenNewMm: 0.3 })).toEqual(['thickened'])
    expect(decide(edge(0, 1), { bteMm: 0.45, bteWhenNewMm: 0.35 }).action).toBe('none')
  })

  it('is another role when little height is left', () => {
    expect(decide(edge(0, 1), { heelHeightMm: 34 }).action).toBe('change-role')
  })

  it('is a touch-up when worn but in limit', () => {
    expect(decide(edge(0.1, 12))).toMatchObject({ action: 'touch-up', startGrit: 3000 })
  })

  it('is a strop, not a steel, for a blade that would chip', () => {
    const hard = decide(edge(0.4, 2), { hrc: 62 })
    expect(hard).toMatchObject({ action: 'hone', tool: 'strop' })
    expect(hard.reasons.map((reason) => reason.code)).toContain('brittle')
  })

  it('is the stone when the rod has done what it can', () => {
    const rules = { ...defaultRules('general'), honeTool: 'ceramic-rod' as const }
    const worn = edge(0.1, 14.9, { rod: { microBevel: 0, honings: 70 } }, 0.06)
    const spent = verdict(worn, chef, 'general', rules)
    expect(spent).toMatchObject({ action: 'stone' })
    expect(spent.reasons[0]).toMatchObject({ code: 'rod-spent', values: { tool: 'ceramic-rod' } })
    const fresh = verdict({ ...worn, rod: { microBevel: 0, honings: 10 } }, chef, 'general', rules)
    expect(fresh.reasons.map(({ code }) => code)).not.toContain('rod-spent')
  })

  it('is back to the stone when it reads high right off it: not at the apex, or a burr left, never bent', () => {
    const off = { sharpenedMs: 0, checkedMs: 1, hoursSinceSharpening: 0 }
    expect(codes(edge(0, 16, off))).toEqual(['not-at-apex'])
    expect(decide(edge(0, 16, off)).action).toBe('stone')
    expect(codes(edge(0, 16, { ...off, hoursSinceSharpening: 6 }))).toEqual(['worn'])
  })

  it('never offers a rod where a rod is what no longer helps', () => {
    for (const state of [edge(0.9, 16), edge(0.5, 8, { lastHone: 'not' }), edge(0.6, 12)]) {
      expect(decide(state).action).not.toBe('hone')
      expect(['hone', 'touch-up']).not.toContain(decide(state).runnerUp?.action)
    }
  })

  it('lets a nick go with the next session', () => {
    const nicked = (depthMm: number): KnifeState =>
      edge(0, 1, { defects: { ...NO_DEFECTS, chip: { zone: 'tip', depthMm } } })
    expect(decide(nicked(0.08)).action).toBe('none')
    expect(decide(nicked(0.12)).action).toBe('repair')
  })

  it('says what to mind: steel that rusts, and an edge too thin for bone', () => {
    expect(codes(edge(0.4, 2), { reactive: true })).toContain('reactive')
    expect(codes(edge(0.4, 2), { onBone: true, dps: 12, hrc: 62 })).toContain('thin-for-bone')
    expect(codes(edge(0.4, 2), { onBone: true, dps: 25 })).not.toContain('thin-for-bone')
    expect(codes(edge(0, 1), { reactive: true })).toEqual([])
  })

  it('asks for no second test before the edge has worked an hour', () => {
    const unsure = edge(0, 15.8, { hoursSinceCheck: 0.4 }, 0.2)
    expect(decide(unsure).action).toBe('stone')
    expect(decide({ ...unsure, hoursSinceCheck: 1.5 }).action).toBe('check')
  })

  it('names the worst zone', () => {
    const zones = { ...edge(0, 2).zones }
    const worse: Zone = 'tip'
    expect(
      verdict({ ...edge(0, 2), zones: { ...zones, [worse]: edge(0, 20).zones.tip } }, chef, 'general').worstZone,
    ).toBe('tip')
  })

  it('carries minutes and steel that common practice would recognise', () => {
    const worn = decide(edge(0, 22))
    // A three-stone session takes 25–30 minutes at most, and a kept-up knife much less (common practice).
    expect(worn.cost.minutes).toBeGreaterThan(10)
    expect(worn.cost.minutes).toBeLessThanOrEqual(30)
    expect(worn.cost.steelUm).toBeGreaterThan(30)
    expect(decide(edge(0.3, 2)).cost).toMatchObject({ minutes: 1, steelUm: 0 })
  })

  it('uses the house’s own limits', () => {
    const state = edge(0, 12)
    expect(
      verdict(state, chef, 'general', defaultRules('general', { fine: 260, general: 300, butchery: 420, bread: 600 }))
        .action,
    ).toBe('stone')
  })
})
