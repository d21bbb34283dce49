import { CellFault, briefOf, type ReadCell } from './cells'
import { readTime } from './days'
import { WEEKDAY_NAMES, weekdays, type WeekdayName } from './spellings/others'
import { plain } from './spellings/plain'

/** Work from one time to another; an end before its start is past midnight. */
export interface Span {
  readonly starts: string
  readonly ends: string
}

const OFF = new Set(
  ['off', 'x', 'free', 'day off', 'rdo', 'holiday', 'leave', 'frei', 'urlaub', 'repos', 'congé', 'libre', 'descanso']
    .concat([
      'vacaciones',
      'riposo',
      'ferie',
      'folga',
      'férias',
      'closed',
      'zu',
      'fermé',
      'cerrado',
      'chiuso',
      'fechado',
      'none',
      '',
    ])
    .map(plain),
)
const DASH = /\s*[-–—]\s*|\s+(?:to|bis|until|till|a|à|alle|às|hasta)\s+/i
const NO_HALF = /^\d{1,2}$/

/** One span: 9–17, 10:00 to 18:30, 9am-5pm, 6-10pm. @throws CellFault `which-half` for 9–5 */
function readSpan(text: string): Span {
  const [from = '', to = '', ...more] = text.trim().split(DASH)
  if (from === '' || to === '' || more.length > 0) throw new CellFault('not-a-span', { text })
  const half = /([ap])\.?m\.?$/i.exec(to)?.[1]
  const bothEvening = half && NO_HALF.test(from) && Number(from) <= Number.parseInt(to, 10)
  const starts = readTime(bothEvening ? `${from}${half}m` : from)
  const ends = readTime(to)
  if (NO_HALF.test(from) && NO_HALF.test(to) && Number(to) <= Number(from) && Number(from) < 12)
    throw new CellFault('which-half', { text })
  if (starts === ends) throw new CellFault('shift-times')
  return { starts, ends }
}

/** The spans of one day in a rota: several parted by commas, or a word for a day off. */
export const daySpans: ReadCell<readonly Span[]> = (cell) => {
  const text = briefOf(cell)
  if (OFF.has(plain(text))) return []
  return text
    .split(/[,;+&\n]| \/ |\/| and | und | et | y /i)
    .filter((part) => part.trim() !== '')
    .map(readSpan)
}

const WEEKDAY_RANGE = /^(\p{L}+)\.?(?:\s*(?:[-–—]|to|bis|à|a|al)\s*(\p{L}+)\.?)?$/iu

/** Mon–Fri, Tue and Thu, Mo, Sa–So. */
export function readWeekdays(text: string): WeekdayName[] {
  const parts = text.split(/[,;+&/]| and | und | et | y | e /i).filter((part) => part.trim() !== '')
  return [
    ...new Set(
      parts.flatMap((part) => {
        if (/^(daily|every day|täglich|tous les jours|todos los días|tutti i giorni|todos os dias)$/i.test(part.trim()))
          return [...WEEKDAY_NAMES]
        const [, from = '', to] = WEEKDAY_RANGE.exec(part.trim()) ?? []
        const [first, last] = [weekdays.find(from), to === undefined ? null : weekdays.find(to)]
        if (!first?.exact || (to !== undefined && !last?.exact))
          throw new CellFault('not-weekdays', { text: part.trim() })
        const start = WEEKDAY_NAMES.indexOf(first.value)
        const count = last ? (WEEKDAY_NAMES.indexOf(last.value) - start + 7) % 7 : 0
        return Array.from({ length: count + 1 }, (_, index) => WEEKDAY_NAMES[(start + index) % 7] ?? 'monday')
      }),
    ),
  ]
}

/** Weekdays with their hours, or weekdays alone: `Mon–Fri 9–17; Sat 10–14`. */
export interface WeekPart {
  readonly weekdays: readonly WeekdayName[]
  /** null where only the days are named and another column has the hours */
  readonly spans: readonly Span[] | null
}

const WITH_HOURS = /^([^\d]*\p{L})\.?:?\s+(\d.*)$/u

export const weekParts: ReadCell<readonly WeekPart[]> = (cell) => {
  const text = briefOf(cell)
  const parts = text.split(/[;\n]|,(?=\s*\p{L})/u).filter((part) => part.trim() !== '')
  const read = parts.map((part): WeekPart => {
    const [, days, hours] = WITH_HOURS.exec(part.trim()) ?? []
    return days !== undefined && hours !== undefined
      ? { weekdays: readWeekdays(days), spans: daySpans(hours, NO_CONTEXT) }
      : { weekdays: readWeekdays(part), spans: null }
  })
  return read
}
/** Times need nothing to be known of a file. */
const NO_CONTEXT = { unit: 'mm', zone: 'UTC', dayOrder: 'dmy', decimal: null } as const
