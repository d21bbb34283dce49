/**
 * Languages that Yorvik speaks, by their tags (BCP 47): the locale that writes its numbers and days, and what it calls
 * itself. A fifth is one catalogue in words/ and a line here.
 */
export const LANGUAGE_TRAITS = {
  en: { locale: 'en-GB', name: 'English' },
  de: { locale: 'de-DE', name: 'Deutsch' },
  fr: { locale: 'fr-FR', name: 'Français' },
  es: { locale: 'es-ES', name: 'Español' },
} as const satisfies Readonly<Record<string, { readonly locale: string; readonly name: string }>>

export type Language = keyof typeof LANGUAGE_TRAITS
export const LANGUAGES = Object.keys(LANGUAGE_TRAITS) as readonly Language[]

export const isLanguage = (tag: string): tag is Language => Object.hasOwn(LANGUAGE_TRAITS, tag)

/** The first of some wishes that Yorvik speaks, regions apart; null for none. */
export const languageAmong = (tags: readonly string[]): Language | null =>
  tags.map((tag) => tag.toLowerCase().split('-')[0] ?? '').find(isLanguage) ?? null
