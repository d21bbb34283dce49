import { computed, type ComputedRef } from 'vue'
import { formats, type Formats } from '../words/format'
import { locale } from './spoken'
import { useSession } from './stores/session'

export { byName, inOrder, say } from './spoken'

/** The device's own zone, until the house has said its; finding it takes the browser a while. */
const here = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

/** Numbers and dates as this house writes them. */
export function useFormats(): ComputedRef<Formats> {
  const session = useSession()
  return computed(() => formats(locale.value, session.house?.zone ?? here(), session.house?.units ?? 'mm'))
}
