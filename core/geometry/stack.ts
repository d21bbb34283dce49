import { assertPositive, assertWithin, degrees, MeasureError, radians } from '../measure'

/** A flat-ground blade's section: heel height and spine thickness, both in mm. */
export interface FlatSection {
  readonly heelHeightMm: number
  readonly spineMm: number
}

/** Something flat the house owns that can go under a spine: a coin, an expired card, a shim. */
export interface StackPiece {
  readonly name: string
  readonly mm: number
  readonly count: number
}

export interface StackChoice {
  readonly pieces: readonly StackPiece[]
  readonly stackMm: number
  readonly dps: number
}

function assertSection({ heelHeightMm, spineMm }: FlatSection): void {
  assertPositive('heelHeightMm', heelHeightMm)
  assertPositive('spineMm', spineMm)
}

/** Angle between the blade's centre plane and its face, degrees: atan(S / 2H) for a flat grind. */
export function faceAngle(section: FlatSection): number {
  assertSection(section)
  return degrees(Math.atan(section.spineMm / 2 / section.heelHeightMm))
}

/** Length of the face from edge to spine, mm: √(H² + (S/2)²). */
export function faceLength(section: FlatSection): number {
  assertSection(section)
  return Math.hypot(section.heelHeightMm, section.spineMm / 2)
}

/**
 * Height of the stack under the spine that puts the edge on the stone at an angle.
 *
 * @param input.dps wanted edge angle, degrees per side, 0–60 and not below the face angle
 * @returns mm above the stone
 * @throws MeasureError for a section that is not positive, or an angle flatter than the face
 * @example stackHeight({ dps: 15, heelHeightMm: 45, spineMm: 2.2 }) // 10.58
 */
export function stackHeight(input: FlatSection & { readonly dps: number }): number {
  assertWithin('dps', input.dps, 0, 60)
  const face = faceAngle(input)
  if (input.dps < face) throw new MeasureError('angle-below-face', 'dps', { dps: input.dps, faceDps: face })
  return faceLength(input) * Math.sin(radians(input.dps - face))
}

/**
 * Edge angle that a stack under the spine gives: face angle + asin(stack / face length).
 *
 * @param input.stackMm height of the stack, mm, from 0 to the face length
 * @returns degrees per side
 * @throws MeasureError for a stack taller than the face is long
 */
export function angleFromStack(input: FlatSection & { readonly stackMm: number }): number {
  if (!Number.isFinite(input.stackMm) || input.stackMm < 0) {
    throw new MeasureError('not-positive', 'stackMm', { value: input.stackMm })
  }
  const length = faceLength(input)
  if (input.stackMm > length) {
    throw new MeasureError('stack-above-face-length', 'stackMm', { value: input.stackMm, high: length })
  }
  return faceAngle(input) + degrees(Math.asin(input.stackMm / length))
}

/** Two stacks whose angles differ by no more than this are equally good; fewer pieces then wins. */
const ANGLE_TIE_DEGREES = 0.3
const STEP_MM = 0.01

/**
 * The combination of pieces nearest to an angle; among those within 0.3° of the nearest, the one
 * with the fewest pieces.
 *
 * Heights are worked in hundredths of a millimetre, finer than any coin is made.
 *
 * @param input.pieces what the house owns; count is how many of each, whole and ≥ 0
 * @throws MeasureError `no-pieces` when nothing usable is owned
 */
export function bestStack(
  input: FlatSection & { readonly dps: number; readonly pieces: readonly StackPiece[] },
): StackChoice {
  const wantedMm = stackHeight(input)
  const pieces = input.pieces.filter((piece) => piece.mm > 0 && piece.count > 0)
  if (pieces.length === 0) throw new MeasureError('no-pieces', 'pieces')
  const reachable = fewestPiecesByHeight(pieces, Math.min(2 * wantedMm + 5, faceLength(input)))
  const candidates = [...reachable.entries()].map(([steps, counts]) => {
    const stackMm = steps * STEP_MM
    const dps = angleFromStack({ ...input, stackMm })
    return { counts, stackMm, dps, error: Math.abs(dps - input.dps), total: counts.reduce((sum, n) => sum + n, 0) }
  })
  if (candidates.length === 0) throw new MeasureError('no-pieces', 'pieces', { wantedMm })
  const nearest = Math.min(...candidates.map((candidate) => candidate.error))
  const [best] = candidates
    .filter((candidate) => candidate.error <= nearest + ANGLE_TIE_DEGREES)
    .sort((a, b) => a.total - b.total || a.error - b.error)
  if (!best) throw new MeasureError('no-pieces', 'pieces', { wantedMm })
  return {
    pieces: pieces.flatMap((piece, index) => {
      const count = best.counts[index] ?? 0
      return count > 0 ? [{ ...piece, count }] : []
    }),
    stackMm: best.stackMm,
    dps: best.dps,
  }
}

/** For every height that can be built, the way that takes the fewest pieces (bounded knapsack). */
function fewestPiecesByHeight(pieces: readonly StackPiece[], maxMm: number): Map<number, number[]> {
  const most = Math.floor(maxMm / STEP_MM)
  let ways = new Map<number, number[]>([[0, pieces.map(() => 0)]])
  pieces.forEach((piece, index) => {
    const step = Math.round(piece.mm / STEP_MM)
    const next = new Map(ways)
    for (const [height, counts] of ways) {
      for (let extra = 1; extra <= piece.count && height + extra * step <= most; extra++) {
        const target = height + extra * step
        const grown = counts.map((count, at) => (at === index ? count + extra : count))
        const known = next.get(target)
        if (!known || pieceTotal(grown) < pieceTotal(known)) next.set(target, grown)
      }
    }
    ways = next
  })
  ways.delete(0)
  return ways
}

const pieceTotal = (counts: readonly number[]): number => counts.reduce((sum, count) => sum + count, 0)
