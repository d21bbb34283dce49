import { TZDate, tzOffset } from '@date-fns/tz'
import { DAY_MS, MINUTE_MS } from '../time'

/** A weekly span in the house's own wall time; weekday 1 is Monday (ISO 8601), times are HH:MM. */
export interface WeeklySpan {
  readonly id: string
  readonly weekday: number
  readonly name: string
  readonly starts: string
  readonly ends: string
  /** the weeks in which the house kept this span; always, where left out */
  readonly fromMs?: number
  readonly untilMs?: number | null
}

/** One span on one day, as instants in milliseconds since the epoch. */
export interface Occurrence {
  readonly spanId: string
  readonly name: string
  readonly startMs: number
  readonly endMs: number
}

/** A calendar day: midnight UTC of its date stands for the date itself. */
type DateMs = number

/** Minutes after midnight of a wall clock. */
function minutesOf(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  return 60 * hours + minutes
}

/**
 * Turns wall times of one day into instants. On all but two days of the year the offset is the same
 * from one midnight to the midnight after next, and reckoning with it is exact and fast.
 */
function dayClock(date: DateMs, zone: string): (minutes: number, addDays: number) => number {
  const early = tzOffset(zone, new Date(date - DAY_MS))
  const late = tzOffset(zone, new Date(date + 3 * DAY_MS))
  if (early === late) return (minutes, addDays) => date + addDays * DAY_MS + (minutes - early) * MINUTE_MS
  const day = new Date(date)
  // a time that summer time skips lands after the gap, as clocks do
  return (minutes, addDays) =>
    new TZDate(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate() + addDays, 0, minutes, zone).getTime()
}

/** Midnight that opens the day containing an instant, in the house's zone. */
export function startOfDay(atMs: number, zone: string): number {
  const at = new TZDate(atMs, zone)
  return new TZDate(at.getFullYear(), at.getMonth(), at.getDate(), 0, 0, zone).getTime()
}

/**
 * Every occurrence of weekly spans that ends after `fromMs` and starts before `toMs`, in order of
 * start. A span whose end is not after its start runs past midnight. Summer time is the zone's.
 *
 * @param zone IANA time zone
 */
export function occurrences(spans: readonly WeeklySpan[], zone: string, fromMs: number, toMs: number): Occurrence[] {
  const found: Occurrence[] = []
  if (spans.length === 0 || toMs <= fromMs) return found
  const first = new TZDate(fromMs - DAY_MS, zone)
  for (let date = Date.UTC(first.getFullYear(), first.getMonth(), first.getDate()); ; date += DAY_MS) {
    const instant = dayClock(date, zone)
    if (instant(0, 0) >= toMs) break
    const weekday = new Date(date).getUTCDay() || 7
    for (const span of spans) {
      if (span.weekday !== weekday) continue
      const startMs = instant(minutesOf(span.starts), 0)
      const endMs = instant(minutesOf(span.ends), span.ends <= span.starts ? 1 : 0)
      if (startMs < (span.fromMs ?? -Infinity) || startMs >= (span.untilMs ?? Infinity)) continue
      if (endMs > fromMs && startMs < toMs) found.push({ spanId: span.id, name: span.name, startMs, endMs })
    }
  }
  return found.sort((a, b) => a.startMs - b.startMs)
}

/** Spans of one calendar day of the house, clipped to nothing: a late service keeps its real end. */
export function occurrencesOfDay(spans: readonly WeeklySpan[], zone: string, atMs: number): Occurrence[] {
  const from = startOfDay(atMs, zone)
  const to = startOfDay(from + 1.5 * DAY_MS, zone)
  return occurrences(spans, zone, from, to).filter((one) => one.startMs >= from)
}

/**
 * Occurrences that overlap laid together: what is left is in order of start, and nobody can be in two of them at once.
 * One that begins as another ends stays its own.
 */
export function laidTogether(all: readonly Occurrence[]): Occurrence[] {
  const together: Occurrence[] = []
  for (const one of [...all].sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs)) {
    const last = together.at(-1)
    if (!last || one.startMs >= last.endMs) together.push(one)
    else together[together.length - 1] = { ...last, endMs: Math.max(last.endMs, one.endMs) }
  }
  return together
}
