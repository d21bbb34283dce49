import { eachZone, type ByZone } from '../core/knife/zones'
import { freshForce } from '../core/edge/model/force'
import { chance } from '../core/statistics/random'
import { HOURS_PER_SERVICE, type Look, type SyntheticKnife } from './fleet'
import { trueHoursToLimit, type TrueEdge } from './trueEdge'
import { median } from './baselines'

/** Lucks the oracle goes through before it says the middle one. */
const LUCKS = 9

/**
 * Somebody who is told the law and how this knife truly wears, how often it is honed and where it stands now, but
 * not how fresh each zone came off the stone, nor the luck ahead: what is left is luck that nobody can foresee.
 */
export function oracleHours(knife: SyntheticKnife, look: Look, at: number): ByZone<number> {
  const { truth } = knife
  const edge: TrueEdge = {
    ...look.edge,
    freshGf: eachZone(() => freshForce({ finishMicron: 4, dps: truth.dps })),
  }
  const draws = truth.honed > 0 && truth.honed < 1 ? LUCKS : 1
  const lives = Array.from({ length: draws }, (_, draw) =>
    trueHoursToLimit(truth, edge, HOURS_PER_SERVICE, chance(Number(knife.id) * 977 + at * 31 + draw)),
  )
  return eachZone((zone) => median(lives.map((life) => life[zone])))
}
