import { createCoreContext, translate } from '@intlify/core'
import en from './en.json'

export type SayValues = Readonly<Record<string, string | number>>

/** Makes a sentence from the catalogue; `n` among the values chooses singular or plural. */
export type Say = (key: string, values?: SayValues) => string

export const catalogues = { en } as const
export type Locale = keyof typeof catalogues

/** A speaker for places without a screen: refusals, calendars, files. */
export function speaker(locale: Locale = 'en'): Say {
  const context = createCoreContext({
    locale,
    messages: catalogues,
    fallbackLocale: 'en',
    missingWarn: false,
    fallbackWarn: false,
  })
  return (key, values = {}) => {
    const plural = typeof values['n'] === 'number' ? { plural: values['n'] } : {}
    const text = translate(context, key, values, plural)
    return typeof text === 'string' ? text : key
  }
}
