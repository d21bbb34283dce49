import { describe, expect, it } from 'vitest'
import { glossaryPieces } from './glossary'

const terms = (sentence: string): (string | null)[] =>
  glossaryPieces(sentence).flatMap(({ term }) => (term === null ? [] : [term]))

describe('the words of the trade in a sentence', () => {
  it('are found in each of their forms, and the sentence stays whole', () => {
    const sentence = 'Both bevels even, no burr left; Swarf off.'
    expect(terms(sentence)).toEqual(['bevel', 'burr', 'swarf'])
    expect(
      glossaryPieces(sentence)
        .map(({ text }) => text)
        .join(''),
    ).toBe(sentence)
  })

  it('are marked once, where they stand first', () => {
    expect(terms('A burr, then the burr, then another burr.')).toEqual(['burr'])
  })

  it('are whole words: a longer term is not read as the shorter one in it', () => {
    expect(terms('a narrow micro-bevel')).toEqual(['micro-bevel'])
    expect(terms('deburring the dishwasher')).toEqual([])
    expect(terms('edge trailing, 240 gf at 16 dps')).toEqual(['trailing', 'gf', 'dps'])
  })

  it('of which a sentence has none leave it in one piece', () => {
    expect(glossaryPieces('Put it away.')).toEqual([{ text: 'Put it away.', term: null }])
  })
})
