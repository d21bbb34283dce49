import { say } from '../i18n'
import type { BandSpan } from '../ui/daySpans'

/** What can be put into a day of the house. */
export const weekAdds = (): { readonly label: string; readonly span: Omit<BandSpan, 'id' | 'weekday'> }[] => [
  {
    label: say('house.addService'),
    span: { kind: 'service', name: say('house.newSpan'), starts: '12:00', ends: '14:30' },
  },
  {
    label: say('house.addQuiet'),
    span: { kind: 'quiet', name: say('house.newQuiet'), starts: '15:00', ends: '17:00' },
  },
]
