import { MINUTE_MS } from '../time'
import {
  routeMinutes,
  type Placement,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanWindow,
} from './problem'

/** A session that could be in a window, everything about it looked up: searching lays windows out a hundred thousand times. */
export interface Piece {
  readonly placement: Placement
  readonly job: PlanJob
  readonly bench: number
  readonly person: number
  /** its person's part of the window */
  readonly fromMs: number
  readonly toMs: number
  readonly openingMs: number
  readonly closingMs: number
  readonly stones: readonly number[]
  readonly stageMs: readonly number[]
  readonly wholeMs: number
  readonly coarseMicron: number
}

/** A problem with everything numbered, ready to lay windows out. */
export interface PlanIndex {
  readonly problem: PlanProblem
  readonly windows: ReadonlyMap<string, PlanWindow>
  readonly people: ReadonlyMap<string, PlanPerson>
  readonly jobs: ReadonlyMap<string, PlanJob>
  readonly numbers: {
    readonly people: ReadonlyMap<string, number>
    readonly benches: ReadonlyMap<string, number>
    readonly stones: ReadonlyMap<string, number>
  }
}

const byId = <T extends { readonly id: string }>(list: readonly T[]): Map<string, T> =>
  new Map(list.map((one) => [one.id, one]))
const numbered = (list: readonly { readonly id: string }[]): Map<string, number> =>
  new Map(list.map(({ id }, at) => [id, at]))
export const indexPlan = (problem: PlanProblem): PlanIndex => ({
  problem,
  windows: byId(problem.windows),
  people: byId(problem.people),
  jobs: byId(problem.jobs),
  numbers: { people: numbered(problem.people), benches: numbered(problem.benches), stones: numbered(problem.stones) },
})

/** A placement looked up, or null where the job has no way at that bench or the person is not there. */
export function pieceOf(index: PlanIndex, placement: Placement): Piece | null {
  const job = index.jobs.get(placement.jobId)
  const route = job?.routes.find(({ benchId }) => benchId === placement.benchId)
  const person = index.people.get(placement.personId)
  const present = person?.present[placement.windowId]
  if (!job || !route || !person || !present) return null
  const pace = person.pace * MINUTE_MS
  const stones = route.stages.map(({ stoneId }) => index.numbers.stones.get(stoneId) ?? 0)
  return {
    placement,
    job,
    stones,
    bench: index.numbers.benches.get(placement.benchId) ?? 0,
    person: index.numbers.people.get(placement.personId) ?? 0,
    fromMs: present.fromMs,
    toMs: present.toMs,
    openingMs: route.openingMinutes * pace,
    closingMs: route.closingMinutes * pace,
    stageMs: route.stages.map(({ minutes }) => minutes * pace),
    wholeMs: routeMinutes(route) * pace,
    coarseMicron: Math.max(0, ...stones.map((stone) => index.problem.stones[stone]?.micron ?? 0)),
  }
}
