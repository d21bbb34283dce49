import { describe, expect, it } from 'vitest'
import { MINUTE_MS } from '../time'
import { backToCoarse, branchTarget, minutesBack } from './branches'
import { isWorked, pagesOf } from './pages'
import { sessionState, type SessionAction } from './session'
import { sideTimes, weakSide, type SideTime } from './sides'
import { sessionOf } from './testing'

const full = sessionOf('full')

describe('a quick test between stones', () => {
  it('sends what drags back to the stone on that side, what snags to the burr, and all else on', () => {
    const go = (outcome: 'clean' | 'drags' | 'snags', hand: 'left' | 'right' | null = null): string =>
      branchTarget(full, 'try-2', { outcome, zone: 'tip', hand })
    expect(go('drags')).toBe('first-2')
    expect(go('drags', 'left')).toBe('second-2')
    expect(go('snags')).toBe('deburr-2')
    expect(go('clean')).toBe('flatten-3')
  })

  it('at the end goes back to the last stone, or to the strop', () => {
    expect(branchTarget(full, 'test', { outcome: 'drags', zone: 'heel', hand: null })).toBe('first-3')
    expect(branchTarget(full, 'test', { outcome: 'snags', zone: null, hand: null })).toBe('strop')
  })

  it('has somewhere to go in every recipe that tries', () => {
    for (const id of ['serrated-ground-side', 'rod-ceramic', 'single-bevel', 'thin', 'boning', 'hard-steel']) {
      const plan = sessionOf(id)
      for (const outcome of ['drags', 'snags'] as const) {
        const target = branchTarget(plan, 'test', { outcome, zone: null, hand: null })
        expect(
          plan.steps.some((step) => step.id === target && isWorked(step)),
          `${id} ${outcome}`,
        ).toBe(true)
      }
    }
  })
})

describe('back to the coarse stone', () => {
  const back = backToCoarse(full, 'ends-2', 'heel')

  it('lays that part of the edge in again on each stone up to here, and goes on from there', () => {
    const at = back?.plan.steps.findIndex(({ id }) => id === 'ends-2') ?? 0
    expect(back?.stepId).toBe('first-1@1')
    expect(back?.plan.steps.slice(at + 1, at + 6).map(({ id }) => id)).toEqual([
      'first-1@1',
      'second-1@1',
      'first-2@1',
      'second-2@1',
      'deburr-2',
    ])
    expect(back?.plan.steps.filter(({ only }) => only === 'heel')).toHaveLength(4)
  })

  it('says what it takes, about a third of the work, and adds it', () => {
    const minutes = minutesBack(full, 'ends-2', 'heel') ?? 0
    expect(minutes).toBeGreaterThan(1)
    expect(minutes).toBeLessThan(6)
    expect(back?.plan.minutes).toBe(Math.ceil(full.minutes + minutes))
    expect(minutesBack(full, 'ends-1', 'heel')).toBeNull()
  })

  it('may be gone twice, and both stand in the session', () => {
    const twice = back && backToCoarse(back.plan, 'ends-3', 'tip')
    expect(twice?.plan.steps.filter(({ only }) => only !== null)).toHaveLength(4 + 6)
    expect(new Set(twice?.plan.steps.map(({ id }) => id)).size).toBe(twice?.plan.steps.length)
  })

  it('is folded from what was done, in any tablet alike', () => {
    const act = (at: number, action: object): SessionAction =>
      ({ id: `a${at}`, atMs: at * MINUTE_MS, personId: null, ...action }) as SessionAction
    const state = sessionState(full, 0, null, [
      act(1, { kind: 'go', stepId: 'ends-2' }),
      act(2, { kind: 'back', stepId: 'ends-2', zone: 'heel' }),
      act(3, { kind: 'strokes', stepId: 'first-1@1', zone: 'heel', count: 12 }),
    ])
    expect(state.stepId).toBe('first-1@1')
    expect(state.plan.steps.length).toBe(full.steps.length + 4)
    expect(state.steps['first-1@1']?.strokes.heel).toBe(12)
  })
})

describe('a session in brief that went back', () => {
  it('has the coarse stone’s page again for that part, then the present one, and leaves nothing out', () => {
    const back = backToCoarse(full, 'ends-2', 'heel')
    const pages = pagesOf(back?.plan ?? full)
    expect(pages.map(({ stage }) => stage)).toEqual([0, 1, 0, 1, 2, null])
    expect(pages.flatMap(({ steps }) => steps)).toEqual(back?.plan.steps)
  })
})

describe('a session in brief', () => {
  it('is one page a stone and one to finish: a kept-up knife in four touches with the one that begins it', () => {
    const keptUp = sessionOf('maintenance', { condition: 'kept-up', progression: { bluntUm: 6 } })
    const pages = pagesOf(keptUp)
    expect(pages.map(({ stage }) => stage)).toEqual([0, 1, null])
    expect(1 + pages.length).toBe(4)
  })

  it('leaves no step out and doubles none, in any recipe', () => {
    for (const id of [
      'full',
      'thin',
      'single-bevel',
      'steel',
      'rod-ceramic',
      'serrated-flat-back',
      'wheel',
      'boning-anew',
    ]) {
      const plan = sessionOf(id)
      expect(pagesOf(plan).flatMap(({ steps }) => steps.map((step) => step.id))).toEqual(
        plan.steps.map((step) => step.id),
      )
    }
  })
})

describe('the weak side', () => {
  const times = (left: number, right: number, sessions: number): SideTime[] =>
    Array.from({ length: sessions }, () => [
      { hand: 'left' as const, strokes: 50, planned: 3, minutes: 3 * left },
      { hand: 'right' as const, strokes: 50, planned: 3, minutes: 3 * right },
    ]).flat()

  it('is the one that takes longer, once the sessions say so', () => {
    const found = weakSide(times(1.7, 1, 8))
    expect(found?.hand).toBe('left')
    expect(found?.times).toBeGreaterThan(1.3)
    expect(found?.low).toBeGreaterThan(1)
    expect(weakSide(times(1.7, 1, 1))).toBeNull()
    expect(weakSide(times(1, 1, 20))).toBeNull()
  })

  it('is read from the burrs of the first stone', () => {
    const act = (at: number, action: object): SessionAction =>
      ({ id: `b${at}`, atMs: at * MINUTE_MS, personId: null, ...action }) as SessionAction
    const burrs = (stepId: string, from: number): SessionAction[] => [
      act(from, { kind: 'go', stepId }),
      act(from + 2, { kind: 'strokes', stepId, zone: 'belly', count: 40 }),
      ...(['heel', 'belly', 'tip'] as const).map((zone, place) =>
        act(from + 2.1 + place / 100, { kind: 'burr', stepId, zone, felt: true }),
      ),
    ]
    const state = sessionState(full, 0, null, [...burrs('first-1', 1), ...burrs('second-1', 10)])
    expect(sideTimes(full, state).map(({ hand, strokes }) => [hand, strokes])).toEqual([
      ['right', 40],
      ['left', 40],
    ])
  })
})
