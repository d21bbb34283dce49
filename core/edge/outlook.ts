import type { Occurrence } from '../house/serviceClock'
import { edgeForce } from './force'
import { honeEffect, usualHoneTool } from './hone'
import { advance, type Surroundings } from './history'
import type { BladeNature, KnifeState } from './state'
import { eachZone, ZONES, type Zone } from './zones'

/** The first service by whose end a zone will be past the limit. */
export interface DullAhead {
  readonly zone: Zone
  readonly service: Occurrence
}

/**
 * When the first zone of a knife will pass its service limit, if it is honed before each service as
 * usual and used as its station uses it. Null when that lies beyond the services given.
 */
export function firstDullService(
  state: KnifeState,
  nature: BladeNature,
  around: Surroundings,
  limitGf: number,
): DullAhead | null {
  const { efficiency } = honeEffect({ tool: usualHoneTool(nature.hrc), hrc: nature.hrc })
  let ahead = state
  for (const service of around.services) {
    if (service.endMs <= state.atMs) continue
    if (service.startMs > state.atMs) {
      ahead = {
        ...ahead,
        zones: eachZone((zone) => {
          const { roll, wornAreaUm2, freshForceGf, anchor } = ahead.zones[zone]
          return { roll: roll * (1 - efficiency), wornAreaUm2, freshForceGf, anchor }
        }),
      }
    }
    ahead = advance(ahead, nature, around, service.endMs)
    const [worst] = ZONES.map((zone) => ({ zone, forceGf: edgeForce(ahead.zones[zone], nature.dps) })).sort(
      (a, b) => b.forceGf - a.forceGf,
    )
    if (worst && worst.forceGf > limitGf) return { zone: worst.zone, service }
  }
  return null
}
