import { fileKind } from './fileKind'
import { readBook } from './readBook'
import { readText } from './readText'
import { assertFits, MOST_FILE_BYTES, SheetFault, type Book } from './sheet'

/**
 * A file as rows of cells, whatever wrote it: text of any common encoding and delimiter, .xlsx, .ods, .xls.
 *
 * @param encoding for text whose letters came out wrong
 * @throws SheetFault with what the file is instead, or why it is not read
 */
export function readFile(bytes: Uint8Array, name: string, encoding?: string): Book {
  if (bytes.length > MOST_FILE_BYTES) throw new SheetFault('too-big', { most: MOST_FILE_BYTES / 1e6 })
  const kind = fileKind(bytes)
  const book = kind === 'text' ? readText(bytes, name, encoding) : readBook(bytes, kind)
  const filled = book.sheets.filter(({ rows }) => rows.length > 0)
  if (filled.length === 0) throw new SheetFault('nothing-in-it')
  for (const sheet of filled) assertFits(sheet)
  return { ...book, sheets: filled }
}
