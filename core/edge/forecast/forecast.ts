import type { Occurrence } from '../../house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR } from '../../house/stations'
import type { BladeSpec } from '../../knife/bladeSpec'
import { eachZone, ZONES, type ByZone, type Zone } from '../../knife/zones'
import type { Moments } from '../../statistics/gaussian'
import { normalCdf, normalQuantile, Z_80 } from '../../statistics/normal'
import { applyHoning, applyUse } from '../filter/applyUse'
import { resetToFresh } from '../filter/belief'
import { logForce } from '../filter/updateOnForce'
import { workAt, type StationPeriod } from '../log/history'
import type { ForceBand, KnifeState } from '../log/state'
import { honeEffect, usualHoneTool, type HoneTool } from '../model/hone'

/** A service a knife is going to work in. */
export interface PlannedService {
  readonly name: string
  readonly startMs: number
  readonly endMs: number
  /** hours on the board, ≥ 0 */
  readonly hours: number
  /** board factor times product factor */
  readonly factor: number
}

/** What a knife is going to do: services in order, and whether it is honed before each. */
export interface PlannedUse {
  readonly spec: BladeSpec
  /** service limit of the knife's role, gf */
  readonly limitGf: number
  readonly services: readonly PlannedService[]
  /** null for a knife nobody hones */
  readonly hone: { readonly tool: HoneTool; readonly mismatchDps?: number } | null
  /** leaves out the services after the one by which the knife, or every zone, is past the limit with 90 % */
  readonly untilSure?: 'knife' | 'zones'
}

/** A zone at the end of a service. */
export interface ZoneForecast extends ForceBand {
  readonly chanceDull: number
}

export interface ServiceForecast {
  readonly name: string
  readonly startMs: number
  readonly endMs: number
  /** hours of use from now to the end of this service */
  readonly hours: number
  readonly zones: ByZone<ZoneForecast>
  /** chance that the worst zone ends this service past the limit, 0–1 */
  readonly chanceDull: number
  readonly worstZone: Zone
}

/** When the limit is passed: hours of use from now, and the instant. */
export interface Crossing {
  readonly hours: number
  readonly atMs: number
}

/** When the limit is passed with a chance of 10, 50 and 90 %; null beyond the services given. */
export interface LimitForecast {
  readonly early: Crossing | null
  readonly middle: Crossing | null
  readonly late: Crossing | null
}

export interface EdgeForecast {
  readonly services: readonly ServiceForecast[]
  readonly toLimit: LimitForecast
  readonly zonesToLimit: ByZone<LimitForecast>
}

/** Standard score of being past the limit, at the start and the end of one service. */
interface Scores {
  readonly service: PlannedService
  readonly hoursBefore: number
  readonly zones: ByZone<{ readonly start: number; readonly end: number }>
}

const scoreOf = ({ mean, variance }: Moments, limitGf: number): number =>
  (mean - Math.log(limitGf)) / Math.max(1e-6, Math.sqrt(variance))

function zoneForecast({ mean, variance }: Moments, score: number): ZoneForecast {
  const spread = Math.exp(Z_80 * Math.sqrt(variance))
  const forceGf = Math.exp(mean)
  return { forceGf, lowGf: forceGf / spread, highGf: forceGf * spread, chanceDull: normalCdf(score) }
}

/** First moment a score passes a threshold, straight between the start and the end of a service. */
function limitCrossing(
  path: readonly Scores[],
  score: (scores: Scores) => { start: number; end: number },
  threshold: number,
): Crossing | null {
  for (const scores of path) {
    const { start, end } = score(scores)
    if (end < threshold) continue
    const share = start >= threshold || end === start ? 0 : (threshold - start) / (end - start)
    const { service } = scores
    return {
      hours: scores.hoursBefore + share * service.hours,
      atMs: Math.round(service.startMs + share * (service.endMs - service.startMs)),
    }
  }
  return null
}

const SURE_CHANCE = 0.9
const LATE_SCORE = normalQuantile(SURE_CHANCE)

const limitForecast = (
  path: readonly Scores[],
  score: (scores: Scores) => { start: number; end: number },
): LimitForecast => ({
  early: limitCrossing(path, score, -LATE_SCORE),
  middle: limitCrossing(path, score, 0),
  late: limitCrossing(path, score, LATE_SCORE),
})

const worstScores = ({ zones }: Scores): { start: number; end: number } => ({
  start: Math.max(...ZONES.map((zone) => zones[zone].start)),
  end: Math.max(...ZONES.map((zone) => zones[zone].end)),
})

/**
 * How a knife's edge will stand through the services ahead, if it is honed before each and used as
 * planned: force with an 80 % interval and the chance of being past the limit at the end of each, and
 * the hours and date at which that chance passes 10, 50 and 90 %.
 *
 * The belief is carried forward through the same wear law that reads the past, so doubt about κ, the
 * shape of wear and honing all widen the band as time goes on. A knife is as dull as its worst zone.
 *
 * @param state the knife now, wear carried up to this moment
 * @param planned services in order of start, none before `state.atMs`
 */
export function forecastEdge(state: KnifeState, planned: PlannedUse): EdgeForecast {
  const { spec, limitGf } = planned
  const effect =
    planned.hone && honeEffect({ ...planned.hone, hrc: spec.hrc, mismatchDps: planned.hone.mismatchDps ?? 0 })
  const services: ServiceForecast[] = []
  const path: Scores[] = []
  let { belief } = state
  let { work } = state.sharpening
  let hours = 0
  for (const service of planned.services) {
    if (effect && service.startMs >= state.atMs) belief = applyHoning(belief, spec, effect)
    const before = belief
    const doing = service.hours * service.factor
    belief = applyUse(before, spec, doing, work)
    work += doing
    const scores = eachZone((zone) => {
      const after = logForce(belief, zone)
      return { after, start: scoreOf(logForce(before, zone), limitGf), end: scoreOf(after, limitGf) }
    })
    const zones = eachZone((zone) => zoneForecast(scores[zone].after, scores[zone].end))
    const worstZone = ZONES.reduce((worst, zone) => (scores[zone].end > scores[worst].end ? zone : worst))
    path.push({ service, hoursBefore: hours, zones: scores })
    hours += service.hours
    services.push({
      name: service.name,
      startMs: service.startMs,
      endMs: service.endMs,
      hours,
      zones,
      chanceDull: zones[worstZone].chanceDull,
      worstZone,
    })
    if (planned.untilSure === 'knife' && zones[worstZone].chanceDull > SURE_CHANCE) break
    if (planned.untilSure === 'zones' && ZONES.every((zone) => zones[zone].chanceDull > SURE_CHANCE)) break
  }
  return {
    services,
    toLimit: limitForecast(path, worstScores),
    zonesToLimit: eachZone((zone) => limitForecast(path, (scores) => scores.zones[zone])),
  }
}

/** The first service by whose end a knife is more likely dull than not; null when none of those forecast. */
export const firstDull = ({ services }: EdgeForecast): ServiceForecast | null =>
  services.find(({ chanceDull }) => chanceDull > 0.5) ?? null

/** Services ahead of a knife as the rota has them at its station, the rest of one running now among them. */
export function rotaAhead(
  periods: readonly StationPeriod[] | undefined,
  services: readonly Occurrence[],
  fromMs: number,
  factor = 1,
): PlannedService[] {
  if (!periods) return []
  return services.flatMap((service): PlannedService[] => {
    const station = service.endMs > fromMs ? workAt(periods, service.startMs) : undefined
    if (!station) return []
    const share = (service.endMs - Math.max(fromMs, service.startMs)) / (service.endMs - service.startMs)
    return [
      {
        name: service.name,
        startMs: service.startMs,
        endMs: service.endMs,
        hours: share * station.hoursPerService,
        factor: factor * BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product],
      },
    ]
  })
}

/** What a house does with a knife unless it says otherwise: the tool for its hardness before each service. */
export const usualUse = (spec: BladeSpec, limitGf: number, services: readonly PlannedService[]): PlannedUse => ({
  spec,
  limitGf,
  services,
  hone: { tool: usualHoneTool(spec.hrc) },
})

/** A knife as it would be, had it just been stoned as it was last time. */
export const stateAfterStoning = (state: KnifeState, spec: BladeSpec): KnifeState => ({
  ...state,
  belief: resetToFresh(state.belief, spec.dps, state.sharpening.finishMicron),
  sharpening: { ...state.sharpening, hours: 0, work: 0 },
})

/** Services enough to see almost any edge to its end. */
const LONGEST_LIFE_SERVICES = 240

/**
 * Hours of use from a fresh edge to the limit with 10, 50 and 90 %, if the knife is stoned now as it was
 * last time and then used in services of one kind; null where even that many services do not dull it.
 *
 * @param use hours of one service, ≥ 0, and its board factor times product factor
 */
export function lifeFromFresh(
  state: KnifeState,
  spec: BladeSpec,
  limitGf: number,
  use: { readonly hours: number; readonly factor: number },
): { readonly early: number | null; readonly middle: number | null; readonly late: number | null } {
  const fresh = stateAfterStoning(state, spec)
  const services = Array.from({ length: LONGEST_LIFE_SERVICES }, (_, index): PlannedService => ({
    name: '',
    startMs: state.atMs + index,
    endMs: state.atMs + index + 1,
    ...use,
  }))
  const { early, middle, late } = forecastEdge(fresh, {
    ...usualUse(spec, limitGf, services),
    untilSure: 'knife',
  }).toLimit
  return { early: early?.hours ?? null, middle: middle?.hours ?? null, late: late?.hours ?? null }
}
