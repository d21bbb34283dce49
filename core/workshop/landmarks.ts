import type { Point } from '../geometry/point'
import { facesAt, type Section, type SectionBlade } from '../geometry/section'
import { degrees, radians } from '../measure'

/** Thinning works the lowest third of the face unless somebody says higher (assumed). */
export const THINNED_SHARE = 1 / 3

export type Side = 'left' | 'right'
export const SIDES = ['left', 'right'] as const
export const isWorked = (blade: SectionBlade, side: Side): boolean =>
  side === 'right' ? blade.ratioRight > 0 : blade.ratioRight < 100
export const dpsOf = (blade: SectionBlade, side: Side): number => (side === 'right' ? blade.dpsRight : blade.dpsLeft)
export const signOf = (side: Side): 1 | -1 => (side === 'right' ? 1 : -1)
export const sidesOf = (blade: SectionBlade): Side[] => SIDES.filter((side) => isWorked(blade, side))
export const apexOf = ({ outline }: Section): Point => outline.reduce((low, point) => (point.y < low.y ? point : low))
export const faceX = (one: Section, side: Side, heightMm: number): number => facesAt(one, heightMm)?.[side] ?? 0

/** Shoulder of an edge of another thickness, its apex where it is and its angles kept. */
export function shoulder(blade: SectionBlade, apex: Point, side: Side, bteMm: number): Point {
  const share = side === 'right' ? blade.ratioRight / 100 : 1 - blade.ratioRight / 100
  const width =
    bteMm /
    ((1 - blade.ratioRight / 100) * Math.sin(radians(blade.dpsLeft)) +
      (blade.ratioRight / 100) * Math.sin(radians(blade.dpsRight)))
  const own = share * width
  const angle = radians(dpsOf(blade, side))
  return { x: apex.x + signOf(side) * own * Math.sin(angle), y: apex.y + own * Math.cos(angle) }
}

/** Angle of a plane through a point that takes no steel from the face above a height: it touches there, or higher up on a hollow face. */
export function clearOf(one: Section, side: Side, low: Point, highMm: number): number {
  const above = one.outline.filter(({ x, y }) => y > highMm && signOf(side) * (x - apexOf(one).x) > 0)
  return Math.max(
    ...[{ x: faceX(one, side, highMm), y: highMm }, ...above].map((point) =>
      degrees(Math.atan2(signOf(side) * (point.x - low.x), point.y - low.y)),
    ),
  )
}
