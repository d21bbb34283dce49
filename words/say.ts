import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { LANGUAGES, type Language } from '../contract/languages'
import type en from './en.json'
import { compiledMessage, type Say } from './message'

export type { Say, SayValues } from './message'

/** Every catalogue, for places that speak to many at once; a screen loads its own. */
export const catalogues = Object.fromEntries(
  LANGUAGES.map((tag) => [tag, JSON.parse(readFileSync(join(import.meta.dirname, `${tag}.json`), 'utf8'))]),
) as Readonly<Record<Language, typeof en>>

function messageAt(catalogue: object, key: string): string | null {
  let found: unknown = catalogue
  for (const part of key.split('.')) {
    if (typeof found !== 'object' || found === null) return null
    found = (found as Readonly<Record<string, unknown>>)[part]
  }
  return typeof found === 'string' ? found : null
}

const speakers = new Map<Language, Say>()

/** A speaker for places without a screen: refusals, calendars, files. */
export function speaker(language: Language = 'en'): Say {
  const known = speakers.get(language)
  if (known) return known
  const compiled = new Map<string, ReturnType<typeof compiledMessage>>()
  const say: Say = (key, values = {}) => {
    const before = compiled.get(key)
    if (before) return before(values)
    const message = messageAt(catalogues[language], key)
    if (message === null) return key
    const write = compiledMessage(message, language)
    compiled.set(key, write)
    return write(values)
  }
  speakers.set(language, say)
  return say
}
