import type { KnifeType } from '../knife/knifeTypes'
import { ZONES, type ByZone, type Zone } from '../knife/zones'
import { assertPositive } from '../measure'

export interface Point {
  readonly x: number
  readonly y: number
}

/** Side view of a knife in mm: x from the heel (0) to the tip, y from the heel's edge (0) up. */
export interface Profile {
  readonly blade: readonly Point[]
  readonly handle: readonly Point[]
  readonly edge: ByZone<readonly Point[]>
  /** edge length along the curve, mm */
  readonly arcLengthMm: ByZone<number>
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number }
}

/** Form of a blade as shares of its length and height. */
interface Form {
  /** straight part of the edge from the heel */
  readonly edgeFlat: number
  /** height at which the edge ends */
  readonly tipRise: number
  readonly edgePower: number
  /** straight part of the spine; 1 makes a squared end */
  readonly spineStraight: number
  readonly spineTaper: number
  readonly spinePower: number
  readonly spineRound: number
}

const FORMS: Readonly<Record<KnifeType, Form>> = {
  chef: {
    edgeFlat: 0.3,
    tipRise: 0.34,
    edgePower: 2.3,
    spineStraight: 0.45,
    spineTaper: 0.04,
    spinePower: 2,
    spineRound: 1.25,
  },
  santoku: {
    edgeFlat: 0.5,
    tipRise: 0.12,
    edgePower: 2.2,
    spineStraight: 0.62,
    spineTaper: 0.03,
    spinePower: 2.4,
    spineRound: 1.5,
  },
  nakiri: {
    edgeFlat: 0.82,
    tipRise: 0.07,
    edgePower: 2,
    spineStraight: 1,
    spineTaper: 0.02,
    spinePower: 2,
    spineRound: 1,
  },
  petty: {
    edgeFlat: 0.4,
    tipRise: 0.38,
    edgePower: 2.2,
    spineStraight: 0.4,
    spineTaper: 0.05,
    spinePower: 1.8,
    spineRound: 1.15,
  },
  paring: {
    edgeFlat: 0.35,
    tipRise: 0.4,
    edgePower: 2,
    spineStraight: 0.35,
    spineTaper: 0.06,
    spinePower: 1.7,
    spineRound: 1.1,
  },
  slicer: {
    edgeFlat: 0.68,
    tipRise: 0.5,
    edgePower: 2.6,
    spineStraight: 0.78,
    spineTaper: 0.06,
    spinePower: 2,
    spineRound: 1.3,
  },
  bread: {
    edgeFlat: 1,
    tipRise: 0,
    edgePower: 1,
    spineStraight: 0.86,
    spineTaper: 0.04,
    spinePower: 2,
    spineRound: 1.8,
  },
  fillet: {
    edgeFlat: 0.35,
    tipRise: 0.62,
    edgePower: 1.9,
    spineStraight: 0.15,
    spineTaper: 0.06,
    spinePower: 1.3,
    spineRound: 1,
  },
  'boning-stiff': {
    edgeFlat: 0.45,
    tipRise: 0.7,
    edgePower: 2.1,
    spineStraight: 0.3,
    spineTaper: 0.14,
    spinePower: 1.5,
    spineRound: 1,
  },
  'boning-flexible': {
    edgeFlat: 0.4,
    tipRise: 0.85,
    edgePower: 2,
    spineStraight: 0.25,
    spineTaper: 0.12,
    spinePower: 1.4,
    spineRound: 1,
  },
  skinning: {
    edgeFlat: 0.12,
    tipRise: 1.02,
    edgePower: 2.2,
    spineStraight: 0.5,
    spineTaper: 0.14,
    spinePower: 2,
    spineRound: 1,
  },
  breaking: {
    edgeFlat: 0.25,
    tipRise: 1,
    edgePower: 1.9,
    spineStraight: 0.6,
    spineTaper: 0.1,
    spinePower: 1.6,
    spineRound: 1,
  },
  cleaver: {
    edgeFlat: 0.55,
    tipRise: 0.06,
    edgePower: 2,
    spineStraight: 1,
    spineTaper: 0,
    spinePower: 2,
    spineRound: 1,
  },
  'single-bevel-slicer': {
    edgeFlat: 0.62,
    tipRise: 0.62,
    edgePower: 2.2,
    spineStraight: 0.7,
    spineTaper: 0.08,
    spinePower: 1.6,
    spineRound: 1.05,
  },
  'heavy-single-bevel': {
    edgeFlat: 0.3,
    tipRise: 0.3,
    edgePower: 2,
    spineStraight: 0.35,
    spineTaper: 0.04,
    spinePower: 1.7,
    spineRound: 1.1,
  },
}

const SAMPLES = 60
/** A handle is simpler than a blade. */
const HANDLE_SHARE = 2 / 3
const BUTT_FROM = 0.82
/** Where one zone ends and the next begins, as a share of the arc length. */
const ZONE_ENDS: ByZone<number> = { heel: 0.33, belly: 0.7, tip: 1 }
const TOOTH_PITCH_MM = 9
const TOOTH_DEPTH_MM = 1.6
const SQUARE_END_TAPER = 0.985

function edgeHeight(form: Form, share: number): number {
  if (share <= form.edgeFlat) return 0
  return form.tipRise * ((share - form.edgeFlat) / (1 - form.edgeFlat)) ** form.edgePower
}

function spineHeight(form: Form, share: number): number {
  const straight = 1 - form.spineTaper * Math.min(share, form.spineStraight)
  if (share <= form.spineStraight) return straight
  const turn = ((share - form.spineStraight) / (1 - form.spineStraight)) ** form.spinePower
  return form.tipRise + (straight - form.tipRise) * (1 - turn) ** (1 / form.spineRound)
}

/** Sample places that crowd towards the end, where outlines turn sharply. */
const denser = (share: number): number => 1 - (1 - share) ** 2.5

function handleOutline(lengthMm: number, heightMm: number, samples: number): Point[] {
  const reach = Math.min(118, Math.max(82, 0.45 * lengthMm))
  const thick = Math.min(27, Math.max(15, heightMm * 0.62))
  const top = heightMm * 0.97
  const gap = -3
  const steps = Array.from({ length: samples + 1 }, (_, index) => denser(index / samples))
  // waisted behind the blade, swelling under the palm, rounded at the butt
  const half = (along: number): number => {
    const round = along <= BUTT_FROM ? 1 : (1 - ((along - BUTT_FROM) / (1 - BUTT_FROM)) ** 2.4) ** (1 / 2.4)
    return round * (0.43 - 0.06 * Math.sin(Math.PI * along) + 0.07 * along ** 3)
  }
  const middle = (along: number): number => 0.47 + 0.04 * along ** 2
  const spineSide = steps.map((along) => [along, middle(along) - half(along)] as const)
  const palmSide = [...steps].reverse().map((along) => [along, middle(along) + half(along)] as const)
  return [...spineSide, ...palmSide].map(([along, down]) => ({ x: gap - along * reach, y: top - down * thick }))
}

function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y)
}

/**
 * Side silhouette of a knife type at its own dimensions, for drawing and for edge length by zone.
 *
 * @param input.lengthMm edge length heel to tip in a straight line, mm, above 0
 * @param input.heelHeightMm blade height at the heel, mm, above 0
 * @param input.serrated draws teeth; arc length stays that of the smooth line
 * @param input.samples places along edge and spine, 60 unless the drawing is small
 * @throws MeasureError for dimensions that are not positive
 */
export function profile(input: {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly serrated?: boolean
  readonly samples?: number
}): Profile {
  const { type, lengthMm, heelHeightMm, samples = SAMPLES } = input
  assertPositive('lengthMm', lengthMm)
  assertPositive('heelHeightMm', heelHeightMm)
  const form = FORMS[type]
  const shares = Array.from({ length: samples + 1 }, (_, index) => index / samples)
  const edge = shares.map((share) => ({ x: share * lengthMm, y: edgeHeight(form, share) * heelHeightMm }))
  const squared = form.spineStraight === 1
  const spine = shares.map(denser).map((share) => ({
    x: share * lengthMm * (squared ? SQUARE_END_TAPER : 1),
    y: spineHeight(form, share) * heelHeightMm,
  }))
  const zones = splitByArc(edge)
  const toothed = input.serrated ? { ...zones, ...mapZones(zones, teeth) } : zones
  const drawnEdge = ZONES.flatMap((zone) => toothed[zone])
  const blade = [...drawnEdge, ...[...spine].reverse()]
  const handle = handleOutline(lengthMm, heelHeightMm, Math.round(HANDLE_SHARE * samples))
  const all = [...blade, ...handle]
  return {
    blade,
    handle,
    edge: toothed,
    arcLengthMm: mapZones(zones, arcLength),
    bounds: {
      left: Math.min(...all.map((point) => point.x)),
      right: Math.max(...all.map((point) => point.x)),
      top: Math.max(...all.map((point) => point.y)),
      bottom: Math.min(...all.map((point) => point.y)),
    },
  }
}

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

/** Scallops along a nearly straight edge, pointed side down. */
function teeth(line: readonly Point[]): Point[] {
  const [first] = line
  const last = line.at(-1)
  if (!first || !last) return []
  const count = Math.max(1, Math.round((last.x - first.x) / TOOTH_PITCH_MM))
  const perTooth = 6
  return Array.from({ length: count * perTooth + 1 }, (_, index) => {
    const share = index / (count * perTooth)
    const within = (index % perTooth) / perTooth
    return {
      x: first.x + share * (last.x - first.x),
      y: first.y + share * (last.y - first.y) + TOOTH_DEPTH_MM * Math.sin(Math.PI * within),
    }
  })
}
