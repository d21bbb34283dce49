import { describe, expect, it } from 'vitest'
import { NO_COST, type Action, type Reason, type Recommendation } from '../edge/verdict/recommendation'
import type { Verdict } from '../edge/verdict/verdict'
import { DAY_MS } from '../time'
import { chancesByRule } from './chancesByRule'
import { followPolicy, type PolicyFacts } from './followPolicy'
import { BY_CONDITION, SCHOOLS, type Policy } from './policy'

const NOW = 100 * DAY_MS
const step = (
  action: Action,
  codes: readonly Reason['code'][] = [],
  runnerUp: Recommendation | null = null,
): Verdict => ({
  action,
  reasons: codes.map((code) => ({ code, values: {} })),
  cost: { minutes: 12, strokesPerSide: 40, steelUm: 50 },
  startGrit: 400,
  tool: null,
  dps: 17,
  runnerUp,
  worstZone: 'tip',
})
const hone: Recommendation = {
  ...step('hone'),
  tool: 'ceramic-rod',
  cost: { minutes: 1, strokesPerSide: 7, steelUm: 0 },
}
const facts = (daysAgo: number | null, more: Partial<PolicyFacts> = {}): PolicyFacts => ({
  nowMs: NOW,
  sharpenedMs: daysAgo === null ? null : NOW - daysAgo * DAY_MS,
  hoursSinceSharpening: 8,
  hone,
  ...more,
})
const by = (more: Partial<Policy>): Policy => ({ ...BY_CONDITION, ...more })
const told = (verdict: Verdict, policy: Policy, at: PolicyFacts) => {
  const { action, reasons, byCondition } = followPolicy(verdict, policy, at)
  return [action, reasons[0]?.code ?? '', byCondition?.action ?? null]
}

describe('a verdict under a rule of the house', () => {
  it('is the edge’s own where the edge decides', () => {
    for (const action of ['stone', 'hone', 'check', 'none'] as const)
      expect(told(step(action, ['worn']), BY_CONDITION, facts(30))).toEqual([action, 'worn', null])
  })

  it('leaves what is unsafe, broken or too thick as it is, whatever the rule', () => {
    for (const school of SCHOOLS)
      for (const action of ['quarantine', 'repair', 'thin', 'change-role'] as const)
        expect(told(step(action, ['chip']), by({ school }), facts(400))[0]).toBe(action)
  })

  it('has what a session left undone mended, whatever the rule', () => {
    const monthly = by({ school: 'every-weeks', weeks: 4, honing: 'never' })
    expect(told(step('hone', ['burr-left']), monthly, facts(0))).toEqual(['hone', 'burr-left', null])
    expect(told(step('stone', ['not-at-apex']), monthly, facts(0))).toEqual(['stone', 'not-at-apex', null])
  })

  it('comes by the calendar, and says what the edge would have', () => {
    const monthly = by({ school: 'every-weeks', weeks: 4 })
    expect(told(step('none'), monthly, facts(29))).toEqual(['stone', 'rule-due', 'none'])
    expect(told(step('stone', ['worn']), monthly, facts(10))).toEqual(['hone', 'rule-waits', 'stone'])
    expect(told(step('hone', ['daily']), monthly, facts(10))).toEqual(['hone', 'daily', null])
    expect(followPolicy(step('stone'), monthly, facts(10)).reasons[0]?.values).toEqual({ days: 18 })
    expect(told(step('none'), monthly, facts(null))).toEqual(['stone', 'rule-unknown', 'none'])
    // one that has not been used since is not sharpened again
    expect(told(step('none'), monthly, facts(29, { hoursSinceSharpening: 0 }))[0]).toBe('none')
  })

  it('is a little each week, and after every job once it has worked', () => {
    expect(told(step('none'), by({ school: 'weekly' }), facts(7))).toEqual(['touch-up', 'rule-due', 'none'])
    expect(told(step('hone', ['daily']), by({ school: 'every-job' }), facts(0.2))).toEqual([
      'stone',
      'rule-every-job',
      'hone',
    ])
    expect(told(step('none'), by({ school: 'every-job' }), facts(0, { hoursSinceSharpening: 0 }))[0]).toBe('none')
  })

  it('takes the rod first for as long as the rod helps', () => {
    const rod = by({ school: 'rod-first' })
    expect(told(step('stone', ['worn']), rod, facts(60))).toEqual(['hone', 'rule-rod-first', 'stone'])
    for (const code of ['hone-failed', 'rod-spent', 'glint'] as const)
      expect(told(step('stone', [code]), rod, facts(60))).toEqual(['stone', code, null])
    // just honed: nothing to do until it has worked again
    expect(told(step('stone', ['worn']), rod, facts(60, { hone: null }))[0]).toBe('none')
  })

  it('never hones where the house never does, and goes to the stone where that is the other way', () => {
    const never = by({ honing: 'never' })
    expect(told(step('hone', ['bent']), never, facts(5))).toEqual(['none', 'rule-no-honing', 'hone'])
    expect(told(step('hone', ['bent'], step('stone', ['worn'])), never, facts(5))).toEqual([
      'stone',
      'rule-no-honing',
      'hone',
    ])
    expect(told(step('stone'), by({ school: 'every-weeks', honing: 'never' }), facts(5))[0]).toBe('none')
  })

  it('costs what such a step is known to cost', () => {
    expect(followPolicy(step('stone'), by({ school: 'every-weeks' }), facts(1)).cost).toEqual(hone.cost)
    expect(followPolicy(step('none'), by({ school: 'every-weeks' }), facts(60)).cost).toEqual(NO_COST)
  })
})

describe('what the planner goes by under a rule', () => {
  const starts = Array.from({ length: 14 }, (_service, at) => NOW + (at / 2) * DAY_MS)

  it('is the day its turn comes, and the next turn after that', () => {
    const weekly = chancesByRule(by({ school: 'weekly' }), starts, 20, { nowMs: NOW, sharpenedMs: NOW - 4 * DAY_MS })
    // due in three days: from the seventh service on, two a day
    expect(weekly?.left.indexOf(1)).toBe(6)
    expect(weekly?.fresh.indexOf(1)).toBe(14)
  })

  it('is nothing of the windows for what is done after every job, and the edge’s own where that decides', () => {
    const after = chancesByRule(by({ school: 'every-job' }), starts, 5, { nowMs: NOW, sharpenedMs: null })
    expect([...(after?.left ?? []), ...(after?.fresh ?? [])].every((chance) => chance === 0)).toBe(true)
    expect(chancesByRule(BY_CONDITION, starts, 5, { nowMs: NOW, sharpenedMs: null })).toBeNull()
    expect(chancesByRule(by({ school: 'rod-first' }), starts, 5, { nowMs: NOW, sharpenedMs: null })).toBeNull()
  })
})
