import {
  parse,
  TYPE,
  type MessageFormatElement,
  type PluralElement,
  type SelectElement,
} from '@formatjs/icu-messageformat-parser'

type Ast = readonly MessageFormatElement[]

const elementsOf = (message: string): Ast => parse(message, { ignoreTag: true })

/** Keys of a catalogue with their messages. */
export const flatten = (tree: object, path = ''): [string, string][] =>
  Object.entries(tree).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' ? [[`${path}${key}`, value]] : flatten(value as object, `${path}${key}.`),
  )

/** Values that a message asks for, each once, in order of their names. @throws SyntaxError for no message at all */
export function valuesIn(message: string): string[] {
  const found = new Set<string>()
  const walk = (elements: Ast): void => {
    for (const element of elements) {
      if (!('value' in element) || element.type === TYPE.literal) continue
      found.add(String(element.value))
      if ('options' in element) for (const option of Object.values(element.options)) walk(option.value)
    }
  }
  walk(elementsOf(message))
  return [...found].sort()
}

/** The forms of a plural or a choice that a value can take: all of them while it is not known. */
function formsTaken(element: PluralElement | SelectElement, value: string | number | undefined, locale: string): Ast[] {
  const { options } = element
  const chosen =
    value === undefined
      ? Object.values(options)
      : element.type === TYPE.select
        ? [options[value] ?? options['other']]
        : [options[`=${value}`] ?? options[new Intl.PluralRules(locale).select(Number(value))] ?? options['other']]
  return chosen.flatMap((option) => (option ? [option.value] : []))
}

/**
 * Every sentence that a message can become, values standing in their braces.
 *
 * @param known values that choose between its forms, as far as they are known
 */
export function formsOf(
  message: string,
  known: Readonly<Record<string, string | number>> = {},
  locale = 'en',
): string[] {
  const write = (elements: Ast): string[] =>
    elements.reduce<string[]>(
      (sofar, element) => {
        const next =
          element.type === TYPE.literal
            ? [element.value]
            : element.type === TYPE.plural || element.type === TYPE.select
              ? formsTaken(element, known[element.value], locale).flatMap(write)
              : ['value' in element ? `{${element.value}}` : '']
        return sofar.flatMap((text) => next.map((end) => text + end))
      },
      [''],
    )
  return write(elementsOf(message))
}

/** What is wrong with a catalogue against the English one: keys missing or unknown, messages that are none, other values. */
export function faultsOf(reference: object, other: object): string[] {
  const [wanted, found] = [new Map(flatten(reference)), new Map(flatten(other))]
  return [
    ...[...wanted.keys()].filter((key) => !found.has(key)).map((key) => `${key} is missing`),
    ...[...found.keys()].filter((key) => !wanted.has(key)).map((key) => `${key} is unknown`),
    ...[...found].flatMap(([key, text]) => {
      const english = wanted.get(key)
      if (english === undefined) return []
      if (text.trim() === '' && english.trim() !== '') return [`${key} is empty`]
      try {
        return valuesIn(english).join(' ') === valuesIn(text).join(' ') ? [] : [`${key} is filled otherwise`]
      } catch {
        return [`${key} is no message`]
      }
    }),
  ]
}
