import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A seeded stream of chance: the same seed tells the same story. */
export interface Chance {
  /** uniform in [0, 1) */
  readonly next: () => number
  readonly between: (low: number, high: number) => number
  /** normal with mean 0 and standard deviation 1 (Box and Muller 1958) */
  readonly normal: () => number
  readonly happens: (probability: number) => boolean
  readonly pick: <T>(from: readonly [T, ...T[]]) => T
}

const WARM_UP = 16

export function chance(seed: number): Chance {
  const generator = xoroshiro128plus(seed)
  // neighbouring seeds start alike; after these they have nothing in common
  for (let draw = 0; draw < WARM_UP; draw++) uniformFloat64(generator)
  const next = (): number => uniformFloat64(generator)
  return {
    next,
    between: (low, high) => low + next() * (high - low),
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    happens: (probability) => next() < probability,
    pick: (from) => from[Math.floor(next() * from.length)] ?? from[0],
  }
}

/** Numbers in [0, 1) in a sequence that its seed fixes, for searches that have to come out the same again. */
export function seededRandom(seed: number): () => number {
  const generator = xoroshiro128plus(seed)
  return () => uniformFloat64(generator)
}
