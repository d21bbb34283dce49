import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { reset } from '../../statistics/gaussian'
import { logistic } from '../../statistics/normal'
import { DEFAULT_PRIOR, HABIT } from '../filter/belief'
import { recordedShare } from '../log/habitKey'
import { initialState, type KnifeState } from '../log/state'
import { informBySimilarKnives, learnFleet } from './fleetLessons'
import { habitFromOthers, habitOf, learnHabits, NO_STATEMENTS } from './habits'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}
/** A knife of somebody's, with what its edge says of honings nobody wrote down and what is on record. */
function knife(
  id: string,
  holderId: string,
  odds: { mean: number; sd: number },
  recorded = 0,
): { id: string; state: KnifeState } {
  const state = initialState(spec, 0, 'new')
  return {
    id,
    state: {
      ...state,
      holderId,
      belief: reset(state.belief, [{ index: HABIT, ...odds }]),
      lessons: { ...state.lessons, honing: { [holderId]: { services: 100, recorded } } },
    },
  }
}
const SILENT = DEFAULT_PRIOR.habit

describe('habits of honing', () => {
  it('are pooled by who holds the knives: one cook’s knives speak for each other, and less for another’s', () => {
    const knives = [
      ...[1, 2, 3].map((n) => knife(`a${n}`, 'Ada', { mean: 2, sd: 0.8 })),
      ...[1, 2, 3].map((n) => knife(`b${n}`, 'Bo', { mean: -2, sd: 0.8 })),
      knife('a4', 'Ada', SILENT),
      knife('c1', 'Cy', SILENT),
    ]
    const lessons = learnHabits(knives, NO_STATEMENTS)
    const ofOthers = (id: string): number => {
      const one = knives.find((other) => other.id === id)
      return one ? habitFromOthers(lessons, one).mean : NaN
    }
    expect(ofOthers('a4')).toBeGreaterThan(1)
    expect(Math.abs(ofOthers('c1') - DEFAULT_PRIOR.habit.mean)).toBeLessThan(0.9)
    expect(habitOf(lessons, 'Ada').honed).toBeGreaterThan(0.75)
    expect(habitOf(lessons, 'Bo').honed).toBeLessThan(0.25)
  })

  it('hold for a knife just handed over: its new holder logs nearly all, so it is honed ahead as theirs are', () => {
    const role = 'general' as const
    const kin = [1, 2, 3].map((n) => ({ ...knife(`a${n}`, 'Ada', SILENT, 97), steel: '1.4116', role }))
    const handed = { ...knife('new', 'Ada', SILENT), steel: '1.4116', role }
    const fresh = { ...handed, state: { ...handed.state, lessons: { ...handed.state.lessons, honing: {} } } }
    const informed = informBySimilarKnives(fresh, learnFleet([...kin, fresh], new Map()), new Map(), 17)
    expect(recordedShare(fresh.state)).toBe(0)
    expect(recordedShare(informed)).toBeGreaterThan(0.95)
  })

  it('say how much is logged: what is on record, of what is done', () => {
    const lessons = learnHabits([knife('a', 'Ada', { mean: 3, sd: 0.3 }, 50)], NO_STATEMENTS)
    const { honed, logged } = habitOf(lessons, 'Ada')
    expect(honed).toBeGreaterThan(0.85)
    expect(logged).toBeCloseTo(50 / 101 / honed, 9)
  })

  // The mean of a Beta distribution by jStat: a statement counts as four walks, and each walk as one.
  it('begin with what the house says and its chef saw, by the rule of Beta and binomial', () => {
    const said = {
      ...NO_STATEMENTS,
      house: 'most-days' as const,
      walks: new Map([['Ada', { inOrder: 1, notInOrder: 5 }]]),
    }
    const lessons = learnHabits([knife('a', 'Ada', SILENT), knife('b', 'Bo', SILENT)], said)
    expect(logistic(lessons.expected('Ada'))).toBeCloseTo(jStat.beta.mean(4 * 0.7 + 1, 4 * 0.3 + 5), 9)
    expect(logistic(lessons.expected('Bo'))).toBeCloseTo(0.7, 9)
    expect(habitOf(lessons, 'Ada').honed).toBeLessThan(habitOf(lessons, 'Bo').honed)
  })

  it('take a person’s own word before the house’s, and edges before either', () => {
    const said = { ...NO_STATEMENTS, house: 'each-time' as const, people: new Map([['Bo', 'hardly-ever' as const]]) }
    const silent = learnHabits([knife('a', 'Ada', SILENT), knife('b', 'Bo', SILENT)], said)
    expect(habitOf(silent, 'Bo').honed).toBeLessThan(0.2)
    const spoken = learnHabits(
      [1, 2, 3, 4].map((n) => knife(`a${n}`, 'Ada', { mean: -3, sd: 0.5 })),
      said,
    )
    expect(habitOf(spoken, 'Ada').honed).toBeLessThan(0.3)
  })
})
