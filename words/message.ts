import { IntlMessageFormat } from 'intl-messageformat'

/** Languages that Yorvik speaks, by their tags (BCP 47). A fifth is one catalogue and a line here. */
export const LANGUAGES = ['en', 'de', 'fr', 'es'] as const
export type Language = (typeof LANGUAGES)[number]

/** How each language writes numbers and days, and what it calls itself. */
export const LANGUAGE_TRAITS: Readonly<Record<Language, { readonly locale: string; readonly name: string }>> = {
  en: { locale: 'en-GB', name: 'English' },
  de: { locale: 'de-DE', name: 'Deutsch' },
  fr: { locale: 'fr-FR', name: 'Français' },
  es: { locale: 'es-ES', name: 'Español' },
}

export const isLanguage = (tag: string): tag is Language => (LANGUAGES as readonly string[]).includes(tag)

/** The first of some wishes that Yorvik speaks, regions apart; null for none. */
export const languageAmong = (tags: readonly string[]): Language | null =>
  tags.map((tag) => tag.toLowerCase().split('-')[0] ?? '').find(isLanguage) ?? null

export type SayValues = Readonly<Record<string, string | number>>

/** Makes a sentence from the catalogue; a number among the values chooses singular or plural where the message asks. */
export type Say = (key: string, values?: SayValues) => string

type Ast = ReturnType<IntlMessageFormat['getAst']>

/** Values that choose a form: they have to stay the numbers they are. */
const choosers = (elements: Ast): string[] =>
  elements.flatMap((element) =>
    'options' in element && element.options
      ? [
          String(element.value),
          ...Object.values(element.options as Readonly<Record<string, { readonly value: Ast }>>).flatMap((option) =>
            choosers(option.value),
          ),
        ]
      : [],
  )

/**
 * Values as a message takes them: one that a caller left out is nothing, and no reason to say nothing at all; a fraction
 * is divided as the language does it.
 */
const lenient = (
  values: Readonly<Record<string, unknown>>,
  choosing: ReadonlySet<string>,
  fraction: Intl.NumberFormat,
): Record<string, string> =>
  new Proxy(values, {
    has: () => true,
    get: (own, name) => {
      const value: unknown = Reflect.has(own, name) ? Reflect.get(own, name) : ''
      const isFraction = typeof value === 'number' && !Number.isInteger(value) && !choosing.has(String(name))
      return isFraction ? fraction.format(value) : value
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
  const format = new IntlMessageFormat(message, locale, undefined, { ignoreTag: true })
  const choosing = new Set(choosers(format.getAst()))
  // as many digits as the caller left it: rounding is not a matter of words
  const fraction = new Intl.NumberFormat(locale, { maximumFractionDigits: 6, useGrouping: false })
  return (values) => String(format.format(lenient(values, choosing, fraction)))
}

/** The same as vue-i18n and its core ask for it. */
export const messageCompiler = (
  message: unknown,
  { locale }: { readonly locale: string },
): ((context: { readonly values: Readonly<Record<string, unknown>> }) => string) => {
  const write = compiledMessage(String(message), locale)
  return ({ values }) => write(values)
}
