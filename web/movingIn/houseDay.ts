import { spanMinutes, type BandSpan } from '../ui/daySpans'

/** Hours of a day on which the house does nothing, if somebody is said to be there all the same. */
const EMPTY_DAY = { starts: '09:00', ends: '17:00' }

/** When whoever works a whole day of the house is there: from the start of its first span to the end of its last. */
export function houseDay(
  week: readonly Pick<BandSpan, 'weekday' | 'starts' | 'ends'>[],
  weekday: number,
): { readonly starts: string; readonly ends: string } {
  const spans = week.filter((span) => span.weekday === weekday)
  const [first] = [...spans].sort((a, b) => spanMinutes(a).from - spanMinutes(b).from)
  const [last] = [...spans].sort((a, b) => spanMinutes(b).to - spanMinutes(a).to)
  return first && last ? { starts: first.starts, ends: last.ends } : EMPTY_DAY
}
