import { startOfDay, type Occurrence } from '../house/serviceClock'

/** Days on end with services of which nothing is on record. */
export interface Silence {
  /** begin of its first and of its last day */
  readonly fromMs: number
  readonly lastMs: number
  readonly services: number
}

/** A day that nobody recorded anything on happens; from two on end it is a gap that a sum over it has to say (assumed). */
const DAYS_OF_A_GAP = 2

/**
 * Gaps in what a kitchen records: days on end that had services and left no record. Days without services are no gap and
 * end none.
 *
 * @param services in order of their start
 * @param recorded begin of each day that something is on record of
 * @param zone IANA time zone
 */
export function silences(services: readonly Occurrence[], recorded: ReadonlySet<number>, zone: string): Silence[] {
  const perDay = new Map<number, number>()
  for (const { startMs } of services) {
    const day = startOfDay(startMs, zone)
    perDay.set(day, (perDay.get(day) ?? 0) + 1)
  }
  const found: (Silence & { readonly days: number })[] = []
  let isOpen = false
  for (const [day, count] of perDay) {
    const last = isOpen ? found.at(-1) : undefined
    isOpen = !recorded.has(day)
    if (!isOpen) continue
    if (last) found.splice(-1, 1, { ...last, lastMs: day, services: last.services + count, days: last.days + 1 })
    else found.push({ fromMs: day, lastMs: day, services: count, days: 1 })
  }
  return found.filter(({ days }) => days >= DAYS_OF_A_GAP).map(({ days: _, ...gap }) => gap)
}
