import { FACTORY_FINISH_MICRON, type BladeSpec } from '../../knife/bladeSpec'
import type { ByZone, Zone } from '../../knife/zones'
import { normalCdf, Z_80 } from '../../statistics/normal'
import { DEFAULT_PRIOR, firstBelief, zoneWear, type EdgeBelief, type EdgePrior } from '../filter/belief'
import { logForce, wornForceLogSd } from '../filter/updateOnForce'
import { NO_DEFECTS, type Defects } from '../model/events'
import { edgeForce } from '../model/force'
import { NO_ROD_WORK, type HoneTool, type RodWork } from '../model/hone'
import type { Wear } from '../model/wear'
import { NO_LESSONS, type Lessons } from './lessons'
import { initialSteel, type SteelLeft } from './steelLeft'

/** One zone as it is taken to be, with how well that is known. */
export interface ZoneEdge extends Wear {
  readonly freshForceGf: number
  /** standard deviation of the logarithm of the force */
  readonly logSd: number
  /** the same for the force with all roll brought back */
  readonly wornLogSd: number
}

/**
 * `counted` is what is there and held by somebody, and has no edge to be kept; nobody knows where what is `missing` is;
 * what is `away` is with somebody outside to be ground; what is for `practice` cuts for nobody, and says nothing of the fleet.
 */
export type KnifeStatus = 'in-service' | 'counted' | 'quarantined' | 'missing' | 'away' | 'practice' | 'retired'

/** What a knife is while nobody has taken it out of use. */
export const statusInUse = ({ countedOnly = false }: Pick<BladeSpec, 'countedOnly'>): KnifeStatus =>
  countedOnly ? 'counted' : 'in-service'

/** The last session on the stone. */
export interface Sharpening {
  readonly atMs: number
  readonly personId: string | null
  readonly finishMicron: number
  /** hours of use and work since */
  readonly hours: number
  readonly work: number
  /** whether it was tested off the stone, and judged after some hours of use */
  readonly tested: boolean
  readonly judged: boolean
  /** walked through without a stroke, a burr or a test: said, not shown, until somebody tests the edge */
  readonly claimed: boolean
}

/** Everything derived from a knife's log. It can be thrown away and rebuilt. */
export interface KnifeState {
  readonly atMs: number
  readonly joinedMs: number
  readonly belief: EdgeBelief
  /** the belief, zone by zone */
  readonly zones: ByZone<ZoneEdge>
  /** readings nobody believed yet: −1 sharper, 1 duller than could be, 0 none */
  readonly doubted: ByZone<number>
  readonly steel: SteelLeft
  readonly lessons: Lessons
  readonly sharpening: Sharpening
  /** what rods and strops have done since */
  readonly rod: RodWork
  /** the service that began last, and whether a honing is on record for it */
  readonly service: { readonly endMs: number; readonly honed: boolean } | null
  /** counted strokes of all sessions, by side */
  readonly strokes: { readonly left: number; readonly right: number }
  readonly defects: Defects
  readonly status: KnifeStatus
  readonly statusReason: string | null
  readonly statusSinceMs: number
  /** what a knife was before it was missed or sent out, and is again once it is there */
  readonly missedAs?: Pick<KnifeState, 'status' | 'statusReason' | 'statusSinceMs'> | null
  readonly stationId: string | null
  readonly holderId: string | null
  readonly sharpenedMs: number | null
  readonly honedMs: number | null
  readonly honedWith: HoneTool | null
  readonly checkedMs: number | null
  /** hours on the board since the last check, hone and sharpening */
  readonly hoursSinceCheck: number
  readonly hoursSinceHone: number
  readonly hoursSinceSharpening: number
  /** what the last honing brought back, when somebody said so or a check right after it showed */
  readonly lastHone: 'fully' | 'partly' | 'not' | null
  readonly readingCount: number
  /** everyday signs seen: they make a knife a tested one as readings do */
  readonly signCount: number
  /** reports of honings that came back since anything else was said of the edge */
  readonly reports: number
}

export interface ForceBand {
  readonly forceGf: number
  /** 80 % interval */
  readonly lowGf: number
  readonly highGf: number
}

/**
 * Whether anybody knows how this edge stands: read with a tester or by a sign, fresh off a stone by more than a claim,
 * or new. Of any other nothing is said as a fact.
 */
export const isSeen = ({ readingCount, signCount, sharpenedMs, sharpening }: KnifeState): boolean =>
  !sharpening.claimed && (readingCount + signCount > 0 || sharpenedMs !== null || sharpening.tested)

/** Force of a zone with its 80 % interval, log-normal so that it never reaches zero. */
export function forceBand(zone: ZoneEdge, dps: number): ForceBand {
  const forceGf = edgeForce(zone, dps)
  const spread = Math.exp(Z_80 * zone.logSd)
  return { forceGf, lowGf: forceGf / spread, highGf: forceGf * spread }
}

/** Probability that a force, known to a log standard deviation, is above a limit. */
export const chanceOver = (forceGf: number, logSd: number, limitGf: number): number =>
  1 - normalCdf(Math.log(limitGf / forceGf) / Math.max(1e-6, logSd))

/** Probability that a zone's force is above a limit. */
export const chanceAbove = (zone: ZoneEdge, dps: number, limitGf: number): number =>
  chanceOver(edgeForce(zone, dps), zone.logSd, limitGf)

function zoneOf(belief: EdgeBelief, dps: number, zone: Zone): ZoneEdge {
  const { roll, wornAreaUm2, freshForceGf } = zoneWear(belief, dps, zone)
  // written out, not spread: this runs for every line of every log
  return {
    roll,
    wornAreaUm2,
    freshForceGf,
    logSd: Math.sqrt(logForce(belief, zone).variance),
    wornLogSd: wornForceLogSd(belief, zone),
  }
}

/** Zones of a belief. */
export const zonesOf = (belief: EdgeBelief, dps: number): ByZone<ZoneEdge> => ({
  heel: zoneOf(belief, dps, 'heel'),
  belly: zoneOf(belief, dps, 'belly'),
  tip: zoneOf(belief, dps, 'tip'),
})

/** A state that believes something else now. */
export const withBelief = (state: KnifeState, belief: EdgeBelief, dps: number): KnifeState =>
  belief === state.belief ? state : { ...state, belief, zones: zonesOf(belief, dps) }

/** State of a knife on the moment it joins the fleet. */
export function initialState(
  spec: BladeSpec,
  atMs: number,
  condition: 'new' | 'in-use',
  prior: EdgePrior = DEFAULT_PRIOR,
): KnifeState {
  const belief = firstBelief(spec, condition, prior)
  return {
    atMs,
    joinedMs: atMs,
    belief,
    zones: zonesOf(belief, spec.dps),
    doubted: { heel: 0, belly: 0, tip: 0 },
    steel: initialSteel(spec.joined, condition),
    lessons: NO_LESSONS,
    sharpening: {
      atMs,
      personId: null,
      finishMicron: FACTORY_FINISH_MICRON,
      hours: 0,
      work: 0,
      // an edge from the factory is what it is; one that comes from use nobody knows
      tested: condition === 'new',
      judged: true,
      claimed: false,
    },
    rod: NO_ROD_WORK,
    service: null,
    strokes: { left: 0, right: 0 },
    defects: NO_DEFECTS,
    status: statusInUse(spec),
    statusReason: null,
    statusSinceMs: atMs,
    stationId: null,
    holderId: null,
    sharpenedMs: null,
    honedMs: null,
    honedWith: null,
    checkedMs: null,
    hoursSinceCheck: 0,
    hoursSinceHone: 0,
    hoursSinceSharpening: 0,
    lastHone: null,
    readingCount: 0,
    signCount: 0,
    reports: 0,
  }
}
