const MM_PER_INCH = 25.4

/** How one house writes its numbers, dates and times. */
export interface Formats {
  readonly force: (gf: number) => string
  /** pressing on a stone, to the newton */
  readonly pressure: (newtons: number) => string
  readonly length: (mm: number) => string
  readonly thickness: (mm: number) => string
  readonly angle: (dps: number) => string
  readonly minutes: (minutes: number) => string
  /** minutes and seconds, as of a clock that was started */
  readonly seconds: (seconds: number) => string
  readonly hours: (hours: number) => string
  /** a number to one decimal, also where that is 0, so that columns line up */
  readonly tenths: (value: number) => string
  /** a number to one decimal where it has one */
  readonly amount: (value: number) => string
  /** so many times something, to two decimals */
  readonly ratio: (times: number) => string
  readonly grit: (grit: number) => string
  /** an amount in a currency (ISO 4217), or in whatever the house pays with while it has not said */
  readonly money: (amount: number, currency?: string | null) => string
  /** one, two and three */
  readonly list: (items: readonly string[]) => string
  readonly clock: (instant: string) => string
  readonly weekday: (instant: string) => string
  readonly shortWeekday: (instant: string) => string
  readonly month: (instant: string) => string
  readonly longDay: (instant: string) => string
  readonly shortDay: (instant: string) => string
  /** a day with its year, for what is read years later */
  readonly day: (instant: string) => string
  readonly moment: (instant: string) => string
  /** calendar day in the house's zone, YYYY-MM-DD whatever the language, for telling today from yesterday */
  readonly dayKey: (instant: string) => string
}

const made = new Map<string, Formats>()

/**
 * Formats of a house: tabular numbers with their units, dates in the house's own zone.
 *
 * @param locale BCP 47 tag
 * @param zone IANA time zone
 */
export function formats(locale: string, zone: string, units: 'mm' | 'in'): Formats {
  // formatters are slow to make, and every row of a list asks for them
  const key = [locale, zone, units].join(' ')
  const known = made.get(key) ?? makeFormats(locale, zone, units)
  made.set(key, known)
  return known
}

/** A formatter costs some milliseconds, and a screen asks for a few of them. */
function whenAsked<T>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}

function makeFormats(locale: string, zone: string, units: 'mm' | 'in'): Formats {
  const number = (digits: number): ((value: number) => string) => {
    const options = { minimumFractionDigits: digits, maximumFractionDigits: digits }
    const intl = whenAsked(() => new Intl.NumberFormat(locale, options))
    return (value) => intl().format(value)
  }
  const upTo = (digits: number): ((value: number) => string) => {
    const intl = whenAsked(() => new Intl.NumberFormat(locale, { maximumFractionDigits: digits }))
    return (value) => intl().format(value)
  }
  const date = (options: Intl.DateTimeFormatOptions): ((instant: string) => string) => {
    const intl = whenAsked(() => new Intl.DateTimeFormat(locale, { timeZone: zone, ...options }))
    return (instant) => intl().format(new Date(instant))
  }
  const [whole, one, two, three] = [number(0), upTo(1), number(2), number(3)]
  const inches = (mm: number, write: (value: number) => string): string => `${write(mm / MM_PER_INCH)} in`
  const clock = date({ hour: '2-digit', minute: '2-digit', hour12: false })
  const shortDay = date({ day: 'numeric', month: 'short' })
  return {
    force: (gf) => `${whole(gf)} gf`,
    pressure: (newtons) => `${whole(newtons)} N`,
    length: (mm) => (units === 'mm' ? `${one(mm)} mm` : inches(mm, two)),
    thickness: (mm) => (units === 'mm' ? `${two(mm)} mm` : inches(mm, three)),
    angle: (dps) => `${one(dps)}°`,
    minutes: (minutes) => `${whole(minutes)} min`,
    seconds: (seconds) => (seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`),
    hours: (hours) => `${one(hours)} h`,
    tenths: number(1),
    amount: one,
    ratio: two,
    grit: (grit) => `#${grit}`,
    money: (amount, currency = null) => (currency === null ? two(amount) : inCurrency(locale, currency).format(amount)),
    list: (items) => new Intl.ListFormat(locale, { type: 'conjunction' }).format(items),
    clock,
    weekday: date({ weekday: 'long' }),
    shortWeekday: date({ weekday: 'short', day: 'numeric' }),
    month: date({ month: 'long', year: 'numeric' }),
    longDay: date({ weekday: 'long', day: 'numeric', month: 'long' }),
    shortDay,
    day: date({ day: 'numeric', month: 'short', year: 'numeric' }),
    moment: (instant) => `${shortDay(instant)}, ${clock(instant)}`,
    dayKey: dayKeys(zone),
  }
}

/** Swedish writes days as ISO 8601 does. */
function dayKeys(zone: string): (instant: string) => string {
  const options = { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' } as const
  const intl = whenAsked(() => new Intl.DateTimeFormat('sv-SE', options))
  return (instant) => intl().format(new Date(instant))
}

const currencies = new Map<string, Intl.NumberFormat>()
function inCurrency(locale: string, currency: string): Intl.NumberFormat {
  const key = `${locale} ${currency}`
  const format = currencies.get(key) ?? new Intl.NumberFormat(locale, { style: 'currency', currency })
  currencies.set(key, format)
  return format
}

/** A number as exact as a sentence has it; where it chooses between one and many it has to stay a number. */
export const tenth = (value: number): number => Math.round(10 * value) / 10

/** The text with its first letter large, for a label that also stands inside sentences. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
