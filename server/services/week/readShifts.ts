import type { CalendarReading } from '../../../contract/week'
import { startOfDay } from '../../../core/house/serviceClock'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { readInThread } from './calendars/readInThread'
import { dayOf, setShiftDays } from './crew'

const READ_AHEAD_DAYS = 60
const MOST_ENTRIES = 100

/**
 * Reads an iCalendar file of shifts into single days of a person: a dry run that shows each day and hour, and what says
 * nothing of hours; or all of it.
 *
 * @throws Fault for a file that is none, says nothing of the days ahead, or repeats without bounds
 */
export async function readShifts(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  input: { readonly calendar: string; readonly apply: boolean },
): Promise<CalendarReading & { applied: boolean }> {
  const { zone } = caller.house
  const fromMs = startOfDay(clock().getTime(), zone)
  const { entries, leftOut } = await readInThread({
    text: input.calendar,
    window: {
      zone,
      fromDay: dayOf(new Date(fromMs), zone),
      toDay: dayOf(new Date(fromMs + READ_AHEAD_DAYS * DAY_MS), zone),
    },
  })
  if (entries.length === 0 && (input.apply || leftOut.length === 0))
    throw new Fault('invalid', 'calendar-empty', { days: READ_AHEAD_DAYS })
  if (entries.length > MOST_ENTRIES) throw new Fault('invalid', 'calendar-too-many', { most: MOST_ENTRIES })
  if (input.apply) await setShiftDays(db, clock, caller, personId, { days: [], entries })
  return { entries, leftOut, applied: input.apply }
}
