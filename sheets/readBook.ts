import { read, SSF, type CellObject, type WorkBook, type WorkSheet } from '@e965/xlsx'
import { Unzip, UnzipInflate } from 'fflate'
import { MOST_ROWS, MOST_UNPACKED_BYTES, SheetFault, trimmed, type Book, type Cell, type Sheet } from './sheet'

/** Files that are zips and no tables, by a path inside them. */
const OTHER_ZIPS: readonly (readonly [path: RegExp, word: string])[] = [
  [/^word\//, 'letter'],
  [/^ppt\//, 'slides'],
  [/^Index\/(Document|Tables)/, 'numbers'],
  [/^META-INF\/MANIFEST\.MF$/, 'program'],
]
const CHUNK_BYTES = 1 << 16

/**
 * Names of what is in a zip, having unpacked all of it once and kept nothing: what a header says of sizes need not be
 * true.
 *
 * @throws SheetFault `too-big-unpacked`, `broken-file`
 */
function unpackedNames(bytes: Uint8Array): string[] {
  const names: string[] = []
  let total = 0
  let fault: SheetFault | null = null
  const unzip = new Unzip((file) => {
    names.push(file.name)
    file.ondata = (error, chunk) => {
      if (error) fault ??= new SheetFault('broken-file')
      else total += chunk.length
      if (total > MOST_UNPACKED_BYTES) fault ??= new SheetFault('too-big-unpacked', { most: MOST_UNPACKED_BYTES / 1e6 })
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  try {
    for (let at = 0; at < bytes.length && !fault; at += CHUNK_BYTES)
      unzip.push(bytes.subarray(at, at + CHUNK_BYTES), at + CHUNK_BYTES >= bytes.length)
  } catch {
    throw fault ?? new SheetFault('broken-file')
  }
  if (fault) throw fault
  return names
}

function assertTable(names: readonly string[]): 'xlsx' | 'ods' {
  if (names.some((name) => /^xl\/workbook\.(xml|bin)$/.test(name))) return 'xlsx'
  const other = OTHER_ZIPS.find(([path]) => names.some((name) => path.test(name)))
  if (other) throw new SheetFault('wrong-kind', { kind: other[1] })
  if (names.includes('content.xml')) return 'ods'
  throw new SheetFault('wrong-kind', { kind: 'packed' })
}

const two = (value: number): string => String(value).padStart(2, '0')

/** A day, a moment or a time of day, from the days a spreadsheet counts. */
function dayText(serial: number, date1904: boolean): string | null {
  const date = SSF.parse_date_code(serial, { date1904 }) as {
    readonly y: number
    readonly m: number
    readonly d: number
    readonly H: number
    readonly M: number
    readonly S: number
  } | null
  if (!date) return null
  const time = `${two(date.H)}:${two(date.M)}${date.S > 0 ? `:${two(date.S)}` : ''}`
  if (serial < 1) return time
  const day = `${date.y}-${two(date.m)}-${two(date.d)}`
  return Number.isInteger(serial) ? day : `${day} ${time}`
}

/** Units that stand in a number's format and not in its cell: `0" cm"` shows 24 cm. */
const SHOWN_WITH_UNIT = /\d\s*(mm|cm|in|inch|inches|["″”]|hrc|gf?|°|min|h)$/i
/** Leading zeros of a label kept by its format. */
const PADDED = /^0{2,}$/

function cellOf(cell: CellObject | undefined, date1904: boolean): Cell {
  if (!cell) return null
  const { t: kind, v: value, w: shown = '', f: formula, z: format } = cell
  if (formula !== undefined && (kind === 'z' || value === undefined || value === '')) return `=${formula}`
  switch (kind) {
    case 'n': {
      if (typeof value !== 'number') return null
      const pattern = typeof format === 'string' ? format : 'General'
      if (SSF.is_date(pattern)) return dayText(value, date1904)
      if (SHOWN_WITH_UNIT.test(shown.trim()) || PADDED.test(pattern)) return shown.trim()
      return pattern.endsWith('%') ? Math.round(value * 1e8) / 1e6 : value
    }
    case 'b':
      return value ? 'yes' : 'no'
    case 'e':
      return shown === '' ? '#ERROR' : shown
    case 's': {
      const text = String(value ?? '')
      return text.startsWith('=') ? `'${text}` : text
    }
    case 'd':
      return value instanceof Date ? value.toISOString().slice(0, 16).replace('T', ' ') : null
    default:
      return null
  }
}

/** A sheet's cells, a cell merged over several rows standing in each of them. */
function sheetOf(name: string, sheet: WorkSheet, date1904: boolean): Sheet {
  const data = (sheet['!data'] ?? []) as (CellObject[] | undefined)[]
  const rows: Cell[][] = []
  data.forEach((line, at) => {
    rows[at] = Array.from(line ?? [], (cell) => cellOf(cell as CellObject | undefined, date1904))
  })
  for (const { s: from, e: to } of sheet['!merges'] ?? []) {
    const value = rows[from.r]?.[from.c] ?? null
    for (let row = from.r + 1; row <= Math.min(to.r, rows.length - 1); row += 1) {
      const line = (rows[row] ??= [])
      line[from.c] = value
    }
  }
  return { name, rows: trimmed(Array.from(rows, (row) => Array.from(row ?? [], (cell) => cell ?? null))) }
}

function open(bytes: Uint8Array): WorkBook {
  try {
    return read(bytes, {
      type: 'array',
      dense: true,
      cellNF: true,
      cellFormula: true,
      cellHTML: false,
      cellText: true,
      bookVBA: false,
      // a formula that nobody has worked out has no value, and is told all the same
      sheetStubs: true,
      // a few rows more than may be, so that a list too long is known as one
      sheetRows: MOST_ROWS + 100,
    })
  } catch (error) {
    const message = error instanceof Error ? error.message : ''
    throw new SheetFault(/password|encrypt/i.test(message) ? 'locked' : 'broken-file')
  }
}

/**
 * Reads a spreadsheet: .xlsx, .ods, and .xls. Formulas are never run: their last result is read. Macros, links,
 * pictures and hidden sheets are left alone.
 *
 * @throws SheetFault for another kind of zip, a locked or broken file, or one that unpacks to too much
 */
export function readBook(bytes: Uint8Array, container: 'zip' | 'ole'): Book {
  const kind = container === 'zip' ? assertTable(unpackedNames(bytes)) : 'xls'
  const book = open(bytes)
  const date1904 = book.Workbook?.WBProps?.date1904 ?? false
  const sheets = book.SheetNames.flatMap((name, at) => {
    const sheet = book.Sheets[name]
    const hidden = (book.Workbook?.Sheets?.[at]?.Hidden ?? 0) !== 0
    return sheet && !hidden ? [sheetOf(name, sheet, date1904)] : []
  })
  return { format: { kind }, sheets }
}
