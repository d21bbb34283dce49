import type { Highs, Model } from 'highs'
import { startOf, type ExactModel } from './exact'
import { cheapestPattern, type Pattern } from './pricing'
import type { Placement } from './problem'

export interface SittingBoundAsk {
  readonly seconds: number
  /** a plan that can be carried out: what the first prices come from */
  readonly start: readonly Placement[]
  readonly onProgress?: (progress: { readonly seconds: number; readonly bound: number }) => void
  readonly goOn?: () => boolean
}

export interface SittingBound {
  readonly bound: number
  readonly rounds: number
  /** whether no price would raise it any more */
  readonly settled: boolean
}

/** Share of the best prices so far in those that are asked next: prices jump about otherwise (Wentges 1997). */
const STEADY = 0.6
/** Rows more than that make every round slow: those that say a stone is flattened before its first knife are left out then. */
const MANY_ROWS = 5000
/** A bound that rises by less over so many rounds has come to its end. */
const STALLED = { rounds: 12, share: 2e-4 } as const

/**
 * A bound from whole sittings: each bench of each window is used in one of all the ways that fit its minutes and its
 * people's, of which only those that pay are ever written down (Dantzig and Wolfe 1960; Gilmore and Gomory 1961). The
 * bound of any prices holds (Lagrange), so it can be ended at any time.
 */
export function boundBySittings(highs: Highs, model: ExactModel, ask: SittingBoundAsk): SittingBound {
  const began = performance.now()
  const master = new Master(highs, model, ask.start)
  try {
    // every knife at its cheapest place, whatever that takes from the others
    let steadyPrices = master.alonePrices()
    let bound = master.price(steadyPrices).bound
    let settled = false
    let rounds = 0
    let lastRise = { round: 0, bound: -Infinity }
    const seconds = (): number => (performance.now() - began) / 1000
    while (!settled && seconds() < ask.seconds && ask.goOn?.() !== false) {
      rounds++
      const duals = master.solve()
      const mixed = duals.map((dual, row) => STEADY * (steadyPrices[row] ?? 0) + (1 - STEADY) * dual)
      let added = false
      for (const prices of [mixed, duals]) {
        const asked = master.price(prices)
        if (asked.bound > bound) {
          bound = asked.bound
          steadyPrices = prices
        }
        added = master.add(asked.patterns, duals)
        if (added) break
      }
      settled = !added
      ask.onProgress?.({ seconds: seconds(), bound })
      if (bound > lastRise.bound + STALLED.share * Math.abs(bound)) lastRise = { round: rounds, bound }
      if (rounds - lastRise.round > STALLED.rounds) break
    }
    return { bound, rounds, settled }
  } finally {
    master.close()
  }
}

type Sparse = Map<number, number>

interface BenchPattern extends Pattern {
  /** number of its bench time in the model */
  readonly bench: number
}

/** The master problem: how much of each pattern is used, under all that benches and people share. */
class Master {
  private readonly rows: ExactModel['rows']
  private readonly rowsOf: Sparse[]
  private readonly most: Float64Array
  /** columns of the model that are no session and no sitting */
  private readonly others: number[]
  private readonly solver: Model
  private readonly known = new Set<string>()

  constructor(
    private readonly highs: Highs,
    private readonly model: ExactModel,
    start: readonly Placement[],
  ) {
    // who sits down is in the patterns themselves
    const rows = model.rows.filter(({ name }) => !name.startsWith('sits_'))
    this.rows = rows.length > MANY_ROWS ? rows.filter(({ name }) => !name.startsWith('first_')) : rows
    this.rowsOf = model.columns.map(() => new Map())
    for (const [row, { entries }] of this.rows.entries())
      for (const [column, value] of entries) this.rowsOf[column]?.set(row, value)
    const folded = new Set(model.benchTimes.flatMap(({ sittings }) => sittings.map(({ column }) => column)))
    this.others = model.columns.flatMap((_column, at) => (model.choices[at] || folded.has(at) ? [] : [at]))
    this.most = Float64Array.from([
      ...this.rows.map(({ most }) => most),
      ...model.benchTimes.map(({ benchIds }) => benchIds.length),
    ])
    const count = this.most.length
    this.solver = highs.createModel({
      numCols: 0,
      numRows: count,
      colCost: new Float64Array(0),
      colLower: new Float64Array(0),
      colUpper: new Float64Array(0),
      rowLower: new Float64Array(count).fill(-highs.infinity),
      rowUpper: this.most,
      matrix: {
        format: 'csr',
        numRows: count,
        numCols: 0,
        starts: new Int32Array(count + 1),
        indices: new Int32Array(0),
        values: new Float64Array(0),
      },
    })
    this.solver.options.set({ output_flag: false })
    for (const at of this.others) {
      const { cost, upper } = model.columns[at] ?? { cost: 0, upper: 0 }
      this.addColumn(cost, Number.isFinite(upper) ? upper : highs.infinity, this.rowsOf[at] ?? new Map())
    }
    this.add(this.startPatterns(start), null)
  }

  private get convexRow(): number {
    return this.most.length - this.model.benchTimes.length
  }

  private addColumn(cost: number, upper: number, entries: Sparse): void {
    this.solver.addCol(cost, 0, upper, {
      indices: Int32Array.from(entries.keys()),
      values: Float64Array.from(entries.values()),
    })
  }

  /** The plan there is, bench by bench, so that there is an answer from the first. */
  private startPatterns(start: readonly Placement[]): BenchPattern[] {
    const taken = startOf(this.model, start)
    const held = new Set(taken.indices.filter((_column, at) => taken.values[at] === 1))
    return this.model.benchTimes.flatMap(({ windowId, benchIds, sittings }, bench) =>
      benchIds.map((benchId) => {
        const here = new Map(
          start.filter((one) => one.windowId === windowId && one.benchId === benchId).map((one) => [one.jobId, one]),
        )
        const columns = sittings.flatMap(({ column, sessions, personId }) => {
          const own = sessions.filter(
            (one) =>
              held.has(one.column) && here.get(this.model.choices[one.column]?.jobId ?? '')?.personId === personId,
          )
          return own.length > 0 ? [column, ...own.map((one) => one.column)] : []
        })
        return { bench, columns, cost: 0 }
      }),
    )
  }

  /** Prices of the first bound: each session worth what its cheapest place gains. */
  alonePrices(): Float64Array {
    const prices = new Float64Array(this.most.length)
    for (const [row, { name, entries }] of this.rows.entries()) {
      if (name.startsWith('once_'))
        prices[row] = Math.min(0, ...entries.map(([column]) => this.model.columns[column]?.cost ?? 0))
    }
    return prices
  }

  /** Solves the master as it stands; what each of its rows is worth. */
  solve(): Float64Array {
    this.solver.run()
    return this.solver.getSolution().rowDual
  }

  /** Reduced cost of every column of the model at given prices of its rows. */
  private reduced(prices: ArrayLike<number>): Float64Array {
    return Float64Array.from(this.model.columns, ({ cost }, at) => {
      let reduced = cost
      for (const [row, value] of this.rowsOf[at] ?? []) reduced -= (prices[row] ?? 0) * value
      return reduced
    })
  }

  /** What no plan can cost less than at given prices, and the patterns that make it so. */
  price(duals: ArrayLike<number>): { bound: number; patterns: BenchPattern[] } {
    // a row's price is never positive: more room never costs
    const prices = Float64Array.from(duals, (dual) => Math.min(0, dual))
    const reduced = this.reduced(prices)
    let bound = this.model.offset
    for (let row = 0; row < this.convexRow; row++) bound += (prices[row] ?? 0) * (this.most[row] ?? 0)
    for (const at of this.others) {
      const own = reduced[at] ?? 0
      if (own < -1e-9) bound += own * (this.model.columns[at]?.upper ?? 0)
    }
    const patterns = this.model.benchTimes.flatMap((bench, at) => {
      const { best, alone } = cheapestPattern(bench, reduced)
      bound += bench.benchIds.length * Math.min(0, best.cost)
      return [best, ...alone].map((pattern) => ({ ...pattern, bench: at }))
    })
    return { bound, patterns }
  }

  /** Takes patterns in that pay at the prices there are, or all of them; whether there were any. */
  add(patterns: readonly BenchPattern[], duals: ArrayLike<number> | null): boolean {
    let added = false
    for (const pattern of patterns) {
      const name = `${pattern.bench}:${[...pattern.columns].sort((a, b) => a - b).join()}`
      if (pattern.columns.length === 0 || this.known.has(name)) continue
      const entries: Sparse = new Map()
      let cost = 0
      for (const column of pattern.columns) {
        cost += this.model.columns[column]?.cost ?? 0
        for (const [row, value] of this.rowsOf[column] ?? []) entries.set(row, (entries.get(row) ?? 0) + value)
      }
      entries.set(this.convexRow + pattern.bench, 1)
      if (duals) {
        let reduced = cost
        for (const [row, value] of entries) reduced -= (duals[row] ?? 0) * value
        if (reduced > -1e-7) continue
      }
      this.known.add(name)
      this.addColumn(cost, this.highs.infinity, entries)
      added = true
    }
    return added
  }

  close(): void {
    this.solver.dispose()
  }
}
