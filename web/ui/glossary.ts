import { catalogues } from '../../words/say'

/** A piece of a sentence: plain, or a word of the trade with its key in the glossary. */
export interface TextPiece {
  readonly text: string
  readonly term: string | null
}

const TERMS = Object.entries(catalogues.en.glossary).flatMap(([term, { forms }]) =>
  forms.split('|').map((form) => ({ form, term })),
)
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
// the longest first, so that a micro-bevel is not read as a bevel
const ANY = new RegExp(
  `(?<![\\p{L}-])(${TERMS.map(({ form }) => form)
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}-])`,
  'giu',
)

/** Finds the words of the trade in a sentence; each is marked where it stands first. */
export function glossaryPieces(sentence: string): TextPiece[] {
  const seen = new Set<string>()
  return sentence.split(ANY).flatMap((text): TextPiece[] => {
    if (text === '') return []
    const term = TERMS.find(({ form }) => form.toLowerCase() === text.toLowerCase())?.term ?? null
    if (term === null || seen.has(term)) return [{ text, term: null }]
    seen.add(term)
    return [{ text, term }]
  })
}
