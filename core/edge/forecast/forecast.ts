import type { Occurrence } from '../../house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR, type Product } from '../../house/stations'
import type { BladeSpec } from '../../knife/bladeSpec'
import { eachZone, ZONES, type ByZone, type Zone } from '../../knife/zones'
import { quantileOf } from '../../statistics/ensemble'
import { Z_80 } from '../../statistics/normal'
import { resetToFresh } from '../filter/belief'
import { workAt, type StationPeriod } from '../log/usage'
import type { ForceBand, KnifeState } from '../log/state'
import { NO_ROD_WORK, usualHoneTool } from '../model/hone'
import { passService, shareOver, startPaths } from './paths'
import type { PlannedService, PlannedUse } from './plannedUse'

export type { PlannedService, PlannedUse } from './plannedUse'

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

/** A rank in the services ahead, its fraction the share of that service: where a member of the ensemble passes the limit. */
function crossingAt(rank: number, services: readonly PlannedService[]): Crossing | null {
  if (!Number.isFinite(rank)) return null
  const at = Math.min(services.length - 1, Math.floor(rank))
  const service = services[at]
  if (!service) return null
  const share = rank - at
  const before = services.slice(0, at).reduce((sum, { hours }) => sum + hours, 0)
  return {
    hours: before + share * service.hours,
    atMs: Math.round(service.startMs + share * (service.endMs - service.startMs)),
  }
}

const SURE_CHANCE = 0.9

function limitForecast(ranks: Float64Array, services: readonly PlannedService[]): LimitForecast {
  const sorted = ranks.slice().sort()
  return {
    early: crossingAt(quantileOf(sorted, 1 - SURE_CHANCE), services),
    middle: crossingAt(quantileOf(sorted, 0.5), services),
    late: crossingAt(quantileOf(sorted, SURE_CHANCE), services),
  }
}

/** Share of members that have passed the limit by now. */
const sharePassed = (ranks: Float64Array): number => {
  let passed = 0
  for (let member = 0; member < ranks.length; member++) if (ranks[member] !== Infinity) passed++
  return passed / ranks.length
}

/** A little more than enough for the late quantile, which lies between two members. */
const isSure = (ranks: Float64Array): boolean => sharePassed(ranks) > SURE_CHANCE + 0.01

/** Force of a zone over all members: its log-normal band, and the share past the limit. */
function zoneForecast(forces: Float64Array, limitGf: number): ZoneForecast {
  let [sum, squares, over] = [0, 0, 0]
  // by index: an iterator over a typed array costs more than the sum
  for (let member = 0; member < forces.length; member++) {
    const force = forces[member] ?? 0
    sum += force
    squares += force * force
    if (force > limitGf) over++
  }
  const mean = sum / forces.length
  // a log-normal with the same mean and variance
  const variance = Math.log(squares / forces.length / (mean * mean))
  const spread = Math.exp(Z_80 * Math.sqrt(Math.max(0, variance)))
  const forceGf = mean * Math.exp(-Math.max(0, variance) / 2)
  return { forceGf, lowGf: forceGf / spread, highGf: forceGf * spread, chanceDull: over / forces.length }
}

/**
 * How a knife's edge will stand through the services ahead, used as planned and honed as often as its log shows
 * it is: force with an 80 % interval and the chance of being past the limit at the end of each, and the hours and
 * date by which it has passed with a chance of 10, 50 and 90 %.
 *
 * An ensemble drawn from the belief is carried forward through the same wear law that reads the past, each member
 * with its own wear, habit of honing and luck, so that doubt about any of them widens the band as time goes on. A
 * knife is as dull as its worst zone, and has passed its limit when it does so for the first time.
 *
 * @param state the knife now, wear carried up to this moment
 * @param planned services in order of start, none before `state.atMs`
 */
export function forecastEdge(state: KnifeState, planned: PlannedUse): EdgeForecast {
  const { limitGf, untilSure } = planned
  const paths = startPaths(state, planned)
  const services: ServiceForecast[] = []
  let hours = 0
  for (const [at, service] of planned.services.entries()) {
    passService(paths, service, at, service.startMs >= state.atMs)
    hours += service.hours
    const zones = eachZone((zone) => zoneForecast(paths.forces[zone], limitGf))
    services.push({
      name: service.name,
      startMs: service.startMs,
      endMs: service.endMs,
      hours,
      zones,
      chanceDull: shareOver(paths.worst, limitGf),
      worstZone: ZONES.reduce((worst, zone) => (zones[zone].forceGf > zones[worst].forceGf ? zone : worst)),
    })
    if (untilSure === 'knife' && isSure(paths.passed.knife)) break
    if (untilSure === 'zones' && ZONES.every((zone) => isSure(paths.passed[zone]))) break
  }
  return {
    services,
    toLimit: limitForecast(paths.passed.knife, planned.services),
    zonesToLimit: eachZone((zone) => limitForecast(paths.passed[zone], planned.services)),
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
        product: station.product,
      },
    ]
  })
}

/** What a house does with a knife unless it says otherwise: the tool for its hardness, as often as its log shows. */
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
  rod: NO_ROD_WORK,
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
  use: { readonly hours: number; readonly factor: number; readonly product?: Product },
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
