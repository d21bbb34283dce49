import { placesOf } from './benchPlaces'
import { fairShares, WORTH } from './objective'
import { Builder, placingColumns, type Chosen, type ExactModel } from './placingColumns'
import { sittingMinutes, type Placement, type PlanProblem } from './problem'
import { windowRows } from './windowRows'

export type { Column, ExactModel, LinearModel, Row } from './placingColumns'

/**
 * The plan as a mixed-integer program over who does which knife in which window at which bench, and who sits down
 * where. The order of sessions within a window is left out, but for what no order can undo (`energyRows`); so its
 * optimum is never above the cost of any plan that can be carried out: a proven lower bound, and a plan to start from.
 */
export function exactModel(problem: PlanProblem): ExactModel {
  const builder = new Builder()
  const places = placesOf(problem)
  const { chosen, offset } = placingColumns(problem, places, builder)
  for (const window of problem.windows) {
    const here = chosen.filter(({ windowId }) => windowId === window.id)
    if (here.length > 0) windowRows({ problem, window, here, places, builder })
  }
  fairnessRows(problem, chosen, builder)
  return {
    offset,
    columns: builder.columns,
    rows: builder.rows,
    choices: builder.choices,
    benchTimes: builder.benchTimes,
  }
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

/**
 * A solver's answer as placements: people whose benches the model does not tell apart go, the longest day first, to
 * the bench with most room. Whether a window's minutes work out is for the search to settle.
 */
export function placementsOf(problem: PlanProblem, model: ExactModel, values: ArrayLike<number>): Placement[] {
  const taken = model.choices.flatMap((choice, column) => (choice && (values[column] ?? 0) >= 0.5 ? [choice] : []))
  const load = new Map<string, number>()
  const sitterOf = (choice: (typeof taken)[number]): string =>
    `${choice.windowId}/${choice.personId}/${choice.benchIds.join()}`
  const benchOf = new Map(
    problem.locks.flatMap((lock) =>
      taken.filter(({ jobId }) => jobId === lock.jobId).map((choice) => [sitterOf(choice), lock.benchId] as const),
    ),
  )
  const minutes = new Map<string, number>()
  for (const choice of taken)
    minutes.set(sitterOf(choice), (minutes.get(sitterOf(choice)) ?? sittingMinutes(problem.sitting)) + choice.minutes)
  for (const choice of [...taken].sort((a, b) => (minutes.get(sitterOf(b)) ?? 0) - (minutes.get(sitterOf(a)) ?? 0))) {
    const sitter = sitterOf(choice)
    if (benchOf.has(sitter)) continue
    const loadAt = (benchId: string): number => load.get(`${choice.windowId}/${benchId}`) ?? 0
    const [benchId = ''] = [...choice.benchIds].sort((a, b) => loadAt(a) - loadAt(b))
    benchOf.set(sitter, benchId)
    load.set(`${choice.windowId}/${benchId}`, loadAt(benchId) + (minutes.get(sitter) ?? 0))
  }
  return taken.map((choice) => ({
    jobId: choice.jobId,
    windowId: choice.windowId,
    benchId: benchOf.get(sitterOf(choice)) ?? '',
    personId: choice.personId,
  }))
}

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
      const isThere =
        placement?.windowId === choice.windowId &&
        placement.personId === choice.personId &&
        choice.benchIds.includes(placement.benchId)
      return isThere ? 1 : 0
    }),
  }
}
