import type { Occurrence } from '../../house/serviceClock'
import type { Board, Product } from '../../house/stations'
import { HOUR_MS } from '../../time'
import type { KnifeEvent } from '../model/events'

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
export interface UsageContext {
  readonly stations: ReadonlyMap<string, readonly StationPeriod[]>
  readonly services: readonly Occurrence[]
}

/** A declared use belongs to the service it was entered in or after, if that began this recently. */
const DECLARATION_REACH_MS = 12 * HOUR_MS

export type DeclaredUse = ReadonlyMap<number, number>

/** Index of the first service that ends after an instant. */
export function firstEndingAfter(services: readonly Occurrence[], atMs: number): number {
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

/** The way a station worked at an instant. */
export const workAt = (periods: readonly StationPeriod[], atMs: number): StationWork | undefined =>
  periods.findLast((period) => period.fromMs <= atMs) ?? periods[0]

/**
 * Hours that a station works with its knives between two instants, by its services and without what somebody declared
 * of one of them.
 */
export function hoursOfService(
  periods: readonly StationPeriod[],
  services: readonly Occurrence[],
  fromMs: number,
  toMs: number,
): number {
  let hours = 0
  for (let at = firstEndingAfter(services, fromMs); at < services.length; at++) {
    const service = services[at]
    if (!service || service.startMs >= toMs) break
    const shared = Math.min(toMs, service.endMs) - Math.max(fromMs, service.startMs)
    const { hoursPerService } = workAt(periods, service.startMs) ?? { hoursPerService: 0 }
    hours += (hoursPerService * Math.max(0, shared)) / Math.max(1, service.endMs - service.startMs)
  }
  return hours
}
