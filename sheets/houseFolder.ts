import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import Papa from 'papaparse'
import { harmlessJson, wouldRun } from './formulas'
import { SheetFault } from './sheet'

type Json = string | number | boolean | null | readonly unknown[] | object
type JsonRow = Readonly<Record<string, Json>>
/** A house as its settings and its parts, each of them rows. */
export interface HouseAsRows {
  readonly house: JsonRow
  readonly parts: Readonly<Record<string, readonly JsonRow[]>>
}

const SETTINGS = 'house.csv'
/** The earliest day a zip can name: the same house makes the same bytes. */
const ZIP_DAY = new Date('1980-01-01T00:00:00')

const isJson = (text: string): boolean => {
  try {
    JSON.parse(text)
    return true
  } catch {
    return false
  }
}
/** Text stands as it is, unless it could be read as something else or be run; all else stands as JSON. */
const cellOf = (value: Json | undefined): string => {
  if (value === null || value === undefined) return ''
  return typeof value === 'string' && value !== '' && !isJson(value) && !wouldRun(value)
    ? value
    : harmlessJson(JSON.stringify(value))
}
const valueOf = (cell: string): Json => {
  if (cell === '') return null
  return isJson(cell) ? (JSON.parse(cell) as Json) : cell
}

const csvOf = (rows: readonly JsonRow[]): string => {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))]
  return Papa.unparse([columns, ...rows.map((row) => columns.map((column) => cellOf(row[column])))], {
    newline: '\r\n',
  })
}
function rowsOf(csv: string): JsonRow[] {
  const [columns = [], ...rows] = Papa.parse<string[]>(csv, { delimiter: ',', skipEmptyLines: true }).data
  return rows.map((row) => Object.fromEntries(columns.map((column, at) => [column, valueOf(row[at] ?? '')])))
}

/** A house as a packed folder of CSV files, one a part; an empty part has none. */
export function writeHouseFolder({ house, parts }: HouseAsRows): Uint8Array {
  const files: (readonly [name: string, csv: string])[] = [
    [SETTINGS, csvOf([house])],
    ...Object.entries(parts)
      .filter(([, rows]) => rows.length > 0)
      .map(([part, rows]) => [`${part}.csv`, csvOf(rows)] as const),
  ]
  return zipSync(Object.fromEntries(files.map(([name, csv]) => [name, [strToU8(csv), { mtime: ZIP_DAY }]])))
}

/**
 * Reads such a folder.
 *
 * @param mostBytes what its files may come to, unpacked
 * @throws SheetFault `broken-file`, `too-big-unpacked`, or `no-house` for a folder of something else
 */
export function readHouseFolder(bytes: Uint8Array, mostBytes: number): HouseAsRows {
  let total = 0
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        total += originalSize
        return total <= mostBytes
      },
    })
  } catch {
    throw new SheetFault('broken-file')
  }
  if (total > mostBytes) throw new SheetFault('too-big-unpacked', { most: mostBytes / 1e6 })
  const read = new Map(
    Object.entries(files)
      .filter(([name]) => name.endsWith('.csv'))
      .map(([name, content]) => [name.replace(/^.*\//, ''), rowsOf(strFromU8(content))]),
  )
  const [house] = read.get(SETTINGS) ?? []
  if (!house) throw new SheetFault('no-house')
  read.delete(SETTINGS)
  return { house, parts: Object.fromEntries([...read].map(([name, rows]) => [name.replace(/\.csv$/, ''), rows])) }
}

/** How a house written as JSON begins; its first bytes tell it from any list. */
const JSON_START = /^\s*\{\s*"format"\s*:\s*"yorvik-house"/

/**
 * A whole house, from one file or from a folder of CSV; null for any other file.
 *
 * @throws SheetFault `broken-file` for one that begins as a house and does not go on as one
 */
export function readHouse(bytes: Uint8Array, mostBytes: number): HouseAsRows | null {
  const start = new TextDecoder().decode(bytes.subarray(0, 200))
  if (JSON_START.test(start)) {
    if (bytes.length > mostBytes) throw new SheetFault('too-big', { most: mostBytes / 1e6 })
    try {
      return JSON.parse(new TextDecoder().decode(bytes)) as HouseAsRows
    } catch {
      throw new SheetFault('broken-file')
    }
  }
  // the names of what is in a zip stand in it as they are
  const names = new TextDecoder('latin1').decode(bytes.subarray(-20_000))
  return start.startsWith('PK') && /(^|[^\w])house\.csv/.test(names) ? readHouseFolder(bytes, mostBytes) : null
}
