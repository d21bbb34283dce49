import { assertPositive, radians } from '../measure'

/** mm³ a minute on #1000 at 10 N in ordinary steel (assumed; a house's own log replaces it). */
const REFERENCE_RATE_MM3_PER_MIN = 1.2
const REFERENCE_MICRON = 11.5
const REFERENCE_NEWTONS = 10
/** Above this hardness ordinary abrasives cut slowly: two to three times as long (common practice). */
const HARD_STEEL_HRC = 61
const HARD_STEEL_SLOWDOWN = 2.5

/** Full strokes a minute, both sides together, looking and wetting included (assumed). */
export const STROKES_PER_MINUTE = 40
/** Steel taken past a blunt apex or a chip's deepest point to get a clean burr all along, µm (assumed). */
export const BURR_ALLOWANCE_UM = 20

/**
 * Steel removed a minute, after Preston (1927): proportional to pressing force and grain.
 *
 * @param input.micron median grain, µm
 * @param input.newtons pressing force, N
 * @param input.hrc Rockwell C hardness of the blade
 * @param input.diamond diamond abrasive keeps its rate on very hard steel
 * @returns mm³/min
 * @example removalRate({ micron: 11.5, newtons: 10, hrc: 57 }) // 1.2
 */
export function removalRate(input: {
  readonly micron: number
  readonly newtons: number
  readonly hrc: number
  readonly diamond?: boolean
}): number {
  assertPositive('micron', input.micron)
  assertPositive('newtons', input.newtons)
  const rate = REFERENCE_RATE_MM3_PER_MIN * (input.micron / REFERENCE_MICRON) * (input.newtons / REFERENCE_NEWTONS)
  return input.hrc > HARD_STEEL_HRC && !input.diamond ? rate / HARD_STEEL_SLOWDOWN : rate
}

/** Height that disappears when an apex of a given blunt width is ground to a point again, µm. */
export const recessionToApexUm = (bluntUm: number, dps: number): number =>
  bluntUm / (2 * Math.tan(radians(dps))) + BURR_ALLOWANCE_UM
