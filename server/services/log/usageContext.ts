import type { Station } from '../../../contract/house'
import type { StationPeriod, UsageContext } from '../../../core/edge/log/usage'
import { occurrencesWith, type SpecialDay } from '../../../core/house/rota'
import type { Occurrence } from '../../../core/house/serviceClock'
import { DAY_MS } from '../../../core/time'
import type { Queryable } from '../../db/database'
import type { StoredHouse } from '../../db/queries/house/houses'
import { listStationPeriods, listStations } from '../../db/queries/house/stations'
import { listSpecialDays } from '../../db/queries/week/crew'
import { listAllSpans, type DatedSpan } from '../../db/queries/week/weeklySpans'

/** A house with everything the wear of its knives depends on. */
export interface HouseContext {
  readonly house: StoredHouse
  readonly stations: readonly Station[]
  readonly periods: ReadonlyMap<string, readonly StationPeriod[]>
  /** services and quiet windows, past weeks' ones included */
  readonly spans: readonly DatedSpan[]
  /** days that were, or will be, unlike their weekday */
  readonly special: readonly SpecialDay[]
}

/** Special days as the core reads them; a span is named by its day and place in it. */
export async function specialDays(db: Queryable, houseId: string): Promise<SpecialDay[]> {
  return (await listSpecialDays(db, houseId)).map(({ day, spans }) => ({
    day,
    spans: spans.map((span, at) => ({ ...span, id: `${day}/${at}` })),
  }))
}

/** Services or quiet windows of a house between two instants, special days in place of the week's. */
export const houseOccurrences = (
  { spans, special, house }: HouseContext,
  kind: 'service' | 'quiet',
  fromMs: number,
  toMs: number,
): Occurrence[] =>
  occurrencesWith(
    spans.filter((span) => span.kind === kind),
    special,
    kind,
    house.zone,
    fromMs,
    toMs,
  )

export async function loadHouseContext(db: Queryable, house: StoredHouse): Promise<HouseContext> {
  return {
    house,
    stations: await listStations(db, house.id),
    periods: await listStationPeriods(db, house.id),
    spans: await listAllSpans(db, house.id),
    special: await specialDays(db, house.id),
  }
}

interface KnownServices {
  readonly fromMs: number
  readonly toMs: number
  readonly services: readonly Occurrence[]
}

const SPARE_MS = 10 * DAY_MS

/** Service times already reckoned of a context; folding a whole fleet asks for the same years again and again. */
const known = new WeakMap<HouseContext, KnownServices>()

function servicesBetween(context: HouseContext, fromMs: number, toMs: number): readonly Occurrence[] {
  const had = known.get(context)
  if (had && had.fromMs <= fromMs && had.toMs >= toMs) return had.services
  // some days to spare on both sides: the next knife’s log begins a little earlier, and years of time-zone arithmetic are not done twice
  const range = {
    fromMs: Math.min(fromMs - SPARE_MS, had?.fromMs ?? Infinity),
    toMs: Math.max(toMs + SPARE_MS, had?.toMs ?? -Infinity),
  }
  const services = houseOccurrences(context, 'service', range.fromMs, range.toMs)
  known.set(context, { ...range, services })
  return services
}

/** Stations, and service times that reach at least from one instant to another, as the wear law wants them. */
export function usageContext(context: HouseContext, fromMs: number, toMs: number): UsageContext {
  return {
    stations: context.periods,
    services: servicesBetween(context, fromMs, toMs),
  }
}
