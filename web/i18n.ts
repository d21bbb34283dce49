import { computed, type ComputedRef } from 'vue'
import { createI18n } from 'vue-i18n'
import { formats, type Formats } from '../words/format'
import { catalogues, type Say } from '../words/say'
import { useSession } from './stores/session'

export const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: catalogues,
  missingWarn: false,
  fallbackWarn: false,
})

/** A sentence from the catalogue, in the language of the screen. */
export const say: Say = (key, values = {}) => {
  const n = values['n']
  return typeof n === 'number' ? i18n.global.t(key, { ...values }, n) : i18n.global.t(key, { ...values })
}

/** The device's own zone, until the house has said its; finding it takes the browser a while. */
const here = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

/** Numbers and dates as this house writes them. */
export function useFormats(): ComputedRef<Formats> {
  const session = useSession()
  return computed(() => formats('en-GB', session.house?.zone ?? here(), session.house?.units ?? 'mm'))
}
