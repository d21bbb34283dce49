import { ZONES, type Zone } from '../knife/zones'

/** One edge of a burr hunt: where somebody felt a burr, and where the loupe showed one. */
export interface HuntedEdge {
  readonly felt: readonly Zone[]
  readonly seen: readonly Zone[]
}

/** How well a thumb finds burrs: of the zones that had one, and of those that had none. */
export interface BurrScore {
  readonly zones: number
  readonly right: number
  /** there and not felt: the next stone is begun too early */
  readonly missed: number
  /** felt and not there: steel ground for nothing */
  readonly imagined: number
}

export function burrScore(edges: readonly HuntedEdge[]): BurrScore {
  const judged = edges.flatMap(({ felt, seen }) =>
    ZONES.map((zone) => ({ felt: felt.includes(zone), seen: seen.includes(zone) })),
  )
  const count = (which: (one: (typeof judged)[number]) => boolean): number => judged.filter(which).length
  return {
    zones: judged.length,
    right: count(({ felt, seen }) => felt === seen),
    missed: count(({ felt, seen }) => seen && !felt),
    imagined: count(({ felt, seen }) => felt && !seen),
  }
}

export type BurrAdvice = 'steady' | 'misses' | 'imagines'

/** A thumb that is right this often finds burrs (assumed; guessing is right half the time). */
const GOOD_SHARE = 0.85

export function burrAdvice({ zones, right, missed, imagined }: BurrScore): BurrAdvice {
  if (right >= GOOD_SHARE * zones) return 'steady'
  return missed >= imagined ? 'misses' : 'imagines'
}
