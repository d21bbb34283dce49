import type { PrimeVueLocaleOptions } from 'primevue/config'
import { LANGUAGE_TRAITS, type Language } from '../../contract/languages'
import { dayNames, monthNames, SUNDAY_MS } from '../../words/calendarNames'
import type { Say } from '../../words/message'

const MONDAY = 1

type Words = Partial<Omit<PrimeVueLocaleOptions, 'aria'>> & { readonly aria: { close: string; listLabel: string } }

/** What the library's controls say themselves: days and months from Intl (Unicode CLDR), all else from the catalogue. */
export function controlWords(say: Say, language: Language): Words {
  const { locale } = LANGUAGE_TRAITS[language]
  /** in the library's letters: yy is a whole year */
  const dateFormat = new Intl.DateTimeFormat(locale, { day: '2-digit', month: '2-digit', year: 'numeric' })
    .formatToParts(SUNDAY_MS)
    .map(({ type, value }) => ({ day: 'dd', month: 'mm', year: 'yy' })[String(type)] ?? value)
    .join('')
  return {
    firstDayOfWeek: MONDAY,
    dateFormat,
    dayNames: dayNames(locale, 'long'),
    dayNamesShort: dayNames(locale, 'short'),
    dayNamesMin: dayNames(locale, 'short'),
    monthNames: monthNames(locale, 'long'),
    monthNamesShort: monthNames(locale, 'short'),
    chooseDate: say('control.chooseDate'),
    chooseMonth: say('control.chooseMonth'),
    chooseYear: say('control.chooseYear'),
    prevMonth: say('control.prevMonth'),
    nextMonth: say('control.nextMonth'),
    prevYear: say('control.prevYear'),
    nextYear: say('control.nextYear'),
    prevDecade: say('control.prevDecade'),
    nextDecade: say('control.nextDecade'),
    prevHour: say('control.prevHour'),
    nextHour: say('control.nextHour'),
    prevMinute: say('control.prevMinute'),
    nextMinute: say('control.nextMinute'),
    emptyMessage: say('control.nothing'),
    emptyFilterMessage: say('control.notFound'),
    emptySearchMessage: say('control.notFound'),
    emptySelectionMessage: say('control.noneChosen'),
    // the library puts the number in itself, and knows no plural
    searchMessage: say('control.found'),
    selectionMessage: say('control.chosen'),
    // read aloud beside every password
    passwordPrompt: say('field.password'),
    aria: { close: say('control.close'), listLabel: say('control.list') },
  }
}
