import { dayNames, monthNames } from '../../words/calendarNames'

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

/** How a language writes days, months and decimals on the axes of a chart, from Intl (Unicode CLDR). */
export function plotlyLocale(locale: string): ChartLocale {
  const parts = new Intl.NumberFormat(locale, { useGrouping: 'always' }).formatToParts(12_345.6)
  const sign = (type: 'decimal' | 'group'): string => parts.find((part) => part.type === type)?.value ?? ''
  return {
    moduleType: 'locale',
    name: locale,
    dictionary: {},
    format: {
      days: dayNames(locale, 'long'),
      shortDays: dayNames(locale, 'short'),
      months: monthNames(locale, 'long'),
      shortMonths: monthNames(locale, 'short'),
      date: '%d/%m/%Y',
      decimal: sign('decimal'),
      thousands: sign('group'),
    },
  }
}
