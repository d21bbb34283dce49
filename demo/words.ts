import type { Language } from '../contract/languages'
import { speaker } from '../words/say'

/** Turns a name of the sample house, as demo/ writes it, into what the house calls it. */
export type OwnWord = (name: string) => string

const keyOf = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .split(/[^A-Za-z0-9]+/)
    .map((part, at) => (at === 0 ? part.toLowerCase() : part.charAt(0).toUpperCase() + part.slice(1)))
    .join('')

/**
 * What Hallow Quay calls its stations, gear and services in a language. Its people and codes are the same everywhere.
 *
 * @throws Error for a name that the catalogue's `sample` does not have
 */
export function ownWords(language: Language): OwnWord {
  const say = speaker(language)
  return (name) => {
    const key = `sample.${keyOf(name)}`
    const word = say(key)
    if (word === key) throw new Error(`the sample house has no word for ${name} (${key})`)
    return word
  }
}
