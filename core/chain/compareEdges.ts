import type { Board } from '../house/stations'
import type { KnifeType } from '../knife/knifeTypes'
import { shareInterval, type ShareInterval } from '../statistics/shareInterval'

/** A reading of an edge: of which kind of knife, on which kind of board, and whether it was within its limit. */
export interface EdgeReading {
  readonly type: KnifeType
  readonly board: Board
  readonly within: boolean
}

export interface CountedShare extends ShareInterval {
  readonly n: number
}

/** Houses beside each other over the same kind of knife on the same kind of board. */
export interface ComparedEdges {
  readonly type: KnifeType
  readonly board: Board
  readonly houses: readonly {
    readonly houseId: string
    readonly within: CountedShare
    /** whether its interval and that of all the others together have nothing in common */
    readonly apart: boolean
  }[]
}

/** Fewer readings than that say nothing about a house (assumed). */
export const LEAST_READINGS = 8

/** Share of readings within the limit, with its 80 % interval; null without readings. */
export function withinLimit(readings: readonly Pick<EdgeReading, 'within'>[]): CountedShare | null {
  if (readings.length === 0) return null
  const hits = readings.filter(({ within }) => within).length
  return { ...shareInterval(hits, readings.length), n: readings.length }
}

/**
 * Like with like: only the same kind of knife on the same kind of board is compared, and only where two houses have read
 * enough of them. Most read first.
 */
export function compareEdges(
  houses: readonly { readonly houseId: string; readonly readings: readonly EdgeReading[] }[],
): ComparedEdges[] {
  const kinds = new Map<string, Pick<EdgeReading, 'type' | 'board'>>()
  for (const { readings } of houses)
    for (const { type, board } of readings) kinds.set(`${type}/${board}`, { type, board })
  return [...kinds.values()]
    .flatMap(({ type, board }): ComparedEdges[] => {
      const read = houses
        .map(({ houseId, readings }) => ({
          houseId,
          own: readings.filter((one) => one.type === type && one.board === board),
        }))
        .filter(({ own }) => own.length >= LEAST_READINGS)
      if (read.length < 2) return []
      const compared = read.flatMap(({ houseId, own }) => {
        const within = withinLimit(own)
        const others = withinLimit(read.flatMap((other) => (other.houseId === houseId ? [] : other.own)))
        if (!within || !others) return []
        return [{ houseId, within, apart: within.low > others.high || within.high < others.low }]
      })
      return [{ type, board, houses: compared }]
    })
    .sort((a, b) => countOf(b) - countOf(a))
}

const countOf = ({ houses }: ComparedEdges): number => houses.reduce((sum, { within }) => sum + within.n, 0)
