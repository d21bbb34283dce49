import { IntlMessageFormat } from 'intl-messageformat'

type Ast = ReturnType<IntlMessageFormat['getAst']>

const elementsOf = (message: string): Ast =>
  new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst()

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
      if (!('value' in element) || element.type === 0) continue
      found.add(String(element.value))
      if ('options' in element && element.options)
        for (const option of Object.values(element.options as Readonly<Record<string, { readonly value: Ast }>>))
          walk(option.value)
    }
  }
  walk(elementsOf(message))
  return [...found].sort()
}

/** Every sentence that a message can become, values standing in their braces. */
export function formsOf(message: string): string[] {
  const write = (elements: Ast): string[] =>
    elements.reduce<string[]>(
      (sofar, element) => {
        const next =
          element.type === 0
            ? [element.value]
            : 'options' in element && element.options
              ? Object.values(element.options as Readonly<Record<string, { readonly value: Ast }>>).flatMap((option) =>
                  write(option.value),
                )
              : ['value' in element ? `{${String(element.value)}}` : '']
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
