import type { BenchTime, SittingChoice } from './placingColumns'

/** What one bench could be used for in one window: columns of the model that go together, and what they cost at the prices asked. */
export interface Pattern {
  readonly columns: readonly number[]
  readonly cost: number
}

/** Minutes are counted in quarters, rounded so that nothing that fits is left out. */
const PARTS = 4
const asWeight = (minutes: number): number => Math.floor(minutes * PARTS + 1e-6)
const asRoom = (minutes: number): number => Math.max(0, Math.ceil(minutes * PARTS - 1e-6))

/** Best knives of one sitting for every length of time up to what there is (0/1 knapsack by dynamic programming, Bellman 1957). */
class Knapsack {
  /** gain by length, quarters of a minute */
  readonly gain: Float64Array
  private readonly taken: readonly { readonly column: number; readonly weight: number; readonly at: Uint8Array }[]
  constructor(
    readonly sitting: SittingChoice,
    room: number,
    prices: ArrayLike<number>,
  ) {
    const gain = new Float64Array(room + 1)
    this.taken = sitting.sessions.flatMap(({ column, minutes }) => {
      const worth = -(prices[column] ?? 0)
      const weight = asWeight(minutes)
      if (worth <= 0 || weight > room) return []
      const at = new Uint8Array(room + 1)
      for (let length = room; length >= weight; length--) {
        const withIt = (gain[length - weight] ?? 0) + worth
        if (withIt > (gain[length] ?? 0)) {
          gain[length] = withIt
          at[length] = 1
        }
      }
      return [{ column, weight, at }]
    })
    this.gain = gain
  }

  /** Columns of the best knives within a length. */
  columns(within: number): number[] {
    const found: number[] = []
    let left = within
    for (const { column, weight, at } of [...this.taken].reverse()) {
      if (at[left] !== 1) continue
      found.push(column)
      left -= weight
    }
    return found
  }
}

/**
 * The cheapest use of one bench in one window at given prices: who sits down one after another, and with which knives.
 * Two people may be given the same knife, and the order of knives is left out, so nothing that can be carried out is cheaper.
 *
 * @param prices reduced cost of every column of the model
 */
export function cheapestPattern(bench: BenchTime, prices: ArrayLike<number>): { best: Pattern; alone: Pattern[] } {
  const room = asRoom(bench.minutes)
  const gain = new Float64Array(room + 1)
  const steps: { readonly knapsack: Knapsack; readonly lengths: Int32Array; readonly around: number }[] = []
  const alone: Pattern[] = []
  for (const sitting of bench.sittings) {
    const around = asWeight(sitting.around)
    const own = Math.min(asRoom(sitting.minutes), room - around)
    if (own <= 0) continue
    const knapsack = new Knapsack(sitting, own, prices)
    const price = prices[sitting.column] ?? 0
    const best = knapsack.gain[own] ?? 0
    if (best <= price) continue
    alone.push({ columns: [sitting.column, ...knapsack.columns(own)], cost: price - best })
    // only lengths at which something is gained
    const lengths: number[] = []
    for (let length = 1; length <= own; length++)
      if ((knapsack.gain[length] ?? 0) > (knapsack.gain[length - 1] ?? 0) + 1e-12) lengths.push(length)
    const chosen = new Int32Array(room + 1).fill(-1)
    for (let at = room; at > 0; at--) {
      for (const length of lengths) {
        if (length + around > at) break
        const withIt = (gain[at - length - around] ?? 0) + (knapsack.gain[length] ?? 0) - price
        if (withIt > (gain[at] ?? 0) + 1e-12) {
          gain[at] = withIt
          chosen[at] = length
        }
      }
    }
    steps.push({ knapsack, lengths: chosen, around })
  }
  const columns: number[] = []
  let left = room
  for (const { knapsack, lengths, around } of [...steps].reverse()) {
    const length = lengths[left] ?? -1
    if (length < 0) continue
    columns.push(knapsack.sitting.column, ...knapsack.columns(length))
    left -= length + around
  }
  return { best: { columns, cost: -(gain[room] ?? 0) }, alone }
}
