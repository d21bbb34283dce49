import { centreOfDifference, clip, lengthOnLine, polygonArea } from '../geometry/polygon'
import type { Point } from '../geometry/point'
import { profile } from '../geometry/profile'
import type { KnifeType } from '../knife/knifeTypes'
import { assertPositive, clamp, degrees, MeasureError, radians } from '../measure'

/** A blade seen from the side. Lengths in mm. */
export interface TipShape {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
}

/**
 * A bent or broken tip ground to a point again, over one or more sessions. From the spine the edge keeps its
 * line and its height; from the edge the spine keeps its line, and the edge is made anew for that length.
 */
export interface TipRepair {
  readonly kind: 'tip'
  /** length that is broken off, or bent and has to go, mm */
  readonly lostMm: number
  readonly from: 'spine' | 'edge'
  /** sessions it is spread over: half now, the rest at the next one or two */
  readonly sessions: number
  /** share of the steel that earlier sessions have taken, 0 to below 1 */
  readonly groundShare?: number | undefined
}

export interface TipDone {
  /** side views, x from the heel: as it was made, with the tip gone, and after this session */
  readonly whole: readonly Point[]
  readonly before: readonly Point[]
  readonly after: readonly Point[]
  readonly areaMm2: number
  /** thickness of the steel that goes, mm */
  readonly thicknessMm: number
  readonly volumeMm3: number
  /** length of the line the stone leaves, mm */
  readonly groundMm: number
  readonly lengthLossMm: number
  /** angle of the new point, degrees included, seen from the side */
  readonly pointDegrees: number
}

/** More than this share of a blade is no tip any more. */
const MOST_OF_LENGTH = 0.25
/** The old point is measured over its last millimetres. */
const POINT_MM = 8
/** Points are neither needles nor chisels, degrees seen from the side (assumed). */
const POINT_DEGREES = { least: 25, most: 60 }
/** Spines taper towards the tip to this share of their thickness (assumed: ordinary distal taper). */
const TAPERS_TO = 0.4
const HALVINGS = 40

interface Heights {
  readonly edge: number
  readonly spine: number
}

/** Heights at which a line across the blade enters and leaves it. */
function heightsAt(outline: readonly Point[], xMm: number): Heights {
  const found = outline.flatMap((a, at) => {
    const b = outline[(at + 1) % outline.length]
    if (!b || Math.min(a.x, b.x) > xMm || Math.max(a.x, b.x) < xMm) return []
    return a.x === b.x ? [a.y, b.y] : [a.y + ((xMm - a.x) / (b.x - a.x)) * (b.y - a.y)]
  })
  return { edge: Math.min(...found), spine: Math.max(...found) }
}

const sideView = (shape: Pick<TipShape, 'type' | 'lengthMm' | 'heelHeightMm'>): readonly Point[] =>
  profile({ ...shape, serrated: false }).blade

/** Slopes of edge and spine over the last millimetres, degrees against the blade's length. */
function pointOf(whole: readonly Point[]): { readonly edgeSlope: number; readonly spineSlope: number } {
  const endMm = Math.max(...whole.map(({ x }) => x))
  const [near, far] = [heightsAt(whole, endMm - POINT_MM), heightsAt(whole, endMm)]
  return { edgeSlope: slopeOf(near.edge, far.edge, POINT_MM), spineSlope: slopeOf(near.spine, far.spine, POINT_MM) }
}

/** Length a blade loses for each millimetre its edge recedes: the point moves back along the spine. */
export function lengthPerHeight(shape: Pick<TipShape, 'type' | 'lengthMm' | 'heelHeightMm'>): number {
  const { edgeSlope, spineSlope } = pointOf(sideView(shape))
  return Math.cos(radians(spineSlope)) / Math.sin(radians(Math.max(POINT_DEGREES.least, edgeSlope - spineSlope)))
}

const slopeOf = (from: number, to: number, runMm: number): number => degrees(Math.atan2(to - from, runMm))

/** Thickness of the blade at a place of its side view: a wedge from edge to spine that tapers to the tip. */
function thicknessAt(shape: TipShape, outline: readonly Point[], { x, y }: Point): number {
  const { edge, spine } = heightsAt(outline, x)
  const spineHere = shape.spineMm * (1 - (1 - TAPERS_TO) * (x / shape.lengthMm))
  const up = spine > edge ? Math.min(1, Math.max(0, (y - edge) / (spine - edge))) : 0
  return Math.max(shape.bteMm / 2, shape.bteMm + up * (spineHere - shape.bteMm))
}

/** Share of the steel that has gone after the session that is planned. */
export function shareAfter({ sessions, groundShare = 0 }: Pick<TipRepair, 'sessions' | 'groundShare'>): number {
  return sessions === 1 ? 1 : groundShare + (1 - groundShare) / 2
}

/**
 * What grinding a tip anew takes, seen from the side: one plane from the break back to spine or edge, at the
 * angle the old point had.
 *
 * @throws MeasureError for a length that is not above zero, or is more than a quarter of the blade
 */
export function repairTip(shape: TipShape, repair: TipRepair): TipDone {
  const { lostMm, from, groundShare = 0 } = repair
  assertPositive('lostMm', lostMm)
  const most = MOST_OF_LENGTH * shape.lengthMm
  if (lostMm > most) throw new MeasureError('out-of-range', 'lostMm', { value: lostMm, low: 0, high: Math.floor(most) })
  const whole = sideView(shape)
  const endMm = Math.max(...whole.map(({ x }) => x))
  const breakMm = endMm - lostMm
  const broken = clip(whole, ({ x }) => x - breakMm)
  const { edgeSlope, spineSlope } = pointOf(whole)
  const pointDegrees = clamp(edgeSlope - spineSlope, POINT_DEGREES.least, POINT_DEGREES.most)
  const here = heightsAt(whole, breakMm)
  const back = heightsAt(whole, breakMm - POINT_MM)
  // the new plane leaves the line that stays at the angle the old point had
  const fromSpine = from === 'spine'
  const slope = fromSpine
    ? slopeOf(back.edge, here.edge, POINT_MM) - pointDegrees
    : slopeOf(back.spine, here.spine, POINT_MM) + pointDegrees
  const outsideAt =
    (startMm: number) =>
    ({ x, y }: Point): number =>
      (fromSpine ? 1 : -1) * (y - startMm - (x - breakMm) * Math.tan(radians(slope)))
  const startFor = planeTaking(broken, outsideAt, fromSpine ? [here.spine, here.edge] : [here.edge, here.spine])
  const before = groundShare > 0 ? clip(broken, outsideAt(startFor(groundShare))) : broken
  const plane = outsideAt(startFor(shareAfter(repair)))
  const after = clip(broken, plane)
  const areaMm2 = polygonArea(before) - polygonArea(after)
  const thicknessMm = thicknessAt(shape, whole, centreOfDifference(before, after))
  return {
    whole,
    before,
    after,
    areaMm2,
    thicknessMm,
    volumeMm3: areaMm2 * thicknessMm,
    groundMm: lengthOnLine(after, plane),
    lengthLossMm: groundShare > 0 ? 0 : lostMm,
    pointDegrees,
  }
}

/** Where a plane of one slope has to start to take a share of all it takes at its last place, by halving. */
function planeTaking(
  outline: readonly Point[],
  outsideAt: (startMm: number) => (point: Point) => number,
  [none, all]: readonly [number, number],
): (share: number) => number {
  const taken = (startMm: number): number => polygonArea(outline) - polygonArea(clip(outline, outsideAt(startMm)))
  return (share) => {
    let [less, more] = [none, all]
    for (let step = 0; share < 1 && step < HALVINGS; step++) {
      const middle = (less + more) / 2
      if (taken(middle) < share * taken(all)) less = middle
      else more = middle
    }
    return more
  }
}
