import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  BY_CONDITION,
  daysBetween,
  HONING_RULES,
  POLICY_SCOPES,
  policyFor,
  policyProblems,
  SCHOOLS,
  type PolicyRule,
} from './policy'

const rule = (more: Partial<PolicyRule>): PolicyRule => ({ ...BY_CONDITION, scope: 'house', of: '', ...more })
const knife = { type: 'boning-stiff', stationId: 'grill', holderId: 'oda' } as const

describe('the rule that counts for a knife', () => {
  const house = rule({ school: 'every-weeks' })
  const kind = rule({ scope: 'type', of: 'boning-stiff', school: 'every-job' })
  const station = rule({ scope: 'station', of: 'grill', school: 'weekly' })
  const person = rule({ scope: 'person', of: 'oda', school: 'strop-weekly' })

  it('is the edge’s own where the house has said nothing', () => {
    expect(policyFor([], knife)).toEqual(BY_CONDITION)
    expect(policyFor([rule({ scope: 'type', of: 'bread', school: 'weekly' })], knife)).toEqual(BY_CONDITION)
  })

  it('is the narrowest one, in whatever order they were made', () => {
    for (const rules of [
      [house, kind, station, person],
      [person, station, kind, house],
    ]) {
      expect(policyFor(rules, knife).school).toBe('strop-weekly')
      expect(policyFor(rules, { ...knife, holderId: 'finn' }).school).toBe('weekly')
      expect(policyFor(rules, { ...knife, holderId: null, stationId: null }).school).toBe('every-job')
      expect(policyFor(rules, { type: 'bread', holderId: null, stationId: null }).school).toBe('every-weeks')
    }
  })
})

describe('days between sessions', () => {
  it('are those of the calendar, and none where the edge decides', () => {
    const days = (more: Partial<PolicyRule>): number | null => daysBetween(rule(more))
    expect([days({ school: 'weekly' }), days({ school: 'strop-weekly' })]).toEqual([7, 7])
    expect(days({ school: 'every-weeks', weeks: 3 })).toBe(21)
    expect([days({ school: 'few-a-year', timesAYear: 2 }), days({ school: 'few-a-year', timesAYear: 3 })]).toEqual([
      183, 122,
    ])
    expect([days({}), days({ school: 'rod-first' }), days({ school: 'every-job' })]).toEqual([null, null, null])
  })
})

describe('rules that contradict', () => {
  it('are two for the same knives, and a way of the rod without honing', () => {
    expect(policyProblems([rule({}), rule({ school: 'weekly' })])).toEqual([{ at: 1, problem: 'twice' }])
    expect(policyProblems([rule({ school: 'few-a-year', honing: 'never' })])).toEqual([
      { at: 0, problem: 'needs-honing' },
    ])
    expect(policyProblems([rule({ school: 'every-weeks', honing: 'never' })])).toEqual([])
  })

  it('are the only ones: whatever else is said of different knives stands', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.constantFrom(...POLICY_SCOPES), fc.string({ maxLength: 4 })), {
          selector: ([scope, of]) => `${scope} ${of}`,
          maxLength: 6,
        }),
        fc.constantFrom(...SCHOOLS),
        fc.constantFrom(...HONING_RULES.filter((one) => one !== 'never')),
        (scopes, school, honing) => {
          expect(policyProblems(scopes.map(([scope, of]) => rule({ scope, of, school, honing })))).toEqual([])
        },
      ),
    )
  })
})
