import { TZDate } from '@date-fns/tz'
import { HOUR_MS } from '../../core/time'
import { CellFault, briefOf, type DayOrder, type FilledCell, type ReadCell } from './cells'
import { MONTH_STARTS } from './spellings/others'
import { plain } from './spellings/plain'

/** Days of a spreadsheet's count on which anybody now alive bought a knife: 1954 to 2173. */
const SERIALS = { from: 20_000, to: 100_000 }
const SERIAL_ZERO = Date.UTC(1899, 11, 30)
const DAY_MS = 24 * HOUR_MS
/** A year of two figures is of this century up to here. */
const CENTURY_TURNS = 69

const two = (value: number): string => String(value).padStart(2, '0')
const fullYear = (text: string): number =>
  text.length > 2 ? Number(text) : Number(text) + (Number(text) > CENTURY_TURNS ? 1900 : 2000)

/** @throws CellFault for a day no calendar has */
function isoDay(year: number, month: number, date: number, text: string): string {
  const day = new Date(Date.UTC(year, month - 1, date))
  if (month < 1 || month > 12 || date < 1 || day.getUTCMonth() !== month - 1 || year < 1900 || year > 2200)
    throw new CellFault('not-a-day', { text })
  return `${year}-${two(month)}-${two(date)}`
}

const monthOf = (word: string): number =>
  MONTH_STARTS.findIndex((starts) => starts.some((start) => plain(word).startsWith(plain(start)))) + 1

const BY_FIGURES = /^(\d{1,4})\s*([./-])\s*(\d{1,2})\s*\2\s*(\d{1,4})\.?$/
const DAY_FIRST_WORDS =
  /^(?:\p{L}+\.?,?\s+)?(\d{1,2})\.?(?:st|nd|rd|th|er|º)?[\s-]*(?:de\s+)?(\p{L}{3,})\.?,?[\s-]*(?:de\s+)?(\d{2}|\d{4})$/u
const MONTH_FIRST_WORDS = /^(?:\p{L}+,\s+)?(\p{L}{3,})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/u
const MONTH_ONLY = /^(\p{L}{3,})\.?\s+(\d{4})$/u
const MONTH_FIGURES = /^(\d{1,2})[./-](\d{4})$/
const YEAR_ONLY = /^(19|20)\d{2}$/

/** What a day in figures shows of the order its file writes days in; null where it fits both. */
export function orderShown(text: string): DayOrder | null {
  const [, first = '', , second = '', third = ''] = BY_FIGURES.exec(text.trim()) ?? []
  if (first.length === 4 || third === '') return null
  if (Number(first) > 12 && Number(second) <= 12) return 'dmy'
  if (Number(second) > 12 && Number(first) <= 12) return 'mdy'
  return null
}

/** Whether a day in figures means two days, depending on the order. */
export function isEitherOrder(text: string): boolean {
  const [, first = '', mark, second = '', third = ''] = BY_FIGURES.exec(text.trim()) ?? []
  return (
    third !== '' && first.length < 3 && mark !== '.' && Number(first) <= 12 && Number(second) <= 12 && first !== second
  )
}

/**
 * A calendar day as kitchens write it: 2026-03-31, 31/03/26, 31.3.2026, 3 Mar 2025, March 2025, 2024; a month or a year
 * alone is its first day.
 */
function readDay(cell: FilledCell, order: DayOrder): string {
  if (typeof cell === 'number') {
    if (cell >= SERIALS.from && cell <= SERIALS.to)
      return new Date(SERIAL_ZERO + Math.floor(cell) * DAY_MS).toISOString().slice(0, 10)
    if (YEAR_ONLY.test(String(cell))) return isoDay(cell, 1, 1, String(cell))
    throw new CellFault('not-a-day', { text: String(cell) })
  }
  const text = briefOf(cell)
  const figures = BY_FIGURES.exec(text)
  if (figures) {
    const [, first = '', mark, second = '', third = ''] = figures
    if (first.length > 2) return isoDay(Number(first), Number(second), Number(third), text)
    if (order === 'ymd' && third.length <= 2) return isoDay(fullYear(first), Number(second), Number(third), text)
    // points are written by people who put the day first
    const dayFirst = mark === '.' || order !== 'mdy'
    const [day, month] = dayFirst ? [Number(first), Number(second)] : [Number(second), Number(first)]
    return isoDay(fullYear(third), month, day, text)
  }
  const dayFirst = DAY_FIRST_WORDS.exec(text)
  if (dayFirst) return isoDay(fullYear(dayFirst[3] ?? ''), monthOf(dayFirst[2] ?? ''), Number(dayFirst[1]), text)
  const monthFirst = MONTH_FIRST_WORDS.exec(text)
  if (monthFirst) return isoDay(Number(monthFirst[3]), monthOf(monthFirst[1] ?? ''), Number(monthFirst[2]), text)
  const month = MONTH_ONLY.exec(text)
  if (month) return isoDay(Number(month[2]), monthOf(month[1] ?? ''), 1, text)
  const inFigures = MONTH_FIGURES.exec(text)
  if (inFigures) return isoDay(Number(inFigures[2]), Number(inFigures[1]), 1, text)
  if (YEAR_ONLY.test(text)) return isoDay(Number(text), 1, 1, text)
  throw new CellFault('not-a-day', { text })
}

export const day: ReadCell<string> = (cell, { dayOrder }) => {
  const text = typeof cell === 'string' ? briefOf(cell) : ''
  // a moment where a day is wanted says its day
  const moment = /^(\d{4}-\d{2}-\d{2})[T ]\d{2}:\d{2}/.exec(text)
  return readDay(moment?.[1] ?? cell, dayOrder)
}

const NOON = /^(noon|mittags?|midi|mediodía|mezzogiorno|meio-dia)$/i
const MIDNIGHT = /^(midnight|mitternacht|minuit|medianoche|mezzanotte|meia-noite)$/i
const TIME = /^(\d{1,2})(?:\s*[:.h]\s*(\d{2})(?::\d{2})?)?\s*(h|uhr|hrs?|o'?clock)?\s*(a\.?m\.?|p\.?m\.?|a|p)?$/i
const FOUR_FIGURES = /^([01]\d|2[0-4])([0-5]\d)\s*(?:h|hrs?)?$/i

/** A time of day: 09:30, 9.30, 9am, 9:30 pm, 17h30, 9 Uhr, 0930; 24:00 is midnight. */
export function readTime(cell: FilledCell): string {
  const text = typeof cell === 'number' ? String(cell) : briefOf(cell)
  const fault = new CellFault('not-a-time', { text })
  // a fraction of a day, as spreadsheets keep times
  if (typeof cell === 'number' && cell > 0 && cell < 1) {
    const minutes = Math.round(cell * 24 * 60)
    return `${two(Math.floor(minutes / 60) % 24)}:${two(minutes % 60)}`
  }
  if (NOON.test(text)) return '12:00'
  if (MIDNIGHT.test(text)) return '00:00'
  const figures = FOUR_FIGURES.exec(text)
  const match = figures ?? TIME.exec(text)
  if (!match) throw fault
  const half = (figures ? undefined : match[4])?.toLowerCase()[0]
  const [hours, minutes] = [Number(match[1]), Number(match[2] ?? 0)]
  if (minutes > 59 || hours > 24 || (hours === 24 && minutes > 0) || (half && (hours < 1 || hours > 12))) throw fault
  const onClock = half === 'p' ? (hours % 12) + 12 : half === 'a' ? hours % 12 : hours % 24
  return `${two(onClock)}:${two(minutes)}`
}

export const wallTime: ReadCell<string> = (cell) => readTime(cell)

type Wall = readonly [year: number, month: number, date: number, hour: number, minute: number, second: number]

/** What the clock on the wall shows at an instant. */
const wallAt = (instantMs: number, zone: string): Wall => {
  const shown = new TZDate(instantMs, zone)
  return [
    shown.getFullYear(),
    shown.getMonth() + 1,
    shown.getDate(),
    shown.getHours(),
    shown.getMinutes(),
    shown.getSeconds(),
  ]
}
const sameWall = (a: Wall, b: Wall): boolean => a.every((value, at) => value === b[at])

/**
 * A wall time in a zone as an instant.
 *
 * @throws CellFault for an hour that the clocks skip, or go through twice: the file has to say which
 */
function instantOf(wall: Wall, zone: string, raw: string): Date {
  const [year, month, date, hour, minute, second] = wall
  const instant = new TZDate(year, month - 1, date, hour, minute, second, zone).getTime()
  if (!sameWall(wallAt(instant, zone), wall)) throw new CellFault('hour-skipped', { text: raw })
  if ([-HOUR_MS, HOUR_MS].some((shift) => sameWall(wallAt(instant + shift, zone), wall)))
    throw new CellFault('hour-twice', { text: raw })
  return new Date(instant)
}

const ISO_MOMENT = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s?(Z|[+-]\d{2}:?\d{2})?$/
const ENDS_WITH_TIME = /^(.*\d\p{L}*)[,T ]\s*(?:at |um |à |a las )?([\d.:h]+\s*(?:h|uhr|[ap]\.?m\.?)?)$/iu

/** A moment: ISO 8601, or a day as kitchens write it with a time. Without an offset it is wall time in the zone. */
export const moment: ReadCell<Date> = (cell, { zone, dayOrder }) => {
  const raw = typeof cell === 'number' ? serialMoment(cell) : briefOf(cell)
  const iso = ISO_MOMENT.exec(raw)
  if (iso) {
    const [, year, month, date, hour, minute, second = '0', offset] = iso
    const wall: Wall = [Number(year), Number(month), Number(date), Number(hour), Number(minute), Number(second)]
    assertOnCalendar(wall, raw)
    const value = offset ? new Date(raw.replace(' ', 'T').replace(/\s/, '')) : instantOf(wall, zone, raw)
    if (Number.isNaN(value.getTime())) throw new CellFault('not-a-moment', { text: raw })
    return value
  }
  const parts = ENDS_WITH_TIME.exec(raw)
  if (!parts) throw new CellFault('not-a-moment', { text: raw })
  try {
    const [year = 0, month = 0, date = 0] = readDay(parts[1]?.trim() ?? '', dayOrder)
      .split('-')
      .map(Number)
    const [hour = 0, minute = 0] = readTime(parts[2] ?? '')
      .split(':')
      .map(Number)
    return instantOf([year, month, date, hour, minute, 0], zone, raw)
  } catch (error) {
    if (error instanceof CellFault && error.key.startsWith('hour-')) throw error
    throw new CellFault('not-a-moment', { text: raw })
  }
}

/** A spreadsheet's count of days with its fraction, as text. */
function serialMoment(serial: number): string {
  if (serial < SERIALS.from || serial > SERIALS.to) throw new CellFault('not-a-moment', { text: String(serial) })
  const minutes = Math.round(serial * 24 * 60)
  return new Date(SERIAL_ZERO + minutes * 60_000).toISOString().slice(0, 16).replace('T', ' ')
}

/** Refuses the 30th of February and 25:10, whatever the calendar would make of them. */
function assertOnCalendar([year, month, date, hour, minute, second]: Wall, raw: string): void {
  const day = new Date(Date.UTC(year, month - 1, date))
  const isDay = day.getUTCMonth() === month - 1 && day.getUTCDate() === date
  if (!isDay || hour > 23 || minute > 59 || second > 59) throw new CellFault('no-such-moment', { text: raw })
}
