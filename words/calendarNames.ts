const DAY_MS = 86_400_000
/** A Sunday, which the weeks of charts and pickers begin with. */
export const SUNDAY_MS = Date.UTC(2023, 0, 1)

/** Names of the seven days from Sunday on, as Intl has them (Unicode CLDR). */
export function dayNames(locale: string, weekday: 'long' | 'short'): string[] {
  const { format } = new Intl.DateTimeFormat(locale, { weekday, timeZone: 'UTC' })
  return Array.from({ length: 7 }, (_, at) => format(SUNDAY_MS + at * DAY_MS))
}

/** Names of the twelve months, as Intl has them (Unicode CLDR). */
export function monthNames(locale: string, month: 'long' | 'short'): string[] {
  const { format } = new Intl.DateTimeFormat(locale, { month, timeZone: 'UTC' })
  return Array.from({ length: 12 }, (_, at) => format(Date.UTC(2023, at, 1)))
}
