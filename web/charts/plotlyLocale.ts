/** A language as the chart library takes it. */
export interface ChartLocale {
  readonly moduleType: 'locale'
  readonly name: string
  readonly dictionary: Record<string, never>
  readonly format: {
    readonly days: readonly string[]
    readonly shortDays: readonly string[]
    readonly months: readonly string[]
    readonly shortMonths: readonly string[]
    readonly date: string
    readonly decimal: string
    readonly thousands: string
  }
}

const DAY_MS = 86_400_000
/** A Sunday, which the chart's weeks begin with. */
const SUNDAY = Date.UTC(2023, 0, 1)

/** How a language writes days, months and decimals on the axes of a chart, from Intl (Unicode CLDR). */
export function plotlyLocale(locale: string): ChartLocale {
  const days = (weekday: 'long' | 'short'): string[] => {
    const { format } = new Intl.DateTimeFormat(locale, { weekday, timeZone: 'UTC' })
    return Array.from({ length: 7 }, (_, at) => format(SUNDAY + at * DAY_MS))
  }
  const months = (month: 'long' | 'short'): string[] => {
    const { format } = new Intl.DateTimeFormat(locale, { month, timeZone: 'UTC' })
    return Array.from({ length: 12 }, (_, at) => format(Date.UTC(2023, at, 1)))
  }
  const parts = new Intl.NumberFormat(locale, { useGrouping: 'always' }).formatToParts(12_345.6)
  const sign = (type: 'decimal' | 'group'): string => parts.find((part) => part.type === type)?.value ?? ''
  return {
    moduleType: 'locale',
    name: locale,
    dictionary: {},
    format: {
      days: days('long'),
      shortDays: days('short'),
      months: months('long'),
      shortMonths: months('short'),
      date: '%d/%m/%Y',
      decimal: sign('decimal'),
      thousands: sign('group'),
    },
  }
}
