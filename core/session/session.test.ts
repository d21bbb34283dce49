import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Action } from '../edge/verdict/verdict'
import { KNIFE_TYPES, TYPE_TEMPLATES, type KnifeType } from '../knife/knifeTypes'
import { ZONES } from '../knife/zones'
import { MINUTE_MS } from '../time'
import { recipesFor, type RecipeKnife } from './recipe'
import { RECIPES } from './recipes'
import type { SessionPlan } from './plan'
import { minutesToBurr, paceNote, sessionState, stepState, type SessionAction } from './session'
import { sessionOf } from './testing'

const knife = (type: KnifeType, more: Partial<RecipeKnife> = {}): RecipeKnife => {
  const { grind, serrated, ratioRight } = TYPE_TEMPLATES[type]
  return { type, grind, serrated, ratioRight, hrc: 57, ...more }
}
const first = (of: RecipeKnife, action: Action): string => recipesFor(RECIPES, of, action)[0]?.id ?? ''
const START = Date.UTC(2026, 2, 10, 15)
let serial = 0
const act = (minutes: number, action: object): SessionAction =>
  ({
    id: `a${String(serial++).padStart(4, '0')}`,
    atMs: START + minutes * MINUTE_MS,
    personId: 'oda',
    ...action,
  }) as SessionAction
const at = (of: SessionPlan, actions: readonly SessionAction[]): ReturnType<typeof sessionState> =>
  sessionState(of, START, 'oda', actions)

describe('the recipe for a knife', () => {
  it('is the one made for it', () => {
    expect(first(knife('chef'), 'stone')).toBe('full')
    expect(first(knife('chef', { ratioRight: 70 }), 'stone')).toBe('asymmetric')
    expect(first(knife('bread'), 'stone')).toBe('serrated-ground-side')
    expect(first(knife('boning-flexible'), 'stone')).toBe('boning')
    expect(first(knife('single-bevel-slicer', { hrc: 61 }), 'stone')).toBe('single-bevel')
    expect(first(knife('chef', { hrc: 64 }), 'stone')).toBe('hard-steel')
    expect(first(knife('chef'), 'thin')).toBe('thin')
    expect(first(knife('chef'), 'hone')).toBe('steel')
    expect(first(knife('nakiri', { hrc: 62 }), 'hone')).toBe('strop')
  })

  it('exists for every kind of knife, in both schools where it is serrated', () => {
    for (const type of KNIFE_TYPES) expect(recipesFor(RECIPES, knife(type), 'stone').length).toBeGreaterThan(0)
    expect(recipesFor(RECIPES, knife('bread'), 'stone').map(({ id }) => id)).toEqual(
      expect.arrayContaining(['serrated-ground-side', 'serrated-flat-back']),
    )
  })
})

describe('a session under way', () => {
  const full = sessionOf('full')

  it('counts strokes and burr by zone, and knows when the burr stood all along', () => {
    const state = at(full, [
      act(1, { kind: 'go', stepId: 'first-1' }),
      act(2, { kind: 'strokes', stepId: 'first-1', zone: 'heel', count: 6 }),
      act(3, { kind: 'strokes', stepId: 'first-1', zone: 'heel', count: 6 }),
      act(3.2, { kind: 'burr', stepId: 'first-1', zone: 'heel', felt: true }),
      act(5, { kind: 'burr', stepId: 'first-1', zone: 'belly', felt: true }),
      act(7, { kind: 'burr', stepId: 'first-1', zone: 'tip', felt: true }),
    ])
    expect(stepState(state, 'first-1').strokes.heel).toBe(12)
    expect(stepState(state, 'first-1').burrAfterMs).toBe(6 * MINUTE_MS)
  })

  it('is the same in any order of arrival, and when everything arrives twice', () => {
    const actions = [
      act(1, { kind: 'go', stepId: 'first-1' }),
      act(2, { kind: 'strokes', stepId: 'first-1', zone: 'tip', count: 5 }),
      act(3, { kind: 'force', when: 'before', zone: 'tip', forceGf: 380 }),
      act(4, { kind: 'carry-over', zone: 'heel', what: 'deep scratch' }),
      act(5, { kind: 'go', stepId: 'second-1' }),
    ]
    const once = at(full, actions)
    fc.assert(
      fc.property(fc.shuffledSubarray([...actions, ...actions], { minLength: 10 }), (shuffled) => {
        expect(at(full, shuffled)).toEqual(once)
      }),
      { numRuns: 30 },
    )
  })

  it('does not count a pause, nor the silence of a dead tablet, as work', () => {
    const paused = at(full, [
      act(1, { kind: 'go', stepId: 'first-1' }),
      act(3, { kind: 'pause' }),
      act(60, { kind: 'strokes', stepId: 'first-1', zone: 'tip', count: 1 }),
    ])
    expect(stepState(paused, 'first-1').spentMs).toBe(2 * MINUTE_MS)
    const died = at(full, [act(1, { kind: 'go', stepId: 'first-1' }), act(120, { kind: 'take-over' })])
    expect(stepState(died, 'first-1').spentMs).toBe(0)
  })

  it('keeps a half session as what it was', () => {
    const half = at(full, [
      act(1, { kind: 'go', stepId: 'first-1' }),
      act(2, { kind: 'strokes', stepId: 'first-1', zone: 'tip', count: 9 }),
      act(3, { kind: 'abandon' }),
      act(4, { kind: 'strokes', stepId: 'first-1', zone: 'tip', count: 9 }),
    ])
    expect(half.status).toBe('abandoned')
    expect(stepState(half, 'first-1').strokes.tip).toBe(9)
  })

  it('says when the first stone passes twenty minutes and when a burr comes late on a finer one', () => {
    const step = (id: string): Parameters<typeof paceNote>[0] => {
      const found = full.steps.find((one) => one.id === id)
      if (!found) throw new Error(id)
      return found
    }
    expect(paceNote(step('first-1'), 21 * MINUTE_MS, false)).toBe('first-stone-too-long')
    expect(paceNote(step('first-1'), 21 * MINUTE_MS, true)).toBeNull()
    expect(paceNote(step('first-2'), 4 * MINUTE_MS, false)).toBe('burr-late')
    expect(paceNote(step('look'), 60 * MINUTE_MS, false)).toBeNull()
  })

  it('tells how long the first stone took to its burr, both sides', () => {
    const burr = (stepId: string, from: number): SessionAction[] => [
      act(from, { kind: 'go', stepId }),
      ...ZONES.map((zone) => act(from + 2, { kind: 'burr', stepId, zone, felt: true })),
    ]
    expect(minutesToBurr(full, at(full, [...burr('first-1', 1), ...burr('second-1', 5)]))).toEqual([
      { stoneId: '#320', minutes: 4, planned: full.stages[0]?.minutes },
    ])
    expect(minutesToBurr(full, at(full, burr('first-1', 1)))).toEqual([])
  })
})
