import type { Grind, KnifeType } from '../knife/knifeTypes'
import { ZONES, type ByZone, type Zone } from '../knife/zones'
import { assertPositive } from '../measure'
import { FORMS, type Form } from './forms'
import { handleKind, handleOf, type Handle } from './handle'
import { gloveOutline, isBladeless, plateOutline, type Bladeless } from './outlines'
import type { Point } from './point'

/** Side view of a knife in mm: x from the heel (0) to the tip, y from the heel's edge (0) up. */
export interface Profile {
  readonly blade: readonly Point[]
  readonly handle: Handle
  /** where the ground face of a single bevel or wide bevel meets the flat of the blade; empty for other grinds */
  readonly shoulder: readonly Point[]
  /** the hole a cleaver hangs by, or the bore of a mincer's plate */
  readonly hole: (Point & { readonly radius: number }) | null
  readonly edge: ByZone<readonly Point[]>
  /** edge length along the curve, mm */
  readonly arcLengthMm: ByZone<number>
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number }
}

const SAMPLES = 60
/** Where one zone ends and the next begins, as a share of the arc length. */
const ZONE_ENDS: ByZone<number> = { heel: 0.33, belly: 0.7, tip: 1 }
const TEETH = { pitchMm: 9, depthMm: 1.6 }
/** A tooth smaller than two pixels is no tooth. */
const BOLD_TEETH = { pitchMm: 17, depthMm: 5 }
/** Height of the ground face seen from the side, mm (ordinary knives of the grind, assumed). */
const SHOULDER_MM: Partial<Record<Grind, number>> = { single: 9, 'wide-bevel': 11 }
const HOLE = { fromEnd: 15, fromSpine: 14, radius: 4.5 }
const HOLLOW_ENDS = 0.6
/** 1 at both ends of a blade, 0 in its middle. */
const fromMiddle = (share: number): number => (2 * share - 1) ** 2
const SQUARE_END_TAPER = 0.985

function edgeHeight(form: Form, share: number): number {
  const sunk = (form.hollow ?? 0) * Math.sin(Math.PI * Math.min(1, share / (form.hollowEnds ?? HOLLOW_ENDS))) ** 2
  const base = sunk + (form.rock ?? 0) * fromMiddle(share)
  if (share <= form.edgeFlat) return base
  return base + form.tipRise * ((share - form.edgeFlat) / (1 - form.edgeFlat)) ** form.edgePower
}

function spineHeight(form: Form, share: number): number {
  const bow = (form.spineBow ?? 0) * (1 - fromMiddle(share))
  const straight = 1 - bow - form.spineTaper * Math.min(share, form.spineStraight)
  if (share <= form.spineStraight) return straight
  const turn = ((share - form.spineStraight) / (1 - form.spineStraight)) ** form.spinePower
  return form.tipRise + (straight - form.tipRise) * (1 - turn) ** (1 / form.spineRound)
}

/** Sample places that crowd towards the end, where outlines turn sharply. */
const denser = (share: number): number => 1 - (1 - share) ** 2.5

function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y)
}

/**
 * Side silhouette of a knife type at its own dimensions, for drawing and for edge length by zone.
 *
 * @param input.lengthMm edge length heel to tip in a straight line, mm, above 0
 * @param input.heelHeightMm blade height at the heel, mm, above 0
 * @param input.grind draws the shoulder of the grinds that have one to be seen
 * @param input.hrc hardness, 40–70; hard blades usually come on other handles
 * @param input.serrated draws teeth; arc length stays that of the smooth line
 * @param input.bold draws teeth large enough for a small picture
 * @param input.samples places along edge and spine, 60 unless the drawing is small
 * @throws MeasureError for dimensions that are not positive
 */
export function profile(input: {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly grind?: Grind
  readonly hrc?: number
  readonly serrated?: boolean
  readonly bold?: boolean
  readonly samples?: number
}): Profile {
  const { type, lengthMm, heelHeightMm, samples = SAMPLES } = input
  assertPositive('lengthMm', lengthMm)
  assertPositive('heelHeightMm', heelHeightMm)
  if (isBladeless(type)) return bladelessProfile(type, lengthMm, heelHeightMm, samples)
  const form = FORMS[type]
  const shares = Array.from({ length: samples + 1 }, (_, index) => index / samples)
  const edge = shares.map((share) => ({ x: share * lengthMm, y: edgeHeight(form, share) * heelHeightMm }))
  const squared = form.spineStraight === 1 && form.rock === undefined
  const spine = shares.map(denser).map((share) => ({
    x: share * lengthMm * (squared ? SQUARE_END_TAPER : 1),
    y: spineHeight(form, share) * heelHeightMm,
  }))
  const zones = splitByArc(edge)
  const toothed = input.serrated ? mapZones(zones, (line) => teeth(line, input.bold ? BOLD_TEETH : TEETH)) : zones
  const drawnEdge = ZONES.flatMap((zone) => toothed[zone])
  const blade = [...drawnEdge, ...[...spine].reverse()]
  const handle = handleOf(handleKind(type, input.hrc), { lengthMm, heelHeightMm }, samples)
  const all = [...blade, ...handle.grip]
  return {
    blade,
    handle,
    shoulder: shoulderOf(edge, SHOULDER_MM[input.grind ?? 'flat'] ?? 0, heelHeightMm),
    hole: type === 'cleaver' ? { ...HOLE, x: lengthMm - HOLE.fromEnd, y: heelHeightMm - HOLE.fromSpine } : null,
    edge: toothed,
    arcLengthMm: mapZones(zones, arcLength),
    bounds: boundsOf(all),
  }
}

/** What has no blade has no edge to draw, and nothing to hold it by but itself. */
function bladelessProfile(type: Bladeless, lengthMm: number, heightMm: number, samples: number): Profile {
  const { disc, bore } = plateOutline(lengthMm, samples)
  const grip = type === 'glove' ? gloveOutline(lengthMm, heightMm) : []
  const blade = type === 'plate' ? disc : []
  return {
    blade,
    handle: { ...handleOf('none', { lengthMm, heelHeightMm: heightMm }), grip },
    shoulder: [],
    hole: type === 'plate' ? bore : null,
    edge: { heel: [], belly: [], tip: [] },
    arcLengthMm: { heel: 0, belly: 0, tip: 0 },
    bounds: boundsOf([...blade, ...grip]),
  }
}

const boundsOf = (points: readonly Point[]): Profile['bounds'] => ({
  left: Math.min(...points.map(({ x }) => x)),
  right: Math.max(...points.map(({ x }) => x)),
  top: Math.max(...points.map(({ y }) => y)),
  bottom: Math.min(...points.map(({ y }) => y)),
})

const mapZones = <A, B>(zones: ByZone<A>, map: (value: A) => B): ByZone<B> => ({
  heel: map(zones.heel),
  belly: map(zones.belly),
  tip: map(zones.tip),
})

const arcLength = (line: readonly Point[]): number =>
  line.reduce((sum, point, index) => sum + (index === 0 ? 0 : distance(point, line[index - 1] ?? point)), 0)

/** Cuts the edge line at the zone ends, so that neighbouring zones share their end point. */
function splitByArc(edge: readonly Point[]): ByZone<readonly Point[]> {
  const total = arcLength(edge)
  const zones: Record<Zone, Point[]> = { heel: [], belly: [], tip: [] }
  let walked = 0
  let at = 0
  edge.forEach((point, index) => {
    const previous = edge[index - 1]
    if (previous) {
      const step = distance(previous, point)
      for (let zone = ZONES[at]; zone && zone !== 'tip' && walked + step > ZONE_ENDS[zone] * total; zone = ZONES[at]) {
        const share = (ZONE_ENDS[zone] * total - walked) / step
        const cut = { x: previous.x + share * (point.x - previous.x), y: previous.y + share * (point.y - previous.y) }
        zones[zone].push(cut)
        at += 1
        zones[ZONES[at] ?? 'tip'].push(cut)
      }
      walked += step
    }
    zones[ZONES[at] ?? 'tip'].push(point)
  })
  return zones
}

/** The line a ground face ends at: beside the edge, up to the spine at most, running out at the tip. */
function shoulderOf(edge: readonly Point[], riseMm: number, heelHeightMm: number): Point[] {
  if (riseMm === 0) return []
  const last = edge.length - 1
  return edge.map(({ x, y }, index) => ({
    x,
    y: y + Math.min(riseMm, heelHeightMm / 2.5) * Math.sqrt(Math.max(0, 1 - (index / last) ** 6)),
  }))
}

/** Scallops along a nearly straight edge, pointed side down. */
function teeth(line: readonly Point[], size: typeof TEETH): Point[] {
  const [first] = line
  const last = line.at(-1)
  if (!first || !last) return []
  const count = Math.max(1, Math.round((last.x - first.x) / size.pitchMm))
  const perTooth = 6
  return Array.from({ length: count * perTooth + 1 }, (_, index) => {
    const share = index / (count * perTooth)
    const within = (index % perTooth) / perTooth
    return {
      x: first.x + share * (last.x - first.x),
      y: first.y + share * (last.y - first.y) + size.depthMm * Math.sin(Math.PI * within),
    }
  })
}
