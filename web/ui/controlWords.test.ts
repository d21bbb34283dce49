import { expect, it } from 'vitest'
import { LANGUAGES } from '../../contract/languages'
import { speaker } from '../../words/say'
import { controlWords } from './controlWords'

it('names the days of the week as the language does, Monday first', () => {
  const spanish = controlWords(speaker('es'), 'es')
  expect([spanish.firstDayOfWeek, spanish.dayNames?.[1], spanish.monthNames?.[0]]).toEqual([1, 'lunes', 'enero'])
})

it('writes days as the language does', () => {
  const formats = LANGUAGES.map((language) => controlWords(speaker(language), language).dateFormat)
  expect(formats).toEqual(['dd/mm/yy', 'dd.mm.yy', 'dd/mm/yy', 'dd/mm/yy'])
})

it('leaves the library the place for its number, in every language', () => {
  for (const language of LANGUAGES) {
    const { searchMessage, selectionMessage, aria } = controlWords(speaker(language), language)
    expect([searchMessage, selectionMessage].every((words) => words?.includes('{0}'))).toBe(true)
    expect(aria.close).not.toBe('control.close')
  }
})
