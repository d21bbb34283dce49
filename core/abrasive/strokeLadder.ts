/** Ways of counting strokes that are in use (common practice). */
export const STROKE_SCHEMES = [
  'equal',
  'falling',
  'diamond-rod',
  'boning',
  'slicing',
  'hard-burr',
  'rod',
  'rod-ladder',
  'ten-and-ten',
  'scrub',
  'alternating',
  'strop',
  'strop-side',
  'paste',
  'serrated',
  'teeth-back',
  'gullets',
  'back',
  'wheel',
] as const
export type StrokeScheme = (typeof STROKE_SCHEMES)[number]
export type EdgeCondition = 'kept-up' | 'dull' | 'very-dull'

/** Strokes a side at one pressure, N. */
export interface Rung {
  readonly strokes: number
  readonly newtons: number
}

/** Pressing on the first rung: the culinary school starts at 4–6 lbf, 18–27 N, and lightens; finishing takes a few N. */
const FIRST_NEWTONS = 20
const LAST_NEWTONS = 3

const COUNTS: Readonly<Record<StrokeScheme, readonly number[]>> = {
  equal: [10, 10, 10],
  falling: [20, 10, 5, 3, 2, 1],
  'diamond-rod': [10, 5, 3, 2, 1],
  boning: [6],
  slicing: [4],
  'hard-burr': [35],
  rod: [8],
  'rod-ladder': [20, 10, 5, 3, 2, 1],
  'ten-and-ten': [10],
  scrub: [20],
  alternating: [20],
  strop: [5, 3],
  'strop-side': [5],
  paste: [4, 4, 4],
  serrated: [20],
  'teeth-back': [8],
  gullets: [6],
  back: [4],
  wheel: [3],
}
/** Ladders that are shortened for a kept-up edge, and begun twice for a very dull one. */
const LADDERS: ReadonlySet<StrokeScheme> = new Set<StrokeScheme>(['falling', 'rod-ladder', 'diamond-rod'])
/** Never heavy on diamond, and almost nothing on a strop. */
const FIRST_NEWTONS_OF: Partial<Record<StrokeScheme, number>> = {
  'diamond-rod': 8,
  strop: 3,
  'strop-side': 3,
  paste: 3,
  'hard-burr': 4,
  rod: 20,
  serrated: 8,
}

/**
 * Strokes a side and pressure, rung by rung. The falling ladder 20, 10, 5, 3, 2, 1 is 41 a side; a very
 * dull edge starts with two rounds of 20, a kept-up one leaves the first rung out where there are more.
 *
 * @example strokeLadder('falling', 'dull').reduce((sum, rung) => sum + rung.strokes, 0) // 41
 */
export function strokeLadder(scheme: StrokeScheme, condition: EdgeCondition): Rung[] {
  const usual = COUNTS[scheme]
  const [first = 0, ...rest] = usual
  const counts =
    !LADDERS.has(scheme) || condition === 'dull' ? usual : condition === 'very-dull' ? [first, ...usual] : rest
  const heaviest = FIRST_NEWTONS_OF[scheme] ?? FIRST_NEWTONS
  const step = counts.length > 1 ? (heaviest - LAST_NEWTONS) / (counts.length - 1) : 0
  return counts.map((strokes, index) => ({
    strokes,
    newtons: Math.max(LAST_NEWTONS, Math.round(heaviest - step * index)),
  }))
}

/**
 * Pressing force of the next stroke, N: heaviest on the first rung, falling rung by rung to a few newtons.
 *
 * @param rungs the ladder of this side
 * @param heaviest what this stone takes at the start, N
 * @param done share of the side's strokes already made, 0–1; beyond 1 it stays on the last rung
 * @example pressingAt(strokeLadder('falling', 'dull'), 20, 0) // 20
 */
export function pressingOnRung(rungs: readonly Rung[], heaviest: number, done: number): number {
  const [first] = rungs
  if (!first) return heaviest
  const total = rungs.reduce((sum, { strokes }) => sum + strokes, 0)
  let reached = 0
  const rung = rungs.find(({ strokes }) => done * total < (reached += strokes)) ?? rungs.at(-1) ?? first
  return Math.round(Math.min(heaviest, Math.max(LAST_NEWTONS, (rung.newtons * heaviest) / first.newtons)))
}

/** Strokes a side shared out by the bevel ratio of an asymmetric edge, the sum kept. */
export function strokesBySide(
  strokesPerSide: number,
  ratioRight: number,
): { readonly left: number; readonly right: number } {
  const total = 2 * strokesPerSide
  const right = Math.round((total * ratioRight) / 100)
  return { left: total - right, right }
}
