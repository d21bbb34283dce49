import fc from 'fast-check'
import loadHighs, { type Highs } from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { syntheticWeek, WEEK_KINDS } from '../../synthetic/weeks'
import { chance } from '../statistics/random'
import { exactModel } from './exact'
import { planCost } from './objective'
import { cheapestPattern } from './pricing'
import type { Placement, PlanProblem } from './problem'
import { searchPlan } from './search'
import { boundBySittings } from './sittingBound'
import { solveExact } from './solveExact'

let highs: Highs
beforeAll(async () => {
  highs = await loadHighs()
})

const searched = (problem: PlanProblem, steps: number): Placement[] =>
  searchPlan({ problem, random: chance(7).next, spent: (step) => step / steps })

describe('a bound from whole sittings', () => {
  it('is never above the best plan there is, and above the bound of the model without whole numbers', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const problem = syntheticWeek(
        { knives: 6, cooks: 4, days: 3, benches: 2, windowMinutes: 60, lifeServices: 6 },
        seed,
      )
      const model = exactModel(problem)
      const start = searched(problem, 1500)
      const { bound, settled } = boundBySittings(highs, model, { seconds: 30, start })
      const { best, proven } = solveExact(highs, model, { seconds: 30, gap: 0 })
      const loose = { ...model, columns: model.columns.map((column) => ({ ...column, integer: false })) }
      const { best: without } = solveExact(highs, loose, { seconds: 30 })
      expect([proven, settled]).toEqual([true, true])
      expect(bound).toBeLessThanOrEqual((best ?? NaN) + 1e-6)
      // lengths of time are counted in quarters of a minute, in its favour
      expect(bound).toBeGreaterThan((without ?? NaN) - 0.02 * Math.abs(best ?? NaN))
      expect(bound).toBeLessThanOrEqual(planCost(problem, start) + 1e-6)
    }
  }, 60_000)

  it('rises from what each knife would have alone, and can be ended at any time', () => {
    const problem = syntheticWeek(WEEK_KINDS[1]?.size ?? { knives: 60, cooks: 12, days: 7, benches: 2 }, 4)
    const model = exactModel(problem)
    const start = searched(problem, 400)
    const told: number[] = []
    const whole = boundBySittings(highs, model, { seconds: 60, start, onProgress: ({ bound }) => told.push(bound) })
    expect(told).toEqual([...told].sort((a, b) => a - b))
    let rounds = 0
    const ended = boundBySittings(highs, model, { seconds: 60, start, goOn: () => ++rounds <= 3 })
    expect(ended.rounds).toBe(3)
    expect(ended.bound).toBeLessThanOrEqual(whole.bound)
    expect(whole.bound).toBeLessThanOrEqual(planCost(problem, start))
  }, 60_000)

  it('holds with locks', () => {
    const problem = syntheticWeek({ knives: 30, cooks: 6, days: 4, benches: 2, locks: 5 }, 3)
    expect(problem.locks.length).toBe(5)
    const start = searched(problem, 2000)
    const { bound } = boundBySittings(highs, exactModel(problem), { seconds: 30, start })
    expect(bound).toBeLessThanOrEqual(planCost(problem, start) + 1e-6)
  })
})

describe('the cheapest use of a bench', () => {
  const minutes = fc.integer({ min: 1, max: 80 }).map((quarters) => quarters / 4)

  it('is what trying everything says', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(minutes, fc.double({ min: -20, max: 5, noNaN: true })), { minLength: 1, maxLength: 6 }),
        fc.array(fc.tuple(minutes, fc.double({ min: -20, max: 5, noNaN: true })), { maxLength: 4 }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (first, second, price) => {
          const around = 9
          const sitting = (knives: typeof first, from: number, room: number) => ({
            column: from,
            personId: `p${from}`,
            minutes: room,
            around,
            sessions: knives.map(([length], at) => ({ column: from + 1 + at, minutes: length })),
          })
          const bench = {
            windowId: 'w',
            benchIds: ['b'],
            minutes: 50,
            sittings: [sitting(first, 0, 30), sitting(second, 20, 41)],
          }
          const prices = new Float64Array(40)
          prices[0] = price
          prices[20] = price
          first.forEach(([, one], at) => (prices[1 + at] = one))
          second.forEach(([, one], at) => (prices[21 + at] = one))
          let best = 0
          for (let a = 0; a < 2 ** first.length; a++) {
            for (let b = 0; b < 2 ** second.length; b++) {
              const own = (knives: typeof first, bits: number) => knives.filter((_one, at) => bits & (1 << at))
              const [one, two] = [own(first, a), own(second, b)]
              const length = (knives: typeof first) => knives.reduce((sum, [taken]) => sum + taken, 0)
              if (length(one) > 30 || length(two) > 41) continue
              const held = (one.length > 0 ? 1 : 0) + (two.length > 0 ? 1 : 0)
              if (length(one) + length(two) + held * around > 50) continue
              best = Math.min(best, [...one, ...two].reduce((sum, [, gain]) => sum + gain, 0) + held * price)
            }
          }
          const { best: found } = cheapestPattern(bench, prices)
          expect(found.cost).toBeCloseTo(best, 6)
          const total = found.columns.reduce((sum, column) => sum + (prices[column] ?? 0), 0)
          expect(total).toBeCloseTo(found.cost, 6)
        },
      ),
    )
  })
})
