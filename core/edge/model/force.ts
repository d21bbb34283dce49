import { clamp } from '../../measure'
import { bluntWidth, type Wear } from './wear'

/** gf that a fully rolled edge adds (assumed). */
export const ROLL_FORCE_GF = 120
/** gf that each µm of blunt width adds (assumed). */
export const BLUNT_FORCE_GF_PER_UM = 12

/** Force of a fresh edge runs from here … */
const KEENEST_GF = 130
/** … up by this much for the coarsest finish, and as much again for the fattest angle (assumed). */
const FINISH_SPAN_GF = 35
const ANGLE_SPAN_GF = 35
const FINEST_MICRON = 1.2
const COARSEST_MICRON = 40

/**
 * Force of a freshly sharpened edge F₀, 130–200 gf by finish and angle (assumed until an after-test
 * says otherwise).
 *
 * @param input.finishMicron median grain of the last stone, µm
 * @param input.dps degrees per side
 */
export function freshForce(input: { readonly finishMicron: number; readonly dps: number }): number {
  const coarse = Math.log(input.finishMicron / FINEST_MICRON) / Math.log(COARSEST_MICRON / FINEST_MICRON)
  const fat = (input.dps - 10) / 15
  return KEENEST_GF + FINISH_SPAN_GF * clamp(coarse, 0, 1) + ANGLE_SPAN_GF * clamp(fat, 0, 1)
}

/**
 * Force test peak of an edge: F = F₀ + R·ρ + G·b, in gf.
 */
export function edgeForce(edge: Wear & { readonly freshForceGf: number }, dps: number): number {
  return (
    edge.freshForceGf +
    ROLL_FORCE_GF * edge.roll +
    BLUNT_FORCE_GF_PER_UM * bluntWidth({ wornAreaUm2: edge.wornAreaUm2, dps })
  )
}

/** Force the edge would have if honing brought all the roll back, gf: what only a stone can lower. */
export function wornForce(edge: Wear & { readonly freshForceGf: number }, dps: number): number {
  return edgeForce({ roll: 0, wornAreaUm2: edge.wornAreaUm2, freshForceGf: edge.freshForceGf }, dps)
}
