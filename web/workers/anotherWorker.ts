import type { PlanTotals } from '../../core/plan/objective'
import { planTotals } from '../../core/plan/objective'
import type { PlanProblem } from '../../core/plan/problem'
import { searchPlan } from '../../core/plan/search'
import { seededRandom } from '../../core/statistics/random'

export interface AnotherTask {
  readonly problem: PlanProblem
  /** the same week with more, by name; each is searched from the plan of the week as it is */
  readonly more: readonly { readonly key: string; readonly problem: PlanProblem }[]
  readonly milliseconds: number
}
export interface AnotherAnswer {
  readonly asIs: PlanTotals
  readonly more: readonly { readonly key: string; readonly totals: PlanTotals }[]
}

const SEED = 1

/** Plans the week as it is and with one more of something, off the page's thread. */
addEventListener('message', ({ data }: MessageEvent<AnotherTask>) => {
  const planned = (problem: PlanProblem, startFrom: ReturnType<typeof searchPlan>): ReturnType<typeof searchPlan> => {
    const began = performance.now()
    return searchPlan({
      problem,
      random: seededRandom(SEED),
      startFrom,
      spent: () => (performance.now() - began) / data.milliseconds,
    })
  }
  // twice, so that what is found with more is not what was merely missed without it
  const asIs = planned(data.problem, planned(data.problem, []))
  const answer: AnotherAnswer = {
    asIs: planTotals(data.problem, asIs),
    more: data.more.map(({ key, problem }) => ({ key, totals: planTotals(problem, planned(problem, asIs)) })),
  }
  postMessage(answer)
})
