import { isLanguage, LANGUAGE_TRAITS, type Language } from '../../contract/languages'
import { ownWords } from '../../demo/words'
import { formsOf } from '../../words/catalogueFaults'
import { capital } from '../../words/format'
import { catalogues, speaker } from '../../words/say'

export { capital } from '../../words/format'

function languageOfHouses(): Language {
  const asked = process.env['YORVIK_TEST_LANGUAGE'] ?? 'en'
  if (!isLanguage(asked)) throw new Error(`YORVIK_TEST_LANGUAGE is no language of Yorvik: ${asked}`)
  return asked
}
/** What the houses of these tests speak. */
export const LANGUAGE = languageOfHouses()
export const LOCALE = LANGUAGE_TRAITS[LANGUAGE].locale

type Value = string | number | RegExp
type Values = Readonly<Record<string, Value>>

function messageOf(key: string): string {
  const found = key
    .split('.')
    .reduce<unknown>((tree, part) => (tree as Record<string, unknown> | undefined)?.[part], catalogues[LANGUAGE])
  if (typeof found !== 'string') throw new Error(`no message has the key ${key}`)
  return found
}

const speak = speaker(LANGUAGE)

/** What stands on the screen under a key of the catalogue. @throws Error for a key that is none */
export function say(key: string, values: Readonly<Record<string, string | number>> = {}): string {
  messageOf(key)
  return speak(key, values)
}

/** What the sample house calls one of its stations, services or pieces of gear. */
export const own = ownWords(LANGUAGE)

/** A number as the screen writes it. */
export const number = (value: number, digits = 0): string =>
  new Intl.NumberFormat(LOCALE, { minimumFractionDigits: digits, maximumFractionDigits: digits }).format(value)

/** Any number as a screen may write it, whatever divides its thousands and its fraction. */
export const NUMBER = /\d[\d.,\u00a0\u202f]*/

/** A text as a pattern has it: its signs mean themselves, its spaces any space. */
export const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&').replace(/\s+/g, '\\s+')

/** The source of a pattern for one form of a message, its values standing in braces. */
const sourceOf = (form: string, values: Values): string =>
  form
    .split(/(\{\w+\})/)
    .map((part) => {
      if (!/^\{\w+\}$/.test(part)) return escaped(part)
      const value = values[part.slice(1, -1)]
      if (value === undefined) return '[\\s\\S]+?'
      return value instanceof RegExp ? `(?:${value.source})` : escaped(String(value))
    })
    .join('')

/** Forms a message may take once the numbers that are given have chosen theirs. */
function formsFor(message: string, values: Values): string[] {
  const numbers = Object.entries(values).filter((entry): entry is [string, number] => typeof entry[1] === 'number')
  return formsOf(message, Object.fromEntries(numbers), LANGUAGE)
}

/** A pattern of what is said under a key: a value that is not given may be anything. */
export const said = (key: string, values: Values = {}): RegExp =>
  new RegExp(
    formsFor(messageOf(key), values)
      .map((form) => sourceOf(form, values))
      .join('|'),
  )

/** The same, at the very beginning. */
export const begins = (key: string, values: Values = {}): RegExp => new RegExp(`^(?:${said(key, values).source})`)

/** A day of the week as it is written out, 1 for Monday. */
export const weekday = (number: number): string =>
  new Intl.DateTimeFormat(LOCALE, { weekday: 'long', timeZone: 'UTC' }).format(Date.UTC(2024, 0, number))

/** The name of a way to work, as lists of them show it. */
export const recipe = (id: string): string => capital(say(`bench.recipe.${id}`))

/** Numbers in what a screen writes, none of them above a thousand. */
export const numbersIn = (text: string): number[] =>
  [...text.matchAll(/\d+(?:[.,]\d+)?/g)].map(([found]) => Number(found.replace(',', '.')))

/** What a button is called under a key of the catalogue, with the key of the keyboard that stands on it or without. */
export const keyNamed = (key: string): RegExp => new RegExp(`^(?:${said(key).source})(?: \\S+)?$`)
