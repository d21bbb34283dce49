import { useLocalStorage } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { createI18n, type MessageCompiler } from 'vue-i18n'
import type en from '../words/en.json'
import { isLanguage, LANGUAGE_TRAITS, languageAmong, messageCompiler, type Language, type Say } from '../words/message'

export type Catalogue = typeof en

/** Each catalogue is a file of its own: a screen loads the one it speaks. */
const LOADERS: Readonly<Record<Language, () => Promise<{ readonly default: Catalogue }>>> = {
  en: () => import('../words/en.json'),
  de: () => import('../words/de.json'),
  fr: () => import('../words/fr.json'),
  es: () => import('../words/es.json'),
}

export const i18n = createI18n({
  legacy: false,
  locale: 'en',
  messages: {},
  messageCompiler: messageCompiler as MessageCompiler,
  missingWarn: false,
  fallbackWarn: false,
})

/** The catalogue that is spoken, for what goes through it by key. */
export const catalogue = shallowRef<Catalogue | null>(null)
export const language = computed(() => i18n.global.locale.value as Language)

/** What somebody chose on this device's sign-in page; empty while nobody has. */
export const chosenHere = useLocalStorage<Language | ''>('yorvik.language', '')

/** What this device speaks while nobody is signed in: what was chosen here, else the browser's, else the house's. */
export const deviceLanguage = (ofHouse: Language = 'en'): Language =>
  chosenHere.value || (languageAmong(navigator.languages) ?? ofHouse)

/**
 * Speaks a language from here on, once its catalogue is there. Without a network the one before is spoken on, and where
 * the server is newer than this page and knows more languages.
 */
export async function speak(wanted: Language): Promise<void> {
  const loaded = isLanguage(wanted) ? await LOADERS[wanted]().catch(() => null) : null
  if (!loaded) return
  i18n.global.setLocaleMessage(wanted, loaded.default)
  catalogue.value = loaded.default
  i18n.global.locale.value = wanted
  if (typeof document !== 'undefined') document.documentElement.lang = wanted
}

/** A sentence from the catalogue, in the language of the screen. */
export const say: Say = (key, values = {}) => i18n.global.t(key, { ...values })

/** How the language of the screen writes numbers and days. */
export const locale = computed(() => LANGUAGE_TRAITS[language.value].locale)
