import type { BladeSpec } from '../../knife/bladeSpec'
import { eachZone } from '../../knife/zones'
import type { KnifeState } from '../log/state'
import { NO_DEFECTS } from '../model/events'
import { BLUNT_FORCE_GF_PER_UM, freshForce, ROLL_FORCE_GF } from '../model/force'
import { wornAreaFromBluntWidth } from '../model/wear'

/** Roll that a knife which has come to its limit usually carries, honed before the service (assumed). */
const ROLL_AT_LIMIT = 0.3
/** An edge at its limit is at least so blunt, µm: a limit near a fresh edge's own force asks for little. */
const LEAST_BLUNT_UM = 2

/**
 * A knife as it will be when it next comes to its limit after a session: what a second session finds, whatever the edge
 * looks like today. Chips and glints are gone with the first.
 */
export function stateWhenDull(state: KnifeState, spec: BladeSpec, limitGf: number): KnifeState {
  const fresh = freshForce({ finishMicron: state.sharpening.finishMicron, dps: spec.dps })
  const bluntWidthUm = Math.max(
    LEAST_BLUNT_UM,
    (limitGf - fresh - ROLL_FORCE_GF * ROLL_AT_LIMIT) / BLUNT_FORCE_GF_PER_UM,
  )
  const wornAreaUm2 = wornAreaFromBluntWidth({ bluntWidthUm, dps: spec.dps })
  return {
    ...state,
    defects: NO_DEFECTS,
    zones: eachZone((zone) => ({ ...state.zones[zone], roll: ROLL_AT_LIMIT, wornAreaUm2, freshForceGf: fresh })),
  }
}
