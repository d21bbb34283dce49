import { MINUTE_MS } from '../time'
import type { Place } from './benchPlaces'
import { costOfLeavingOut, costOfLeavingSecond, placementCost, WORTH } from './objective'
import {
  mayDo,
  isAllowedIn,
  routeMinutes,
  sittingMinutes,
  type JobRoute,
  type Placement,
  type PlanJob,
  type PlanProblem,
} from './problem'
import { secondSession } from './secondSessions'

/** A column of a linear model. */
export interface Column {
  readonly name: string
  readonly cost: number
  readonly upper: number
  readonly integer: boolean
}

/** A row: the sum over its entries stays at or below `most`. */
export interface Row {
  readonly name: string
  readonly most: number
  readonly entries: readonly (readonly [column: number, value: number])[]
}

/** Minimise offset + cost·x subject to rows ≤ most, 0 ≤ x ≤ upper. Solver-neutral, so that two solvers can be asked. */
export interface LinearModel {
  readonly offset: number
  readonly columns: readonly Column[]
  readonly rows: readonly Row[]
}

/** Where a column places a job. */
interface Choice {
  readonly jobId: string
  readonly windowId: string
  readonly personId: string
  /** the benches it could be at; more than one where the model does not tell them apart */
  readonly benchIds: readonly string[]
  readonly minutes: number
}

/** What one person could do in one sitting, by column. */
export interface SittingChoice {
  /** the column that says the sitting is held */
  readonly column: number
  readonly personId: string
  /** minutes for knives: what the person's time there leaves beside setting up and clearing away */
  readonly minutes: number
  readonly around: number
  readonly sessions: readonly { readonly column: number; readonly minutes: number }[]
}

/** Benches of one window that the model does not tell apart, and who could sit there. */
export interface BenchTime {
  readonly windowId: string
  readonly benchIds: readonly string[]
  /** length of the window, minutes */
  readonly minutes: number
  readonly sittings: readonly SittingChoice[]
}

export interface ExactModel extends LinearModel {
  readonly benchTimes: readonly BenchTime[]
  /** by column; null for columns that place nothing */
  readonly choices: readonly (Choice | null)[]
}

export class Builder {
  readonly columns: Column[] = []
  readonly choices: (Choice | null)[] = []
  readonly rows: Row[] = []
  readonly benchTimes: BenchTime[] = []
  column(column: Column, choice: Choice | null = null): number {
    this.choices.push(choice)
    return this.columns.push(column) - 1
  }

  row(name: string, most: number, entries: readonly (readonly [number, number])[]): void {
    // a session that flattens two stones is on the plate for both
    const sums = new Map<number, number>()
    for (const [column, value] of entries) sums.set(column, (sums.get(column) ?? 0) + value)
    if (sums.size > 0) this.rows.push({ name, most, entries: [...sums] })
  }
}

export type Entry = readonly [column: number, value: number]

/** A session somewhere, with its column. */
export interface Chosen extends Choice {
  readonly column: number
  readonly window: number
  readonly pace: number
  readonly route: JobRoute
  readonly present: { readonly fromMs: number; readonly toMs: number }
  readonly job: PlanJob
}

/** Everywhere a session could be by skill, presence and length; a locked one only where it is locked. */
function placingChoices(problem: PlanProblem, places: readonly Place[], job: PlanJob): Omit<Chosen, 'column'>[] {
  const around = sittingMinutes(problem.sitting)
  const lock = problem.locks.find(({ jobId }) => jobId === job.id)
  return problem.windows.flatMap((window, at) =>
    (isAllowedIn(job, at) ? problem.people : []).flatMap((person) => {
      const present = person.present[window.id]
      if (!present || !mayDo(person, job)) return []
      return places.flatMap(({ benchIds }) => {
        const route = job.routes.find(({ benchId }) => benchIds.includes(benchId))
        if (!route) return []
        const choice = {
          jobId: job.id,
          windowId: window.id,
          personId: person.id,
          benchIds,
          minutes: routeMinutes(route) * person.pace,
          window: at,
          pace: person.pace,
          route,
          present,
          job,
        }
        const isTooLong = (choice.minutes + around) * MINUTE_MS > present.toMs - present.fromMs
        return isTooLong || (lock && !isLockedAt(lock, choice)) ? [] : [choice]
      })
    }),
  )
}

const isLockedAt = (lock: Placement, { windowId, personId, benchIds }: Omit<Choice, 'jobId' | 'minutes'>): boolean =>
  lock.windowId === windowId && lock.personId === personId && benchIds.includes(lock.benchId)

/** A first and a second session of one knife in their windows: what the two are worth together, beside their work. */
interface Pair {
  readonly first: number
  readonly second: number
  readonly cost: number
}

/** Pairs of windows in which a second session could pay, or has to be because it is locked. */
function sessionPairs(problem: PlanProblem, job: PlanJob, leastWork: number, isLocked: boolean): Pair[] {
  const { weights, windows } = problem
  return windows.flatMap((_window, first) => {
    const session = secondSession(problem, job, first)
    if (!session) return []
    return windows.flatMap((_later, second): Pair[] => {
      if (!isAllowedIn(session, second)) return []
      const cost =
        weights.dull * WORTH.dullHour * (session.dullHours[second] ?? 0) +
        weights.steel * WORTH.steelUm * (session.wastedUm[second] ?? 0) -
        costOfLeavingOut(session, weights)
      return cost + leastWork < 0 || isLocked ? [{ first, second, cost }] : []
    })
  })
}

/** A column for each place of each session, at most one of them taken; costs are against leaving the session out. */
export function placingColumns(
  problem: PlanProblem,
  places: readonly Place[],
  builder: Builder,
): { chosen: Chosen[]; offset: number } {
  const { weights } = problem
  const locked = new Set(problem.locks.map(({ jobId }) => jobId))
  const chosen: Chosen[] = []
  let offset = 0
  const choose = (choice: Omit<Chosen, 'column'>, cost: number): Chosen => {
    const { jobId, windowId, personId, benchIds, minutes } = choice
    const column = builder.column(
      { name: `x${builder.columns.length}`, cost, upper: 1, integer: true },
      { jobId, windowId, personId, benchIds, minutes },
    )
    const one = { ...choice, column }
    chosen.push(one)
    return one
  }
  const onceAndLocked = (jobId: string, own: readonly Chosen[]): void => {
    builder.row(
      `once_${jobId}`,
      1,
      own.map(({ column }) => [column, 1]),
    )
    if (locked.has(jobId))
      builder.row(
        `lock_${jobId}`,
        -1,
        own.map(({ column }) => [column, -1]),
      )
  }
  for (const job of problem.jobs) {
    const leaving = costOfLeavingOut(job, weights)
    offset += leaving
    const second = secondSession(problem, job, 0)
    const secondChoices = second
      ? placingChoices(problem, places, { ...second, follows: null }).map((choice) => ({
          choice,
          work: weights.labour * choice.minutes + handsCost(second, choice, problem),
        }))
      : []
    const isLocked = second !== null && locked.has(second.id)
    const pairs =
      secondChoices.length > 0
        ? sessionPairs(problem, job, Math.min(...secondChoices.map(({ work }) => work)), isLocked)
        : []
    const most = (of: (pair: Pair) => boolean): number => Math.min(0, ...pairs.filter(of).map(({ cost }) => cost))
    const firsts = placingChoices(problem, places, job).flatMap((choice) => {
      const cost =
        placementCost(job, choice.window, choice.minutes, choice.personId, weights) -
        leaving +
        costOfLeavingSecond(problem, job, choice.window)
      // what costs more than leaving it is never chosen, unless the chef has, or a second session could make up for it
      return cost + most(({ first }) => first === choice.window) >= 0 && !locked.has(job.id)
        ? []
        : [choose(choice, cost)]
    })
    onceAndLocked(job.id, firsts)
    if (!second || pairs.length === 0) continue
    const seconds = secondChoices.flatMap(({ choice, work }) =>
      work + most((pair) => pair.second === choice.window) < 0 || isLocked ? [choose(choice, work)] : [],
    )
    onceAndLocked(second.id, seconds)
    pairRows(job.id, pairs, firsts, seconds, builder)
  }
  return { chosen, offset }
}

const handsCost = (job: PlanJob, { personId }: { readonly personId: string }, { weights }: PlanProblem): number =>
  job.lastHands !== null && job.lastHands !== personId ? weights.hands * WORTH.otherHands : 0

/** Ties both sessions of a knife to the pair of windows they make. Whole sessions make whole pairs: the pairs need not be told to be. */
function pairRows(
  jobId: string,
  pairs: readonly Pair[],
  firsts: readonly Chosen[],
  seconds: readonly Chosen[],
  builder: Builder,
): void {
  const columns = pairs.map((pair) => ({
    ...pair,
    column: builder.column({ name: `y${builder.columns.length}`, cost: pair.cost, upper: 1, integer: false }),
  }))
  const entries = (own: readonly { readonly column: number }[], value: number): Entry[] =>
    own.map(({ column }) => [column, value])
  for (const window of new Set(pairs.map(({ first }) => first))) {
    builder.row(`after_${jobId}_${window}`, 0, [
      ...entries(
        columns.filter(({ first }) => first === window),
        1,
      ),
      ...entries(
        firsts.filter((one) => one.window === window),
        -1,
      ),
    ])
  }
  for (const window of new Set(seconds.map((one) => one.window))) {
    const pairsHere = columns.filter(({ second }) => second === window)
    const here = seconds.filter((one) => one.window === window)
    builder.row(`second_${jobId}_${window}`, 0, [...entries(pairsHere, 1), ...entries(here, -1)])
    builder.row(`seconded_${jobId}_${window}`, 0, [...entries(pairsHere, -1), ...entries(here, 1)])
  }
}
