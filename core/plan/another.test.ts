import { describe, expect, it } from 'vitest'
import { WEEK_KINDS, syntheticWeek } from '../../synthetic/weeks'
import { COARSE_BATH_MICRON } from '../abrasive/gear'
import { chance } from '../statistics/random'
import { sharedCoarseStone, withAnotherHand, withAnotherStone } from './another'
import { planCost } from './objective'
import { searchPlan } from './search'
import type { Placement, PlanProblem } from './problem'

const STEPS = 4000
const weekOf = (said: string): PlanProblem => {
  const kind = WEEK_KINDS.find((one) => one.said === said)
  if (!kind) throw new Error(said)
  return syntheticWeek(kind.size, 3)
}
const planned = (problem: PlanProblem, startFrom: readonly Placement[] = []): Placement[] =>
  searchPlan({ problem, random: chance(7).next, spent: (step) => step / STEPS, startFrom })

describe('one more of something', () => {
  it('makes no plan of the week worse: what fitted before fits still, and costs the same', () => {
    const week = weekOf('scarce coarse stone')
    const plan = planned(week)
    const cost = planCost(week, plan)
    const coarse = sharedCoarseStone(week, COARSE_BATH_MICRON)
    expect(coarse).not.toBeNull()
    const more = withAnotherStone(week, coarse ?? '')
    expect(more.stones).toHaveLength(week.stones.length + 1)
    expect(planCost(more, plan)).toBeCloseTo(cost, 6)
    expect(planCost(more, planned(more, plan))).toBeLessThanOrEqual(cost + 1e-6)
  })

  it('brings hours where hands are few', () => {
    const week = weekOf('few hands, many skills')
    const plan = planned(week)
    const more = withAnotherHand(week)
    expect(more.people).toHaveLength(week.people.length + 1)
    expect(planCost(more, planned(more, plan))).toBeLessThan(planCost(week, plan))
  })

  it('is the same week where there is nothing to share or nobody to be like', () => {
    const week = weekOf('one bench')
    expect(sharedCoarseStone(week, COARSE_BATH_MICRON)).toBeNull()
    expect(withAnotherStone(week, 'no such stone')).toBe(week)
    const nobody = { ...week, people: [] }
    expect(withAnotherHand(nobody)).toBe(nobody)
  })
})
