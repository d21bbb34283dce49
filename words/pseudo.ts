import {
  isArgumentElement,
  isLiteralElement,
  isPluralElement,
  isSelectElement,
  parse,
  type MessageFormatElement,
} from '@formatjs/icu-messageformat-parser'

/** Letters with marks on them: read as what they are, and nobody's own. */
const MARKED: Readonly<Record<string, string>> = Object.fromEntries(
  [...'aáeéiíoóuúyýAÁEÉIÍOÓUÚYÝcçnñsšzžCÇNÑSŠZŽ'].flatMap((letter, at, all) =>
    at % 2 === 0 ? [[letter, all[at + 1] ?? letter]] : [],
  ),
)
/** How much longer than English a text is made: more than the longest catalogue is, label by label. */
const LONGER = 0.4

/** Brackets the wrong way about: no text of ours has them, so what stands outside of them did not come from a catalogue. */
export const OPENS = '⟧'
export const CLOSES = '⟦'

const marked = (text: string): string => [...text].map((letter) => MARKED[letter] ?? letter).join('')
const longer = (text: string): string => {
  const letters = text.replace(/[^\p{Letter}]/gu, '').length
  return marked(text) + '·'.repeat(Math.ceil(letters * LONGER))
}
/** A literal as the syntax has it: braces and a hash have a meaning there. */
const quoted = (text: string): string => text.replace(/[{}#]+/g, "'$&'")

function written(elements: readonly MessageFormatElement[]): string {
  return elements
    .map((element) => {
      if (isLiteralElement(element)) return quoted(longer(element.value))
      if (isArgumentElement(element)) return `{${element.value}}`
      if (isPluralElement(element) || isSelectElement(element)) {
        const options = Object.entries(element.options).map(([name, { value }]) => `${name} {${written(value)}}`)
        return `{${element.value}, ${isPluralElement(element) ? 'plural' : 'select'}, ${options.join(' ')}}`
      }
      throw new Error(`a part of a message that no catalogue uses: ${JSON.stringify(element)}`)
    })
    .join('')
}

/**
 * A message of the catalogue in a language that nobody speaks: accented, longer by two fifths, in mirrored brackets.
 * Whatever a screen shows without them is not translated; whatever it cuts off has no room for another language.
 */
export const pseudo = (message: string): string => `${OPENS}${written(parse(message, { ignoreTag: true }))}${CLOSES}`

/** A whole catalogue, or part of one, in that language. */
export const pseudoCatalogue = (tree: object): object =>
  Object.fromEntries(
    Object.entries(tree).map(([key, value]) => [
      key,
      typeof value === 'string' ? pseudo(value) : pseudoCatalogue(value as object),
    ]),
  )
