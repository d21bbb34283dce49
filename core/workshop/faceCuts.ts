import type { Point } from '../geometry/point'
import { angleBetween, type Grinding, type Section, type SectionBlade } from '../geometry/section'
import { MeasureError, radians } from '../measure'
import { apexOf, clearOf, dpsOf, faceX, shoulder, sidesOf, signOf, THINNED_SHARE, type Side } from './landmarks'
import type { Cut, Operation } from './operation'

/** Flat down to about 4 mm above the edge (common practice). */
const FLAT_DOWN_TO_MM = 4
/** Where flat and second bevel meet: this share of the way from one straight face out to the face as it is (assumed). */
const CORNER_SHARE = 0.75
/** Corner taken off a shoulder when it is blended, mm (assumed): felt, not seen. */
const BLEND_MM = 0.01
/** Edge height a full convex from the shoulder line costs, mm (assumed; common practice only says that it does). */
const FULL_CONVEX_LOSS_MM = 0.3
const FACETS = 4
/** A convex bends most at this share of the way up from its shoulder (assumed). */
const CONVEX_BENDS_AT = 0.15
/** What rubbing the faces of a boning knife takes off each at its shoulder, mm (assumed). */
const RUB_MM = 0.06

function assertThinner(blade: SectionBlade, targetBteMm: number): void {
  if (targetBteMm <= 0) throw new MeasureError('not-positive', 'targetBteMm', { value: targetBteMm })
  if (targetBteMm >= blade.bteMm)
    throw new MeasureError('out-of-range', 'targetBteMm', { value: targetBteMm, low: 0, high: blade.bteMm })
}

/** Faces laid nearly flat, so that the edge is as thin as wanted where its bevels begin; the apex stays. */
export function cutThinning(
  blade: SectionBlade,
  before: Section,
  { targetBteMm, upToMm = THINNED_SHARE * blade.heelHeightMm }: Extract<Operation, { kind: 'thin' }>,
): Cut[] {
  assertThinner(blade, targetBteMm)
  const apex = apexOf(before)
  const grindings = sidesOf(blade).map((side): Grinding => {
    const through = shoulder(blade, apex, side, targetBteMm)
    return { side, through, dps: clearOf(before, side, through, upToMm) }
  })
  for (const { side, dps } of grindings) {
    // a face as steep as the edge itself would be ground through the apex
    if (dps >= dpsOf(blade, side))
      throw new MeasureError('angle-below-face', 'dps', { dps: dpsOf(blade, side), faceDps: Math.ceil(dps) })
  }
  return [{ name: 'face', grindings }]
}

/** Flat down to a few millimetres above the edge, a slightly steeper second bevel, and its shoulder blended away. */
export function cutFlatToConvex(
  blade: SectionBlade,
  before: Section,
  { targetBteMm, flatDownToMm = FLAT_DOWN_TO_MM }: Extract<Operation, { kind: 'flat-to-convex' }>,
): Cut[] {
  assertThinner(blade, targetBteMm)
  const apex = apexOf(before)
  const high = Math.max(2 * flatDownToMm, 0.6 * blade.heelHeightMm)
  const parts = sidesOf(blade).map((side) => {
    const low = shoulder(blade, apex, side, targetBteMm)
    const straight = low.x + signOf(side) * (flatDownToMm - low.y) * Math.tan(radians(clearOf(before, side, low, high)))
    const corner = { x: straight + CORNER_SHARE * (faceX(before, side, flatDownToMm) - straight), y: flatDownToMm }
    // on a hollow face even the steeper planes have to pass the steel higher up
    const passing = (through: Point, dps: number): Grinding => ({
      side,
      through,
      dps: Math.max(dps, clearOf(before, side, through, high)),
    })
    const flat = passing(corner, 0)
    const bevel = passing(low, angleBetween(low, corner))
    return {
      flat,
      bevel,
      blend: passing({ x: corner.x - signOf(side) * BLEND_MM, y: corner.y }, (flat.dps + bevel.dps) / 2),
    }
  })
  return [
    { name: 'face', grindings: parts.map(({ flat }) => flat) },
    { name: 'second-bevel', grindings: parts.map(({ bevel }) => bevel) },
    { name: 'blend', grindings: parts.map(({ blend }) => blend) },
  ]
}

/** Points down one side of a convex: from the face at its top, which it leaves without a step, to the new shoulder (quadratic Bézier curve). */
function convexLine(one: Section, side: Side, low: Point, highMm: number): Point[] {
  const top = { x: faceX(one, side, highMm), y: highMm }
  const bendMm = low.y + CONVEX_BENDS_AT * (highMm - low.y)
  const chordX = low.x + ((bendMm - low.y) / (highMm - low.y)) * (top.x - low.x)
  const faceAt = faceX(one, side, bendMm)
  // a hollow face has no steel to bend around: there the line is straight
  const bend = { x: signOf(side) * faceAt > signOf(side) * chordX ? faceAt : chordX, y: bendMm }
  return Array.from({ length: FACETS + 1 }, (_, at) => {
    const t = at / FACETS
    const mix = (of: 'x' | 'y'): number => (1 - t) ** 2 * top[of] + 2 * t * (1 - t) * bend[of] + t ** 2 * low[of]
    return { x: mix('x'), y: mix('y') }
  })
}

/** A convex from the shoulder line down, facet by facet, each a little steeper than the one above it: the edge loses height for it. */
export function cutFullConvex(
  blade: SectionBlade,
  before: Section,
  { targetBteMm }: Extract<Operation, { kind: 'full-convex' }>,
): Cut[] {
  assertThinner(blade, targetBteMm)
  const highMm = 0.6 * blade.heelHeightMm
  const apex = { x: apexOf(before).x, y: apexOf(before).y + FULL_CONVEX_LOSS_MM }
  const lines = sidesOf(blade).map((side) => ({
    side,
    points: convexLine(before, side, shoulder(blade, apex, side, targetBteMm), highMm),
  }))
  const facets = Array.from({ length: FACETS }, (_, at): Cut => ({
    name: 'facet',
    grindings: lines.flatMap(({ side, points }): Grinding[] => {
      const [high, low] = [points[at], points[at + 1]]
      return high && low
        ? [{ side, through: low, dps: Math.max(angleBetween(low, high), clearOf(before, side, low, highMm)) }]
        : []
    }),
  }))
  return [
    ...facets,
    { name: 'bevel', grindings: sidesOf(blade).map((side) => ({ side, dps: dpsOf(blade, side), through: apex })) },
  ]
}

/** Rubbed flat half to three quarters up, a shoulder that keeps the edge off the bone, and the edge itself. */
export function cutBoning(
  blade: SectionBlade,
  before: Section,
  { rubShare, shoulderDps, shoulderMm, edgeDps }: Extract<Operation, { kind: 'boning' }>,
): Cut[] {
  const apex = apexOf(before)
  const up = rubShare * blade.heelHeightMm
  const own = { ...blade, dpsLeft: edgeDps, dpsRight: edgeDps }
  const parts = sidesOf(blade).map((side) => {
    const low = shoulder(own, apex, side, blade.bteMm)
    const high = Math.max(shoulderMm, low.y + 0.1)
    const out = Math.min(
      Math.abs(low.x) + Math.max(0, shoulderMm - low.y) * Math.tan(radians(shoulderDps)),
      Math.abs(faceX(before, side, high)),
    )
    const rubbed = { x: signOf(side) * (out - RUB_MM), y: high }
    return {
      rub: { side, through: rubbed, dps: clearOf(before, side, rubbed, up) },
      bevel: { side, dps: shoulderDps, through: low },
      edge: { side, dps: edgeDps, through: apex },
    }
  })
  return [
    { name: 'rub', grindings: parts.map(({ rub }) => rub) },
    { name: 'shoulder', grindings: parts.map(({ bevel }) => bevel) },
    { name: 'edge', grindings: parts.map(({ edge }) => edge) },
  ]
}
