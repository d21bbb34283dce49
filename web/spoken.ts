import { useLocalStorage } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { createI18n, type MessageCompiler } from 'vue-i18n'
import catalogueParts from 'virtual:words'
import { isLanguage, LANGUAGE_TRAITS, languageAmong, type Language } from '../contract/languages'
import type en from '../words/en.json'
import { messageCompiler, type Say } from '../words/message'

/** A catalogue as far as it is here: all of it soon after the first screen. */
type Catalogue = Partial<typeof en>
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
  languageAmong([chosenHere.value, ...navigator.languages]) ?? ofHouse

/** Resolves once every word of the language that is spoken is here. */
let whole: Promise<void> = Promise.resolve()
export const everyWord = (): Promise<void> => whole

/**
 * Speaks a language from here on, once what the first screen says is there; the rest follows by itself. Without a network
 * the one before is spoken on, and where the server is newer than this page and knows more languages.
 */
export async function speak(wanted: Language): Promise<void> {
  if (!isLanguage(wanted)) return
  // each catalogue is two files of its own: a screen loads those it speaks with, what the first one says before the rest
  const parts = catalogueParts[wanted]
  const first = await parts?.first().catch(() => null)
  if (!parts || !first) return
  const isNew = !i18n.global.availableLocales.includes(wanted)
  if (isNew) i18n.global.setLocaleMessage(wanted, first.default as Catalogue)
  // whoever spoke before goes on until the new one has all its words: no screen speaks half of two languages
  const rest = parts.rest().then(
    ({ default: more }) => {
      if (isNew) i18n.global.mergeLocaleMessage(wanted, more)
      catalogue.value = { ...first.default, ...more }
    },
    () => undefined,
  )
  whole = rest
  if (catalogue.value !== null) await rest
  catalogue.value ??= first.default
  i18n.global.locale.value = wanted
  if (typeof document !== 'undefined') document.documentElement.lang = wanted
}

/** A sentence from the catalogue, in the language of the screen. */
export const say: Say = (key, values = {}) => i18n.global.t(key, { ...values })

/** How the language of the screen writes numbers and days. */
export const locale = computed(() => LANGUAGE_TRAITS[language.value].locale)

const collator = computed(() => new Intl.Collator(locale.value, { numeric: true }))

/** Names and codes in the order of the language of the screen (Unicode CLDR): É beside E, and 2 before 10. */
export const inOrder = (a: string, b: string): number => collator.value.compare(a, b)

/** Things that have a name, in the order of their names. */
export const byName = (a: { readonly name: string }, b: { readonly name: string }): number => inOrder(a.name, b.name)
