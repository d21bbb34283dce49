import { MINUTE_MS } from '../time'
import { fairShares, WORTH } from './objective'
import { Builder, placingColumns, type Chosen, type Entry, type ExactModel } from './placingColumns'
import { routeMinutes, samePlace, type JobRoute, type Placement, type PlanProblem, type PlanWindow } from './problem'

export type { Column, ExactModel, LinearModel, Row } from './placingColumns'

const stageMinutes = (route: JobRoute, stoneId: string): number =>
  route.stages.reduce((sum, stage) => (stage.stoneId === stoneId ? sum + stage.minutes : sum), 0)

/** Benches that are the same for every session need not be told apart: the fuller one is called the first. */
const benchesAlike = ({ jobs, benches }: PlanProblem): boolean =>
  jobs
    .flatMap(({ routes: routes, next }) => [routes, next?.routes ?? []])
    .every(
      (routes) =>
        routes.length === 0 ||
        (routes.length === benches.length &&
          routes.every(
            (route) =>
              routeMinutes(route) === routeMinutes(routes[0] ?? route) &&
              route.stages.every(({ stoneId }, at) => routes[0]?.stages[at]?.stoneId === stoneId),
          )),
    )

/**
 * The plan as a mixed-integer program over who does which knife in which window at which bench. The order
 * of sessions within a window is left out, so its optimum is never above the cost of any plan that can be
 * carried out: a proven lower bound, and a plan to start from.
 */
export function exactModel(problem: PlanProblem): ExactModel {
  const builder = new Builder()
  const { chosen, offset } = placingColumns(problem, builder)
  const alike = benchesAlike(problem)
  for (const window of problem.windows) {
    const here = chosen.filter(({ windowId }) => windowId === window.id)
    if (here.length > 0) windowRows(problem, window, here, alike, builder)
  }
  fairnessRows(problem, chosen, builder)
  return { offset, columns: builder.columns, rows: builder.rows, choices: builder.choices }
}

/** What one window has: benches and what flattening takes of them, stones, the plate, hands, and knives that must stay. */
function windowRows(
  problem: PlanProblem,
  window: PlanWindow,
  here: readonly Chosen[],
  alike: boolean,
  builder: Builder,
): void {
  const length = (window.endMs - window.startMs) / MINUTE_MS
  const flattenings = new Map<string, Entry[]>()
  const plate: Entry[] = []
  for (const stone of problem.stones) {
    const users = here.filter(({ route }) => stageMinutes(route, stone.id) > 0)
    if (users.length === 0) continue
    const own: Entry[] = []
    if (stone.flattenMinutes > 0) {
      for (const { id } of problem.benches) {
        const times = builder.column({
          name: `f${builder.columns.length}`,
          cost: 0,
          upper: users.length,
          integer: true,
        })
        own.push([times, 1])
        plate.push([times, stone.flattenMinutes])
        flattenings.set(id, [...(flattenings.get(id) ?? []), [times, stone.flattenMinutes]])
      }
      builder.row(`flat_${window.id}_${stone.id}`, 0, [
        ...users.map(({ column }) => [column, 1] as const),
        ...own.map(([column]) => [column, -stone.knivesBetween] as const),
      ])
      for (const [jobId, columns] of columnsByJob(users))
        builder.row(`first_${window.id}_${stone.id}_${jobId}`, 0, [
          ...columns,
          ...own.map(([column]) => [column, -1] as const),
        ])
    }
    const lateMinutes =
      stone.soakMinutes === 0 ? 0 : Math.max(0, stone.soakMinutes - (window.startMs - window.soakFromMs) / MINUTE_MS)
    builder.row(`stone_${window.id}_${stone.id}`, length - lateMinutes, [
      ...users.map(({ column, route, pace }) => [column, stageMinutes(route, stone.id) * pace] as const),
      ...own.map(([column]) => [column, stone.flattenMinutes] as const),
    ])
  }
  builder.row(`plate_${window.id}`, length, plate)
  const opened: Entry[] = []
  const loads: Entry[][] = []
  for (const { id } of problem.benches) {
    const own = here.filter(({ benchId }) => benchId === id)
    if (own.length === 0) continue
    const open = builder.column({ name: `z${builder.columns.length}`, cost: WORTH.setUp, upper: 1, integer: true })
    const load: Entry[] = [
      ...own.map(({ column, minutes }) => [column, minutes] as const),
      ...(flattenings.get(id) ?? []),
    ]
    builder.row(`bench_${window.id}_${id}`, 0, [...load, [open, -length]])
    for (const [jobId, columns] of columnsByJob(own))
      builder.row(`open_${window.id}_${id}_${jobId}`, 0, [...columns, [open, -1]])
    opened.push([open, 1])
    loads.push(load)
  }
  if (alike) {
    for (const [at, load] of loads.entries()) {
      const before = loads[at - 1]
      if (before)
        builder.row(`fuller_${window.id}_${at}`, 0, [
          ...load,
          ...before.map(([column, value]) => [column, -value] as const),
        ])
    }
  }
  for (const person of problem.people) {
    const present = person.present[window.id]
    if (present)
      builder.row(
        `hands_${window.id}_${person.id}`,
        (present.toMs - present.fromMs) / MINUTE_MS,
        here.filter(({ personId }) => personId === person.id).map(({ column, minutes }) => [column, minutes] as const),
      )
  }
  if (!window.overlapsService) return
  for (const group of new Set(here.map(({ job }) => job.group))) {
    const own = here.filter(({ job }) => job.group === group)
    builder.row(
      `away_${window.id}_${group}`,
      Math.min(...own.map(({ job }) => job.mayBeAway)),
      own.map(({ column }) => [column, 1] as const),
    )
  }
}

function columnsByJob(chosen: readonly Chosen[]): Map<string, Entry[]> {
  const found = new Map<string, Entry[]>()
  for (const { jobId, column } of chosen) found.set(jobId, [...(found.get(jobId) ?? []), [column, 1]])
  return found
}

function fairnessRows(problem: PlanProblem, chosen: readonly Chosen[], builder: Builder): void {
  if (problem.weights.fair === 0) return
  const fair = fairShares(problem)
  for (const person of problem.people) {
    const own = chosen.filter(({ personId }) => personId === person.id)
    if (own.length === 0) continue
    const over = builder.column({
      name: `u${builder.columns.length}`,
      cost: problem.weights.fair * WORTH.unfairMinute,
      upper: Infinity,
      integer: false,
    })
    builder.row(`fair_${person.id}`, fair.get(person.id) ?? 0, [
      ...own.map(({ column, minutes }) => [column, minutes] as const),
      [over, -1],
    ])
  }
}

/** A solver's answer as placements. Whether a window's minutes work out is for the search to settle. */
export const placementsOf = (model: ExactModel, values: ArrayLike<number>): Placement[] =>
  model.choices.flatMap((choice, column) => {
    if (!choice || (values[column] ?? 0) < 0.5) return []
    const { jobId, windowId, personId, benchId } = choice
    return [{ jobId, windowId, benchId, personId }]
  })

/** A plan as the placing columns of the model, to start a solver from; it fills in the rest itself. */
export function startOf(
  model: ExactModel,
  placements: readonly Placement[],
): { readonly indices: Int32Array; readonly values: Float64Array } {
  const placed = new Map(placements.map((placement) => [placement.jobId, placement]))
  const columns = model.choices.flatMap((choice, column) => (choice ? [{ choice, column }] : []))
  return {
    indices: Int32Array.from(columns, ({ column }) => column),
    values: Float64Array.from(columns, ({ choice }) => {
      const placement = placed.get(choice.jobId)
      return placement && samePlace(placement, choice) ? 1 : 0
    }),
  }
}
