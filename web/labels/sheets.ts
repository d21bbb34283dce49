/** A sheet of labels as shops sell them, in mm (ordinary sizes of the trade, from memory). */
export interface LabelSheetSize {
  readonly name: string
  readonly paper: 'A4' | 'letter'
  readonly columns: number
  readonly rows: number
  readonly width: number
  readonly height: number
  readonly left: number
  readonly top: number
  /** between two labels of a row */
  readonly gap: number
}

export const PAPER_MM = { A4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } } as const

export const LABEL_SHEETS: readonly LabelSheetSize[] = [
  { name: 'a4-21', paper: 'A4', columns: 3, rows: 7, width: 63.5, height: 38.1, left: 7.25, top: 15.15, gap: 2.5 },
  { name: 'a4-24', paper: 'A4', columns: 3, rows: 8, width: 70, height: 37, left: 0, top: 0.5, gap: 0 },
  { name: 'a4-10', paper: 'A4', columns: 2, rows: 5, width: 105, height: 57, left: 0, top: 6, gap: 0 },
  { name: 'a4-65', paper: 'A4', columns: 5, rows: 13, width: 38.1, height: 21.2, left: 4.75, top: 10.7, gap: 2.5 },
  {
    name: 'letter-30',
    paper: 'letter',
    columns: 3,
    rows: 10,
    width: 66.7,
    height: 25.4,
    left: 4.8,
    top: 12.7,
    gap: 3.1,
  },
  { name: 'letter-10', paper: 'letter', columns: 2, rows: 5, width: 101.6, height: 50.8, left: 4, top: 12.7, gap: 4.7 },
]

/** Things in pages of a sheet, the first of which may have lost some labels already. */
export function pagesOf<T>(things: readonly T[], { columns, rows }: LabelSheetSize, used: number): (T | null)[][] {
  const perPage = columns * rows
  const places = [...Array.from({ length: Math.min(used, perPage - 1) }, () => null), ...things]
  return Array.from({ length: Math.ceil(places.length / perPage) }, (_, page) =>
    places.slice(page * perPage, (page + 1) * perPage),
  )
}
