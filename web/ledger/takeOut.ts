import { harmless } from '../../sheets/formulas'

const quoted = (cell: string | number): string => `"${harmless(String(cell)).replaceAll('"', '""')}"`

/** Rows as a comma-separated file (RFC 4180) that starts no formula in any spreadsheet. */
export const asCsv = (rows: readonly (readonly (string | number)[])[]): string =>
  rows.map((row) => row.map(quoted).join(',')).join('\r\n')

/** Hands a list to whoever asked for it, as a file. */
export function takeOut(name: string, rows: readonly (readonly (string | number)[])[]): void {
  const address = URL.createObjectURL(new Blob(['\uFEFF', asCsv(rows)], { type: 'text/csv' }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
