import Papa from 'papaparse'
import type { ExchangeProblem } from '../../contract/exchange'
import type { Say } from '../../words/say'
import { Fault } from '../faults'
import { CellFault, plain, type CellContext, type ReadCell } from './cells'

export interface Column<T> {
  readonly required?: boolean
  /** headers people write for it, beside its own key */
  readonly aliases: readonly string[]
  readonly read: ReadCell<T>
}

type Columns = Readonly<Record<string, Column<unknown>>>
/** Values of a row: a blank or absent cell is left out. */
export type RowValues<C extends Columns> = { readonly [K in keyof C]?: C[K] extends Column<infer T> ? T : never }

export interface TableRow<C extends Columns> {
  /** line of the file, the header being 1 */
  readonly row: number
  readonly values: RowValues<C>
}

export interface ReadTable<C extends Columns> {
  readonly delimiter: string
  readonly rows: readonly TableRow<C>[]
  readonly unknownColumns: readonly string[]
  readonly problems: readonly ExchangeProblem[]
}

export const MOST_ROWS = 5000
const DELIMITERS = [';', ',', '\t', '|']
const MOST_PROBLEMS_LISTED = 500
const INCH_HEADER = /[([_\s](in|inch|inches|"|″)[)\]]?\s*$/i
const UNIT_SUFFIX =
  /\s*[([]?\b(mm|millimet(er|re)s?|in|inch|inches|gf|g|grams?( force)?|dps|degrees?|deg|hrc|hours?|h)\b[)\]]?\s*$|\s*[([]["″°%][)\]]?\s*$/i

/** A header without its unit; a header that is nothing but a unit, like HRC, stays. */
function headerName(header: string): string {
  const spaced = header.replaceAll('_', ' ')
  return plain(spaced.replace(UNIT_SUFFIX, '')) || plain(spaced)
}

/**
 * The delimiter the first line is most cut by. The header is judged alone, since in the rows below
 * commas may be decimals.
 */
function delimiterOf(csv: string): string {
  const [header = ''] = csv.split(/\r?\n/, 1)
  const counts = DELIMITERS.map((delimiter) => ({ delimiter, count: header.split(delimiter).length - 1 }))
  return counts.sort((a, b) => b.count - a.count)[0]?.delimiter ?? ','
}

/**
 * Reads a CSV file (RFC 4180, and the dialects spreadsheets make of it) against a set of columns.
 * Every cell that cannot be read is named by row and column; nothing is guessed.
 *
 * @throws Fault for a file with no header or more than 5 000 rows
 */
export function readTable<C extends Columns>(csv: string, columns: C, zone: string, say: Say): ReadTable<C> {
  const body = csv.replace(/^\uFEFF/, '')
  const delimiter = delimiterOf(body)
  const { data, errors } = Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false })
  const [header, ...lines] = data
  if (!header || header.every((cell) => cell.trim() === '')) throw new Fault('invalid', 'file-empty')
  if (lines.length > MOST_ROWS + 1) throw new Fault('invalid', 'file-too-long', { most: MOST_ROWS })
  const problems: ExchangeProblem[] = errors
    .filter((error) => error.type === 'Quotes')
    .map((error) => ({ row: (error.row ?? 0) + 1, column: null, sentence: say('cell.open-quote') }))

  const names = Object.entries(columns).map(([key, column]) => ({
    key,
    spellings: [key, ...column.aliases].map(headerName),
  }))
  const claimed = new Set<string>()
  const places = header.map((title) => {
    const found = names.find(({ spellings }) => spellings.includes(headerName(title)))
    if (!found) return null
    if (claimed.has(found.key))
      problems.push({ row: 1, column: title, sentence: say('cell.column-twice', { column: title }) })
    claimed.add(found.key)
    const unit: CellContext['unit'] = INCH_HEADER.test(title) ? 'in' : 'mm'
    return { key: found.key, title, context: { unit, zone } }
  })
  for (const [key, column] of Object.entries(columns)) {
    if (column.required && !claimed.has(key)) {
      problems.push({ row: 1, column: key, sentence: say('cell.column-missing', { column: key }) })
    }
  }

  const rows = lines.flatMap((cells, index): TableRow<C>[] => {
    if (cells.every((cell) => cell.trim() === '')) return []
    const row = index + 2
    const values: Record<string, unknown> = {}
    if (cells.length > header.length && cells.slice(header.length).some((cell) => cell.trim() !== '')) {
      problems.push({
        row,
        column: null,
        sentence: say('cell.too-many-cells', { found: cells.length, expected: header.length }),
      })
    }
    places.forEach((place, at) => {
      // the apostrophe that writing a table puts before what a spreadsheet would run
      const raw = (cells[at] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
      if (!place) return
      if (raw === '') {
        if (columns[place.key]?.required) problems.push({ row, column: place.title, sentence: say('cell.empty') })
        return
      }
      try {
        values[place.key] = columns[place.key]?.read(raw, place.context)
      } catch (error) {
        if (!(error instanceof CellFault)) throw error
        problems.push({ row, column: place.title, sentence: say(`cell.${error.key}`, error.values) })
      }
    })
    return [{ row, values: values as RowValues<C> }]
  })
  return {
    delimiter,
    rows,
    unknownColumns: header.filter((title, at) => places[at] === null && title.trim() !== ''),
    problems: problems.slice(0, MOST_PROBLEMS_LISTED),
  }
}
