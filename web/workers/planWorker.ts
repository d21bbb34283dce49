import type { Placement, PlanProblem } from '../../core/plan/problem'
import { searchPlan, type Anchors } from '../../core/plan/search'
import { seededRandom } from '../../core/statistics/random'

export interface PlanTask {
  readonly ask: number
  readonly problem: PlanProblem
  readonly startFrom: readonly Placement[]
  readonly anchors: Anchors | null
  readonly milliseconds: number
}
export interface PlanAnswer {
  readonly ask: number
  readonly placements: readonly Placement[]
}

const SEED = 1

/** Searches for a plan off the page's thread; the same week comes out much the same, whatever else the device does. */
addEventListener('message', ({ data }: MessageEvent<PlanTask>) => {
  const began = performance.now()
  const placements = searchPlan({
    problem: data.problem,
    random: seededRandom(SEED),
    startFrom: data.startFrom,
    spent: () => (performance.now() - began) / data.milliseconds,
    ...(data.anchors ? { anchors: data.anchors } : {}),
  })
  const answer: PlanAnswer = { ask: data.ask, placements }
  postMessage(answer)
})
