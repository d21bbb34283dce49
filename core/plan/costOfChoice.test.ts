import { describe, expect, it } from 'vitest'
import { syntheticWeek } from '../../synthetic/weeks'
import { chance } from '../statistics/random'
import { costOfStaying, totalsChange } from './costOfChoice'
import { planCost, planTotals } from './objective'
import { searchPlan } from './search'

const problem = syntheticWeek({ knives: 14, cooks: 6, days: 4, benches: 2, lifeServices: 10 }, 5)
const plan = searchPlan({ problem, random: chance(1).next, spent: (step) => step / 3000 })

describe('what a choice costs', () => {
  it('is the difference of hours, minutes and steel, and nothing for the same plan', () => {
    expect(totalsChange(problem, plan, plan)).toEqual({ dullHours: 0, minutes: 0, wastedUm: 0 })
    const without = plan.slice(1)
    const change = totalsChange(problem, plan, without)
    expect(change.dullHours).toBeCloseTo(
      planTotals(problem, without).dullHours - planTotals(problem, plan).dullHours,
      9,
    )
    expect(change.dullHours).toBeGreaterThan(0)
    expect(change.minutes).toBeLessThan(0)
  })

  it('of staying is nothing where no other place is better', () => {
    for (const { jobId } of plan) expect(costOfStaying(problem, plan, jobId)).toBeNull()
  })

  it('of staying somewhere late is what its best place would spare', () => {
    const last = problem.windows.at(-1)?.id ?? ''
    const late = plan
      .filter(({ windowId }) => windowId === problem.windows[0]?.id)
      .flatMap((one) =>
        problem.people
          .filter(({ skills, present }) => {
            const job = problem.jobs.find(({ id }) => id === one.jobId)
            return job && skills.includes(job.skill) && present[last]
          })
          .map(({ id }) => ({ ...one, windowId: last, personId: id })),
      )[0]
    if (!late) throw new Error('nobody is there late')
    const moved = [...plan.filter(({ jobId, windowId }) => jobId !== late.jobId && windowId !== last), late]
    const cost = costOfStaying(problem, moved, late.jobId)
    expect(cost?.dullHours).toBeGreaterThan(0)
    expect(planCost(problem, moved)).toBeGreaterThan(planCost(problem, plan))
  })

  it('is not known of a session that has no place', () => {
    expect(costOfStaying(problem, [], 'j0')).toBeNull()
  })
})
