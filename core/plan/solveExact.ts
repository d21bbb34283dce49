import type { Highs } from 'highs'
import type { LinearModel } from './exact'

/** How far a solve has come. */
export interface SolveProgress {
  readonly seconds: number
  /** cost of the best answer so far; null before there is one */
  readonly best: number | null
  /** no answer can cost less than this */
  readonly bound: number
}

export interface SolveAnswer extends SolveProgress {
  readonly proven: boolean
  /** column values of the best answer; null when there is none */
  readonly values: Float64Array | null
}

export interface SolveAsk {
  readonly seconds: number
  /** stops when the gap is below this share of the cost */
  readonly gap?: number
  /** values of some columns of an answer already known */
  readonly start?: { readonly indices: Int32Array; readonly values: Float64Array }
  readonly onProgress?: (progress: SolveProgress) => void
  readonly goOn?: () => boolean
}

const finite = (value: number | undefined): number | null =>
  value !== undefined && Math.abs(value) < 1e29 ? value : null

/**
 * Solves a mixed-integer program with HiGHS (Huangfu & Hall 2018), compiled to WebAssembly. Blocks the
 * thread it is called in: a worker's, never the server's.
 */
export function solveExact(highs: Highs, model: LinearModel, ask: SolveAsk): SolveAnswer {
  // nothing to decide: leaving everything out is all there is
  if (model.columns.length === 0)
    return { proven: true, seconds: 0, best: model.offset, bound: model.offset, values: new Float64Array() }
  const entries = model.rows.flatMap((row) => row.entries)
  const starts = new Int32Array(model.rows.length + 1)
  for (const [at, row] of model.rows.entries()) starts[at + 1] = (starts[at] ?? 0) + row.entries.length
  const infinite = (value: number): number => (Number.isFinite(value) ? value : highs.infinity)
  return highs.withModel(
    {
      numCols: model.columns.length,
      numRows: model.rows.length,
      offset: model.offset,
      colCost: Float64Array.from(model.columns, ({ cost }) => cost),
      colLower: new Float64Array(model.columns.length),
      colUpper: Float64Array.from(model.columns, ({ upper }) => infinite(upper)),
      rowLower: new Float64Array(model.rows.length).fill(-highs.infinity),
      rowUpper: Float64Array.from(model.rows, ({ most }) => most),
      matrix: {
        format: 'csr',
        numRows: model.rows.length,
        numCols: model.columns.length,
        starts,
        indices: Int32Array.from(entries, ([column]) => column),
        values: Float64Array.from(entries, ([, value]) => value),
      },
      integrality: Int32Array.from(model.columns, ({ integer }) =>
        integer ? highs.constants.variableType.integer : highs.constants.variableType.continuous,
      ),
    },
    (solver): SolveAnswer => {
      solver.options.set({ output_flag: false, time_limit: ask.seconds, mip_rel_gap: ask.gap ?? 1e-4 })
      if (ask.start) solver.setSolution(ask.start)
      let bound = -Infinity
      const { callbackType, modelStatus } = highs.constants
      solver.run({
        [callbackType.mipLogging]({ data }) {
          bound = Math.max(bound, finite(data.mip_dual_bound) ?? -Infinity)
          ask.onProgress?.({ seconds: data.running_time ?? 0, best: finite(data.mip_primal_bound), bound })
          return undefined
        },
        [callbackType.mipInterrupt](event) {
          if (ask.goOn?.() === false) event.interrupt()
          return undefined
        },
      })
      const proven = solver.getModelStatus() === modelStatus.optimal
      const found = finite(solver.getObjectiveValue())
      const values = solver.getSolution().colValue
      const hasAnswer = solver.info.get('primal_solution_status') === 2
      const dual = finite(Number(solver.info.get('mip_dual_bound')))
      return {
        proven,
        seconds: solver.getRunTime(),
        best: hasAnswer ? found : null,
        bound: Math.max(bound, dual ?? -Infinity),
        values: hasAnswer ? values : null,
      }
    },
  )
}
