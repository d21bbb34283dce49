import type { Point } from './point'

/** Twice the signed area of a polygon, mm² (shoelace formula). */
const crossingPoint = (a: Point, b: Point): number => a.x * b.y - b.x * a.y

function sides(outline: readonly Point[]): (readonly [Point, Point])[] {
  return outline.flatMap((a, at) => {
    const b = outline[(at + 1) % outline.length]
    return b ? [[a, b] as const] : []
  })
}

/** Area of a polygon whichever way it runs, mm². A plain loop, as in {@link clip}: both run while an angle is dragged. */
export function polygonArea(outline: readonly Point[]): number {
  let twice = 0
  let before = outline.at(-1)
  for (const point of outline) {
    if (before) twice += crossingPoint(before, point)
    before = point
  }
  return Math.abs(twice) / 2
}

/** Centre of area of what one polygon has and another, that lies inside it, has not. */
export function centreOfDifference(outer: readonly Point[], inner: readonly Point[]): Point {
  const moments = (outline: readonly Point[], sign: number): { area: number; x: number; y: number } => {
    const turn = Math.sign(sides(outline).reduce((sum, [a, b]) => sum + crossingPoint(a, b), 0)) * sign
    return sides(outline).reduce(
      (sum, [a, b]) => {
        const own = turn * crossingPoint(a, b)
        return { area: sum.area + own / 2, x: sum.x + (own * (a.x + b.x)) / 6, y: sum.y + (own * (a.y + b.y)) / 6 }
      },
      { area: 0, x: 0, y: 0 },
    )
  }
  const [has, lacks] = [moments(outer, 1), moments(inner, -1)]
  const area = has.area + lacks.area
  return { x: (has.x + lacks.x) / area, y: (has.y + lacks.y) / area }
}

const SAME_MM = 1e-9

/** What is left of an outline on the side of a line where `outside` is not above zero (Sutherland & Hodgman 1974, one plane). */
export function clip(outline: readonly Point[], outside: (point: Point) => number): Point[] {
  const left: Point[] = []
  let a = outline.at(-1)
  let outA = a ? outside(a) : 0
  for (const b of outline) {
    const outB = outside(b)
    if (a && ((outA < -SAME_MM && outB > SAME_MM) || (outA > SAME_MM && outB < -SAME_MM))) {
      const share = outA / (outA - outB)
      left.push({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) })
    }
    if (outB <= SAME_MM) left.push(b)
    a = b
    outA = outB
  }
  return left.filter((point, at) => {
    const before = left[(at + left.length - 1) % left.length]
    return !before || left.length < 3 || Math.hypot(point.x - before.x, point.y - before.y) > SAME_MM
  })
}

const ON_LINE_MM = 1e-6

/** Length of an outline that lies on a line, mm: the surface a stone has left. */
export function lengthOnLine(outline: readonly Point[], outside: (point: Point) => number): number {
  return sides(outline).reduce(
    (sum, [a, b]) =>
      sum +
      (Math.abs(outside(a)) < ON_LINE_MM && Math.abs(outside(b)) < ON_LINE_MM ? Math.hypot(b.x - a.x, b.y - a.y) : 0),
    0,
  )
}
