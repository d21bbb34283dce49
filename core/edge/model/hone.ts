import { clamp } from '../../measure'
import { freshForce } from './force'

/** What a cook draws an edge over between sharpenings. */
export const HONE_TOOLS = ['smooth-steel', 'grooved-steel', 'ceramic-rod', 'diamond-rod', 'strop'] as const
export type HoneTool = (typeof HONE_TOOLS)[number]

/** Above this hardness a steel no longer bends the edge back; it chips it (common practice: ~61 HRC). */
export const BRITTLE_HRC = 61
const SOFT_HRC = 58

interface ToolTraits {
  /** share of the roll brought back on soft and on hard steel */
  readonly soft: number
  readonly hard: number
  /** worn area that the first honing after a stone takes away, µm²; it fades as e^(−n/N) over N honings */
  readonly firstUm2: number
  readonly fadesOver: number
  /** share of what is missing of a micro-bevel that one honing at too steep an angle builds */
  readonly bevels: number
  /** blunt width below which its own finish does not go, µm */
  readonly keenestUm: number
}

/** All assumed; what a tool brings back is learned from the house's log. */
const TOOL: Readonly<Record<HoneTool, ToolTraits>> = {
  'smooth-steel': { soft: 0.6, hard: 0.2, firstUm2: 0, fadesOver: 1, bevels: 0.15, keenestUm: 0 },
  'grooved-steel': { soft: 0.55, hard: 0.15, firstUm2: 1, fadesOver: 40, bevels: 0.15, keenestUm: 2 },
  'ceramic-rod': { soft: 0.65, hard: 0.5, firstUm2: 12, fadesOver: 60, bevels: 0.4, keenestUm: 1.5 },
  'diamond-rod': { soft: 0.6, hard: 0.5, firstUm2: 25, fadesOver: 90, bevels: 0.6, keenestUm: 2.5 },
  strop: { soft: 0.5, hard: 0.55, firstUm2: 6, fadesOver: 40, bevels: 0.2, keenestUm: 0.6 },
}

/** Tools that also take steel away, little by little, until they have done what they can. */
export const isAbrasive = (tool: HoneTool): boolean => TOOL[tool].firstUm2 > 1

const FULL_WITHIN_DPS = 2
const NOTHING_BELOW_DPS = 5
/** Width of the strip along the apex that a rod or strop touches, µm (assumed). */
const ROD_CONTACT_UM = 20

export interface HoneEffect {
  readonly tool: HoneTool
  /** share of the roll brought back η, 0–1 */
  readonly efficiency: number
  /** how much of the tool's own efficiency the angle lets through, 0–1 */
  readonly reach: number
  /** rod angle minus edge angle, degrees per side */
  readonly mismatchDps: number
  readonly chippingRisk: boolean
}

/**
 * What one honing does to the roll, by tool, hardness and how far the rod angle is from the edge angle.
 *
 * Full within ±2 dps; falling to nothing at 5 dps below, where the rod touches only the shoulder;
 * more than 2 dps above it works but builds a micro-bevel ({@link nextHoning}).
 *
 * @param input.mismatchDps rod angle minus edge angle, degrees per side; 0 when unknown
 */
export function honeEffect(input: {
  readonly tool: HoneTool
  readonly hrc: number
  readonly mismatchDps?: number | undefined
}): HoneEffect {
  const { soft, hard } = TOOL[input.tool]
  const hardness = clamp((input.hrc - SOFT_HRC) / (BRITTLE_HRC - SOFT_HRC), 0, 1)
  const mismatchDps = input.mismatchDps ?? 0
  const reach = clamp((mismatchDps + NOTHING_BELOW_DPS) / (NOTHING_BELOW_DPS - FULL_WITHIN_DPS), 0, 1)
  const isSteel = input.tool === 'smooth-steel' || input.tool === 'grooved-steel'
  return {
    tool: input.tool,
    efficiency: (soft + (hard - soft) * hardness) * reach,
    reach,
    mismatchDps,
    chippingRisk: isSteel && input.hrc >= BRITTLE_HRC,
  }
}

/** What rods and strops have done to an edge since its last stone. */
export interface RodWork {
  /** completeness of the micro-bevel m, 0–1 */
  readonly microBevel: number
  /** abrasive honings; one that only may have happened counts as its chance */
  readonly honings: number
}

export const NO_ROD_WORK: RodWork = { microBevel: 0, honings: 0 }

/** One more honing: the rod's work after it, and what it takes and adds. */
export interface HoningStep {
  readonly rod: RodWork
  /** worn area taken away, µm² */
  readonly abradedUm2: number
  /** blunt width below which the tool does not go, µm */
  readonly keenestUm: number
  /** rise of the fresh force by the micro-bevel, gf */
  readonly freshForceRiseGf: number
  /** height of the edge it costs, µm */
  readonly heightUm: number
}

/** gf that a whole micro-bevel at the rod's angle adds to a fresh edge: what the steeper angle would read fresh. */
const microBevelForceGf = (edgeDps: number, mismatchDps: number): number =>
  mismatchDps > FULL_WITHIN_DPS
    ? freshForce({ finishMicron: 4, dps: edgeDps + mismatchDps }) - freshForce({ finishMicron: 4, dps: edgeDps })
    : 0

/**
 * What the next honing since the stone takes and builds. Both have an end: the n-th abrasive honing takes
 * a₁·e^(−n/N) of worn area, and a micro-bevel grows as m ← m + s·(1 − m), so that honing from 17 up to
 * 22 dps costs some 12 gf in all, however often it is done.
 *
 * @param rod work since the last stone
 * @param share chance that the honing happened, 0–1
 */
export function nextHoning(rod: RodWork, effect: HoneEffect, edgeDps: number, share = 1): HoningStep {
  const { firstUm2, fadesOver, bevels, keenestUm } = TOOL[effect.tool]
  const abradedUm2 = share * firstUm2 * effect.reach * Math.exp(-rod.honings / fadesOver)
  const grown = effect.mismatchDps > FULL_WITHIN_DPS ? share * bevels * (1 - rod.microBevel) : 0
  return {
    rod: { microBevel: rod.microBevel + grown, honings: rod.honings + (firstUm2 > 1 ? share : 0) },
    abradedUm2,
    keenestUm,
    freshForceRiseGf: grown * microBevelForceGf(edgeDps, effect.mismatchDps),
    heightUm: abradedUm2 / ROD_CONTACT_UM,
  }
}

/** The rod or strop has done what it can: it takes less than e⁻¹ of what it took at first. */
export const isRodSpent = (rod: RodWork, tool: HoneTool): boolean =>
  isAbrasive(tool) && rod.honings >= TOOL[tool].fadesOver

/** The tool a cook should reach for when nobody names one: a steel on soft blades, a strop on hard. */
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
  /** gf that the whole micro-bevel adds in the end */
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
  const { reach } = honeEffect({ tool: 'smooth-steel', hrc: SOFT_HRC, mismatchDps })
  const does =
    mismatchDps > FULL_WITHIN_DPS ? 'micro-bevel' : reach === 0 ? 'shoulder-only' : reach < 1 ? 'too-little' : 'nothing'
  return { mismatchDps, does, reach, freshForceRiseGf: microBevelForceGf(input.edgeDps, mismatchDps) }
}
