import { describe, expect, it } from 'vitest'
import { LANGUAGES } from '../contract/languages'
import { flatten, formsOf } from './catalogueFaults'
import { catalogues } from './say'

/** Longest text, in letters, that each narrow place has room for at 390 px. */
const NARROW: readonly (readonly [keys: RegExp, most: number])[] = [
  [/^nav\.(?!find|keys)/, 11],
  [/^pad\./, 8],
  [/^zone\.(heel|belly|tip)$/, 8],
  [/^edge\.(keen|sound|tiring|dull|out)$/, 12],
  [/^today\.back\./, 10],
  [/^crew\.level\./, 12],
  [/^bench\.(next|finish|back|start)$/, 12],
  [/^house\.part\./, 26],
]
/** Elsewhere a text may be this much longer than the English one: short ones grow most. */
const roomFor = (english: number): number => 1.6 * english + 14

const lengthOf = (message: string): number =>
  Math.max(...formsOf(message).map((form) => form.replace(/\{\w+\}/g, '000').length))

describe.each(LANGUAGES)('lengths of texts in %s', (language) => {
  const english = new Map(flatten(catalogues.en))
  const texts = flatten(catalogues[language])

  it('fit the narrow places', () => {
    for (const [keys] of NARROW) expect(texts.some(([key]) => keys.test(key))).toBe(true)
    const tooLong = texts.flatMap(([key, text]) =>
      NARROW.some(([keys, most]) => keys.test(key) && lengthOf(text) > most) ? [`${key}: ${text}`] : [],
    )
    expect(tooLong).toEqual([])
  })

  it('are not much longer than in English', () => {
    const tooLong = texts.flatMap(([key, text]) =>
      lengthOf(text) > roomFor(lengthOf(english.get(key) ?? '')) ? [`${key}: ${text}`] : [],
    )
    expect(tooLong).toEqual([])
  })
})
