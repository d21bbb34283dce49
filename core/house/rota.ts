import { DAY_MS } from '../time'
import { occurrences, startOfDay, type Occurrence, type WeeklySpan } from './serviceClock'

/** A shift of the weekly pattern, in the house's wall time; weekday 1 is Monday. */
export interface Shift {
  readonly id: string
  readonly personId: string
  readonly weekday: number
  readonly starts: string
  readonly ends: string
}

/** What one person does on one day instead of the pattern; nobody comes in where times are null. */
export interface ShiftDay {
  readonly personId: string
  /** calendar day of the house, YYYY-MM-DD */
  readonly day: string
  readonly starts: string | null
  readonly ends: string | null
}

export interface Presence {
  readonly personId: string
  readonly startMs: number
  readonly endMs: number
}

/** A day of the house that is not like its weekday: a banquet, a closed day. Its spans stand in place of the week's. */
export interface SpecialDay {
  readonly day: string
  readonly spans: readonly {
    readonly id: string
    readonly kind: 'service' | 'quiet'
    readonly name: string
    readonly starts: string
    readonly ends: string
  }[]
}

const weekdayOf = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7
const calendars = new Map<string, Intl.DateTimeFormat>()
/** Calendar day of a zone. Formatters are kept: making one costs a hundred times its use. */
function dayOf(atMs: number, zone: string): string {
  const calendar =
    calendars.get(zone) ??
    new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' })
  calendars.set(zone, calendar)
  return calendar.format(atMs)
}

/** A span of one calendar day, as the only week of a weekly span. */
const onOneDay = (span: Omit<WeeklySpan, 'weekday'>, day: string, zone: string): WeeklySpan => {
  // noon is on the day in every zone; the day's own midnights bound it
  const noon = Date.parse(`${day}T12:00:00Z`)
  const from = startOfDay(noon, zone)
  return { ...span, weekday: weekdayOf(day), fromMs: from, untilMs: startOfDay(from + 1.5 * DAY_MS, zone) }
}

/**
 * Spans of the week with special days put in their place, ready for {@link occurrences}.
 *
 * @param kind which of the special days' spans to take
 */
export function occurrencesWith(
  spans: readonly WeeklySpan[],
  special: readonly SpecialDay[],
  kind: 'service' | 'quiet',
  zone: string,
  fromMs: number,
  toMs: number,
): Occurrence[] {
  const usual = occurrences(spans, zone, fromMs, toMs)
  if (special.length === 0) return usual
  const replaced = new Set(special.map(({ day }) => day))
  const own = special.flatMap(({ day, spans: ofDay }) =>
    ofDay.filter((span) => span.kind === kind).map((span) => onOneDay(span, day, zone)),
  )
  return [
    ...usual.filter(({ startMs }) => !replaced.has(dayOf(startMs, zone))),
    ...occurrences(own, zone, fromMs, toMs),
  ].sort((a, b) => a.startMs - b.startMs)
}

/** Who is in the house when: the pattern, with single days in its place. Summer time is the zone's. */
export function presences(
  shifts: readonly Shift[],
  days: readonly ShiftDay[],
  zone: string,
  fromMs: number,
  toMs: number,
): Presence[] {
  const people = new Set([...shifts, ...days].map(({ personId }) => personId))
  return [...people]
    .flatMap((personId): Presence[] => {
      const own = days.filter((one) => one.personId === personId)
      const special = [...new Set(own.map(({ day }) => day))].map((day): SpecialDay => ({
        day,
        spans: own.flatMap((one, index) =>
          one.day !== day || one.starts === null || one.ends === null
            ? []
            : [{ id: `${day}/${index}`, kind: 'service' as const, name: '', starts: one.starts, ends: one.ends }],
        ),
      }))
      const pattern = shifts
        .filter((shift) => shift.personId === personId)
        .map(({ id, weekday, starts, ends }) => ({ id, weekday, name: '', starts, ends }))
      return occurrencesWith(pattern, special, 'service', zone, fromMs, toMs).map(({ startMs, endMs }) => ({
        personId,
        startMs,
        endMs,
      }))
    })
    .sort((a, b) => a.startMs - b.startMs)
}

const clockMinutes = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3))
const WEEK_MINUTES = 7 * 24 * 60

/** The first two shifts of one person's week that overlap, or null. A shift whose end is not after its start runs past midnight. */
export function overlappingShifts<S extends Pick<Shift, 'weekday' | 'starts' | 'ends'>>(
  shifts: readonly S[],
): readonly [S, S] | null {
  const timed = shifts.map((shift) => {
    const start = (shift.weekday - 1) * 24 * 60 + clockMinutes(shift.starts)
    const length = (clockMinutes(shift.ends) - clockMinutes(shift.starts) + 24 * 60) % (24 * 60)
    return { shift, start, length }
  })
  for (const [index, a] of timed.entries()) {
    for (const b of timed.slice(index + 1)) {
      const ahead = (b.start - a.start + WEEK_MINUTES) % WEEK_MINUTES
      if (ahead < a.length || WEEK_MINUTES - ahead < b.length) return [a.shift, b.shift]
    }
  }
  return null
}

/** Whether somebody is in the house at an instant. */
export const isPresent = (all: readonly Presence[], personId: string, atMs: number): boolean =>
  all.some((one) => one.personId === personId && one.startMs <= atMs && atMs < one.endMs)
