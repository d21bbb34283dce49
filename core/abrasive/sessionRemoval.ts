import { bevelWidth } from '../geometry/bevel'
import { recede, recedingFaceDps } from '../geometry/recession'
import { assertPositive, assertWithin, clamp, MeasureError, radians } from '../measure'
import { COARSE_MICRON, type GroundSteel } from './removal'

/** A blade on the stone. Lengths in mm, angle in degrees per side. */
export interface GroundBlade extends GroundSteel {
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
  readonly dps: number
}

/** What a session is to grind: one of these; the first that is given counts, in this order. */
export interface GrindingWork {
  /** worked out from a section: area that goes and width of what is scratched, per mm of edge, and whether it is face work */
  readonly section?: { readonly areaMm2: number; readonly workedMm: number; readonly onFace: boolean } | undefined
  /** thickness behind the edge to lose, mm, and how far up the faces are worked */
  readonly thinning?: { readonly byMm: number; readonly upToMm?: number | undefined } | undefined
  /** a nick to grind past, mm deep */
  readonly chip?: { readonly depthMm: number } | undefined
  /** width of the blunt apex, µm; a top-up takes half of what stands between it and a burr */
  readonly bluntUm?: number | undefined
  readonly isTopUp?: boolean | undefined
  /** edge height to lose, mm, burr included */
  readonly recessionMm?: number | undefined
}

/** Steel that one stone takes, mm³, and the edge height that goes with it, µm. */
export interface StoneRemoval {
  readonly micron: number
  /** the first stone takes the metal, each later one the scratches of the one before */
  readonly takes: 'metal' | 'scratches'
  readonly removesMm3: number
  readonly recessionUm: number
}

/** Everything a session grinds. */
export interface SessionRemoval {
  readonly byStone: readonly StoneRemoval[]
  readonly removesMm3: number
  /** edge height that goes, µm */
  readonly recessionUm: number
  /** thickness behind the edge afterwards, mm; null where a section says it better */
  readonly bteMm: number | null
  readonly onFace: boolean
}

/** Steel taken past a blunt apex to a burr all along, µm: on a coarse stone, a finer one, and for a top-up (assumed). */
const BURR_UM = { coarse: 20, fine: 8, topUp: 4 } as const
/** Steel left on purpose by a top-up: half of the way (common practice: a top-up keeps an edge, it does not make one). */
const TOP_UP_SHARE = 0.5
/** Depth of scratches a grain leaves, as a share of its size, on a bevel and on a face under both hands (assumed). */
const SCRATCH_SHARE = { bevel: 0.1, face: 0.06 } as const
/** Thinning works the lowest third of the face unless somebody says higher (assumed). */
export const THINNED_FACE_SHARE = 1 / 3
/** A hand comes back to a bevel within this, degrees, on a dull edge; on a kept-up one it feels the bevel lie flush (assumed). */
const REFIT = { mostDps: 1.5, fromUm: 6, overUm: 9 } as const

/** Steel past the apex that makes a burr on a stone, µm. */
export const burrUm = (micron: number, isTopUp = false): number =>
  isTopUp ? BURR_UM.topUp : micron >= COARSE_MICRON ? BURR_UM.coarse : BURR_UM.fine

/** How far today's hand lies from the bevel that was left, degrees: nothing below 6 µm, rising to 1.5° at 15 µm. */
export const refitDps = (bluntUm: number): number =>
  REFIT.mostDps * clamp((bluntUm - REFIT.fromUm) / REFIT.overUm, 0, 1)

/**
 * Edge height between a blunt apex and a burr on a stone, µm: b / (2·tan θ) and the burr.
 *
 * @example recessionToBurrUm({ bluntUm: 10, dps: 17, micron: 30 }) // 36.4
 */
export function recessionToBurrUm(of: {
  readonly bluntUm: number
  readonly dps: number
  readonly micron: number
  readonly isTopUp?: boolean | undefined
}): number {
  const whole = of.bluntUm / (2 * Math.tan(radians(of.dps))) + burrUm(of.micron, of.isTopUp)
  return of.isTopUp ? TOP_UP_SHARE * whole : whole
}

/** Work as it is ground by a first stone. */
export interface Metal {
  readonly removesMm3: number
  readonly recessionUm: number
  /** surface that is scratched and refined, mm², both sides */
  readonly workedMm2: number
  readonly bteMm: number | null
}

/** Faces laid on the stone: the edge keeps its height. */
function metalOfThinning(blade: GroundBlade, { byMm, upToMm }: NonNullable<GrindingWork['thinning']>): Metal {
  assertPositive('thinning', byMm)
  if (byMm >= blade.bteMm)
    throw new MeasureError('out-of-range', 'thinning', { value: byMm, low: 0, high: blade.bteMm })
  const heightMm = upToMm ?? blade.heelHeightMm * THINNED_FACE_SHARE
  return {
    removesMm3: (byMm * heightMm * blade.lengthMm) / 2,
    recessionUm: 0,
    workedMm2: 2 * heightMm * blade.lengthMm,
    bteMm: blade.bteMm - byMm,
  }
}

/** The edge moved up by so much at its angle, and its bevel fitted to the hand of today. */
function metalOfRecession(blade: GroundBlade, recessionMm: number, refit: number): Metal {
  assertWithin('recessionMm', recessionMm, 0, blade.heelHeightMm / 2)
  const faceDps = recedingFaceDps(blade, blade.dps)
  const gone = recede({ bteMm: blade.bteMm, dps: blade.dps, faceDps, recessionMm })
  // the hand lies flatter than the bevel that was left: what goes is a wedge at its shoulder, and no height
  const refitMm2 = bevelWidth(blade) ** 2 * Math.tan(radians(refit))
  return {
    removesMm3: (gone.removedAreaMm2 + refitMm2) * blade.lengthMm,
    recessionUm: 1000 * recessionMm,
    workedMm2: 2 * gone.bevelWidthMm * blade.lengthMm,
    bteMm: gone.bteMm,
  }
}

/** What a first stone of some grain takes. */
export function metalFor(blade: GroundBlade, work: GrindingWork, micron: number): Metal {
  assertPositive('lengthMm', blade.lengthMm)
  const { section, thinning, chip, bluntUm, isTopUp = false } = work
  if (section) {
    assertPositive('areaMm2', section.areaMm2)
    return {
      removesMm3: section.areaMm2 * blade.lengthMm,
      recessionUm: 0,
      workedMm2: section.workedMm * blade.lengthMm,
      bteMm: null,
    }
  }
  if (thinning) return metalOfThinning(blade, thinning)
  if (chip) return metalOfRecession(blade, chip.depthMm + burrUm(micron) / 1000, 0)
  if (bluntUm === undefined) return metalOfRecession(blade, work.recessionMm ?? 0, 0)
  assertWithin('bluntUm', bluntUm, 0, 2000)
  const recessionMm = recessionToBurrUm({ bluntUm, dps: blade.dps, micron, isTopUp }) / 1000
  return metalOfRecession(blade, recessionMm, isTopUp ? 0 : refitDps(bluntUm))
}

/** Whether work lies on the faces, where two hands press and no height goes. */
export const isOnFace = ({ section, thinning }: GrindingWork): boolean =>
  section ? section.onFace : thinning !== undefined

/** What a later stone takes: the scratches that the grain before has left on the worked surface. */
export function scratchesAfter(blade: GroundBlade, work: GrindingWork, metal: Metal, before: number): StoneRemoval {
  const onFace = isOnFace(work)
  const depthUm = before * (onFace ? SCRATCH_SHARE.face : SCRATCH_SHARE.bevel)
  return {
    micron: before,
    takes: 'scratches',
    removesMm3: (depthUm / 1000) * metal.workedMm2,
    // a layer off both bevels moves the edge up by its depth over the sine of their angle
    recessionUm: onFace || work.section ? 0 : depthUm / Math.sin(radians(blade.dps)),
  }
}

/**
 * What a session grinds, stone by stone: the metal on the first (blunt apex and burr, chip, or thickness, and the bevel
 * fitted to the hand), the scratches of the stone before on each later one. Minutes, strokes, the verdict's cost and
 * what is debited of height and thickness all come from this.
 *
 * @param input.grains median grain of each stone in order, µm; the first decides how large the burr is
 * @throws MeasureError `no-stones` without a grain, `out-of-range` for work the blade cannot give
 * @example sessionRemoval({ blade, bluntUm: 15, grains: [30, 11.5, 4] }).recessionUm // 58.7
 */
export function sessionRemoval(
  input: GrindingWork & { readonly blade: GroundBlade; readonly grains: readonly number[] },
): SessionRemoval {
  const { blade, grains } = input
  const [first] = grains
  if (first === undefined) throw new MeasureError('no-stones', 'grains')
  const metal = metalFor(blade, input, first)
  const byStone = grains.map((micron, at): StoneRemoval => {
    const before = grains[at - 1]
    return before === undefined
      ? { micron, takes: 'metal', removesMm3: metal.removesMm3, recessionUm: metal.recessionUm }
      : { ...scratchesAfter(blade, input, metal, before), micron }
  })
  const recessionUm = byStone.reduce((sum, one) => sum + one.recessionUm, 0)
  return {
    byStone,
    removesMm3: byStone.reduce((sum, one) => sum + one.removesMm3, 0),
    recessionUm,
    bteMm: isOnFace(input) || input.section ? metal.bteMm : thicknessAfter(blade, recessionUm / 1000),
    onFace: isOnFace(input),
  }
}

const thicknessAfter = (blade: GroundBlade, recessionMm: number): number =>
  recede({ bteMm: blade.bteMm, dps: blade.dps, faceDps: recedingFaceDps(blade, blade.dps), recessionMm }).bteMm

/** Middle stone that stands between a coarse first and a fine last one where a log names only these, µm: JIS #1000. */
const MIDDLE_STONE_MICRON = 11.5

/**
 * The stones a session probably went over, of which a log names the first and the finish (common practice: coarse, #1000,
 * fine; of a kept-up knife, #1000 and fine, where it names none).
 */
export function usualGrains(startMicron: number | null, finishMicron: number): readonly number[] {
  if (startMicron === null)
    return finishMicron < MIDDLE_STONE_MICRON ? [MIDDLE_STONE_MICRON, finishMicron] : [finishMicron]
  if (startMicron <= finishMicron) return [finishMicron]
  return startMicron >= COARSE_MICRON && finishMicron < MIDDLE_STONE_MICRON
    ? [startMicron, MIDDLE_STONE_MICRON, finishMicron]
    : [startMicron, finishMicron]
}
