import { TYPE, parse, type MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import german from 'dictionary-de'
import english from 'dictionary-en-gb'
import spanish from 'dictionary-es'
import french from 'dictionary-fr'
import { loadModule } from 'hunspell-asm'
import { beforeAll, describe, expect, it } from 'vitest'
import { LANGUAGES, type Language } from '../contract/languages'
import { catalogues } from './say'
import ownWords from './ownWords.json'

/** Dictionaries of Hunspell, as the registry has them. */
const DICTIONARIES = { en: english, de: german, fr: french, es: spanish }

/** What a message says itself, whichever plural or choice is taken. */
const literals = (elements: readonly MessageFormatElement[]): string[] =>
  elements.flatMap((element) =>
    element.type === TYPE.literal
      ? [element.value]
      : element.type === TYPE.plural || element.type === TYPE.select
        ? Object.values(element.options).flatMap(({ value }) => literals(value))
        : [],
  )
const messages = (catalogue: object): string[] =>
  Object.values(catalogue).flatMap((value: unknown) =>
    typeof value === 'string' ? [value] : messages(value as object),
  )
const wordsOf = (language: Language): string[] => [
  ...new Set(
    messages(catalogues[language])
      .flatMap((message) => literals(parse(message, { ignoreTag: true })))
      .flatMap((text) => text.match(/\p{Letter}[\p{Letter}’]*\p{Letter}/gu) ?? []),
  ),
]

describe('spelling', () => {
  let hunspell: Awaited<ReturnType<typeof loadModule>>
  beforeAll(async () => {
    hunspell = await loadModule()
  })

  it.each(LANGUAGES)('is that of the dictionary in %s, but for the words of the trade', (language) => {
    const { aff, dic } = DICTIONARIES[language]
    const speller = hunspell.create(
      hunspell.mountBuffer(aff, `${language}.aff`),
      hunspell.mountBuffer(dic, `${language}.dic`),
    )
    // l’angle is known by its noun, aujourd’hui as it stands
    const isKnown = (word: string): boolean =>
      speller.spell(word.replaceAll('’', "'")) ||
      word.split('’').every((part) => part.length < 3 || speller.spell(part))
    const unknown = wordsOf(language).filter((word) => !isKnown(word))
    const own = new Set([...ownWords.every, ...ownWords[language]])
    expect(unknown.filter((word) => !own.has(word)).sort()).toEqual([])
    // a word that nobody says any more leaves the list
    const said = new Set(unknown)
    expect(ownWords[language].filter((word) => !said.has(word))).toEqual([])
    speller.dispose()
  })
})
