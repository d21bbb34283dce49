import { describe, expect, it } from 'vitest'
import { BY_CONDITION, SCHOOLS, type PolicyRule } from '../../core/policy/policy'
import { speaker } from '../../words/say'
import { ruleWords } from './ruleWords'
import { untrainedHolders } from './untrainedHolders'

const rule = (more: Partial<PolicyRule>): PolicyRule => ({ ...BY_CONDITION, scope: 'house', of: '', ...more })
const names = {
  station: (id: string) => (id === 'g' ? 'Grill' : undefined),
  person: (id: string) => (id === 'o' ? 'Oda' : undefined),
}
const words = (more: Partial<PolicyRule>): string => ruleWords(rule(more), speaker(), names)

describe('a rule said back', () => {
  it('names whose knives, how often, how honed and in whose hands', () => {
    expect(words({ school: 'every-weeks', weeks: 3 })).toBe(
      'All knives: to the stone every 3 weeks. Honing: before each service.',
    )
    expect(words({ scope: 'station', of: 'g', school: 'few-a-year', honing: 'when-drawn' })).toBe(
      'Grill: to the stone twice a year. Honing: each time it is drawn.',
    )
    expect(words({ scope: 'person', of: 'o', ownHands: true })).toMatch(/^Oda: .* Nobody else’s hands\.$/)
    expect(words({ scope: 'person', of: 'gone' })).toContain('gone')
    expect(new Set(SCHOOLS.map((school) => words({ school }))).size).toBe(SCHOOLS.length)
  })
})

describe('knives nobody may sharpen', () => {
  const knife = {
    type: 'chef',
    stationId: 'g',
    holderId: 'o',
    status: 'in-service',
    serrated: false,
    ratioRight: 50,
  } as const
  const own = [rule({ ownHands: true })]
  const signed = (skill: 'full' | 'serrated') => [
    { personId: 'o', skill, level: 'alone' as const, signedBy: null, signedAt: '2026-01-01T00:00:00Z' },
  ]

  it('are those whose holder alone may and is not signed off', () => {
    expect(untrainedHolders(own, [knife], [])).toEqual(['o'])
    expect(untrainedHolders(own, [knife, knife], signed('full'))).toEqual([])
    expect(untrainedHolders(own, [{ ...knife, serrated: true }], signed('full'))).toEqual(['o'])
  })

  it('are none without such a rule, without a holder, out of service, or while nobody knows', () => {
    expect(untrainedHolders([], [knife], [])).toEqual([])
    expect(untrainedHolders(own, [{ ...knife, holderId: null }], [])).toEqual([])
    expect(untrainedHolders(own, [{ ...knife, status: 'retired' }], [])).toEqual([])
    expect(untrainedHolders(own, [knife], null)).toEqual([])
  })
})
