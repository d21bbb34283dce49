import type { CarbideShares } from '../knife/steels'
import { assertPositive } from '../measure'

/** mm³ a minute on #1000 at 10 N in a plain steel of 57 HRC (assumed; fitted to sessions timed at the bench, common practice). */
const REFERENCE_RATE_MM3_PER_MIN = 0.5
const REFERENCE_MICRON = 11.5
const REFERENCE_NEWTONS = 10
const REFERENCE_HRC = 57
/** A coarser grain cuts faster, but not in proportion: fewer of its points stand on the steel (assumed). */
const GRAIN_EXPONENT = 0.6
/** How a per cent of chromium carbide, of harder carbide, and a point of hardness slow an ordinary abrasive (assumed). */
const SLOWED_BY = { chromiumCarbide: 0.045, hardCarbide: 0.12, hrc: 0.03 } as const
/** Diamond is harder than every carbide and feels a third of that (assumed). */
const DIAMOND_SHARE = 1 / 3

/** A steel as an abrasive meets it. */
export interface GroundSteel {
  /** Rockwell C hardness */
  readonly hrc: number
  /** volume per cent of each hard phase; none where the steel is not known */
  readonly carbides?: CarbideShares | undefined
}

/**
 * How fast a steel is ground against a plain one of 57 HRC: carbides count more than hardness, so that plain carbon
 * steel at 62 HRC is not slow, and one with hard carbides is at any hardness.
 *
 * @param diamond on a diamond abrasive
 * @example grindability({ hrc: 64, carbides: { CrC: 3, MC: 4 } }) // 0.44
 */
export function grindability({ hrc, carbides = {} }: GroundSteel, diamond = false): number {
  const { CrC = 0, MC = 0, CrVC = 0 } = carbides
  const slowed =
    SLOWED_BY.chromiumCarbide * CrC + SLOWED_BY.hardCarbide * (MC + CrVC) + SLOWED_BY.hrc * (hrc - REFERENCE_HRC)
  return Math.exp(-slowed * (diamond ? DIAMOND_SHARE : 1))
}

/** Hardness from which hard carbides want diamond (common practice: above 61–62 HRC), and the carbides that make them hard. */
const DIAMOND_HRC = 62
export const wantsDiamond = ({ hrc, carbides: { MC = 0, CrVC = 0 } = {} }: GroundSteel): boolean =>
  hrc >= DIAMOND_HRC && MC + CrVC > 0

/**
 * Steel removed a minute, after Preston (1927): proportional to pressing force; with grain and steel by the constants
 * of this file.
 *
 * @param input.micron median grain, µm
 * @param input.newtons pressing force, N
 * @param input.diamond diamond abrasive
 * @returns mm³/min
 * @example removalRate({ micron: 11.5, newtons: 10, hrc: 57 }) // 0.5
 */
export function removalRate(
  input: GroundSteel & { readonly micron: number; readonly newtons: number; readonly diamond?: boolean | undefined },
): number {
  assertPositive('micron', input.micron)
  assertPositive('newtons', input.newtons)
  return (
    REFERENCE_RATE_MM3_PER_MIN *
    (input.micron / REFERENCE_MICRON) ** GRAIN_EXPONENT *
    (input.newtons / REFERENCE_NEWTONS) *
    grindability(input, input.diamond)
  )
}

/** Grains that part repair, coarse, middle and fine stones, µm: JIS #280 and coarser, #600, #1500. */
export const REPAIR_MICRON = 50
export const COARSE_MICRON = 20
const MIDDLE_MICRON = 8

/** Pressing on a whole face takes both hands, N by grain (common practice). */
const FACE_NEWTONS = { repair: 40, coarse: 30, fine: 20 } as const
/** Pressing on an edge, N by grain (common practice: 4–6 lbf coarse, falling to a few newtons). */
const EDGE_NEWTONS = { repair: 24, coarse: 14, middle: 10, fine: 8 } as const
/** Never heavy on diamond: it is torn out (common practice). */
const DIAMOND_MOST_NEWTONS = 12

/**
 * Where pressing starts on a stone, N.
 *
 * @param on.part edge; face; or `chip`, for which alone a repair grit is leaned on
 */
export function pressingForce(on: {
  readonly micron: number
  readonly diamond?: boolean | undefined
  readonly part?: 'edge' | 'face' | 'chip' | undefined
}): number {
  const { micron, diamond = false, part = 'edge' } = on
  const wanted =
    part === 'face'
      ? micron >= REPAIR_MICRON
        ? FACE_NEWTONS.repair
        : micron >= COARSE_MICRON
          ? FACE_NEWTONS.coarse
          : FACE_NEWTONS.fine
      : micron >= REPAIR_MICRON && part === 'chip'
        ? EDGE_NEWTONS.repair
        : micron >= COARSE_MICRON
          ? EDGE_NEWTONS.coarse
          : micron >= MIDDLE_MICRON
            ? EDGE_NEWTONS.middle
            : EDGE_NEWTONS.fine
  return diamond ? Math.min(wanted, DIAMOND_MOST_NEWTONS) : wanted
}

/** Full strokes a minute, both sides together, looking, feeling and wetting included: slower as they get lighter (assumed). */
export const strokesPerMinute = (micron: number): number =>
  micron >= COARSE_MICRON ? 40 : micron >= MIDDLE_MICRON ? 30 : 20
