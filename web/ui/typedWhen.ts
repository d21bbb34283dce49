/** Times and days as people type them, read into the forms in which they are kept. */

const two = (n: number): string => String(n).padStart(2, '0')

/**
 * Reads a time of day: 9:30, 9.30, 09h30, 930, 9, 5 pm.
 *
 * @returns HH:MM on the 24-hour clock, or null where it is no time
 */
export function readTime(typed: string): string | null {
  const match = /^(\d{1,2})(?:\s*[:.h]\s*(\d{2})|(\d{2})|\s*h)?\s*([ap])?\.?\s*(?:m\.?)?$/i.exec(typed.trim())
  if (!match) return null
  const half = match[4]?.toLowerCase()
  const hour = Number(match[1])
  const minute = Number(match[2] ?? match[3] ?? 0)
  if (minute > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return null
  return `${two(half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour)}:${two(minute)}`
}

/**
 * Reads a day written day first, as the house writes it (24/12/2026, 24.12.26), or year first (2026-12-24).
 *
 * @returns YYYY-MM-DD, or null where there is no such day
 */
export function readDay(typed: string): string | null {
  const numbers = /^(\d{1,4})\s*[-./ ]\s*(\d{1,2})\s*[-./ ]\s*(\d{1,4})$/.exec(typed.trim())
  if (!numbers) return null
  const [first = '', month = '', last = ''] = numbers.slice(1)
  const [day, year] = first.length === 4 ? [last, first] : [first, last]
  if (day.length > 2 || (year.length !== 4 && year.length !== 2)) return null
  const fullYear = year.length === 2 ? 2000 + Number(year) : Number(year)
  const date = new Date(Date.UTC(fullYear, Number(month) - 1, Number(day)))
  const isReal = date.getUTCDate() === Number(day) && date.getUTCMonth() === Number(month) - 1
  return isReal ? date.toISOString().slice(0, 10) : null
}

/** A kept time or day as a date of the control, and back. */
export function toDate(kept: string, kind: 'time' | 'day'): Date | null {
  const [a = NaN, b = NaN, c = NaN] = kept.split(kind === 'time' ? ':' : '-').map(Number)
  const date = kind === 'time' ? new Date(2000, 0, 1, a, b) : new Date(a, b - 1, c)
  return Number.isNaN(date.getTime()) ? null : date
}
export function fromDate(date: Date, kind: 'time' | 'day'): string {
  return kind === 'time'
    ? `${two(date.getHours())}:${two(date.getMinutes())}`
    : `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
}
