import type { StationPeriod, Surroundings } from '../../core/edge/history'
import { occurrences } from '../../core/house/serviceClock'
import type { Queryable } from '../db/database'
import type { StoredHouse } from '../db/queries/houses'
import { listAllSpans, type DatedSpan } from '../db/queries/weeklySpans'
import { listStations, listStationPeriods } from '../db/queries/stations'
import type { Station } from '../../contract/house'

/** A house with everything the wear of its knives depends on. */
export interface HouseContext {
  readonly house: StoredHouse
  readonly stations: readonly Station[]
  readonly periods: ReadonlyMap<string, readonly StationPeriod[]>
  /** services and quiet windows, past weeks' ones included */
  readonly spans: readonly DatedSpan[]
}

export async function loadContext(db: Queryable, house: StoredHouse): Promise<HouseContext> {
  return {
    house,
    stations: await listStations(db, house.id),
    periods: await listStationPeriods(db, house.id),
    spans: await listAllSpans(db, house.id),
  }
}

/** Stations and service times between two instants, as the wear law wants them. */
export function surroundings(context: HouseContext, fromMs: number, toMs: number): Surroundings {
  const services = context.spans.filter((span) => span.kind === 'service')
  return {
    stations: context.periods,
    services: occurrences(services, context.house.zone, fromMs, toMs),
  }
}
