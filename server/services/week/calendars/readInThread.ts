import type { CalendarReading } from '../../../../contract/week'
import { Fault } from '../../../faults'
import { startThread, threadEnd } from '../../../jobs/runThread'
import type { CalendarFault, CalendarWindow } from './readCalendar'

export interface CalendarTask {
  readonly text: string
  readonly window: CalendarWindow
}
export type CalendarAnswer =
  { readonly reading: CalendarReading } | { readonly fault: CalendarFault['key']; readonly event: string }

const MODULE = new URL('./calendarThread.ts', import.meta.url)
/** Rules can be written that never come to a date; no calendar of a kitchen takes this long. */
const MOST_MS = 5000

/**
 * Reads a calendar in a thread of its own, which is ended when it takes too long: a file of strangers cannot hold
 * the server up.
 *
 * @throws Fault for a file that is none, repeats too often, or without end
 */
export async function readInThread(task: CalendarTask): Promise<CalendarReading> {
  const thread = startThread(MODULE, task)
  let answer: CalendarAnswer | null = null
  thread.once('message', (told: CalendarAnswer) => {
    answer = told
  })
  let isLate = false
  const clock = setTimeout(() => {
    isLate = true
    void thread.terminate()
  }, MOST_MS)
  try {
    await threadEnd(thread)
  } catch (error) {
    if (!isLate) throw error
  } finally {
    clearTimeout(clock)
  }
  const told = answer as CalendarAnswer | null
  if (told === null) throw new Fault('invalid', 'calendar-too-long')
  if ('fault' in told) throw new Fault('invalid', told.fault, { name: told.event })
  return told.reading
}
