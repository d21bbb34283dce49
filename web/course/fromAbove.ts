import type { Figure } from '../../core/course/lessons'
import type { Point } from '../../core/geometry/point'
import type { Profile } from '../../core/geometry/profile'
import { radians } from '../../core/measure'

/** A fingertip, and the knuckle it comes from. */
export interface Fingertip extends Point {
  readonly from: Point
}

/** Where a blade lies on the stone and the hands with it, in mm of the drawing, y down. */
export interface BladePlace {
  /** puts the knife's own drawing (heel at 0, y up as minus) there */
  readonly transform: string
  readonly fingertips: readonly Fingertip[]
  readonly guidingArm: string
  readonly handleArm: string
  readonly thumb: string
}

const write = ({ x, y }: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`

/** A tapering shape with round ends between two points. */
export function capsule(from: Point, to: Point, fromRadius: number, toRadius: number): string {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
  const across = { x: -(to.y - from.y) / length, y: (to.x - from.x) / length }
  const beside = (point: Point, by: number): Point => ({ x: point.x + by * across.x, y: point.y + by * across.y })
  return [
    `M${write(beside(from, fromRadius))}L${write(beside(to, toRadius))}`,
    `A${toRadius} ${toRadius} 0 0 0 ${write(beside(to, -toRadius))}`,
    `L${write(beside(from, -fromRadius))}A${fromRadius} ${fromRadius} 0 0 0 ${write(beside(from, fromRadius))}Z`,
  ].join('')
}

const FULL_TURN = 180
/** Fingertips press this far above the edge and stand so far apart, mm (common practice: just above it, side by side). */
const [ABOVE_EDGE, APART] = [9, 14]
/** Where the elbows are: whoever sharpens stands at the foot of the picture. */
const [GUIDING_ELBOW, HANDLE_ELBOW] = [
  { x: 60, y: 326 },
  { x: 372, y: 326 },
] as const

/**
 * Lays a blade across a stone with one zone of its edge over the stone's middle: handle towards the right, edge
 * towards whoever stands there, or away from them once it is turned over.
 */
export function bladePlace(
  knife: Pick<Profile, 'edge' | 'blade'>,
  { acrossDeg, zone }: Pick<Extract<Figure, { view: 'above' }>, 'acrossDeg' | 'zone'>,
  { turned, centre }: { readonly turned: boolean; readonly centre: Point },
): BladePlace {
  const line = knife.edge[zone]
  const over = line[Math.floor(line.length / 2)] ?? { x: 0, y: 0 }
  // a blade straight across has its handle to the right; 45° has it at half past four
  const leanDeg = 90 - acrossDeg
  const turn = radians(FULL_TURN + leanDeg)
  const flip = turned ? 1 : -1
  /** from the knife's own mm to the drawing */
  const at = ({ x, y }: Point): Point => {
    const [along, across] = [x - over.x, flip * (over.y - y)]
    return {
      x: centre.x + along * Math.cos(turn) - across * Math.sin(turn),
      y: centre.y + along * Math.sin(turn) + across * Math.cos(turn),
    }
  }
  const knuckles = at({ x: over.x + 6, y: over.y + 62 })
  const fingertips = [-1, 0, 1].map((step): Fingertip => {
    const place = { x: over.x + step * APART, y: over.y + ABOVE_EDGE }
    const tip = at(place)
    const towards = { x: GUIDING_ELBOW.x - tip.x, y: GUIDING_ELBOW.y - tip.y }
    const reach = 44 / Math.hypot(towards.x, towards.y)
    return { ...tip, from: { x: tip.x + towards.x * reach + step * -3, y: tip.y + towards.y * reach + step * -6 } }
  })
  const middle = fingertips[1]?.from ?? knuckles
  const grip = at({ x: -42, y: 26 })
  return {
    transform: `translate(${write(centre)}) rotate(${FULL_TURN + leanDeg}) scale(1 ${flip}) translate(${(-over.x).toFixed(1)} ${over.y.toFixed(1)})`,
    fingertips,
    guidingArm: capsule(GUIDING_ELBOW, middle, 21, 15),
    handleArm: capsule(HANDLE_ELBOW, grip, 22, 15),
    thumb: capsule(grip, at({ x: 14, y: 22 }), 8, 6),
  }
}
