import type { Chance } from '../statistics/random'

/** A made-up hand, for drills without an instrument and for tests. All in degrees. */
export interface SimulatedHand {
  readonly wantedDps: number
  readonly offDps: number
  /** within a stroke */
  readonly rockDps: number
  /** from stroke to stroke */
  readonly guessDps: number
  /** over the whole drill */
  readonly driftDps: number
  readonly tipLiftDps: number
}

export const STEADY_HAND = { offDps: 0, rockDps: 0.4, guessDps: 0.4, driftDps: 0, tipLiftDps: 0 } as const
export const FIRST_HAND = { offDps: 2, rockDps: 1.8, guessDps: 2, driftDps: 2, tipLiftDps: 4 } as const

/** Angles that the hand tells over one stroke of a drill, heel to tip. */
export function simulatedStroke(
  hand: SimulatedHand,
  luck: Chance,
  { stroke, strokes, angles }: { readonly stroke: number; readonly strokes: number; readonly angles: number },
): number[] {
  const centre =
    hand.wantedDps +
    hand.offDps +
    hand.guessDps * luck.normal() +
    hand.driftDps * (strokes > 1 ? stroke / (strokes - 1) - 0.5 : 0)
  return Array.from({ length: angles }, (_, at) => {
    const along = angles > 1 ? at / (angles - 1) : 0
    return Math.max(1, centre + hand.rockDps * luck.normal() + (along > 0.75 ? hand.tipLiftDps : 0))
  })
}
