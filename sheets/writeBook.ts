import { utils, write } from '@e965/xlsx'
import type { Cell } from './sheet'

/** A sheet to be written: plain cells, the first row its header. */
export interface WrittenSheet {
  readonly name: string
  readonly rows: readonly (readonly (Cell | boolean)[])[]
  /** widths in letters; as wide as the header where left out */
  readonly widths?: readonly number[]
}

const NARROWEST = 8
const WIDEST = 60

const widthOf = (rows: WrittenSheet['rows'], column: number): number =>
  Math.min(WIDEST, Math.max(NARROWEST, ...rows.slice(0, 50).map((row) => String(row[column] ?? '').length + 2)))

/** Writes an .xlsx file. Text is written as text: nothing in it is a formula, whatever it begins with. */
export function writeBook(sheets: readonly WrittenSheet[]): Uint8Array {
  const book = utils.book_new()
  for (const { name, rows, widths } of sheets) {
    const sheet = utils.aoa_to_sheet(rows.map((row) => row.map((cell) => (cell === null ? undefined : cell))))
    const columns = Math.max(0, ...rows.map((row) => row.length))
    sheet['!cols'] = Array.from({ length: columns }, (_, at) => ({ wch: widths?.[at] ?? widthOf(rows, at) }))
    utils.book_append_sheet(book, sheet, name)
  }
  return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx', compression: true }) as ArrayBuffer)
}
