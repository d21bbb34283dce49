import type { Chance } from '../statistics/random'
import { wantedNewtons } from './pressScore'

/** A made-up pressing hand: what it does with the force that is wanted, and how uneven it is along the blade. */
export interface PressingHand {
  /** 0 never fades, 1 fades as it should */
  readonly fades: number
  readonly share: number
  readonly uneven: number
}
export const STEADY_PRESS: PressingHand = { fades: 1, share: 1, uneven: 0.08 }
export const FIRST_PRESS: PressingHand = { fades: 0.2, share: 1.5, uneven: 0.35 }

const GLIDES = 0.1

/** Forces over one stroke, N: pressing on the way out, gliding on the way back. */
export function simulatedPress(
  hand: PressingHand,
  luck: Chance,
  { stroke, strokes, told }: { readonly stroke: number; readonly strokes: number; readonly told: number },
): number[] {
  const firm = wantedNewtons(0, strokes)
  const wanted = firm + hand.fades * (wantedNewtons(stroke, strokes) - firm)
  return Array.from({ length: told }, (_, at) => {
    const presses = at < (2 * told) / 3
    return Math.max(0.2, wanted * hand.share * (presses ? 1 + hand.uneven * luck.normal() : GLIDES))
  })
}
