import type { Grind } from '../knife/knifeTypes'
import { assertPositive, assertWithin, degrees, MeasureError, radians } from '../measure'
import { clip, polygonArea } from './polygon'
import type { Point } from './point'
import { faceLength } from './stack'

/** A blade at one spot, as a caliper and an eye find it. Lengths in mm, angles in degrees per side. */
export interface SectionBlade {
  readonly heelHeightMm: number
  readonly spineMm: number
  /** thickness at the shoulder, where the edge bevels begin */
  readonly bteMm: number
  readonly dpsLeft: number
  readonly dpsRight: number
  readonly grind: Grind
  /** share of the bevel widths on the right side, per cent; 100 for a single bevel */
  readonly ratioRight: number
  /** thickness measured at heights above the edge; faces run through these where they were taken */
  readonly thicknessAt?: readonly { readonly heightMm: number; readonly thicknessMm: number }[] | undefined
}

/** A cross-section: x to the right, y up from where the edge was when it was drawn, mm; counter-clockwise. */
export interface Section {
  readonly outline: readonly Point[]
}

/** A flat stone laid on one side: everything outside the line through a point, at an angle to the blade's centre plane, goes. */
export interface Grinding {
  readonly side: 'left' | 'right'
  readonly dps: number
  readonly through: Point
}

/** A wide bevel ends at this share of the height (assumed: ordinary knives of the kind). */
const WIDE_BEVEL_SHARE = 0.35
/** A single bevel's road lies this much flatter than its edge, and ends below this share of the height (assumed). */
const ROAD_SHARE_OF_EDGE = 0.75
const ROAD_ENDS_BELOW = 0.8
/** How far a convex face bulges, and a hollow one sinks, as a share of half the spine (assumed). */
const BULGE_SHARE = 0.14
const FACE_STEPS = 12
/** Backs of single bevels are hollow between a flat rim at edge and spine (common practice); how deep and how wide the rim (assumed). */
const BACK_HOLLOW_SHARE = 0.07
const BACK_RIM_MM = 2
/** A boning knife's shoulder: 10–15 degrees to about 5 mm up (common practice). */
const SHOULDER_DPS = 12
const SHOULDER_MM = 5

interface Bevels {
  readonly apexX: number
  readonly left: Point
  readonly right: Point
}

/** Apex and shoulders of an edge: T = w_L sin θ_L + w_R sin θ_R, widths by the ratio. */
function bevelsOf({ bteMm, dpsLeft, dpsRight, ratioRight }: SectionBlade): Bevels {
  const share = ratioRight / 100
  const [sinLeft, sinRight] = [Math.sin(radians(dpsLeft)), Math.sin(radians(dpsRight))]
  const width = bteMm / ((1 - share) * sinLeft + share * sinRight)
  const [left, right] = [(1 - share) * width, share * width]
  const apexX = (left * sinLeft - right * sinRight) / 2
  return {
    apexX,
    left: { x: apexX - left * sinLeft, y: left * Math.cos(radians(dpsLeft)) },
    right: { x: apexX + right * sinRight, y: right * Math.cos(radians(dpsRight)) },
  }
}

/** Half-thicknesses of one face from its shoulder up, as [height, distance outward from the shoulder's line]. */
function faceLine(
  blade: SectionBlade,
  shoulder: { readonly y: number; readonly half: number },
  spineHalf: number,
): Point[] {
  const { heelHeightMm: height, grind } = blade
  const top: Point = { x: spineHalf, y: height }
  const straight = (share: number): Point => ({
    x: shoulder.half + share * (spineHalf - shoulder.half),
    y: shoulder.y + share * (height - shoulder.y),
  })
  const measured = (blade.thicknessAt ?? []).filter(({ heightMm }) => heightMm > shoulder.y && heightMm < height)
  if (measured.length > 0)
    return [
      ...measured.map(({ heightMm, thicknessMm }) => ({ x: thicknessMm / 2, y: heightMm })).sort((a, b) => a.y - b.y),
      top,
    ]
  if (grind === 'convex' || grind === 'hollow') {
    const bulge = (grind === 'convex' ? 1 : -1) * BULGE_SHARE * spineHalf
    return Array.from({ length: FACE_STEPS }, (_, step) => {
      const share = (step + 1) / FACE_STEPS
      const on = straight(share)
      // a hollow face never gets thinner than its shoulder
      return { x: Math.max(shoulder.half, on.x + bulge * 4 * share * (1 - share)), y: on.y }
    })
  }
  if (grind === 'wide-bevel') return [{ x: spineHalf, y: WIDE_BEVEL_SHARE * height }, top]
  if (grind === 'boning-shoulder' && SHOULDER_MM > shoulder.y && SHOULDER_MM < height) {
    return [
      {
        x: Math.min(0.95 * spineHalf, shoulder.half + (SHOULDER_MM - shoulder.y) * Math.tan(radians(SHOULDER_DPS))),
        y: SHOULDER_MM,
      },
      top,
    ]
  }
  return [top]
}

function assertBlade(blade: SectionBlade): void {
  assertPositive('heelHeightMm', blade.heelHeightMm)
  assertPositive('spineMm', blade.spineMm)
  assertPositive('bteMm', blade.bteMm)
  assertWithin('ratioRight', blade.ratioRight, 0, 100)
  assertWithin('dpsLeft', blade.dpsLeft, 0, 45)
  assertWithin('dpsRight', blade.dpsRight, 0, 45)
  if (blade.bteMm >= blade.spineMm)
    throw new MeasureError('out-of-range', 'bteMm', { value: blade.bteMm, low: 0, high: blade.spineMm })
  if ((blade.ratioRight > 0 && blade.dpsRight < 1) || (blade.ratioRight < 100 && blade.dpsLeft < 1))
    throw new MeasureError('out-of-range', 'dps', { value: 0, low: 1, high: 45 })
}

/**
 * The cross-section of a blade at one spot. Edge bevels from angle, thickness and ratio; above their
 * shoulders the face of its grind, or one through the thicknesses measured.
 *
 * @throws MeasureError for measures no blade has, and for an edge as thick as its spine or as tall as its blade
 */
export function section(blade: SectionBlade): Section {
  assertBlade(blade)
  const { apexX, left, right } = bevelsOf(blade)
  if (Math.max(left.y, right.y) >= blade.heelHeightMm)
    throw new MeasureError('out-of-range', 'bteMm', { value: blade.bteMm, low: 0, high: blade.spineMm })
  const isSingle = blade.ratioRight === 100 || blade.ratioRight === 0
  if (isSingle) return singleBevel(blade, { apexX, left, right })
  const rightFace = faceLine(blade, { y: right.y, half: right.x }, blade.spineMm / 2)
  const leftFace = faceLine(blade, { y: left.y, half: -left.x }, blade.spineMm / 2).map(({ x, y }) => ({ x: -x, y }))
  return { outline: [{ x: apexX, y: 0 }, right, ...rightFace, ...[...leftFace].reverse(), left] }
}

/** On one side edge bevel, blade road and the full thickness above it; on the other the back, hollow where the grind is single. */
function singleBevel(blade: SectionBlade, { apexX, left, right }: Bevels): Section {
  const isRight = blade.ratioRight === 100
  const shoulder = isRight ? right : left
  const sign = isRight ? 1 : -1
  const outer = apexX + sign * blade.spineMm
  const roadMm =
    shoulder.y +
    (blade.spineMm - Math.abs(shoulder.x - apexX)) /
      Math.tan(radians(ROAD_SHARE_OF_EDGE * (isRight ? blade.dpsRight : blade.dpsLeft)))
  const road = blade.grind === 'single' ? [{ x: outer, y: Math.min(ROAD_ENDS_BELOW * blade.heelHeightMm, roadMm) }] : []
  const ground = [shoulder, ...road, { x: outer, y: blade.heelHeightMm }]
  const back = [
    { x: apexX, y: blade.heelHeightMm },
    ...(blade.grind === 'single' ? hollowBack(blade, apexX, sign) : []),
  ]
  const apex = { x: apexX, y: 0 }
  return { outline: isRight ? [apex, ...ground, ...back] : [apex, ...back.reverse(), ...ground.reverse()] }
}

/** The hollow of a single bevel's back, from under the spine down to the flat rim at the edge. */
function hollowBack({ heelHeightMm, spineMm }: SectionBlade, apexX: number, inward: number): Point[] {
  const [top, bottom] = [heelHeightMm - BACK_RIM_MM, BACK_RIM_MM]
  return Array.from({ length: FACE_STEPS + 1 }, (_, step) => {
    const share = step / FACE_STEPS
    return {
      x: apexX + inward * 4 * share * (1 - share) * BACK_HOLLOW_SHARE * spineMm,
      y: top - share * (top - bottom),
    }
  })
}

/** Section area, mm². */
export const areaOf = ({ outline }: Section): number => polygonArea(outline)

/** How far a point lies outside a stone laid on: positive is ground away. */
export const outsideOf =
  ({ side, dps, through }: Grinding) =>
  (point: Point): number =>
    (side === 'right' ? 1 : -1) * (point.x - through.x) - (point.y - through.y) * Math.tan(radians(dps))

/** The section after grinding one side flat. */
export const grind = ({ outline }: Section, grinding: Grinding): Section => ({
  outline: clip(outline, outsideOf(grinding)),
})

/** The section with everything below a height gone, as when a chip is ground out straight. */
export const grindEdgeDown = ({ outline }: Section, heightMm: number): Section => ({
  outline: clip(outline, ({ y }) => heightMm - y),
})

/** Height of the lowest point, mm: 0 until edge was lost. */
export const edgeHeight = ({ outline }: Section): number => Math.min(...outline.map(({ y }) => y))

const SAME_MM = 1e-9

/** Left and right face at a height, mm; null above the spine and below the edge. */
export function facesAt(
  { outline }: Section,
  heightMm: number,
): { readonly left: number; readonly right: number } | null {
  const found: number[] = []
  for (let at = 0; at < outline.length; at++) {
    const [a, b] = [outline[at], outline[(at + 1) % outline.length]]
    if (!a || !b || Math.min(a.y, b.y) > heightMm || Math.max(a.y, b.y) < heightMm) continue
    if (Math.abs(a.y - b.y) < SAME_MM) found.push(a.x, b.x)
    else found.push(a.x + ((heightMm - a.y) / (b.y - a.y)) * (b.x - a.x))
  }
  return found.length === 0 ? null : { left: Math.min(...found), right: Math.max(...found) }
}

/** Thickness at a height above the edge as it now is, mm; 0 outside the blade. */
export function thicknessAbove(one: Section, aboveEdgeMm: number): number {
  const faces = facesAt(one, edgeHeight(one) + aboveEdgeMm)
  return faces ? faces.right - faces.left : 0
}

/** Spine lift that lays a blade at an angle to its centre plane on a stone, off its own face, mm. */
export function liftOffFace(
  blade: Pick<SectionBlade, 'heelHeightMm' | 'spineMm'>,
  dps: number,
  faceDps: number,
): number {
  return Math.max(0, faceLength(blade) * Math.sin(radians(dps - faceDps)))
}

/** Angle of the line from one point up to another against the centre plane, degrees. */
export const angleBetween = (low: Point, high: Point): number =>
  degrees(Math.atan2(Math.abs(high.x - low.x), high.y - low.y))
