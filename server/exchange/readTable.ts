import type {
  ExchangeOutcome,
  ExchangeProblem,
  ReadColumn,
  ReadingTold,
  ReadValue,
  TableName,
} from '../../contract/exchange'
import { TABLES } from '../../contract/exchange'
import { MOST_ROWS } from '../../sheets/sheet'
import type { Say } from '../../words/say'
import { Fault } from '../faults'
import { CellFault, splitUnit, textOf, type CellContext, type DayOrder, type FilledCell, type ReadCell } from './cells'
import type { Column, Columns } from './columns'
import { findColumns, isFilled, tableFit, type Remembered, type SheetRows } from './findColumns'
import { settleDayOrder, settleDecimal, settleUnit, waitsFor } from './settle'
import { plain } from './spellings/plain'

/** Values of a row: a blank or absent cell is left out. */
export type RowValues<C extends Columns> = { readonly [K in keyof C]?: C[K] extends Column<infer T> ? T : never }

/** A cell of a row as it stands in the file. */
export interface RowCell {
  /** place in the sheet; null for what was said of every row, or stands above them */
  readonly at: number | null
  readonly text: string
}

export interface TableRow<C extends Columns> {
  /** line of the sheet, its first being 1 */
  readonly row: number
  readonly values: RowValues<C>
  readonly cells: ReadonlyMap<string, RowCell>
  /** the last line above that stood alone, like a heading */
  readonly under: string | null
}

/** What the house said of earlier files. */
export interface Meanings {
  readonly columns: Remembered
  /** what a text means, by column and plain text; see {@link meaningKey} */
  readonly values: ReadonlyMap<string, string>
}
export const meaningKey = (column: string, text: string): string => `${column} ${plain(text) || text}`

/** A file with all that has been said of it. */
export interface Reading {
  readonly sheets: readonly { readonly name: string; readonly rows: SheetRows }[]
  readonly told: ReadingTold
  readonly remembered: Meanings
  readonly zone: string
  readonly dayOrder: DayOrder
}

export interface ReadTable<C extends Columns> {
  readonly sheet: number
  readonly headerRow: number
  readonly looksLike: TableName | null
  readonly columns: readonly ReadColumn[]
  readonly missing: readonly string[]
  readonly questions: ExchangeOutcome['questions']
  readonly dayOrder: DayOrder
  /** texts that needed to be understood: those nobody knows, those guessed, those told */
  readonly values: readonly ReadValue[]
  readonly rows: readonly TableRow<C>[]
  /** lines that are no entries */
  readonly notes: readonly { readonly row: number; readonly text: string }[]
  readonly problems: readonly ExchangeProblem[]
  /** what a text of a column is said to mean, now or in an earlier file */
  readonly meaning: (
    column: string,
    text: string,
  ) => { readonly means: string; readonly how: 'told' | 'remembered' } | null
}

/** Marks that stand for the cell above. */
const DITTO = /^(["”″〃]|ditto|dito|do\.|idem|id\.|ebd\.|-"-|- " -)$/i
const SUM = /^(total|totals|sum|summe|gesamt|somme|totale|suma|soma|insgesamt|count)\b/i

/** The sheet that best does as the table. */
function bestSheet({ sheets, told, remembered }: Reading, table: TableName): number {
  if (told.sheet !== undefined) return Math.min(told.sheet, sheets.length - 1)
  const fits = sheets.map(({ rows }) => tableFit(rows, table, remembered.columns).fit)
  return Math.max(0, fits.indexOf(Math.max(...fits)))
}

/** Another table that the sheet does much better as. */
const CLEARLY_BETTER = 1.35
function otherTable(rows: SheetRows, table: TableName, remembered: Remembered): TableName | null {
  const fitOf = (one: TableName): number => tableFit(rows, one, remembered).fit
  const own = fitOf(table)
  const [best] = TABLES.filter((one) => one !== table)
    .map((one) => ({ one, fit: fitOf(one) }))
    .sort((a, b) => b.fit - a.fit)
  return best && best.fit > own * CLEARLY_BETTER + 1 ? best.one : null
}

/**
 * Reads a sheet against the columns of a table. Every cell that cannot be read is named by line and column; what the
 * file does not decide is asked, never guessed.
 *
 * @param leaves columns that may be missing or empty here, because the caller has other ways to them
 * @throws Fault for a sheet with nothing on it, or more than 20 000 rows
 */
export function readTable<C extends Columns>(
  reading: Reading,
  table: TableName,
  own: C,
  say: Say,
  leaves: readonly string[] = [],
): ReadTable<C> {
  const { told, remembered, zone } = reading
  const sheet = bestSheet(reading, table)
  const rows = reading.sheets[sheet]?.rows ?? []
  if (rows.length === 0) throw new Fault('invalid', 'file-empty')
  const { headerRow, columns: found } = findColumns(rows, table, told, remembered.columns)
  const kinds: Columns = own
  const mapped = found.filter(({ means }) => means !== null && means in kinds)
  const titles = new Map(mapped.map(({ at, title }) => [at, plain(title)]))
  const unitRow = headerRow >= 0 && isUnitRow(rows[headerRow + 1]) ? headerRow + 1 : -1

  const said = new Map((told.values ?? []).map((one) => [meaningKey(one.column, one.text), one.means]))
  const meaning: ReadTable<C>['meaning'] = (column, text) => {
    const key = meaningKey(column, text)
    const now = said.get(key)
    if (now !== undefined) return { means: now, how: 'told' }
    const before = remembered.values.get(key)
    return before === undefined ? null : { means: before, how: 'remembered' }
  }

  const lines = undittoed(
    rows.slice(headerRow + 1).map((cells, index) => ({ row: headerRow + index + 2, cells })),
    mapped,
  ).filter(({ row, cells }) => row !== unitRow + 1 && cells.some(isFilled))
  if (lines.length > MOST_ROWS) throw new Fault('invalid', 'file-too-long', { most: MOST_ROWS })
  const entries: { row: number; cells: readonly (FilledCell | null | undefined)[]; under: string | null }[] = []
  const notes: { row: number; text: string }[] = []
  let under: string | null = null
  for (const { row, cells } of lines) {
    const filled = cells.filter(isFilled)
    const here = mapped.filter(({ at }) => isFilled(cells[at]))
    const repeatsHeader = here.length > 1 && here.every(({ at }) => plain(String(cells[at])) === titles.get(at))
    const [first] = filled
    const isSum = filled.length <= 3 && typeof first === 'string' && SUM.test(first.trim())
    const standsAlone = mapped.length > 2 && filled.length === 1 && typeof first === 'string'
    if (repeatsHeader || isSum || standsAlone) {
      notes.push({ row, text: filled.map(String).join(' ') })
      if (standsAlone && !isSum) under = first.trim()
    } else entries.push({ row, cells, under })
  }

  const cellsOf = ({ at }: ReadColumn): FilledCell[] => entries.map(({ cells }) => cells[at]).filter(isFilled)
  const columns = found.map((column): ReadColumn => {
    if (column.means === null || kinds[column.means]?.sort !== 'length') return column
    const bare = entries.flatMap(({ cells }): [FilledCell, FilledCell[]][] => {
      const cell = cells[column.at]
      const isBare = isFilled(cell) && (typeof cell === 'number' || splitUnit(cell.trim()).unit === null)
      return isBare ? [[cell, cells.filter(isFilled)]] : []
    })
    // where every cell says its own unit there is nothing to choose
    if (bare.length === 0) return { ...column, unit: null }
    if (column.unit !== null) return column
    const inUnitRow = unitRow < 0 ? null : splitUnit(`1 ${String(rows[unitRow]?.[column.at] ?? '')}`).unit
    return { ...column, unit: inUnitRow ?? (column.means === 'length' ? settleUnit(bare) : 'mm') }
  })
  const decimals = settleDecimal(mapped, kinds, cellsOf, told)
  const days = settleDayOrder(mapped, kinds, cellsOf, told, reading.dayOrder)
  const context: CellContext = { unit: 'mm', zone, dayOrder: days.dayOrder, decimal: decimals.decimal }

  const problems: ExchangeProblem[] = []
  const problem = (row: number, column: string | null, key: string, values = {}): void => {
    problems.push({ row, column, sentence: say(`cell.${key}`, values) })
  }
  const asked = new Map<string, { -readonly [K in keyof ReadValue]: ReadValue[K] }>()
  /** what a text is said to mean, where that is not the text itself */
  const understood = (column: string, text: string): string | null => {
    const meant = meaning(column, text)
    const kind = kinds[column]
    const known = kind?.means(text) ?? null
    if (kind?.sort === 'choice' && (meant || !known?.exact)) {
      const key = meaningKey(column, text)
      const before = asked.get(key)
      if (before) before.rows += 1
      else
        asked.set(key, {
          column,
          text,
          rows: 1,
          means: meant?.means ?? known?.value ?? null,
          how: meant?.how ?? (known ? 'guess' : null),
        })
    }
    return meant?.means ?? null
  }
  const readable = entries.map(({ row, cells, under: heading }): TableRow<C> => {
    const values: Record<string, unknown> = {}
    const kept = new Map<string, RowCell>()
    const read = (key: string, at: number | null, cell: FilledCell, unit: ReadColumn['unit']): void => {
      const shown = typeof cell === 'number' ? String(cell) : cell.trim()
      kept.set(key, { at, text: shown })
      const kind = kinds[key]
      try {
        if (kind?.sort === 'day' && waitsFor(days.question, cell)) throw new CellFault('which-order', { text: shown })
        const meant = typeof cell === 'string' ? understood(key, textOf(cell)) : null
        if (meant === '') return
        values[key] = (kind?.read as ReadCell<unknown>)(meant ?? cell, { ...context, unit: unit ?? 'mm' })
      } catch (error) {
        if (!(error instanceof CellFault)) throw error
        problem(row, key, error.key, error.values)
      }
    }
    for (const { at, means, unit } of columns) {
      const cell = cells[at]
      if (means !== null && means in kinds && isFilled(cell)) read(means, at, cell, unit)
    }
    for (const [key, text] of Object.entries(told.everywhere ?? {}))
      if (key in kinds && !kept.has(key) && text !== '') read(key, null, text, null)
    for (const [key, kind] of Object.entries(kinds))
      if (kind.required && !leaves.includes(key) && !kept.has(key)) problem(row, key, 'empty')
    return { row, values: values as RowValues<C>, cells: kept, under: heading }
  })
  const present = new Set([...mapped.map(({ means }) => means), ...Object.keys(told.everywhere ?? {})])
  return {
    sheet,
    headerRow,
    looksLike: otherTable(rows, table, remembered.columns),
    columns,
    missing: Object.keys(kinds).filter((key) => kinds[key]?.required && !leaves.includes(key) && !present.has(key)),
    questions: [decimals.question, days.question].filter((question) => question !== null),
    dayOrder: days.dayOrder,
    values: [...asked.values()],
    rows: readable,
    notes,
    problems,
    meaning,
  }
}

/** A line under the header that only says units. */
function isUnitRow(cells: SheetRows[number] | undefined): boolean {
  const filled = (cells ?? []).filter(isFilled)
  return (
    filled.length > 0 &&
    filled.every(
      (cell) =>
        typeof cell === 'string' &&
        /^[([]?\s*(mm|cm|in|inch|inches|zoll|"|″|°|hrc|€|\$|£|%|dps)\s*[)\]]?$/i.test(cell.trim()),
    )
  )
}

/** Lines with their ditto marks replaced by what stands above. */
function undittoed(
  lines: readonly { readonly row: number; readonly cells: SheetRows[number] }[],
  mapped: readonly ReadColumn[],
): { row: number; cells: readonly (FilledCell | null | undefined)[] }[] {
  const above = new Map<number, FilledCell>()
  return lines.map(({ row, cells }) => {
    const now = [...cells]
    for (const { at } of mapped) {
      const cell = now[at]
      if (!isFilled(cell)) continue
      const copied = typeof cell === 'string' && DITTO.test(cell.trim()) ? above.get(at) : undefined
      if (copied !== undefined) now[at] = copied
      above.set(at, copied ?? cell)
    }
    return { row, cells: now }
  })
}
