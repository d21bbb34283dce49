import type { Point } from '../geometry/point'
import {
  angleBetween,
  areaOf,
  edgeHeight,
  grind,
  grindEdgeDown,
  section,
  thicknessAbove,
  type Section,
  type SectionBlade,
} from '../geometry/section'
import { faceAngle, stackHeight } from '../geometry/stack'
import { radians } from '../measure'
import { cutsOf } from './cuts'
import { apexOf, dpsOf, faceX, isWorked, SIDES, signOf, THINNED_SHARE, type Side } from './landmarks'
import type { Cut, Operation } from './operation'

export { FACE_CUTS, OPERATION_KINDS, WORKS_FACES, type Cut, type Operation, type OperationKind } from './operation'

/** A cut done: what it took, and what the section is after it. */
export interface CutDone extends Cut {
  readonly dps: number
  /** angle of the stone off the blade's own face, and the spine lift that makes it */
  readonly offFaceDps: number
  readonly liftMm: number
  readonly areaMm2: number
  readonly byside: { readonly left: number; readonly right: number }
  readonly after: Section
}

/** Thickness at the places people measure. */
export interface SectionMeasures {
  readonly bteMm: number
  readonly at1Mm: number
  readonly at3Mm: number
  readonly at5Mm: number
  readonly at10Mm: number
  readonly edgeMm: number
}

export interface OperationDone {
  readonly before: Section
  readonly after: Section
  readonly cuts: readonly CutDone[]
  readonly areaMm2: number
  readonly measures: { readonly before: SectionMeasures; readonly after: SectionMeasures }
  /** edge height lost, mm */
  readonly lossMm: number
  /** the bevel ratio the edge has afterwards, per cent on the right */
  readonly ratioRight: number
  readonly dpsLeft: number
  readonly dpsRight: number
}

const measuresOf = (one: Section, bteMm: number): SectionMeasures => ({
  bteMm,
  at1Mm: thicknessAbove(one, 1),
  at3Mm: thicknessAbove(one, 3),
  at5Mm: thicknessAbove(one, 5),
  at10Mm: thicknessAbove(one, 10),
  edgeMm: edgeHeight(one),
})

/** Thickness where the edge bevels end: the first corner above the apex on either side. */
function bteOf(blade: SectionBlade, one: Section): number {
  const apex = apexOf(one)
  const corners = SIDES.flatMap((side) => {
    const own = one.outline
      .filter((point) => signOf(side) * (point.x - apex.x) > 1e-6 && point.y > apex.y + 1e-6)
      .sort((a, b) => a.y - b.y)
    // from the apex up, the bevel runs on while its angle stays the edge's own
    let corner: Point | undefined
    for (const point of own) {
      if (angleBetween(apex, point) < dpsOf(blade, side) - 0.75 && corner) break
      corner = point
    }
    return isWorked(blade, side) && corner ? [Math.abs(corner.x - apex.x)] : []
  })
  return corners.reduce((sum, half) => sum + half, 0)
}

/** How far the spine stands off the stone, mm: what a stack under it has to be, whatever the face does in between. */
const spineLift = (blade: SectionBlade, dps: number): number =>
  dps <= faceAngle(blade) ? 0 : stackHeight({ ...blade, dps: Math.min(dps, 60) })

/** Edge angle after an operation, degrees per side. */
function dpsAfter(blade: SectionBlade, operation: Operation, side: Side): number {
  if (operation.kind === 're-bevel' || operation.kind === 'micro-bevel')
    return isWorked(blade, side) ? operation.dps : dpsOf(blade, side)
  return operation.kind === 'boning' && isWorked(blade, side) ? operation.edgeDps : dpsOf(blade, side)
}

/**
 * An operation done on a section, cut by cut: what each takes, at what angle off the face, and what the
 * blade is after it. All of them are half-planes ground away one after the other.
 *
 * @throws MeasureError for a target thicker than the blade is, an angle flatter than its face, a chip deeper than half its height
 * @example operate(blade, { kind: 'thin', targetBteMm: 0.25 }).measures.after.bteMm // 0.25
 */
export function operate(blade: SectionBlade, operation: Operation): OperationDone {
  const before = section(blade)
  const cuts: CutDone[] = []
  let now = before
  const upTo = THINNED_SHARE * blade.heelHeightMm
  for (const cut of cutsOf(blade, before, operation)) {
    const start = cut.downToMm === undefined ? now : grindEdgeDown(now, cut.downToMm)
    const byside = { left: 0, right: 0 }
    let after = start
    for (const grinding of cut.grindings) {
      const next = grind(after, grinding)
      byside[grinding.side] += areaOf(after) - areaOf(next)
      after = next
    }
    const [first] = cut.grindings
    const dps = first?.dps ?? 0
    const face = first
      ? angleBetween({ x: faceX(now, first.side, upTo / 2), y: upTo / 2 }, { x: faceX(now, first.side, upTo), y: upTo })
      : 0
    cuts.push({
      ...cut,
      dps,
      offFaceDps: Math.max(0, dps - face),
      liftMm: spineLift(blade, dps),
      areaMm2: areaOf(now) - areaOf(after),
      byside,
      after,
    })
    now = after
  }
  const [dpsLeft, dpsRight] = [dpsAfter(blade, operation, 'left'), dpsAfter(blade, operation, 'right')]
  const ratioRight =
    operation.kind === 'ratio'
      ? blade.ratioRight + (operation.toRight - blade.ratioRight) / operation.sessions
      : blade.ratioRight
  const isTarget = operation.kind === 'thin' || operation.kind === 'flat-to-convex' || operation.kind === 'full-convex'
  const keeps = operation.kind === 'micro-bevel' || operation.kind === 'serrated' || operation.kind === 'tip'
  const bteMm = isTarget ? operation.targetBteMm : keeps ? blade.bteMm : bteOf({ ...blade, dpsLeft, dpsRight }, now)
  return {
    before,
    after: now,
    cuts,
    areaMm2: areaOf(before) - areaOf(now),
    measures: { before: measuresOf(before, blade.bteMm), after: measuresOf(now, bteMm) },
    lossMm: edgeHeight(now) - edgeHeight(before),
    ratioRight,
    dpsLeft,
    dpsRight,
  }
}

/** Corner between an edge bevel and what is above it, measured from the apex. */
export interface Shoulder {
  readonly side: Side
  readonly outMm: number
  readonly upMm: number
}

/** The shoulder of the wider bevel an operation leaves; a narrow bevel at the very edge has its own width, mm. */
export function shoulderOf(
  { measures, dpsLeft, dpsRight, ratioRight }: OperationDone,
  widthMm: number | null,
): Shoulder {
  const side: Side = ratioRight >= 50 ? 'right' : 'left'
  const share = Math.max(ratioRight, 100 - ratioRight) / 100
  const [own, other] = (side === 'right' ? [dpsRight, dpsLeft] : [dpsLeft, dpsRight]).map(radians) as [number, number]
  const width = widthMm ?? (share * measures.after.bteMm) / (share * Math.sin(own) + (1 - share) * Math.sin(other))
  return { side, outMm: width * Math.sin(own), upMm: width * Math.cos(own) }
}
