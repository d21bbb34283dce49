import type { ReadColumn, ReadingTold, Sheet, TableName } from '../../contract/exchange'
import type { Wire } from '../../contract/wire'
import { splitUnit, type FilledCell, type LengthUnit } from './cells'
import { TABLE_COLUMNS, type Column } from './columns'
import { HEADERS } from './spellings/headers'
import { plain } from './spellings/plain'
import { ownTitles } from './spellings/ownTitles'

export type SheetRows = Wire<typeof Sheet>['rows']
type Cell = SheetRows[number][number] | undefined

/** What the house said of earlier files: what a title means, by its plain text. */
export type Remembered = ReadonlyMap<string, string>

export interface FoundColumns {
  /** row of the headers, −1 for none */
  readonly headerRow: number
  readonly columns: readonly ReadColumn[]
}

const HEADER_WITHIN = 40
const SAMPLES = 60
/** Points for how well a title names a column. */
const POINTS = { remembered: 4, key: 3.2, word: 3, partly: 1.8 } as const
/** What the cells below may add or take away. */
const CONTENT_POINTS = 2
/** A column is taken for what its title does not say only where nearly all its cells can be nothing else. */
const CELLS_ALONE = 0.7

const UNIT_IN_TITLE =
  /\s*[([,]?\s*\b(mm|millimet(?:er|re)s?|cm|centimet(?:er|re)s?|zentimeter|in|inch|inches|zoll|pouces?|pulgadas?|gf|g|grams?(?: force)?|dps|degrees?|deg|hrc|hours?|h|min)\b[)\]]?\s*$|\s*[([]["″°%€$£][)\]]?\s*$/i

export const isFilled = (cell: Cell): cell is FilledCell =>
  cell !== null && cell !== undefined && (typeof cell === 'number' || cell.trim() !== '')

/** A title without its unit; a title that is nothing but a unit, like HRC, stays. */
function titleName(title: string): string {
  const spaced = title.replaceAll('_', ' ')
  return plain(spaced.replace(UNIT_IN_TITLE, '')) || plain(spaced)
}

/** The unit a title says its lengths are in. */
export function unitInTitle(title: string): LengthUnit | null {
  const [, inside] = /[([]\s*([^)\]]+?)\s*[)\]]\s*$/.exec(title) ?? []
  return inside === undefined
    ? splitUnit(`1 ${title.replaceAll('_', ' ').trim().split(/\s+/).at(-1) ?? ''}`).unit
    : splitUnit(`1 ${inside}`).unit
}

interface Fit {
  readonly key: string
  readonly points: number
  readonly how: ReadColumn['how']
}

/** How well a title names each column of a table. */
function fitsOfTitle(title: string, table: TableName, remembered: Remembered): Fit[] {
  const name = titleName(title)
  if (name === '') return []
  const before = remembered.get(plain(title))
  const words = ` ${name} `
  return Object.keys(TABLE_COLUMNS[table]).flatMap((key): Fit[] => {
    if (before === key) return [{ key, points: POINTS.remembered, how: 'remembered' }]
    if (plain(key) === name) return [{ key, points: POINTS.key, how: 'word' }]
    const spellings = [...(HEADERS[table][key] ?? []), ...ownTitles(table, key)].map(titleName)
    if (spellings.includes(name)) return [{ key, points: POINTS.word, how: 'word' }]
    const inside = spellings.filter((one) => one.length > 2 && words.includes(` ${one} `))
    const share = Math.max(0, ...inside.map((one) => one.length / name.length))
    return share > 0 ? [{ key, points: POINTS.partly * (0.6 + 0.4 * share), how: 'guess' }] : []
  })
}

/** Share of a column's cells that can be what is said of them, and how much that says. */
function shareRead(column: Column<unknown>, cells: readonly FilledCell[], unit: LengthUnit): number {
  if (cells.length === 0) return 0.5
  const context = { unit, zone: 'UTC', dayOrder: 'dmy', decimal: '.' } as const
  const read = cells.filter((cell) => {
    if (column.sort === 'choice') return typeof cell === 'string' && column.means(cell) !== null
    for (const one of column.sort === 'length' ? (['mm', 'cm', 'in'] as const) : [unit]) {
      try {
        column.read(cell, { ...context, unit: one })
        return true
      } catch {
        // not in this unit
      }
    }
    return false
  })
  return read.length / cells.length
}

/** Codes are short and each stands once; anything else that could be written as a code is none. */
function looksLikeCodes(cells: readonly FilledCell[]): number {
  const texts = cells.map((cell) => String(cell).trim())
  const short = texts.filter((text) => text.length <= 12 && /\d/.test(text)).length / Math.max(1, texts.length)
  return short * (new Set(texts).size / Math.max(1, texts.length))
}

/** Far below what any title gives. */
const NOT_WORDS = -3
/** Share of cells that are a number, with or without a unit of length. */
const shareMeasured = (cells: readonly FilledCell[]): number =>
  cells.filter((cell) => typeof cell === 'number' || /^\d+(?:[.,]\d+)?\s*(?:mm|cm|in|["″”])?$/i.test(cell.trim()))
    .length / Math.max(1, cells.length)

/** A measure under a title like “Blade”, or with a unit of length and no name of its own, is the length of the knife. */
function isLengthByCells(
  table: TableName,
  title: string,
  named: readonly Fit[],
  cells: readonly FilledCell[],
): boolean {
  if (table !== 'fleet' || cells.length === 0 || shareMeasured(cells) < CELLS_ALONE) return false
  const isBlade = named.some(({ key }) => key === 'words')
  const isMeasure = named.some(({ key }) => TABLE_COLUMNS.fleet[key]?.sort === 'length')
  return !isMeasure && (isBlade || (named.length === 0 && unitInTitle(title) !== null))
}

function contentFit(table: TableName, key: string, cells: readonly FilledCell[], unit: LengthUnit): number {
  const column = TABLE_COLUMNS[table][key]
  if (!column) return 0
  if (key === 'code') return looksLikeCodes(cells)
  if (table === 'fleet' && key === 'words') {
    const types = TABLE_COLUMNS.fleet['type']
    // a bare measure describes nothing in words
    if (cells.length > 0 && shareMeasured(cells) >= CELLS_ALONE) return NOT_WORDS
    return types ? Math.max(0.3, shareRead(types, cells, unit)) : 0
  }
  return shareRead(column, cells, unit)
}

function columnsAt(
  rows: SheetRows,
  headerRow: number,
  table: TableName,
  told: ReadingTold,
  remembered: Remembered,
): ReadColumn[] {
  const below = rows.slice(headerRow + 1, headerRow + 1 + SAMPLES)
  const width = Math.max(0, ...rows.slice(Math.max(0, headerRow)).map((row) => row.length))
  const titles = Array.from({ length: width }, (_, at) => {
    const cell = headerRow < 0 ? null : rows[headerRow]?.[at]
    return isFilled(cell) ? String(cell).trim() : ''
  })
  const cellsOf = (at: number): FilledCell[] => below.map((row) => row[at]).filter(isFilled)
  const isLeftOut = (title: string): boolean => title !== '' && remembered.get(plain(title)) === ''
  const candidates = titles.flatMap((title, at) => {
    const cells = cellsOf(at)
    if (told.columns?.[at] !== undefined || isLeftOut(title) || (title === '' && cells.length === 0)) return []
    const unit = unitInTitle(title) ?? 'mm'
    const said = fitsOfTitle(title, table, remembered)
    const named = isLengthByCells(table, title, said, cells)
      ? [...said, { key: 'length', points: POINTS.partly, how: 'guess' as const }]
      : said
    const rated = named.map((fit) => ({
      ...fit,
      at,
      points:
        fit.how === 'remembered'
          ? fit.points
          : fit.points + CONTENT_POINTS * (contentFit(table, fit.key, cells, unit) - 0.5),
    }))
    const unnamed =
      named.length > 0 ? [] : byCellsAlone(table, cells).map((key) => ({ key, at, points: 1, how: 'guess' as const }))
    return [...rated, ...unnamed]
  })
  const taken = new Map<number, Fit>()
  const used = new Set(Object.values(told.columns ?? {}))
  for (const fit of candidates.sort((a, b) => b.points - a.points || a.at - b.at)) {
    if (fit.points <= 0.6 || taken.has(fit.at) || used.has(fit.key)) continue
    taken.set(fit.at, fit)
    used.add(fit.key)
  }
  return titles.map((title, at) => {
    const said = told.columns?.[at]
    const fit = said === undefined ? taken.get(at) : undefined
    const means = said === undefined ? (fit?.key ?? null) : said === '' ? null : said
    const isLength = means !== null && TABLE_COLUMNS[table][means]?.sort === 'length'
    return {
      at,
      title,
      means,
      how: said !== undefined ? 'told' : isLeftOut(title) ? 'remembered' : (fit?.how ?? null),
      unit: isLength ? (told.units?.[at] ?? unitInTitle(title)) : null,
    }
  })
}

/** Columns whose cells say by themselves what they are: kinds of knife, steels by number. */
function byCellsAlone(table: TableName, cells: readonly FilledCell[]): string[] {
  if (table !== 'fleet' || cells.length < 3) return []
  return ['type', 'steel'].filter((key) => {
    const column = TABLE_COLUMNS.fleet[key]
    return column && shareRead(column, cells, 'mm') >= CELLS_ALONE
  })
}

const UNLIKELY = 0.3

/** How well a row would do as the header of a table. */
function headerFit(rows: SheetRows, row: number, table: TableName, remembered: Remembered): number {
  const titles = (rows[row] ?? []).filter(isFilled)
  if (titles.length === 0 || titles.some((cell) => String(cell).length > 60)) return 0
  const known = new Map<string, number>()
  for (const title of titles) {
    if (typeof title === 'number') continue
    for (const { key, points } of fitsOfTitle(title, table, remembered))
      known.set(key, Math.max(points, known.get(key) ?? 0))
  }
  const points = [...known.values()]
    .sort((a, b) => b - a)
    .slice(0, titles.length)
    .reduce((sum, one) => sum + one, 0)
  // a bare number is no title: such a row is the first knife of a list without titles
  const numbers = titles.some((cell) => typeof cell === 'number' || /^\d+([.,]\d+)?$/.test(cell.trim()))
  return points * (0.5 + 0.5 * Math.min(1, known.size / titles.length)) * (numbers ? UNLIKELY : 1)
}

/** How well a sheet does as a table, by its best header. */
export function tableFit(
  rows: SheetRows,
  table: TableName,
  remembered: Remembered,
): { readonly row: number; readonly fit: number } {
  const rated = rows.slice(0, HEADER_WITHIN).map((_, row) => ({ row, fit: headerFit(rows, row, table, remembered) }))
  return rated.reduce((best, one) => (one.fit > best.fit + 0.01 ? one : best), { row: -1, fit: 0 })
}

/** Under this no row of a sheet is a header: one good word, or two halves of one. */
const LEAST_HEADER = 2

/** Finds the header of a sheet, under titles and blank rows, and what its columns mean. */
export function findColumns(
  rows: SheetRows,
  table: TableName,
  told: ReadingTold,
  remembered: Remembered,
): FoundColumns {
  const best = tableFit(rows, table, remembered)
  const headerRow = told.headerRow ?? (best.fit >= LEAST_HEADER ? best.row : -1)
  return { headerRow, columns: columnsAt(rows, headerRow, table, told, remembered) }
}
