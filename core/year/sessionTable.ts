import { grainMicrons } from '../abrasive/grain'
import type { ProgressionStone } from '../abrasive/progression'
import { costOf, wayThrough } from '../edge/verdict/cost'
import { FACE_FINISH_MICRON } from '../edge/verdict/grindingStep'
import type { YearHouse, YearKnife } from './yearHouse'

/** What a session takes of people and steel. */
export interface SessionCost {
  readonly minutes: number
  readonly steelUm: number
}

/** Sessions of one knife at any bluntness, reckoned once: a year asks for thousands. */
export interface SessionTable {
  readonly stone: (bluntUm: number) => SessionCost
  readonly topUp: (bluntUm: number) => SessionCost
  readonly thinning: SessionCost
}

/** Widths of the apex that sessions are reckoned at, µm; between them a straight line. */
const WIDTHS_UM = [0.5, 4, 7, 11, 16, 24, 40] as const

/** The coarse stone of the question "one more stone". */
export const COARSE_STONE: ProgressionStone = { id: '#220', micron: grainMicrons({ scale: 'JIS', value: 220 }) }

function between(costs: readonly SessionCost[], bluntUm: number): SessionCost {
  const at = WIDTHS_UM.findIndex((width) => width >= bluntUm)
  const last = costs.at(-1) ?? { minutes: 0, steelUm: 0 }
  if (at < 0) return last
  const [low, high] = [costs[Math.max(0, at - 1)] ?? last, costs[at] ?? last]
  const [from = 0, to = 1] = [WIDTHS_UM[Math.max(0, at - 1)], WIDTHS_UM[at]]
  const share = to === from ? 0 : (bluntUm - from) / (to - from)
  const mix = (a: number, b: number): number => a + Math.max(0, share) * (b - a)
  return { minutes: mix(low.minutes, high.minutes), steelUm: mix(low.steelUm, high.steelUm) }
}

/**
 * Minutes and steel of a knife's sessions by the one removal model, on the stones of the house.
 *
 * @param dps edge angle asked, degrees a side
 */
export function sessionTable(
  { blade: own, finishMicron }: YearKnife,
  stones: YearHouse['stones'],
  dps: number,
): SessionTable {
  const blade = { ...own, dps }
  const costs = (isTopUp: boolean): SessionCost[] =>
    WIDTHS_UM.map((bluntUm) => costOf(wayThrough(blade, { bluntUm, isTopUp }, { stones, finishMicron })))
  const [stone, topUp] = [costs(false), costs(true)]
  const byMm = Math.max(0.05, 0.1 * blade.bteWhenNewMm)
  return {
    stone: (bluntUm) => between(stone, bluntUm),
    topUp: (bluntUm) => between(topUp, bluntUm),
    thinning: costOf(wayThrough(blade, { thinning: { byMm } }, { stones, finishMicron: FACE_FINISH_MICRON })),
  }
}
