import type { KnifeType } from '../knife/knifeTypes'
import type { Point } from './point'

/**
 * Kinds of handle by what a hand finds: scales riveted to a full tang behind a bolster; a straight stick behind a
 * collar; a moulded one with a guard, for wet work; a turned one for a cleaver; a bar over the spine that both hands
 * press on; two bows for fingers and thumb; none at all.
 */
export type HandleKind = StickKind | 'bar' | 'bows' | 'none'
type StickKind = 'riveted' | 'collared' | 'moulded' | 'turned'

/** What joins blade and hand, in mm on the axes of the profile; drawn, never measured. */
export interface Handle {
  readonly grip: readonly Point[]
  /** bolster of steel, or collar of horn or wood; empty where there is neither */
  readonly collar: readonly Point[]
  /** steel between the heel and the handle, with the choil cut out of it */
  readonly neck: readonly Point[]
  readonly rivets: readonly (Point & { readonly radius: number })[]
}

const USUAL: Readonly<Record<KnifeType, HandleKind>> = {
  chef: 'riveted',
  santoku: 'collared',
  nakiri: 'collared',
  petty: 'riveted',
  utility: 'riveted',
  paring: 'riveted',
  turning: 'riveted',
  slicer: 'riveted',
  carving: 'riveted',
  'salmon-slicer': 'riveted',
  bread: 'riveted',
  sausage: 'riveted',
  cheese: 'moulded',
  rocker: 'bar',
  mezzaluna: 'bar',
  fillet: 'moulded',
  oyster: 'moulded',
  'boning-stiff': 'moulded',
  'boning-curved': 'moulded',
  'boning-flexible': 'moulded',
  skinning: 'moulded',
  breaking: 'moulded',
  scimitar: 'moulded',
  cleaver: 'turned',
  'single-bevel-slicer': 'collared',
  'heavy-single-bevel': 'collared',
  shears: 'bows',
  plate: 'none',
  glove: 'none',
}
/** From this hardness on a blade of a Western shape usually comes on a straight handle (common practice). */
const STRAIGHT_FROM_HRC = 62

/** The handle a knife of this type and hardness usually has; knives are drawn by it, nothing is worked out from it. */
export function handleKind(type: KnifeType, hrc?: number): HandleKind {
  const usual = USUAL[type]
  return usual === 'riveted' && hrc !== undefined && hrc >= STRAIGHT_FROM_HRC ? 'collared' : usual
}

/** Measures of a handle, mm; `half` is half the thickness at a share of its length from the blade, of 1 at most. */
interface Make {
  readonly neckMm: number
  readonly collarMm: number
  readonly reach: (bladeMm: number) => number
  readonly thickMm: (heelMm: number) => number
  readonly above: (along: number) => number
  readonly below: (along: number) => number
  readonly rivets: readonly number[]
}

const between = (least: number, value: number, most: number): number => Math.min(most, Math.max(least, value))
const wave = (along: number, at: number, width: number): number => Math.exp(-(((along - at) / width) ** 2))
/** Rounds an end: 1 until shortly before it, then a quarter of a superellipse down to 0. */
const butt = (along: number, from: number): number =>
  along <= from ? 1 : (1 - ((along - from) / (1 - from)) ** 2.6) ** (1 / 2.6)

const MAKES: Readonly<Record<StickKind, Make>> = {
  riveted: {
    neckMm: 5,
    collarMm: 9,
    reach: (bladeMm) => between(84, 0.47 * bladeMm, 116),
    thickMm: (heelMm) => between(16, 0.56 * heelMm, 25),
    above: (along) => (0.46 + 0.05 * Math.sin(Math.PI * along)) * butt(along, 0.93),
    // a palm swell, a waist for the little finger, and the butt that keeps the hand from slipping off
    below: (along) => (0.44 + 0.1 * wave(along, 0.5, 0.22) + 0.22 * wave(along, 0.97, 0.14)) * butt(along, 0.95),
    rivets: [0.24, 0.5, 0.76],
  },
  collared: {
    neckMm: 11,
    collarMm: 17,
    reach: (bladeMm) => between(92, 0.52 * bladeMm, 138),
    thickMm: (heelMm) => between(15, 0.5 * heelMm, 22),
    above: (along) => 0.44 + 0.07 * along,
    below: (along) => 0.44 + 0.07 * along,
    rivets: [],
  },
  moulded: {
    neckMm: 0,
    collarMm: 0,
    reach: (bladeMm) => between(108, 0.66 * bladeMm, 128),
    thickMm: () => 27,
    above: (along) => (0.46 - 0.05 * wave(along, 0.16, 0.12) + 0.06 * wave(along, 0.55, 0.3)) * butt(along, 0.94),
    // the guard in front keeps the fingers off the heel when everything is fat and wet
    below: (along) =>
      (0.42 + 0.34 * wave(along, 0, 0.07) + 0.14 * wave(along, 0.45, 0.18) + 0.34 * wave(along, 0.98, 0.1)) *
      butt(along, 0.955),
    rivets: [],
  },
  turned: {
    neckMm: 15,
    collarMm: 12,
    reach: () => 104,
    thickMm: () => 30,
    above: (along) => (0.34 + 0.14 * wave(along, 0.72, 0.42)) * butt(along, 0.9),
    below: (along) => (0.34 + 0.14 * wave(along, 0.72, 0.42)) * butt(along, 0.9),
    rivets: [],
  },
}

/** The spine of a knife of this kind stands this far above the middle of its handle, as a share of its thickness. */
const MIDDLE = { riveted: 0.47, collared: 0.62, moulded: 0.5, turned: 0.9 } as const
const RIVET_MM = 2.6
const GRIP_STEPS = 36

/**
 * Outline of a knife's handle, with what joins it to the blade.
 *
 * @param blade.lengthMm edge length, mm
 * @param blade.heelHeightMm height at the heel, mm; the spine of the heel is at this height
 * @param steps places along the grip
 */
export function handleOf(
  kind: HandleKind,
  blade: { readonly lengthMm: number; readonly heelHeightMm: number },
  steps = GRIP_STEPS,
): Handle {
  if (kind === 'none') return { ...NO_STICK, grip: [] }
  if (kind === 'bar') return barOver(blade)
  if (kind === 'bows') return bowsBehind(blade, steps)
  const make = MAKES[kind]
  const { heelHeightMm: top } = blade
  const thick = make.thickMm(top)
  const reach = make.reach(blade.lengthMm)
  const middle = top - MIDDLE[kind] * thick
  const from = -make.neckMm
  const at = (along: number, side: 1 | -1): Point => ({
    x: from - along * reach,
    y: middle + side * thick * (side === 1 ? make.above(along) : make.below(along)),
  })
  // ends turn sharply, so places crowd there
  const shares = Array.from({ length: steps + 1 }, (_, index) => (1 - Math.cos((Math.PI * index) / steps)) / 2)
  const collarShares = [0, make.collarMm / reach]
  return {
    grip: [...shares.map((along) => at(along, 1)), ...[...shares].reverse().map((along) => at(along, -1))],
    collar:
      make.collarMm === 0
        ? []
        : [...collarShares.map((along) => at(along, 1)), ...[...collarShares].reverse().map((along) => at(along, -1))],
    neck: neckOf(top, from, at(0, 1).y, at(0, -1).y),
    rivets: make.rivets.map((along) => ({ x: from - along * reach, y: middle, radius: RIVET_MM })),
  }
}

const CHOIL_STEPS = 8

/** Steel from the heel to the handle: along the spine, and under it the choil, a quarter of an ellipse. */
function neckOf(top: number, handleX: number, handleTop: number, handleBottom: number): Point[] {
  const bottom = Math.max(handleBottom + 1.5, 0.06 * top)
  const sink = Math.min(14, 0.5 * (bottom > 0 ? bottom : 0) + 2)
  const start = Math.max(0, bottom - sink)
  const choil = Array.from({ length: CHOIL_STEPS + 1 }, (_, index) => {
    const turn = (Math.PI / 2) * (index / CHOIL_STEPS)
    return { x: handleX * (1 - Math.cos(turn)), y: start + (bottom - start) * Math.sin(turn) }
  })
  return [{ x: 0, y: top }, ...choil, { x: handleX - 1, y: bottom }, { x: handleX - 1, y: Math.min(top, handleTop) }]
}

const NO_STICK = { collar: [], neck: [], rivets: [] }
const BAR = { thickMm: 24, liftMm: 6, footMm: 14 }

/** A bar that stands on two feet over the whole spine. */
function barOver({
  lengthMm,
  heelHeightMm: top,
}: {
  readonly lengthMm: number
  readonly heelHeightMm: number
}): Handle {
  const { thickMm, liftMm, footMm } = BAR
  const under = top + liftMm
  const end = lengthMm
  const round = 0.35 * thickMm
  return {
    ...NO_STICK,
    grip: [
      { x: 0, y: top },
      { x: 0, y: under + thickMm - round },
      { x: round, y: under + thickMm },
      { x: end - round, y: under + thickMm },
      { x: end, y: under + thickMm - round },
      { x: end, y: top },
      { x: end - footMm, y: top },
      { x: end - footMm, y: under },
      { x: footMm, y: under },
      { x: footMm, y: top },
    ],
  }
}

const BOW = { reachMm: 84, halfMm: 21, neckMm: 26 }

/** Two ovals behind the pivot, drawn as one outline: one above the other. */
function bowsBehind({ heelHeightMm: top }: { readonly heelHeightMm: number }, steps: number): Handle {
  const middle = top / 2
  const oval = (side: 1 | -1): Point[] =>
    Array.from({ length: steps + 1 }, (_, index) => {
      const turn = (2 * Math.PI * index) / steps
      const half = (BOW.reachMm - BOW.neckMm) / 2
      return {
        x: -BOW.neckMm - half + half * Math.cos(turn),
        y: middle + side * (BOW.halfMm - BOW.halfMm * Math.cos(turn + Math.PI / 2) * 0.9 - 2),
      }
    })
  return {
    ...NO_STICK,
    grip: [...oval(1), ...oval(-1)],
    neck: [
      { x: 0, y: top },
      { x: 0, y: 0 },
      { x: -BOW.neckMm - 4, y: middle - 12 },
      { x: -BOW.neckMm - 4, y: middle + 12 },
    ],
  }
}
