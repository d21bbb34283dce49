import { computed } from 'vue'
import { catalogue } from '../spoken'

/** A piece of a sentence: plain, or a word of the trade with its key in the glossary. */
export interface TextPiece {
  readonly text: string
  readonly term: string | null
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** The words of the trade in the language that is spoken, and what finds any of them. */
const terms = computed(() => {
  const all = Object.entries(catalogue.value?.glossary ?? {}).flatMap(([term, { forms }]) =>
    forms.split('|').map((form) => ({ form, term })),
  )
  // the longest first, so that a micro-bevel is not read as a bevel
  const any = new RegExp(
    `(?<![\\p{L}-])(${all
      .map(({ form }) => form)
      .sort((a, b) => b.length - a.length)
      .map(escaped)
      .join('|')})(?![\\p{L}-])`,
    'giu',
  )
  return { all, any }
})

/** Finds the words of the trade in a sentence; each is marked where it stands first. */
export function glossaryPieces(sentence: string): TextPiece[] {
  const { all, any } = terms.value
  // its words may still be on the way
  if (all.length === 0) return [{ text: sentence, term: null }]
  const seen = new Set<string>()
  return sentence.split(any).flatMap((text): TextPiece[] => {
    if (text === '') return []
    const term = all.find(({ form }) => form.toLowerCase() === text.toLowerCase())?.term ?? null
    if (term === null || seen.has(term)) return [{ text, term: null }]
    seen.add(term)
    return [{ text, term }]
  })
}
