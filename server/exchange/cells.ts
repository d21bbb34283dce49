import { TZDate } from '@date-fns/tz'
import { HOUR_MS } from '../../core/time'

/** A cell that cannot be read; the sentence is the catalogue's `cell.<key>`. */
export class CellFault extends Error {
  constructor(
    readonly key: string,
    readonly values: Readonly<Record<string, string | number>> = {},
  ) {
    super(key)
    this.name = 'CellFault'
  }
}

export interface CellContext {
  /** the unit written in the column's header */
  readonly unit: 'mm' | 'in'
  readonly zone: string
}

export type ReadCell<T> = (text: string, context: CellContext) => T

const MM_PER_INCH = 25.4
const YES = new Set(['yes', 'y', 'true', '1', 'x', 'ja', 'oui', 'si', 'sí'])
const NO = new Set(['no', 'n', 'false', '0', '', '-', 'nein', 'non'])

/** Names compared without case, accents, apostrophes, punctuation and doubled spaces. */
export function plain(text: string): string {
  return text
    .normalize('NFKD')
    .replaceAll(/\p{Mark}/gu, '')
    .toLowerCase()
    .replaceAll(/['’`´]/g, '')
    .replaceAll(/[^\p{Letter}\p{Number}]+/gu, ' ')
    .trim()
}

/**
 * A number as people write it in spreadsheets: decimal point or comma, thousands in the other, spaces
 * and a trailing unit allowed.
 */
export function readDecimal(text: string): number {
  const bare = text
    .replaceAll(/[\s\u00a0\u202f]/g, '')
    .replace(/(mm|gf|g|°|dps|hrc|%|"|in|€|\$|£)$/i, '')
    .replace(/^[€$£]/, '')
  const lastComma = bare.lastIndexOf(',')
  const lastPoint = bare.lastIndexOf('.')
  const decimal = lastComma > lastPoint ? ',' : '.'
  const grouping = decimal === ',' ? '.' : ','
  const normal = bare.replaceAll(grouping, '').replace(decimal, '.')
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(normal)) throw new CellFault('not-a-number', { text })
  return Number(normal)
}

export const number =
  (low: number, high: number): ReadCell<number> =>
  (text) => {
    const value = readDecimal(text)
    if (value < low || value > high) throw new CellFault('out-of-range', { text, low, high })
    return value
  }

/** A length: mm unless the header says inches. */
export const length =
  (lowMm: number, highMm: number): ReadCell<number> =>
  (text, { unit }) => {
    const value = readDecimal(text)
    const mm = Math.round(value * (unit === 'in' ? MM_PER_INCH : 1) * 1000) / 1000
    if (mm < lowMm || mm > highMm) throw new CellFault('out-of-range', { text, low: lowMm, high: highMm })
    return mm
  }

export const text =
  (most: number): ReadCell<string> =>
  (raw) => {
    if (raw.length > most) throw new CellFault('too-long', { most })
    return raw
  }

export const yesNo: ReadCell<boolean> = (raw) => {
  const answer = raw.trim().toLowerCase()
  if (YES.has(answer)) return true
  if (NO.has(answer)) return false
  throw new CellFault('not-yes-or-no', { text: raw })
}

/** One of a set of names; `others` are further spellings people use for them. */
export const choice =
  <const T extends string>(options: readonly T[], others: Readonly<Record<string, T>> = {}): ReadCell<T> =>
  (raw) => {
    const wanted = plain(raw)
    const spellings = Object.entries(others).find(([spelling]) => plain(spelling) === wanted)
    const found = options.find((option) => plain(option) === wanted) ?? spellings?.[1]
    if (!found) throw new CellFault('not-one-of', { text: raw, options: options.join(', ') })
    return found
  }

export const pattern =
  (shape: RegExp, normalise: (text: string) => string, key: string): ReadCell<string> =>
  (raw) => {
    const value = normalise(raw)
    if (!shape.test(value)) throw new CellFault(key, { text: raw })
    return value
  }

/** A calendar day, ISO 8601 (2026-03-31). */
export const day: ReadCell<string> = (raw) => {
  const value = new Date(`${raw}T00:00:00Z`)
  if (!/^\d{4}-\d{2}-\d{2}$/.test(raw) || Number.isNaN(value.getTime()) || !value.toISOString().startsWith(raw)) {
    throw new CellFault('not-a-day', { text: raw })
  }
  return raw
}

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

/** Refuses the 30th of February and 25:10, whatever the calendar would make of them. */
function assertOnCalendar([year, month, date, hour, minute, second]: Wall, raw: string): void {
  const day = new Date(Date.UTC(year, month - 1, date))
  const isDay = day.getUTCMonth() === month - 1 && day.getUTCDate() === date
  if (!isDay || hour > 23 || minute > 59 || second > 59) throw new CellFault('no-such-moment', { text: raw })
}

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

/** A moment, ISO 8601; without an offset it is wall time in the house's zone. */
export const moment: ReadCell<Date> = (raw, { zone }) => {
  const match = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?(Z|[+-]\d{2}:?\d{2})?$/.exec(raw)
  if (!match) throw new CellFault('not-a-moment', { text: raw })
  const [, year, month, date, hour, minute, second = '0', offset] = match
  const wall: Wall = [Number(year), Number(month), Number(date), Number(hour), Number(minute), Number(second)]
  assertOnCalendar(wall, raw)
  const value = offset ? new Date(raw.replace(' ', 'T')) : instantOf(wall, zone, raw)
  if (Number.isNaN(value.getTime())) throw new CellFault('not-a-moment', { text: raw })
  return value
}

export const json: ReadCell<unknown> = (raw) => {
  try {
    return JSON.parse(raw)
  } catch {
    throw new CellFault('not-json')
  }
}
