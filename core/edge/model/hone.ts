import { clamp } from '../../measure'

/** What a cook draws an edge over between sharpenings. */
export const HONE_TOOLS = ['smooth-steel', 'grooved-steel', 'ceramic-rod', 'diamond-rod', 'strop'] as const
export type HoneTool = (typeof HONE_TOOLS)[number]

/** Above this hardness a steel no longer bends the edge back; it chips it (common practice: ~61 HRC). */
export const BRITTLE_HRC = 61
const SOFT_HRC = 58

/** Share of the roll a tool brings back on soft and on hard steel, and µm² it wears away (assumed). */
const TOOL: Readonly<Record<HoneTool, { readonly soft: number; readonly hard: number; readonly abradesUm2: number }>> =
  {
    'smooth-steel': { soft: 0.6, hard: 0.2, abradesUm2: 0 },
    'grooved-steel': { soft: 0.55, hard: 0.15, abradesUm2: 1 },
    'ceramic-rod': { soft: 0.65, hard: 0.5, abradesUm2: 12 },
    'diamond-rod': { soft: 0.6, hard: 0.5, abradesUm2: 25 },
    strop: { soft: 0.5, hard: 0.55, abradesUm2: 6 },
  }

const FULL_WITHIN_DPS = 2
const NOTHING_BELOW_DPS = 5
/** gf of fresh force that each degree above the matching range adds: a fat micro-bevel (assumed). */
const MICRO_BEVEL_GF_PER_DPS = 4

export interface HoneEffect {
  /** share of the roll brought back η, 0–1 */
  readonly efficiency: number
  /** how much of the tool's own efficiency the angle lets through, 0–1 */
  readonly reach: number
  /** worn area taken away by an abrasive tool, µm² */
  readonly abradedUm2: number
  /** rise of the fresh force when the rod stands steeper than the edge, gf */
  readonly freshForceRiseGf: number
  readonly chippingRisk: boolean
}

/**
 * What one honing does, by tool, hardness and how far the rod angle is from the edge angle.
 *
 * Full within ±2 dps; falling to nothing at 5 dps below, where the rod touches only the shoulder;
 * more than 2 dps above it works but puts on a micro-bevel.
 *
 * @param input.mismatchDps rod angle minus edge angle, degrees per side; 0 when unknown
 */
export function honeEffect(input: {
  readonly tool: HoneTool
  readonly hrc: number
  readonly mismatchDps?: number
}): HoneEffect {
  const { soft, hard, abradesUm2 } = TOOL[input.tool]
  const hardness = clamp((input.hrc - SOFT_HRC) / (BRITTLE_HRC - SOFT_HRC), 0, 1)
  const mismatch = input.mismatchDps ?? 0
  const reach = clamp((mismatch + NOTHING_BELOW_DPS) / (NOTHING_BELOW_DPS - FULL_WITHIN_DPS), 0, 1)
  const isSteel = input.tool === 'smooth-steel' || input.tool === 'grooved-steel'
  return {
    efficiency: (soft + (hard - soft) * hardness) * reach,
    reach,
    abradedUm2: abradesUm2 * reach,
    freshForceRiseGf: Math.max(0, mismatch - FULL_WITHIN_DPS) * MICRO_BEVEL_GF_PER_DPS,
    chippingRisk: isSteel && input.hrc >= BRITTLE_HRC,
  }
}

/** The tool a cook should reach for when the house names none: a steel on soft blades, a strop on hard. */
export const usualHoneTool = (hrc: number): HoneTool => (hrc >= BRITTLE_HRC ? 'strop' : 'smooth-steel')

/** Strokes a side for a daily hone, inside the trade's 5 to 10 (common practice). */
export const honeStrokes = (roll: number): number => Math.round(6 + 4 * clamp(roll, 0, 1))

export interface AngleMismatch {
  /** working angle minus edge angle, degrees per side */
  readonly mismatchDps: number
  /** what the rod does to the edge at that angle */
  readonly does: 'nothing' | 'shoulder-only' | 'too-little' | 'micro-bevel'
  /** share of the honing that is left, 0–1 */
  readonly reach: number
  readonly freshForceRiseGf: number
}

/**
 * What happens when a person's working angle meets a knife's: within ±2 dps nothing to speak of; lower,
 * the rod spends itself on the shoulder; higher, it puts a fat micro-bevel on (common practice).
 *
 * @param input.workingDps the angle the person really holds, degrees per side
 * @param input.edgeDps the knife's edge angle, degrees per side
 */
export function angleMismatch(input: { readonly workingDps: number; readonly edgeDps: number }): AngleMismatch {
  const mismatchDps = input.workingDps - input.edgeDps
  const { reach, freshForceRiseGf } = honeEffect({ tool: 'smooth-steel', hrc: SOFT_HRC, mismatchDps })
  const does =
    freshForceRiseGf > 0 ? 'micro-bevel' : reach === 0 ? 'shoulder-only' : reach < 1 ? 'too-little' : 'nothing'
  return { mismatchDps, does, reach, freshForceRiseGf }
}
