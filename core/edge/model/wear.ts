import type { CarbideShares } from '../../knife/steels'
import type { Zone } from '../../knife/zones'
import { assertPositive, assertWithin, MeasureError, radians } from '../../measure'

/** Edge loss of a mid kitchen stainless at the belly, µm² of section an hour (assumed). */
export const REFERENCE_WEAR_UM2_PER_HOUR = 3.5
/** Hours of use in which an edge does 63 % of the rolling it is going to do (assumed). */
export const ROLL_TIME_HOURS = 6
/** Wear against the belly (assumed). */
export const ZONE_WEAR: Readonly<Record<Zone, number>> = { heel: 0.8, belly: 1, tip: 1.2 }

const REFERENCE_STEEL = { hrc: 57, carbides: { CrC: 2 } } as const
const REFERENCE_DPS = 15
/** The regression runs to nothing for soft blades; wear is never taken as more than this much faster. */
const SLOWEST_RETENTION_SHARE = 0.25

/**
 * Width of the blunt apex that a worn area leaves: b = 2·√(a·tan θ).
 *
 * @param input.wornAreaUm2 section area lost at the apex, µm², ≥ 0
 * @param input.dps edge angle, degrees per side
 * @returns µm
 * @example bluntWidth({ wornAreaUm2: 70, dps: 15 }) // 8.66
 */
export function bluntWidth(input: { readonly wornAreaUm2: number; readonly dps: number }): number {
  if (!Number.isFinite(input.wornAreaUm2) || input.wornAreaUm2 < 0) {
    throw new MeasureError('not-positive', 'wornAreaUm2', { value: input.wornAreaUm2 })
  }
  assertWithin('dps', input.dps, 0.1, 60)
  return 2 * Math.sqrt(input.wornAreaUm2 * Math.tan(radians(input.dps)))
}

/** Worn area behind a blunt width; inverse of {@link bluntWidth}. µm in, µm² out. */
export function wornAreaFromBluntWidth(input: { readonly bluntWidthUm: number; readonly dps: number }): number {
  assertWithin('dps', input.dps, 0.1, 60)
  return input.bluntWidthUm ** 2 / (4 * Math.tan(radians(input.dps)))
}

/**
 * Total card cut in a standard retention test, from the published regression of cutting-card totals:
 * TCC = −437 + 15.8·HRC − 17.8·dps + 11.2·CrC + 14.6·CrVC + 26.2·MC + 9.5·M6C + 20.9·MN + 19.4·CrN.
 *
 * @param input.hrc Rockwell C, 50–70
 * @param input.dps degrees per side
 * @param input.carbides volume per cent of each hard phase
 * @returns mm of card
 * @example retentionTcc({ hrc: 61, dps: 15, carbides: {} }) // 259.8
 */
export function retentionTcc(input: {
  readonly hrc: number
  readonly dps: number
  readonly carbides: CarbideShares
}): number {
  const { CrC = 0, CrVC = 0, MC = 0, M6C = 0, MN = 0, CrN = 0 } = input.carbides
  return (
    -437 +
    15.8 * input.hrc -
    17.8 * input.dps +
    11.2 * CrC +
    14.6 * CrVC +
    26.2 * MC +
    9.5 * M6C +
    20.9 * MN +
    19.4 * CrN
  )
}

/**
 * Prior wear rate κ of a steel at the belly on the reference board, µm²/h.
 *
 * The regression compares steels at one angle: the knife's own angle already acts through
 * {@link bluntWidth}, and counting it twice would punish thin edges.
 */
export function priorWearRate(input: { readonly hrc: number; readonly carbides: CarbideShares }): number {
  assertPositive('hrc', input.hrc)
  const reference = retentionTcc({ ...REFERENCE_STEEL, dps: REFERENCE_DPS })
  const own = retentionTcc({ ...input, dps: REFERENCE_DPS })
  return REFERENCE_WEAR_UM2_PER_HOUR * (reference / Math.max(own, SLOWEST_RETENTION_SHARE * reference))
}

export interface Wear {
  /** share of the edge bent over, 0–1; honing brings it back */
  readonly roll: number
  /** µm² gone from the apex section; only abrasion makes it good */
  readonly wornAreaUm2: number
}

/**
 * Use of an edge: a += κ·β·π·h (Archard 1953: worn volume goes as work) and
 * ρ = 1 − (1−ρ)·e^(−βπh/τ).
 *
 * @param use.hours hours on the board, ≥ 0
 * @param use.factor board factor times product factor
 * @param use.wearRateUm2PerHour κ of this zone
 */
export function wearBy(
  wear: Wear,
  use: { readonly hours: number; readonly factor: number; readonly wearRateUm2PerHour: number },
): Wear {
  const work = Math.max(0, use.hours) * use.factor
  return {
    roll: 1 - (1 - wear.roll) * Math.exp(-work / ROLL_TIME_HOURS),
    wornAreaUm2: wear.wornAreaUm2 + use.wearRateUm2PerHour * work,
  }
}
