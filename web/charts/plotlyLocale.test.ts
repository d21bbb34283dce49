import { expect, it } from 'vitest'
import { LANGUAGE_TRAITS, LANGUAGES } from '../../contract/languages'
import { plotlyLocale } from './plotlyLocale'

it('writes the axes of a chart as the language does', () => {
  // the names are common knowledge, the signs those of CLDR
  expect(plotlyLocale('de-DE').format).toMatchObject({ decimal: ',', thousands: '.' })
  expect(plotlyLocale('de-DE').format.days[0]).toBe('Sonntag')
  expect(plotlyLocale('fr-FR').format.months[7]).toBe('août')
  expect(plotlyLocale('es-ES').format.shortDays[1]).toBe('lun')
  expect(plotlyLocale('en-GB').format).toMatchObject({ decimal: '.', thousands: ',' })
})

it('has seven days and twelve months in every language', () => {
  for (const { locale } of LANGUAGES.map((one) => LANGUAGE_TRAITS[one])) {
    const { days, shortDays, months, shortMonths } = plotlyLocale(locale).format
    expect([days, shortDays, months, shortMonths].map((names) => new Set(names).size)).toEqual([7, 7, 12, 12])
  }
})
