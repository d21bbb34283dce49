import { DAY_MS } from '../../core/time'
import { locale } from '../spoken'

export const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const
const MONDAY = Date.UTC(2024, 0, 1)

/** Name of a weekday, 1 is Monday. */
export const weekdayName = (weekday: number, length: 'long' | 'short' = 'long'): string =>
  new Intl.DateTimeFormat(locale.value, { weekday: length, timeZone: 'UTC' }).format(MONDAY + (weekday - 1) * DAY_MS)
