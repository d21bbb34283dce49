import { fleschKincaid } from 'flesch-kincaid'
import { syllable } from 'syllable'
import { describe, expect, it } from 'vitest'
import { flatten, formsOf } from './catalogueFaults'
import en from './en.json'

/** Sentences as they are read: a value stands in as a short word, each plural form is one of its own. */
const all = flatten(en)
  .filter(([key]) => !key.endsWith('.forms'))
  .flatMap(([key, text]) =>
    formsOf(text)
      .flatMap((form) => form.replace(/\{\w+\}/g, 'ten').split(/(?<=[.!?:;])\s+/))
      .map((sentence) => ({ key, sentence, words: sentence.split(/\s+/).filter((word) => /[a-z]/i.test(word)) })),
  )

/** Labels of a word or two are no sentences, and would make the whole look easier than it is. */
const sentences = all.filter(({ words }) => words.length >= 3)

describe('the words of the screens', () => {
  it('use none that school English does not have', () => {
    const strange =
      /\b(reckon\w*|anew|afresh|wants? (the|a) (bench|stone)|break it off|mended|mends?|heretofore|hence|thereof|whilst|amongst|upon|shall|ought|lest|nay|kin|unsaid|unhurried)\b/i
    expect(all.filter(({ sentence }) => strange.test(sentence))).toEqual([])
  })

  it('stand in sentences of at most twenty-four words', () => {
    expect(sentences.filter(({ words }) => words.length > 24)).toEqual([])
  })

  it('are read without trouble after six years of school', () => {
    // Kincaid et al. 1975, Derivation of New Readability Formulas for Navy Enlisted Personnel: the school grade that a
    // text asks for, by the words in a sentence and the syllables in a word
    const grade = (chosen: typeof sentences): number =>
      fleschKincaid({
        sentence: chosen.length,
        word: chosen.reduce((sum, { words }) => sum + words.length, 0),
        syllable: chosen.reduce((sum, { words }) => sum + words.reduce((of, word) => of + syllable(word), 0), 0),
      })
    expect(grade(sentences)).toBeLessThan(6)
    // and no part of the screens hides behind the others
    const parts = [...new Set(sentences.map(({ key }) => key.split('.')[0] ?? ''))]
    const hard = parts
      .map((part) => ({ part, of: sentences.filter(({ key }) => key.startsWith(`${part}.`)) }))
      .filter(({ of }) => of.length >= 10)
      .map(({ part, of }) => ({ part, grade: grade(of) }))
      .filter(({ grade: asked }) => asked > 7)
    expect(hard).toEqual([])
  })

  it('the measure itself finds a hard sentence hard', () => {
    const words =
      'Notwithstanding considerable theoretical objections practitioners overwhelmingly recommend refrigeration'
    expect(fleschKincaid({ sentence: 1, word: words.split(' ').length, syllable: syllable(words) })).toBeGreaterThan(12)
  })
})
