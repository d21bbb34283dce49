import type { Highs } from 'highs'
import { seededRandom } from '../statistics/random'
import { exactModel, placementsOf, startOf } from './exact'
import { planCost } from './objective'
import type { Placement, PlanProblem } from './problem'
import { searchPlan } from './search'
import { boundBySittings } from './sittingBound'
import { solveExact } from './solveExact'

/** How far a plan has come on its way to the best. */
export interface Improvement {
  readonly placements: readonly Placement[]
  readonly cost: number
  /** no plan can cost less; −∞ while nothing was proven */
  readonly bound: number
  /** whether the solver came to its end: no plan it knows of is cheaper */
  readonly proven: boolean
}

export interface ImproveAsk {
  readonly problem: PlanProblem
  readonly first: readonly Placement[]
  readonly seconds: number
  /** of this thread: compiled to WebAssembly, and loaded only when it is needed */
  readonly loadHighs: () => Promise<Highs>
  readonly goesOn?: () => boolean
  readonly onNews?: (news: Improvement) => void
}

/**
 * Shares of the time: searching on from the plan there is, quickly and then at leisure; at most so much for the bound from
 * whole sittings, which mostly comes to its end sooner. Of what is left the solver has half, and searching again the rest.
 */
const SHARES = { soon: 0.08, search: 0.22, sittings: 0.5, solver: 0.5 } as const
const LEAST_SECONDS = 0.1

/**
 * Searches on, proves a bound from whole sittings, solves exactly for a higher one and for a better plan, and searches
 * once more. More time never ends with a worse plan than less time of the same run. Blocks its thread: a worker's.
 */
export async function improvePlan(ask: ImproveAsk): Promise<Improvement> {
  const { problem, seconds, goesOn = () => true, onNews } = ask
  const began = performance.now()
  const gone = (): number => (performance.now() - began) / 1000
  let now: Improvement = { placements: ask.first, cost: planCost(problem, ask.first), bound: -Infinity, proven: false }
  const learn = (news: Partial<Improvement>): void => {
    now = { ...now, ...news }
    onNews?.(now)
  }
  const raise = ({ bound }: { readonly bound: number }): void => {
    learn({ bound: Math.max(now.bound, bound) })
  }
  let seed = 0
  const searchFor = (length: number, startFrom: readonly Placement[]): void => {
    const start = gone()
    const placements = searchPlan({
      problem,
      random: seededRandom(++seed),
      startFrom,
      spent: () => (goesOn() ? (gone() - start) / length : 1),
    })
    const cost = planCost(problem, placements)
    learn(cost < now.cost ? { placements, cost } : {})
  }
  searchFor(SHARES.soon * seconds, now.placements)
  if (goesOn()) searchFor(SHARES.search * seconds, now.placements)
  if (!goesOn()) return now
  const model = exactModel(problem)
  const highs = await ask.loadHighs()
  const bySittings = { seconds: SHARES.sittings * seconds, start: now.placements, goOn: goesOn, onProgress: raise }
  raise(boundBySittings(highs, model, bySittings))
  const answer = solveExact(highs, model, {
    seconds: Math.max(LEAST_SECONDS, SHARES.solver * (seconds - gone())),
    start: startOf(model, now.placements),
    goOn: goesOn,
    onProgress: raise,
  })
  raise(answer)
  if (goesOn() && !answer.proven) searchFor(Math.max(LEAST_SECONDS, seconds - gone()), now.placements)
  if (answer.values && goesOn()) searchFor(LEAST_SECONDS, placementsOf(problem, model, answer.values))
  learn({ proven: answer.proven })
  return now
}
