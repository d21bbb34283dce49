import Papa from 'papaparse'
import { OLD_ENCODINGS, SheetFault, trimmed, type Book, type Cell } from './sheet'

const DELIMITERS = [';', ',', '\t', '|'] as const
const PREVIEW_ROWS = 60
const SAMPLE_BYTES = 4096

/** Encoding of a text by its byte-order mark, by the zero bytes of UTF-16 without one, or by being valid UTF-8. */
export function encodingOf(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le'
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be'
  const sample = bytes.subarray(0, SAMPLE_BYTES)
  const zeros = (parity: number): number => sample.filter((byte, at) => byte === 0 && at % 2 === parity).length
  const half = sample.length / 2
  if (zeros(1) > 0.4 * half) return 'utf-16le'
  if (zeros(0) > 0.4 * half) return 'utf-16be'
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return 'utf-8'
  } catch {
    return OLD_ENCODINGS[0]
  }
}

/** How evenly a delimiter cuts the first rows, and into how many cells: titles above a table are cut by none. */
function evenness(text: string, delimiter: string): number {
  const { data } = Papa.parse<string[]>(text, { delimiter, preview: PREVIEW_ROWS, skipEmptyLines: 'greedy' })
  const widths = data.map((row) => row.length).filter((width) => width > 1)
  if (widths.length === 0) return 0
  const counts = new Map<number, number>()
  for (const width of widths) counts.set(width, (counts.get(width) ?? 0) + 1)
  const [width, rows] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [1, 0]
  return (rows / data.length) ** 2 * Math.sqrt(width)
}

function delimiterOf(text: string): string {
  const [best] = DELIMITERS.map((delimiter) => ({ delimiter, fit: evenness(text, delimiter) })).sort(
    (a, b) => b.fit - a.fit,
  )
  return best && best.fit > 0 ? best.delimiter : ','
}

/** What spreadsheets write into a first line to say how the rest is cut. */
const SEP_LINE = /^"?sep=(.)"?\r?\n/i

/**
 * Reads a table from text: RFC 4180 and the dialects spreadsheets make of it. Cells stay text.
 *
 * @param encoding one the reader chose; found from the bytes where left out
 * @throws SheetFault `not-text` for bytes that are no writing, `open-quote` with its row
 */
export function readText(bytes: Uint8Array, name: string, encoding = encodingOf(bytes)): Book {
  const text = new TextDecoder(encoding).decode(bytes).replace(/^\uFEFF/, '')
  if (text.includes('\0')) throw new SheetFault('not-text')
  const told = SEP_LINE.exec(text)
  // the line stays counted: rows keep the numbers that an editor shows
  const body = told ? text.slice(told[0].length) : text
  const delimiter = told?.[1] ?? delimiterOf(body)
  const { data, errors } = Papa.parse<string[]>(body, { delimiter, skipEmptyLines: false })
  const open = errors.find(({ code }) => code === 'MissingQuotes')
  if (open) throw new SheetFault('open-quote', { row: (open.row ?? 0) + 1 + (told ? 1 : 0) })
  const rows: Cell[][] = [...(told ? [[]] : []), ...data]
  return { format: { kind: 'text', encoding, delimiter }, sheets: [{ name, rows: trimmed(rows) }] }
}
