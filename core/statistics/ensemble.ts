import type { Gaussian } from './gaussian'
import { normalQuantile } from './normal'
import { chance, type Chance } from './random'

/** Lower triangular root of a covariance, row by row; a direction without variance gives a row of zeros. */
function choleskyRoot({ mean, cov }: Gaussian): Float64Array {
  const size = mean.length
  const root = new Float64Array((size * (size + 1)) / 2)
  for (let row = 0; row < size; row++) {
    const start = (row * (row + 1)) / 2
    for (let column = 0; column <= row; column++) {
      const other = (column * (column + 1)) / 2
      let sum = cov[start + column] ?? 0
      for (let at = 0; at < column; at++) sum -= (root[start + at] ?? 0) * (root[other + at] ?? 0)
      const pivot = root[other + column] ?? 0
      root[start + column] = row === column ? Math.sqrt(Math.max(0, sum)) : pivot > 0 ? sum / pivot : 0
    }
  }
  return root
}

/** Columns made orthogonal to each other and of variance one (modified Gram and Schmidt). */
function orthonormal(columns: readonly Float64Array[], count: number): void {
  const dot = (a: Float64Array, b: Float64Array): number => a.reduce((sum, value, at) => sum + value * (b[at] ?? 0), 0)
  for (const [axis, column] of columns.entries()) {
    for (const earlier of columns.slice(0, axis)) {
      const share = dot(column, earlier) / count
      for (let at = 0; at < count; at++) column[at] = (column[at] ?? 0) - share * (earlier[at] ?? 0)
    }
    const scale = Math.sqrt(count / dot(column, column))
    for (let at = 0; at < count; at++) column[at] = (column[at] ?? 0) * scale
  }
}

/**
 * Standard normal points, one column a coordinate: a Latin hypercube (McKay, Beckman and Conover 1979), each point
 * with its mirror image, turned so that means are 0 and covariances those of independent coordinates exactly.
 */
function normalPoints(count: number, dimensions: number, source: Chance): readonly Float64Array[] {
  const columns = Array.from({ length: dimensions }, () => {
    const half = shuffled(count / 2, source)
    return Float64Array.from({ length: count }, (_, at) => {
      // strata of the upper half, mirrored: the sign is the luck of the shuffle too
      const rank = half[at >> 1] ?? 0
      const z = normalQuantile((rank + 0.5) / (count / 2))
      return at % 2 === 0 ? z : -z
    })
  })
  orthonormal(columns, count)
  return columns
}

/** Numbers from 0 up, in an order of chance. */
function shuffled(count: number, source: Chance): number[] {
  const keyed = Array.from({ length: count }, (_, rank) => ({ rank, key: source.next() }))
  return keyed.sort((a, b) => a.key - b.key).map(({ rank }) => rank)
}

/** An even number of members that stand for a distribution, each with its own luck. */
export interface Ensemble {
  readonly count: number
  /** members of a distribution, one column of values a parameter */
  readonly drawFrom: (of: Gaussian) => readonly Float64Array[]
  /** uniform numbers in [0, 1) of a step, one a member; the same for the same step every time */
  readonly luck: (step: number) => Float64Array
}

const POINTS_SEED = 7
const LUCK_SEED = 20_011

/**
 * Makes an ensemble that stands for normal distributions of so many parameters. It uses no chance of its own:
 * the same distribution gives the same members to the last digit.
 *
 * @param count members, even
 * @param dimensions parameters of the distributions
 */
export function makeEnsemble(count: number, dimensions: number): Ensemble {
  const points = normalPoints(count, dimensions, chance(POINTS_SEED))
  const lucks: Float64Array[] = []
  const source = chance(LUCK_SEED)
  return {
    count,
    drawFrom: (of) => {
      const root = choleskyRoot(of)
      return of.mean.map((mean, row) => {
        const column = new Float64Array(count).fill(mean)
        const start = (row * (row + 1)) / 2
        for (let axis = 0; axis <= row; axis++) {
          const weight = root[start + axis] ?? 0
          const point = points[axis]
          if (weight === 0 || !point) continue
          for (let member = 0; member < count; member++)
            column[member] = (column[member] ?? 0) + weight * (point[member] ?? 0)
        }
        return column
      })
    },
    luck: (step) => {
      while (lucks.length <= step) {
        // stratified: as many members are lucky as should be, only which ones is left to chance
        lucks.push(Float64Array.from(shuffled(count, source), (rank) => (rank + 0.5) / count))
      }
      return lucks[step] ?? new Float64Array(count)
    },
  }
}

/**
 * Quantile of sorted values, straight between neighbours; Infinity where it falls among values that are.
 *
 * @param share 0–1
 */
export function quantileOf(sorted: ArrayLike<number>, share: number): number {
  const at = Math.min(sorted.length - 1, Math.max(0, share * sorted.length - 0.5))
  const [low, high] = [sorted[Math.floor(at)] ?? Infinity, sorted[Math.ceil(at)] ?? Infinity]
  return high === Infinity ? (Number.isInteger(at) ? low : Infinity) : low + (at % 1) * (high - low)
}
