import { BATHS } from '../../core/abrasive/gear'
import { EVENT_KINDS } from '../../core/edge/model/eventKinds'
import { GRINDS, TYPE_TEMPLATES, type KnifeType } from '../../core/knife/knifeTypes'
import type { TableName } from '../../contract/exchange'
import {
  CellFault,
  choice,
  json,
  length,
  number,
  pattern,
  splitUnit,
  spelled,
  text,
  briefOf,
  type CellContext,
  type FilledCell,
  type ReadCell,
} from './cells'
import { day, moment, wallTime } from './days'
import { daySpans, weekParts } from './spans'
import { knifeTypeOf, saysOnlyType } from './spellings/knifeTypes'
import type { WEEKDAY_NAMES } from './spellings/others'
import { gearKinds, roles, states, weekdays, yesNo, zones } from './spellings/others'
import type { Found } from './spellings/plain'

/** What is in a column, for what has to be settled before it can be read, or asked of the person who brings it. */
export type ColumnSort = 'text' | 'number' | 'length' | 'day' | 'choice'

export interface Column<T> {
  readonly read: ReadCell<T>
  readonly sort: ColumnSort
  readonly required: boolean
  /** of a choice: the value a text stands for, as the file is to be shown it */
  readonly means: (text: string) => Found<string> | null
  /** never shown again once read */
  readonly secret: boolean
}
export type Columns = Readonly<Record<string, Column<unknown>>>

const column = <T>(sort: ColumnSort, read: ReadCell<T>, more: Partial<Column<T>> = {}): Column<T> => ({
  read,
  sort,
  required: false,
  means: () => null,
  secret: false,
  ...more,
})
const needed = { required: true }

/** A column of choices, by the spellings of each. */
const chosen = <T extends string>(
  find: (text: string) => Found<T> | null,
  more: Partial<Column<T>> = {},
): Column<T> => ({
  ...column<T>('choice', (cell) => {
    const found = find(briefOf(cell))
    if (!found) throw new CellFault('not-known', { text: briefOf(cell) })
    return found.value
  }),
  means: find,
  ...more,
})
const listed = <const T extends string>(options: readonly T[], others: Readonly<Record<string, T>> = {}): Column<T> => {
  const read = choice(options, others)
  return column('choice', read, {
    means: (text) => {
      try {
        return { value: read(text, ANY_CONTEXT), exact: true }
      } catch {
        return null
      }
    },
  })
}
const ANY_CONTEXT: CellContext = { unit: 'mm', zone: 'UTC', dayOrder: 'dmy', decimal: null }

const MOST_CODE_LETTERS = 12
const code = pattern(
  /^[A-Z0-9][A-Z0-9-]{0,11}$/,
  (raw) =>
    raw
      .normalize('NFKD')
      .replaceAll(/\p{Mark}/gu, '')
      .toUpperCase()
      .replace(/^(NO|NR|N°|Nº|#)[.\s]*(?=\d)/, '')
      .replaceAll(/[^A-Z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, MOST_CODE_LETTERS + 1),
  'not-a-code',
)
const uuid = pattern(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/, (raw) => raw.toLowerCase(), 'not-an-id')
const yes = column('choice', spelled(yesNo, 'not-yes-or-no'), {
  means: (text) => {
    const found = yesNo.find(text)
    return found && { value: found.value ? 'yes' : 'no', exact: found.exact }
  },
})

/** A knife in words: the kind, often its size, sometimes more. */
export interface KnifeInWords {
  readonly text: string
  /** what the house calls it, where the text says more than kind and size */
  readonly name: string | null
  readonly type: KnifeType | null
  readonly lengthMm: number | null
}

const SIZE =
  /(?:^|[^\d.,])((?:\d+[\s-])?\d{1,3}(?:[.,]\d)?(?:\/\d{1,2})?\s*[¼½¾]?\s*(?:mm|cm|inch(?:es)?|in\b|zoll|"|″|”|''))/i
const EDGE_MM = { least: 40, most: 600 }

const inWords: ReadCell<KnifeInWords> = (cell, context) => {
  const raw = text(80)(cell, context)
  const size = SIZE.exec(raw)?.[1]
  let lengthMm: number | null = null
  if (size !== undefined && splitUnit(size).unit) {
    try {
      lengthMm = length(EDGE_MM.least, EDGE_MM.most)(size.trim(), { ...context, decimal: context.decimal ?? '.' })
    } catch {
      // some other measure than an edge's
    }
  }
  const type = knifeTypeOf(raw)?.value ?? null
  const rest = size === undefined ? raw : raw.replace(size, ' ')
  return { text: raw, name: type !== null && saysOnlyType(rest, type) ? null : raw, type, lengthMm }
}

const lengths = (low: number, high: number, more: Partial<Column<number>> = {}): Column<number> =>
  column('length', length(low, high), more)
const numbers = (low: number, high: number, more: Partial<Column<number>> = {}): Column<number> =>
  column('number', number(low, high), more)
const words = (most: number, more: Partial<Column<string>> = {}): Column<string> => column('text', text(most), more)
/** An address of a steel by number, also where the house only wrote the grade. */
const steel = pattern(
  /^\d\.\d{4}$/,
  (raw) => raw.replace(',', '.').replace(/^EN\s*|^W\.?-?Nr\.?\s*/i, ''),
  'not-a-steel',
)

export const FLEET_COLUMNS = {
  code: column('text', code),
  words: column('text', inWords),
  name: words(80),
  type: chosen(knifeTypeOf, needed),
  length: lengths(EDGE_MM.least, EDGE_MM.most, needed),
  station: words(80, needed),
  holder: words(80),
  count: numbers(1, 200),
  height: lengths(5, 200),
  spine: lengths(0.5, 12),
  thickness: lengths(0.05, 3),
  thickness_new: lengths(0.05, 3),
  angle_left: numbers(0, 45),
  angle_right: numbers(0, 45),
  angle: numbers(1, 45),
  grind: listed(GRINDS),
  ratio_right: numbers(0, 100),
  serrated: yes,
  steel: column('text', (cell, context) => steel(typeof cell === 'number' ? cell.toFixed(4) : cell, context)),
  hardness: numbers(40, 70),
  reactive: yes,
  price: numbers(0, 100_000),
  bought: column('day', day),
  state: chosen((text) => states.find(text)),
} satisfies Columns

export const PEOPLE_COLUMNS = {
  name: words(80, needed),
  role: chosen((text) => roles.find(text), needed),
  pin: column(
    'text',
    pattern(/^\d{4,8}$/, (raw) => raw.trim(), 'not-a-pin'),
    { secret: true },
  ),
  active: yes,
} satisfies Columns

export const READING_COLUMNS = {
  code: column('text', code, needed),
  at: column('day', moment, needed),
  zone: chosen((text) => zones.find(text), needed),
  force: numbers(10, 5000, needed),
  by: words(80),
} satisfies Columns

export const EVENT_COLUMNS = {
  id: column('text', uuid, needed),
  code: column('text', code, needed),
  at: column('day', moment, needed),
  kind: { ...listed(EVENT_KINDS), ...needed },
  by: words(80),
  details: column('text', json, needed),
} satisfies Columns

export const GEAR_COLUMNS = {
  name: words(80, needed),
  kind: chosen((text) => gearKinds.find(text), needed),
  scale: listed(['JIS', 'FEPA-F', 'FEPA-P', 'micron'], { um: 'micron', microns: 'micron', µm: 'micron' }),
  grit: column('number', (cell, context) =>
    number(0.1, 60_000)(typeof cell === 'string' ? cell.replace(/^\s*(#|jis|f|p)\s*(?=\d)/i, '') : cell, context),
  ),
  soak: numbers(0, 120),
  bath: listed(BATHS),
  thickness: lengths(0, 120),
  dish: lengths(0, 10),
  compound: words(80),
  bench: words(80),
  active: yes,
} satisfies Columns

const ofDay = column('text', daySpans)
export const SHIFT_COLUMNS = {
  person: words(80, needed),
  weekday: chosen((text) => weekdays.find(text)),
  day: column('day', day),
  starts: column('text', wallTime),
  ends: column('text', wallTime),
  note: words(80),
  weekdays: column('text', weekParts),
  hours: ofDay,
  monday: ofDay,
  tuesday: ofDay,
  wednesday: ofDay,
  thursday: ofDay,
  friday: ofDay,
  saturday: ofDay,
  sunday: ofDay,
} satisfies Columns & Readonly<Record<(typeof WEEKDAY_NAMES)[number], unknown>>

export const TABLE_COLUMNS: Readonly<Record<TableName, Columns>> = {
  fleet: FLEET_COLUMNS,
  people: PEOPLE_COLUMNS,
  gear: GEAR_COLUMNS,
  shifts: SHIFT_COLUMNS,
  readings: READING_COLUMNS,
  events: EVENT_COLUMNS,
}

/** Edge length usual for what a text calls a knife, mm; null where it names none. */
export function usualLengthMm(cell: FilledCell | null): number | null {
  const type = typeof cell === 'string' ? knifeTypeOf(cell)?.value : undefined
  return type ? TYPE_TEMPLATES[type].typicalLengthMm : null
}
