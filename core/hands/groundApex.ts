import {
  areaOf,
  edgeHeight,
  facesAt,
  grind,
  outsideOf,
  section,
  type Grinding,
  type Section,
  type SectionBlade,
} from '../geometry/section'
import { assertPositive, degrees } from '../measure'
import type { Stroke } from './holdScore'

/** What a row of strokes makes of an edge. */
export interface GroundApex {
  readonly section: Section
  /** the stones as they were laid on, in order, one an angle and side */
  readonly passes: readonly Grinding[]
  /** angle that the edge really has over its lowest {@link APEX_MM}, degrees per side */
  readonly effectiveDps: number
  /** height of edge gone, mm */
  readonly heightLostMm: number
  /** area gone, mm² */
  readonly removedMm2: number
}

/** The part of a bevel that parts the food: what a hand rounds here is felt (assumed). */
export const APEX_MM = 0.05
const HALVINGS = 40

/** A stone laid against one side just so deep that it takes an area away, mm². */
function passOf(before: Section, side: Grinding['side'], dps: number, areaMm2: number): Grinding {
  const touching = (depthMm: number): Grinding => {
    const at = outsideOf({ side, dps, through: { x: 0, y: 0 } })
    const outermost = before.outline.reduce((a, b) => (at(b) > at(a) ? b : a))
    return { side, dps, through: { x: outermost.x - (side === 'right' ? 1 : -1) * depthMm, y: outermost.y } }
  }
  const whole = areaOf(before)
  let [low, high] = [0, 1]
  for (let turn = 0; turn < HALVINGS; turn++) {
    const depth = (low + high) / 2
    if (whole - areaOf(grind(before, touching(depth))) > areaMm2) high = depth
    else low = depth
  }
  return touching((low + high) / 2)
}

/**
 * The section that strokes of recorded angles grind: each angle is a flat stone that takes its share of steel from whatever
 * stands out furthest at that angle, side after side, as on a stone. A hand that wobbles rounds the bevel: low strokes take
 * the shoulder, high ones the apex, and the edge is blunter than the mean of the angles says.
 *
 * @param blade the blade before, as at the spot that was ground
 * @param strokes recorded angles, degrees per side; both sides are ground alike
 * @param areaMm2 area that each stroke takes off one side, mm²: volume a stroke by length of edge
 */
export function groundApex(blade: SectionBlade, strokes: readonly Stroke[], areaMm2: number): GroundApex {
  assertPositive('areaMm2', areaMm2)
  const before = section(blade)
  const passes: Grinding[] = []
  let after = before
  for (const stroke of strokes)
    for (const side of ['right', 'left'] as const)
      for (const dps of stroke) {
        const pass = passOf(after, side, dps, areaMm2 / stroke.length)
        passes.push(pass)
        after = grind(after, pass)
      }
  return {
    section: after,
    passes,
    effectiveDps: effectiveAngle(after),
    heightLostMm: edgeHeight(after) - edgeHeight(before),
    removedMm2: areaOf(before) - areaOf(after),
  }
}

/** Half the angle that both sides make over the lowest part of the edge, degrees. */
function effectiveAngle(one: Section): number {
  const faces = facesAt(one, edgeHeight(one) + APEX_MM)
  return faces ? degrees(Math.atan((faces.right - faces.left) / 2 / APEX_MM)) : 90
}

/** What a hand does to an edge beside what was meant. */
export interface HandOnApex {
  readonly meant: GroundApex
  readonly made: GroundApex
  /** effective angle above the one meant, degrees per side */
  readonly blunterDps: number
  /** height of edge lost beyond what the same steel off at the same angle would cost, mm */
  readonly extraHeightMm: number
}

/** The same strokes, as they were and as they were meant, on the same edge. */
export function handOnApex(
  blade: SectionBlade,
  strokes: readonly Stroke[],
  wantedDps: number,
  areaMm2: number,
): HandOnApex {
  const made = groundApex(blade, strokes, areaMm2)
  const meant = groundApex(
    blade,
    strokes.map(() => [wantedDps]),
    areaMm2,
  )
  return {
    meant,
    made,
    blunterDps: made.effectiveDps - meant.effectiveDps,
    extraHeightMm: made.heightLostMm - meant.heightLostMm,
  }
}
