import { convertIcsCalendar, extendByRecurrenceRule, type IcsEvent, type IcsRecurrenceRule } from 'ts-ics'
import type { PersonDays } from '../../../contract/week'
import type { Wire } from '../../../contract/wire'
import { startOfDay } from '../../../core/house/serviceClock'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { dayOf, setShiftDays } from './crew'

const READ_AHEAD_DAYS = 60
/** Days that the rules of one file may be followed over, all together: some three hundred staff over ten years. */
const MOST_RULE_DAYS = 1_000_000
const MOST_ENTRIES = 100
const NOTE_CHARACTERS = 80

type Rule = IcsRecurrenceRule
const OFTENER_THAN_DAILY: ReadonlySet<Rule['frequency']> = new Set(['SECONDLY', 'MINUTELY', 'HOURLY'])

/** Whether a rule makes more than one date a day: no shift does. */
const isOftenerThanDaily = ({ frequency, byHour, byMinute, bySecond }: Rule): boolean =>
  OFTENER_THAN_DAILY.has(frequency) || [byHour, byMinute, bySecond].some((list) => (list?.length ?? 0) > 1)

/** Days a rule is followed over, from where it starts to where it, or what is looked at, ends. */
function ruleDays({ start, recurrenceRule: rule }: IcsEvent, to: Date): number {
  if (!rule) return 0
  const end = Math.min(to.getTime(), rule.until?.date.getTime() ?? Infinity)
  return Math.max(0, (end - start.date.getTime()) / DAY_MS)
}

/**
 * Refuses a file whose rules would be followed for ever.
 *
 * @throws Fault `calendar-too-often` for a rule of hours, minutes or seconds, `calendar-too-long` for too many days
 */
function assertBounded(events: readonly IcsEvent[], to: Date): void {
  const often = events.find(({ recurrenceRule }) => recurrenceRule && isOftenerThanDaily(recurrenceRule))
  if (often) throw new Fault('invalid', 'calendar-too-often', { name: often.summary.slice(0, NOTE_CHARACTERS) })
  const days = events.reduce((sum, event) => sum + ruleDays(event, to), 0)
  if (!(days <= MOST_RULE_DAYS)) throw new Fault('invalid', 'calendar-too-long')
}

/** Every time an event happens between two instants. */
function expandEvent(event: IcsEvent, from: Date, to: Date): { start: Date; end: Date }[] {
  const start = event.start.date
  const length = (event.end?.date.getTime() ?? start.getTime()) - start.getTime()
  const exceptions = event.exceptionDates?.map(({ date }) => date) ?? []
  const starts = event.recurrenceRule
    ? extendByRecurrenceRule(event.recurrenceRule, { start, end: to, exceptions })
    : [start]
  return starts
    .filter((one) => one >= from && one < to)
    .map((one) => ({ start: one, end: new Date(one.getTime() + length) }))
}

function readEvents(calendar: string): readonly IcsEvent[] {
  try {
    return convertIcsCalendar(undefined, calendar).events ?? []
  } catch {
    throw new Fault('invalid', 'calendar-unreadable')
  }
}

/**
 * Reads an iCalendar file of shifts into single days of a person: a dry run, or all of it.
 *
 * @throws Fault for a file that is none, says nothing of the days ahead, or repeats without bounds
 */
export async function readShifts(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  input: { readonly calendar: string; readonly apply: boolean },
): Promise<{ entries: Wire<typeof PersonDays>; applied: boolean }> {
  const { zone } = caller.house
  const from = new Date(startOfDay(clock().getTime(), zone))
  const to = new Date(from.getTime() + READ_AHEAD_DAYS * DAY_MS)
  const events = readEvents(input.calendar).filter(({ start }) => start.type !== 'DATE')
  assertBounded(events, to)
  const clockOf = (at: Date): string =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(at)
  const entries = events
    .flatMap((event) =>
      expandEvent(event, from, to).map(({ start, end }) => ({
        day: dayOf(start, zone),
        starts: clockOf(start),
        ends: clockOf(end),
        note: (event.summary ?? '').slice(0, NOTE_CHARACTERS),
      })),
    )
    .filter(({ starts, ends }) => starts !== ends)
    .sort((a, b) => a.day.localeCompare(b.day) || a.starts.localeCompare(b.starts))
  if (entries.length === 0) throw new Fault('invalid', 'calendar-empty', { days: READ_AHEAD_DAYS })
  if (entries.length > MOST_ENTRIES) throw new Fault('invalid', 'calendar-too-many', { most: MOST_ENTRIES })
  if (input.apply) await setShiftDays(db, clock, caller, personId, { days: [], entries })
  return { entries, applied: input.apply }
}
