/**
 * A cell as a file has it. Numbers are numbers where the file says so; what a file only has as text stays text, also
 * where it looks like a number. Days are `2026-03-31`, moments `2026-03-31 16:40`, times of day `16:40`, where the file
 * knows them as such. A formula the file has no result of stands as it was written, from its `=` on; text that begins
 * with `=` has an apostrophe before it.
 */
export type Cell = string | number | null

/** One page of a file, row by row as it stands there: row 0 is the first line. Rows end with their last filled cell. */
export interface Sheet {
  readonly name: string
  readonly rows: readonly (readonly Cell[])[]
}

/** How a file was understood. */
export type FileFormat =
  | { readonly kind: 'text'; readonly encoding: string; readonly delimiter: string }
  | { readonly kind: 'xlsx' | 'ods' | 'xls' }

export interface Book {
  readonly format: FileFormat
  /** sheets with anything on them, the hidden ones left out; never empty */
  readonly sheets: readonly Sheet[]
}

/** Encodings a person may choose where the letters came out wrong; the first is taken where a file is no Unicode. */
export const OLD_ENCODINGS = ['windows-1252', 'windows-1250', 'macintosh', 'windows-1251', 'windows-1253'] as const

/** What a file may be at most. */
export const MOST_FILE_BYTES = 20_000_000
export const MOST_UNPACKED_BYTES = 80_000_000
export const MOST_ROWS = 20_000
export const MOST_COLUMNS = 200

/** A file that is not read; the sentence is the catalogue's `file.<key>`. */
export class SheetFault extends Error {
  constructor(
    readonly key: string,
    readonly values: Readonly<Record<string, string | number>> = {},
  ) {
    super(key)
    this.name = 'SheetFault'
  }
}

const isBlank = (cell: Cell | undefined): boolean =>
  cell === null || cell === undefined || (typeof cell === 'string' && cell.trim() === '')

/** Rows without the blank cells behind their last filled one, and without the blank rows below the last filled. */
export function trimmed(rows: readonly (readonly Cell[])[]): Cell[][] {
  const kept = rows.map((row) => row.slice(0, row.findLastIndex((cell) => !isBlank(cell)) + 1))
  return kept.slice(0, kept.findLastIndex((row) => row.length > 0) + 1)
}

/** @throws SheetFault for a sheet longer or wider than anybody's list of knives */
export function assertFits({ name, rows }: Sheet): void {
  if (rows.filter((row) => row.length > 0).length > MOST_ROWS + 50)
    throw new SheetFault('too-long', { most: MOST_ROWS })
  if (rows.some((row) => row.length > MOST_COLUMNS)) throw new SheetFault('too-wide', { name, most: MOST_COLUMNS })
}
