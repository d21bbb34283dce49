import { describe, expect, it } from 'vitest'
import { makeWeek } from '../../synthetic/weeks'
import { chance } from '../statistics/random'
import { planTotals } from './objective'
import { searchPlan } from './search'
import { knifeOfJob } from './secondSessions'

/** Hours of dull service counted one service at a time: as it stands until the last session before it, fresh after. */
function reckonPlainly(
  { problem, chances, serviceStarts, hours }: ReturnType<typeof makeWeek>,
  placements: ReturnType<typeof searchPlan>,
): number {
  const endOf = new Map(problem.windows.map(({ id, endMs }) => [id, endMs]))
  let dull = 0
  for (const { jobId, left, fresh } of chances) {
    const ends = placements
      .filter((one) => knifeOfJob(one.jobId) === jobId)
      .map(({ windowId }) => endOf.get(windowId) ?? 0)
    for (const [at, startMs] of serviceStarts.entries()) {
      const last = Math.max(...ends.filter((end) => end <= startMs))
      const since = serviceStarts.filter((one) => one >= last && one < startMs).length
      dull += (hours.get(jobId) ?? 0) * ((Number.isFinite(last) ? fresh[since] : left[at]) ?? 0)
    }
  }
  return dull
}

describe('dull hours of a plan', () => {
  it.each([2, 8, 42])('are those counted service by service, edges lasting %i services', (lifeServices) => {
    for (let seed = 1; seed <= 3; seed++) {
      const week = makeWeek({ knives: 14, cooks: 5, days: 7, benches: 2, lifeServices }, seed)
      const placements = searchPlan({
        problem: week.problem,
        random: chance(seed).next,
        spent: (step) => step / 800,
      })
      expect(placements.length).toBeGreaterThan(0)
      expect(planTotals(week.problem, placements).dullHours).toBeCloseTo(reckonPlainly(week, placements), 6)
    }
  })
})
