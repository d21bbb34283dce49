import { readFileSync } from 'node:fs'
import nodeIcal from 'node-ical'
import { describe, expect, it } from 'vitest'
import { CalendarFault, readCalendar, type CalendarWindow } from './readCalendar'

const fileAt = (name: string): string => readFileSync(new URL(`./files/${name}.ics`, import.meta.url), 'utf8')
const window = (zone: string): CalendarWindow => ({ zone, fromDay: '2026-03-10', toDay: '2026-04-09' })

interface Expected {
  readonly file: string
  readonly zone: string
  /** as a person would write them on the wall: day, hours or off */
  readonly days: readonly string[]
  readonly leftOut?: readonly string[]
}

/** What each file says to whoever reads it with the wall calendar of 2026 beside it. */
const FILES: readonly Expected[] = [
  {
    file: 'new-york',
    zone: 'America/New_York',
    days: ['03-13 17:00–23:30', '03-14 17:00–23:30', '03-20 17:00–23:30', '03-21 17:00–23:30'],
  },
  {
    file: 'windows-zone',
    zone: 'America/New_York',
    days: ['03-12 17:00–23:00', '03-13 17:00–23:00', '03-14 17:00–23:00'],
  },
  {
    file: 'own-zone',
    zone: 'Europe/Dublin',
    days: ['03-27 09:00–17:00', '03-28 09:00–17:00', '03-29 09:00–17:00', '03-30 09:00–17:00'],
  },
  { file: 'moved', zone: 'Europe/Dublin', days: ['03-11 10:00–18:00', '03-19 12:00–20:00', '04-01 10:00–18:00'] },
  {
    file: 'added-and-left-out',
    zone: 'Europe/Dublin',
    days: ['03-12 09:00–17:00', '03-15 09:00–17:00', '03-20 09:00–17:00', '03-22 09:00–17:00'],
  },
  {
    file: 'days-off',
    zone: 'Europe/Dublin',
    days: ['03-16 off', '03-17 off', '03-18 off', '03-20 09:00–17:00', '03-23 off'],
    leftOut: ['Bank holiday: free', 'Early: on-a-day-off'],
  },
  { file: 'duration', zone: 'Europe/Dublin', days: ['03-13 07:00–15:30', '03-27 07:00–15:30'] },
  // the clocks go forward in the night to 29 March; the bakery goes home at six all the same
  { file: 'nights', zone: 'Europe/Dublin', days: ['03-27 22:00–06:00', '03-28 22:00–06:00', '03-29 22:00–06:00'] },
  {
    file: 'not-work',
    zone: 'Europe/Dublin',
    days: ['03-19 09:00–17:00'],
    leftOut: ['Banquet: cancelled', 'Dentist: free', 'Fair: too-long', 'Order fish: no-hours'],
  },
  { file: 'sent-again', zone: 'Europe/Dublin', days: ['03-12 11:00–19:00'] },
  {
    file: 'floating',
    zone: 'Europe/Dublin',
    days: ['03-12 09:00–15:30', '03-15 09:00–15:30', '03-19 09:00–15:30', '03-22 09:00–15:30'],
  },
  { file: 'two-calendars', zone: 'Europe/Dublin', days: ['03-12 09:00–17:00', '03-13 09:00–17:00'] },
  { file: 'monthly', zone: 'Europe/Dublin', days: ['03-29 08:00–12:00', '03-31 08:00–12:00'] },
  {
    file: 'tokyo',
    zone: 'Europe/Dublin',
    days: ['03-10 00:00–08:00', '03-11 00:00–08:00', '03-12 00:00–08:00', '03-13 00:00–08:00'],
  },
  { file: 'unknown-zone', zone: 'Europe/Dublin', days: ['03-13 09:00–17:00'], leftOut: ['Elsewhere: unknown-zone'] },
]

const asWritten = (text: string, zone: string): { days: string[]; leftOut: string[] } => {
  const { entries, leftOut } = readCalendar(text, window(zone))
  return {
    days: entries.map(
      ({ day, starts, ends }) => `${day.slice(5)} ${starts === null ? 'off' : `${starts}–${ends ?? ''}`}`,
    ),
    leftOut: leftOut.map(({ summary, why }) => `${summary}: ${why}`).sort(),
  }
}

describe('a calendar of shifts', () => {
  it.each(FILES)('$file says what a person would read in it', ({ file, zone, days, leftOut = [] }) => {
    expect(asWritten(fileAt(file), zone)).toEqual({ days, leftOut })
  })

  it('keeps what a shift is called, whole and without its escapes', () => {
    const { entries } = readCalendar(fileAt('two-calendars'), window('Europe/Dublin'))
    expect(entries.map(({ note }) => note)).toEqual(['Plats du jour, garde-manger', 'Entremétier'])
  })

  it.each(['FREQ=MINUTELY', 'FREQ=HOURLY;INTERVAL=2', 'FREQ=DAILY;BYHOUR=9,10'])('refuses %s', (rule) => {
    const text = fileAt('duration').replace(/RRULE:.*/, `RRULE:${rule}`)
    expect(() => readCalendar(text, window('UTC'))).toThrow(CalendarFault)
  })

  it('refuses what is no calendar', () => {
    for (const text of [
      '',
      'BEGIN:NOTHING',
      'date,shift\n2026-03-01,early',
      'BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:soon',
    ])
      expect(() => readCalendar(text, window('UTC')), text).toThrow(CalendarFault)
  })

  it('reads on where one entry says nothing readable', () => {
    const text = fileAt('sent-again').replace(
      'BEGIN:VEVENT',
      'BEGIN:VEVENT\r\nSUMMARY:Broken\r\nEND:VEVENT\r\nBEGIN:VEVENT',
    )
    const { entries, leftOut } = readCalendar(text, window('UTC'))
    expect(entries).toHaveLength(1)
    expect(leftOut).toEqual([{ summary: 'Broken', why: 'unreadable' }])
  })
})

/** Files of which node-ical, which has parser and recurrence of its own, says when each shift begins and ends. */
const AGREED = ['new-york', 'windows-zone', 'moved', 'duration', 'monthly', 'sent-again'] as const

describe('beside another parser', () => {
  it.each(AGREED)('%s begins at the same instants by node-ical', (file) => {
    const { zone = 'UTC' } = FILES.find((one) => one.file === file) ?? {}
    const { entries } = readCalendar(fileAt(file), window(zone))
    const [from, to] = [new Date('2026-03-10T00:00:00Z'), new Date('2026-04-09T00:00:00Z')]
    const theirs = Object.values(nodeIcal.sync.parseICS(fileAt(file))).flatMap((one) =>
      one?.type === 'VEVENT' ? nodeIcal.expandRecurringEvent(one, { from, to }) : [],
    )
    const written = (at: Date): string =>
      new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' }).format(at)
    expect(entries.map(({ day, starts }) => `${day} ${starts ?? ''}`)).toEqual(
      theirs
        .filter(({ event }) => event.status !== 'CANCELLED')
        .map(({ start }) => written(start))
        .sort(),
    )
  })
})
