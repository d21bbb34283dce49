import { IntlMessageFormat } from 'intl-messageformat'

export type SayValues = Readonly<Record<string, string | number>>

/** Makes a sentence from the catalogue; a number among the values chooses singular or plural where the message asks. */
export type Say = (key: string, values?: SayValues) => string

type Ast = ReturnType<IntlMessageFormat['getAst']>

/** Ends the name by which a plural or a choice asks for its value: it needs the number, the sentence what is written. */
const CHOOSES = '\u0000'

function askApart(elements: Ast): void {
  for (const element of elements) {
    if (!('options' in element) || !element.options) continue
    element.value = String(element.value) + CHOOSES
    for (const option of Object.values(element.options as Readonly<Record<string, { readonly value: Ast }>>))
      askApart(option.value)
  }
}

/**
 * Values as a message takes them: one that a caller left out is nothing, and no reason to say nothing at all; a fraction
 * is divided as the language does it.
 */
const lenient = (values: Readonly<Record<string, unknown>>, fraction: Intl.NumberFormat): Record<string, string> =>
  new Proxy(values, {
    has: () => true,
    get: (own, asked) => {
      const name = String(asked)
      const chooses = name.endsWith(CHOOSES)
      const value = own[chooses ? name.slice(0, -1) : name] ?? ''
      return typeof value === 'number' && !Number.isInteger(value) && !chooses ? fraction.format(value) : value
    },
  }) as Record<string, string>

/**
 * Compiles a message in ICU's syntax, with the plurals of its language (Unicode CLDR, through Intl).
 *
 * @param locale of the catalogue it stands in
 * @throws SyntaxError for a message that is none
 */
export function compiledMessage(
  message: string,
  locale: string,
): (values: Readonly<Record<string, unknown>>) => string {
  // most sentences have no values: they are what they are
  if (!message.includes('{')) return () => message
  const elements = new IntlMessageFormat(message, locale, undefined, { ignoreTag: true }).getAst()
  askApart(elements)
  const format = new IntlMessageFormat(elements, locale)
  // as many digits as the caller left it: rounding is not a matter of words
  const fraction = new Intl.NumberFormat(locale, { maximumFractionDigits: 6, useGrouping: false })
  return (values) => String(format.format(lenient(values, fraction)))
}

/** The same as vue-i18n and its core ask for it. */
export const messageCompiler = (
  message: unknown,
  { locale }: { readonly locale: string },
): ((context: { readonly values: Readonly<Record<string, unknown>> }) => string) => {
  const write = compiledMessage(String(message), locale)
  return ({ values }) => write(values)
}
