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

/** A value that a caller left out is nothing, and no reason to say nothing at all. */
const lenient = (values: Readonly<Record<string, unknown>>): Record<string, string> =>
  new Proxy(values, {
    has: () => true,
    get: (own, name) => (Reflect.has(own, name) ? Reflect.get(own, name) : ''),
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
  return (values) => String(format.format(lenient(values)))
}

/** The same as vue-i18n and its core ask for it. */
export const messageCompiler = (
  message: unknown,
  { locale }: { readonly locale: string },
): ((context: { readonly values: Readonly<Record<string, unknown>> }) => string) => {
  const write = compiledMessage(String(message), locale)
  return ({ values }) => write(values)
}
