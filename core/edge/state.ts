import type { CarbideShares } from '../house/steels'
import { NO_DEFECTS, type Defects } from './events'
import { BLUNT_FORCE_GF_PER_UM, edgeForce, freshForce, ROLL_FORCE_GF } from './force'
import { bluntWidth, priorWearRate, wornAreaFromBluntWidth, ZONE_WEAR, type Wear } from './wear'
import { eachZone, type ByZone, type Zone } from './zones'

/** What wear needs to know of a blade. */
export interface BladeNature {
  readonly dps: number
  readonly hrc: number
  readonly carbides: CarbideShares
  readonly serrated: boolean
}

/** Last time the force was known: where uncertainty starts growing from. */
export interface Anchor {
  readonly sdGf: number
  readonly bluntUm: number
  readonly roll: number
}

export interface ZoneEdge extends Wear {
  readonly freshForceGf: number
  readonly anchor: Anchor
}

export type KnifeStatus = 'in-service' | 'quarantined' | 'retired'

/** Everything derived from a knife's log. It can be thrown away and rebuilt. */
export interface KnifeState {
  readonly atMs: number
  readonly zones: ByZone<ZoneEdge>
  readonly defects: Defects
  readonly status: KnifeStatus
  readonly statusReason: string | null
  readonly statusSinceMs: number
  readonly stationId: string | null
  readonly holderId: string | null
  readonly sharpenedMs: number | null
  readonly honedMs: number | null
  readonly checkedMs: number | null
  /** hours on the board since the last check, hone and sharpening */
  readonly hoursSinceCheck: number
  readonly hoursSinceHone: number
  readonly hoursSinceSharpening: number
  /** what the last honing brought back, when somebody said so or a check right after it showed */
  readonly lastHone: 'fully' | 'partly' | 'not' | null
  readonly readingCount: number
}

export interface ForceBand {
  readonly forceGf: number
  /** 80 % interval */
  readonly lowGf: number
  readonly highGf: number
}

/** Unknown κ (log-sd 0.5) moves blunt width by half as much, since b goes as √a. */
const BLUNT_LOG_SD = 0.25
const ROLL_SHARE_SD = 0.35
const NEW_EDGE_LOG_SD = 0.2
const UNKNOWN_EDGE_LOG_SD = 0.4
const FACTORY_FINISH_MICRON = 6.7
/** An edge nobody has read is taken as halfway through its life: so rolled, so blunt (assumed). */
const UNKNOWN_ROLL = 0.4
const UNKNOWN_BLUNT_UM = 7
const Z_80 = 1.2816

/** A blade's prior rate is asked for at every step of its life and never changes. */
const priorRates = new WeakMap<BladeNature, number>()

/** Prior wear rate κ of one zone, µm²/h. */
export function wearRate(nature: BladeNature, zone: Zone): number {
  const rate = priorRates.get(nature) ?? priorWearRate(nature)
  priorRates.set(nature, rate)
  return rate * ZONE_WEAR[zone]
}

/** Standard deviation of a zone's force now, gf: what it was at the anchor plus what has grown since. */
export function forceSd(zone: ZoneEdge, dps: number): number {
  const bluntGrowth = bluntWidth({ wornAreaUm2: zone.wornAreaUm2, dps }) - zone.anchor.bluntUm
  const rollGrowth = zone.roll - zone.anchor.roll
  return Math.hypot(
    zone.anchor.sdGf,
    BLUNT_LOG_SD * BLUNT_FORCE_GF_PER_UM * bluntGrowth,
    ROLL_SHARE_SD * ROLL_FORCE_GF * rollGrowth,
  )
}

/** Force of a zone with its 80 % interval, log-normal so that it never reaches zero. */
export function forceBand(zone: ZoneEdge, dps: number): ForceBand {
  const forceGf = edgeForce(zone, dps)
  const spread = Math.exp(Z_80 * Math.min(1, forceSd(zone, dps) / forceGf))
  return { forceGf, lowGf: forceGf / spread, highGf: forceGf * spread }
}

/** Standard normal distribution function, after Abramowitz and Stegun (1964) 7.1.26; error below 2e-7. */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.3275911 * (Math.abs(z) / Math.SQRT2))
  const series = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const upper = 0.5 * series * Math.exp((-z * z) / 2)
  return z >= 0 ? 1 - upper : upper
}

/** Probability that a zone's force is above a limit. */
export function chanceAbove(zone: ZoneEdge, dps: number, limitGf: number): number {
  const forceGf = edgeForce(zone, dps)
  const logSd = Math.max(1e-6, forceSd(zone, dps) / forceGf)
  return 1 - normalCdf(Math.log(limitGf / forceGf) / logSd)
}

/** The same edge, with its force now counted as known to ± `sdGf`. */
export function anchored(zone: Omit<ZoneEdge, 'anchor'>, dps: number, sdGf: number): ZoneEdge {
  const { roll, wornAreaUm2, freshForceGf } = zone
  return { roll, wornAreaUm2, freshForceGf, anchor: { sdGf, roll, bluntUm: bluntWidth({ wornAreaUm2, dps }) } }
}

/** An edge fresh off a stone of a given finish. */
export function freshZone(dps: number, finishMicron: number): ZoneEdge {
  const freshForceGf = freshForce({ finishMicron, dps })
  return anchored({ roll: 0, wornAreaUm2: 0, freshForceGf }, dps, NEW_EDGE_LOG_SD * freshForceGf)
}

function unknownZone(dps: number): ZoneEdge {
  const edge = {
    roll: UNKNOWN_ROLL,
    wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: UNKNOWN_BLUNT_UM, dps }),
    freshForceGf: freshForce({ finishMicron: FACTORY_FINISH_MICRON, dps }),
  }
  return anchored(edge, dps, UNKNOWN_EDGE_LOG_SD * edgeForce(edge, dps))
}

/** State of a knife on the moment it joins the fleet. */
export function newKnifeState(nature: BladeNature, atMs: number, condition: 'new' | 'in-use'): KnifeState {
  return {
    atMs,
    zones: eachZone(() => (condition === 'new' ? freshZone(nature.dps, FACTORY_FINISH_MICRON) : unknownZone(nature.dps))),
    defects: NO_DEFECTS,
    status: 'in-service',
    statusReason: null,
    statusSinceMs: atMs,
    stationId: null,
    holderId: null,
    sharpenedMs: null,
    honedMs: null,
    checkedMs: null,
    hoursSinceCheck: 0,
    hoursSinceHone: 0,
    hoursSinceSharpening: 0,
    lastHone: null,
    readingCount: 0,
  }
}
