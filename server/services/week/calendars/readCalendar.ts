import ICAL from 'ical.js'
import type { CalendarLeftOut, CalendarReading } from '../../../../contract/week'
import { DAY_MS } from '../../../../core/time'
import { UTC_ZONE, zoneNamed, zoneOfHouse, type Zone } from './zones'

/** What of a calendar is looked at. */
export interface CalendarWindow {
  /** zone of the house, IANA */
  readonly zone: string
  /** days of the house from the first, and up to but without the last, YYYY-MM-DD */
  readonly fromDay: string
  readonly toDay: string
}

/** A file that cannot be read at all; `name` is of the entry at fault. */
export class CalendarFault extends Error {
  constructor(
    readonly key: 'calendar-unreadable' | 'calendar-too-often' | 'calendar-too-long',
    readonly event: string = '',
  ) {
    super(key)
  }
}

type Why = CalendarLeftOut['why']
const NOTE_CHARACTERS = 80
/** Dates that the rules of one file may be followed over, all together: some three hundred staff over ten years. */
const MOST_DATES = 1_000_000
const OFTENER_THAN_DAILY = new Set(['SECONDLY', 'MINUTELY', 'HOURLY'])

/** One entry of a file: a master, or what stands in place of one of its dates. */
interface Entry {
  readonly event: ICAL.Component
  readonly uid: string
  readonly summary: string
  readonly start: ICAL.Time
  readonly zone: Zone
  /** the date it stands in place of */
  readonly inPlaceOfMs: number | null
}

interface Happening {
  readonly day: string
  readonly starts: string | null
  readonly ends: string | null
  readonly note: string
}

const dayNumber = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY_MS
const dayAfter = (day: string, days: number): string =>
  new Date((dayNumber(day) + days) * DAY_MS).toISOString().slice(0, 10)

function parse(text: string): ICAL.Component[] {
  let all: unknown[]
  try {
    const parsed = ICAL.parse(text.replace(/^\uFEFF/, '').trim()) as unknown[]
    all = Array.isArray(parsed[0]) ? parsed : [parsed]
  } catch {
    throw new CalendarFault('calendar-unreadable')
  }
  const calendars = all.map((one) => new ICAL.Component(one as never)).filter(({ name }) => name === 'vcalendar')
  if (calendars.length === 0) throw new CalendarFault('calendar-unreadable')
  return calendars
}

const textOf = (event: ICAL.Component, name: string): string => {
  const value = event.getFirstPropertyValue(name)
  return typeof value === 'string' ? value.trim() : ''
}
const timesOf = (event: ICAL.Component, name: string): { time: ICAL.Time; property: ICAL.Property }[] =>
  event.getAllProperties(name).flatMap((property) =>
    property.getValues().flatMap((value) => {
      if (value instanceof ICAL.Time) return [{ time: value, property }]
      return value instanceof ICAL.Period ? [{ time: value.start, property }] : []
    }),
  )

/** Reads the entries of a calendar one after another, keeping what could not be read and why. */
class Reader {
  readonly leftOut: CalendarLeftOut[] = []
  private readonly house: Zone
  private readonly described: ReadonlyMap<string, ICAL.Component>
  private followed = 0

  constructor(
    private readonly calendars: readonly ICAL.Component[],
    private readonly window: CalendarWindow,
  ) {
    this.house = zoneOfHouse(window.zone)
    this.described = new Map(
      calendars
        .flatMap((calendar) => calendar.getAllSubcomponents('vtimezone'))
        .map((zone) => [textOf(zone, 'tzid'), zone]),
    )
  }

  private leave(summary: string, why: Why): void {
    if (!this.leftOut.some((one) => one.summary === summary && one.why === why)) this.leftOut.push({ summary, why })
  }

  /** Zone of a time as it is written; null where it names one that nobody knows. */
  private zoneOf(time: ICAL.Time, property: ICAL.Property): Zone | null {
    if (time.isDate) return this.house
    if (time.zone === ICAL.Timezone.utcTimezone) return UTC_ZONE
    const tzid = property.getParameter('tzid')
    return typeof tzid === 'string' ? zoneNamed(tzid, this.described) : this.house
  }

  private entries(): Entry[] {
    return this.calendars
      .flatMap((calendar) => calendar.getAllSubcomponents('vevent'))
      .flatMap((event): Entry[] => {
        const summary = textOf(event, 'summary').slice(0, NOTE_CHARACTERS)
        const [start] = timesOf(event, 'dtstart')
        const zone = start && this.zoneOf(start.time, start.property)
        if (!start || !zone) {
          this.leave(summary, start ? 'unknown-zone' : 'unreadable')
          return []
        }
        const [place] = timesOf(event, 'recurrence-id')
        const placeZone = place && (this.zoneOf(place.time, place.property) ?? zone)
        if (place?.property.getParameter('range') === 'THISANDFUTURE') this.leave(summary, 'this-and-future')
        return [
          {
            event,
            uid: textOf(event, 'uid') || `${summary} ${start.time.toString()}`,
            summary,
            start: start.time,
            zone,
            inPlaceOfMs: place && placeZone ? placeZone.instantOf(place.time) : null,
          },
        ]
      })
  }

  /** Of entries sent again only the newest stands. */
  private newest(all: readonly Entry[]): Entry[] {
    const kept = new Map<string, Entry>()
    const sequence = ({ event }: Entry): number => Number(event.getFirstPropertyValue('sequence') ?? 0)
    for (const one of all) {
      const key = `${one.uid} ${one.inPlaceOfMs ?? ''}`
      const before = kept.get(key)
      if (!before || sequence(one) >= sequence(before)) kept.set(key, one)
    }
    return [...kept.values()]
  }

  /** Starts of an entry as wall times of its own zone, up to the end of the window. */
  private starts({ event, start, zone, summary }: Entry, untilMs: number): ICAL.Time[] {
    const floating = (time: ICAL.Time): ICAL.Time => {
      const wall = time.clone()
      wall.zone = ICAL.Timezone.localTimezone
      return wall
    }
    const firstYear = Number(this.window.fromDay.slice(0, 4)) - 1
    const first = floating(start)
    const found = [first]
    for (const value of event.getAllProperties('rrule').flatMap((property) => property.getValues())) {
      if (!(value instanceof ICAL.Recur)) continue
      const lists = value.parts as Record<string, readonly unknown[]>
      if (
        OFTENER_THAN_DAILY.has(value.freq) ||
        ['BYHOUR', 'BYMINUTE', 'BYSECOND'].some((part) => (lists[part]?.length ?? 0) > 1)
      )
        throw new CalendarFault('calendar-too-often', summary)
      const rule = value.clone()
      const lastMs = this.lastInstant(rule.until, zone)
      // the last date is told as an instant, dates are followed as wall times
      rule.until = null as never
      const dates = rule.iterator(first)
      for (let wall = dates.next(); wall; wall = dates.next()) {
        if (++this.followed > MOST_DATES) throw new CalendarFault('calendar-too-long')
        // dates long past are counted, and that is all
        if (wall.year < firstYear) continue
        const atMs = zone.instantOf(wall)
        if (atMs > lastMs || atMs >= untilMs) break
        found.push(wall.clone())
      }
    }
    const more = timesOf(event, 'rdate').map(({ time }) => floating(time))
    const except = timesOf(event, 'exdate').map(({ time, property }) => ({
      isDate: time.isDate,
      day: time.toString().slice(0, 10),
      ms: (this.zoneOf(time, property) ?? zone).instantOf(time),
    }))
    const seen = new Set<number>()
    return [...found, ...more].filter((wall) => {
      const atMs = zone.instantOf(wall)
      if (seen.has(atMs)) return false
      seen.add(atMs)
      const day = wall.toString().slice(0, 10)
      return !except.some((one) => (one.isDate ? one.day === day : one.ms === atMs))
    })
  }

  private lastInstant(until: ICAL.Time | null, zone: Zone): number {
    if (!until) return Infinity
    if (until.isDate) return zone.instantOf(until) + DAY_MS - 1
    return (until.zone === ICAL.Timezone.utcTimezone ? UTC_ZONE : zone).instantOf(until)
  }

  /** End of an entry that starts at a wall time: as long by the clock as the entry itself. */
  private endMs({ event, start, zone }: Entry, wall: ICAL.Time): number {
    const [end] = timesOf(event, 'dtend')
    if (end) {
      const endZone = this.zoneOf(end.time, end.property) ?? zone
      const exact = endZone.instantOf(end.time) - zone.instantOf(start)
      if (
        endZone !== zone &&
        end.property.getParameter('tzid') !== event.getFirstProperty('dtstart')?.getParameter('tzid')
      )
        return zone.instantOf(wall) + exact
      const length = end.time.clone()
      length.zone = ICAL.Timezone.localTimezone
      const from = start.clone()
      from.zone = ICAL.Timezone.localTimezone
      const ends = wall.clone()
      ends.addDuration(length.subtractDate(from))
      return zone.instantOf(ends)
    }
    const duration = event.getFirstPropertyValue('duration')
    const ends = wall.clone()
    if (duration instanceof ICAL.Duration) ends.addDuration(duration)
    else if (start.isDate) ends.adjust(1, 0, 0, 0)
    return zone.instantOf(ends)
  }

  private clockOf(ms: number): { day: string; clock: string } {
    const parts = new Intl.DateTimeFormat('sv-SE', {
      timeZone: this.window.zone,
      dateStyle: 'short',
      timeStyle: 'short',
    }).format(ms)
    const [day = '', clock = ''] = parts.split(' ')
    return { day, clock }
  }

  /** Why an entry says nothing of when somebody works; null where it does. */
  private notWork({ event, start }: Entry): Why | null {
    if (textOf(event, 'status').toUpperCase() === 'CANCELLED') return 'cancelled'
    if (textOf(event, 'transp').toUpperCase() === 'TRANSPARENT') return 'free'
    if (!start.isDate && !event.hasProperty('dtend') && !event.hasProperty('duration')) return 'no-hours'
    return null
  }

  private happenings(entry: Entry, wall: ICAL.Time): Happening[] {
    const { summary, start, zone } = entry
    const startMs = zone.instantOf(wall)
    const endMs = this.endMs(entry, wall)
    if (start.isDate) {
      const first = wall.toString().slice(0, 10)
      const days = Math.max(1, Math.round((endMs - startMs) / DAY_MS))
      return Array.from({ length: days }, (_, at) => ({
        day: dayAfter(first, at),
        starts: null,
        ends: null,
        note: summary,
      }))
    }
    if (endMs <= startMs || endMs - startMs >= DAY_MS) {
      this.leave(summary, endMs <= startMs ? 'no-hours' : 'too-long')
      return []
    }
    const [from, to] = [this.clockOf(startMs), this.clockOf(endMs)]
    return [{ day: from.day, starts: from.clock, ends: to.clock, note: summary }]
  }

  read(): CalendarReading {
    const all = this.newest(this.entries())
    const { fromDay, toDay } = this.window
    // a day beyond, since the zone of an entry may be a day away from the house
    const untilMs = (dayNumber(toDay) + 2) * DAY_MS
    const moved = new Map<string, ReadonlySet<number>>()
    for (const { uid, inPlaceOfMs } of all)
      if (inPlaceOfMs !== null) moved.set(uid, new Set([...(moved.get(uid) ?? []), inPlaceOfMs]))
    const found = all.flatMap((entry): Happening[] => {
      const why = this.notWork(entry)
      if (why) {
        // a date taken out of a series is no news; an entry of its own is
        if (entry.inPlaceOfMs === null) this.leave(entry.summary, why)
        return []
      }
      if (entry.inPlaceOfMs !== null) return this.happenings(entry, entry.start)
      const gone = moved.get(entry.uid)
      return this.starts(entry, untilMs)
        .filter((wall) => !gone?.has(entry.zone.instantOf(wall)))
        .flatMap((wall) => this.happenings(entry, wall))
    })
    return this.settled(found.filter(({ day }) => day >= fromDay && day < toDay))
  }

  /** In order, each once; a day off is off, whatever else stands on it. */
  private settled(found: readonly Happening[]): CalendarReading {
    const off = new Set(found.filter(({ starts }) => starts === null).map(({ day }) => day))
    const seen = new Set<string>()
    const entries = found
      .filter(({ day, starts, note }) => {
        if (starts === null || !off.has(day)) return true
        this.leave(note, 'on-a-day-off')
        return false
      })
      .filter(({ day, starts, ends }) => {
        const key = `${day} ${starts ?? ''} ${ends ?? ''}`
        const isNew = !seen.has(key)
        seen.add(key)
        return isNew
      })
      .sort((a, b) => a.day.localeCompare(b.day) || (a.starts ?? '').localeCompare(b.starts ?? ''))
    return { entries, leftOut: this.leftOut }
  }
}

/**
 * Reads an iCalendar file (RFC 5545) into the days on which somebody works, or is off, as the house's own wall times.
 * Rules are followed in the zone of each entry: a Friday evening in New York is a Friday there, whatever day it is in UTC.
 *
 * @throws CalendarFault for a file that is none, or repeats oftener than daily or without bounds
 */
export const readCalendar = (text: string, window: CalendarWindow): CalendarReading =>
  new Reader(parse(text), window).read()
