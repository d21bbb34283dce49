import type { Occurrence } from '../house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR, type Board, type Product } from '../house/stations'
import { NO_DEFECTS, standingEvents, type EventPayloads, type KnifeEvent } from './events'
import { edgeForce, explainForce, wornForce } from './force'
import { honeEffect } from './hone'
import { observeCheck } from './observe'
import { anchored, freshZone, newKnifeState, wearRate, forceSd, type BladeNature, type KnifeState, type ZoneEdge } from './state'
import { wearBy } from './wear'
import { eachZone } from './zones'

/** How a station uses the knives that lie there. */
export interface StationWork {
  readonly board: Board
  readonly product: Product
  readonly hoursPerService: number
}

/** A station's way of working from an instant on, until the next one. */
export interface StationPeriod extends StationWork {
  readonly fromMs: number
}

/** What surrounds a knife: its stations, oldest period first, and the services of the house, in order of start. */
export interface Surroundings {
  readonly stations: ReadonlyMap<string, readonly StationPeriod[]>
  readonly services: readonly Occurrence[]
}

const HOUR_MS = 3_600_000
/** A declared use belongs to the service it was entered in or after, if that began this recently. */
const DECLARATION_REACH_MS = 12 * HOUR_MS
/** After a check says honing did nothing, this share of the roll is taken to be wear instead. */
const MISTAKEN_ROLL: Readonly<Record<'fully' | 'partly' | 'not', number>> = { fully: 0, partly: 0.4, not: 0.9 }

export type DeclaredUse = ReadonlyMap<number, number>

/** Index of the first service that ends after an instant. */
function firstEndingAfter(services: readonly Occurrence[], atMs: number): number {
  let low = 0
  let high = services.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((services[middle]?.endMs ?? 0) > atMs) high = middle
    else low = middle + 1
  }
  return low
}

/** Hours declared for a service, by the instant the service starts. */
export function declaredUse(events: readonly KnifeEvent[], services: readonly Occurrence[]): DeclaredUse {
  const declared = new Map<number, number>()
  for (const event of events) {
    if (event.kind !== 'used') continue
    const next = firstEndingAfter(services, event.atMs)
    const during = services[next]
    const service = during && during.startMs <= event.atMs ? during : services[next - 1]
    if (service && event.atMs - service.startMs < DECLARATION_REACH_MS) {
      declared.set(service.startMs, event.payload.hours)
    }
  }
  return declared
}

/** What a stretch of use amounts to: hours on the board, and those hours weighted by board and product. */
interface Use {
  readonly hours: number
  readonly work: number
}

const NO_USE: Use = { hours: 0, work: 0 }

/** The way a station worked at an instant. */
export const workAt = (periods: readonly StationPeriod[], atMs: number): StationWork | undefined =>
  periods.findLast((period) => period.fromMs <= atMs) ?? periods[0]

/** Use of a knife at a station between two instants. */
function useBetween(
  periods: readonly StationPeriod[],
  services: readonly Occurrence[],
  declared: DeclaredUse,
  fromMs: number,
  toMs: number,
): Use {
  let hours = 0
  let work = 0
  for (let index = firstEndingAfter(services, fromMs); index < services.length; index++) {
    const service = services[index]
    if (!service || service.startMs >= toMs) break
    const overlap = Math.min(toMs, service.endMs) - Math.max(fromMs, service.startMs)
    const share = overlap / (service.endMs - service.startMs)
    const station = workAt(periods, service.startMs)
    if (!station) continue
    const spent = share * (declared.get(service.startMs) ?? station.hoursPerService)
    hours += spent
    work += spent * BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product]
  }
  return { hours, work }
}

/** State of a knife after the use that lies between its own time and `toMs`. */
export function advance(
  state: KnifeState,
  nature: BladeNature,
  around: Surroundings,
  toMs: number,
  declared: DeclaredUse = new Map(),
): KnifeState {
  if (toMs <= state.atMs) return state
  const periods = state.stationId === null ? undefined : around.stations.get(state.stationId)
  const { hours, work } =
    periods && state.status === 'in-service'
      ? useBetween(periods, around.services, declared, state.atMs, toMs)
      : NO_USE
  if (hours === 0) return { ...state, atMs: toMs }
  return {
    ...state,
    atMs: toMs,
    hoursSinceCheck: state.hoursSinceCheck + hours,
    hoursSinceHone: state.hoursSinceHone + hours,
    hoursSinceSharpening: state.hoursSinceSharpening + hours,
    zones: eachZone((zone) => {
      const edge = state.zones[zone]
      const { roll, wornAreaUm2 } = wearBy(edge, { hours: work, factor: 1, wearRateUm2PerHour: wearRate(nature, zone) })
      return { roll, wornAreaUm2, freshForceGf: edge.freshForceGf, anchor: edge.anchor }
    }),
  }
}

function honedZone(edge: ZoneEdge, nature: BladeNature, payload: EventPayloads['honed']): ZoneEdge {
  const effect = honeEffect({ tool: payload.tool, hrc: nature.hrc, mismatchDps: payload.mismatchDps ?? 0 })
  const mistaken = payload.cameBack ? MISTAKEN_ROLL[payload.cameBack] : 0
  const believed =
    mistaken > 0
      ? explainForce({ ...edge, roll: edge.roll * (1 - mistaken) }, edgeForce(edge, nature.dps), nature.dps)
      : edge
  const roll = payload.cameBack === 'fully' ? 0 : believed.roll * (1 - effect.efficiency)
  return anchored(
    {
      roll,
      wornAreaUm2: Math.max(0, believed.wornAreaUm2 - effect.abradedUm2),
      freshForceGf: believed.freshForceGf + effect.freshForceRiseGf,
    },
    nature.dps,
    forceSd(edge, nature.dps),
  )
}

/** A check within this much use of a honing also shows what the honing did. */
const SHOWS_HONE_HOURS = 1
const honeShown = (state: KnifeState, next: KnifeState, nature: BladeNature, limitGf: number): KnifeState['lastHone'] => {
  if (state.honedMs === null || state.hoursSinceHone > SHOWS_HONE_HOURS) return state.lastHone
  const stillWorn = Object.values(next.zones).some((zone) => wornForce(zone, nature.dps) > limitGf)
  return stillWorn ? 'not' : (state.lastHone ?? 'fully')
}

/** State after one event, the state having been advanced to its time. */
export function applyEvent(state: KnifeState, event: KnifeEvent, nature: BladeNature, limitGf: number): KnifeState {
  switch (event.kind) {
    case 'added':
      return { ...state, stationId: event.payload.stationId, holderId: event.payload.holderId }
    case 'checked': {
      const next: KnifeState = {
        ...state,
        zones: observeCheck(state.zones, event.payload, nature),
        defects: event.payload.defects ?? state.defects,
        checkedMs: event.atMs,
        hoursSinceCheck: 0,
        readingCount: state.readingCount + event.payload.readings.length,
      }
      return { ...next, lastHone: honeShown(state, next, nature, limitGf) }
    }
    case 'honed':
      return {
        ...state,
        zones: eachZone((zone) => honedZone(state.zones[zone], nature, event.payload)),
        honedMs: event.atMs,
        hoursSinceHone: 0,
        lastHone: event.payload.cameBack ?? state.lastHone,
      }
    case 'sharpened':
      return {
        ...state,
        zones: eachZone(() => freshZone(nature.dps, event.payload.finishMicron)),
        defects: { ...NO_DEFECTS, handleLoose: state.defects.handleLoose, cracked: state.defects.cracked },
        sharpenedMs: event.atMs,
        hoursSinceSharpening: 0,
        lastHone: null,
      }
    case 'moved':
      return {
        ...state,
        stationId: event.payload.stationId ?? state.stationId,
        holderId: event.payload.holderId === undefined ? state.holderId : event.payload.holderId,
      }
    case 'quarantined':
      return { ...state, status: 'quarantined', statusReason: event.payload.reason, statusSinceMs: event.atMs }
    case 'released':
      return {
        ...state,
        status: 'in-service',
        statusReason: null,
        statusSinceMs: event.atMs,
        defects: { ...state.defects, handleLoose: false, cracked: false, tipGone: false, tipBent: false },
      }
    case 'retired':
      return { ...state, status: 'retired', statusReason: event.payload.reason, statusSinceMs: event.atMs }
    case 'used':
    case 'measured':
    case 'voided':
      return state
  }
}

/**
 * State of a knife from its whole log, in any order, with voided events left out.
 *
 * @param input.untilMs how far to carry the wear, ms since the epoch
 * @param input.limitGf service limit of the knife's role
 * @param input.onEvent called after each event with the state before and after it
 */
export function foldHistory(input: {
  readonly nature: BladeNature
  readonly around: Surroundings
  readonly events: readonly KnifeEvent[]
  readonly untilMs: number
  readonly limitGf: number
  readonly onEvent?: (event: KnifeEvent, before: KnifeState, after: KnifeState) => void
}): KnifeState {
  const { nature, around, untilMs, limitGf, onEvent } = input
  const events = standingEvents(input.events).filter((event) => event.atMs <= untilMs)
  const declared = declaredUse(events, around.services)
  const added = events.find((event) => event.kind === 'added')
  const condition = added?.kind === 'added' ? added.payload.condition : 'in-use'
  let state = newKnifeState(nature, events[0]?.atMs ?? untilMs, condition)
  for (const event of events) {
    const before = advance(state, nature, around, event.atMs, declared)
    state = applyEvent(before, event, nature, limitGf)
    onEvent?.(event, before, state)
  }
  return advance(state, nature, around, untilMs, declared)
}
