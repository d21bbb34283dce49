import Papa from 'papaparse'
import type { SpreadsheetTable, TableName } from '../../contract/exchange'
import { harmless } from '../../sheets/formulas'
import { writeBook } from '../../sheets/writeBook'
import type { Say } from '../../words/say'
import type { Database } from '../db/database'
import type { Caller } from '../signIn/sessions'
import { TABLE_COLUMNS } from './columns'
import { OUT_TABLES, type TableCell, type TableRows } from './tables'

const NEWLINE = '\r\n'

/** RFC 4180: CRLF, quotes where needed. */
const csvRows = (rows: TableRows): string =>
  rows.length === 0 ? '' : `${Papa.unparse(rows as TableCell[][], { newline: NEWLINE })}${NEWLINE}`

/** One of the house's tables as a CSV file, in pieces as they are read: a log of years never stands in memory. */
export async function* writeCsv(db: Database, caller: Caller, table: TableName): AsyncGenerator<string> {
  const { columns, pages } = OUT_TABLES[table]
  yield csvRows([columns])
  for await (const page of pages(db, caller))
    yield csvRows(page.map((row) => row.map((cell) => (typeof cell === 'string' ? harmless(cell) : cell))))
}

/** What each column is, as a page of its own beside the table. */
function columnsPage(table: TableName, columns: readonly string[], say: Say): TableRows {
  const kinds = TABLE_COLUMNS[table]
  return [
    [say('exchange.page.column'), say('exchange.page.needed'), say('exchange.page.what')],
    ...columns.map((column) => [
      column,
      kinds[column]?.required ? say('exchange.page.yes') : '',
      say(`column.${table}.${column}.what`),
    ]),
  ]
}

/** One of the house's smaller tables as an .xlsx file. */
export async function writeSpreadsheet(
  db: Database,
  caller: Caller,
  table: SpreadsheetTable,
  say: Say,
): Promise<Uint8Array> {
  const { columns, pages } = OUT_TABLES[table]
  const rows: TableRows[number][] = [columns]
  for await (const page of pages(db, caller)) rows.push(...page)
  return writeBook([
    { name: say(`exchange.table.${table}`), rows },
    { name: say('exchange.page.name'), rows: columnsPage(table, columns, say) },
  ])
}

/** Two invented rows of each table, as an example of what goes where. */
const EXAMPLES: Readonly<Record<SpreadsheetTable, TableRows>> = {
  fleet: [
    ['CH-01', 'chef', 240, 'Hot line', 'Ada Sample', '', 48, 17, '1.4116', 56, 59.9, '2025-03-31'],
    ['BN-01', 'boning-stiff', 150, 'Butchery', '', 'the old one', '', '', '', '', '', ''],
  ],
  people: [
    ['Ada Sample', 'cook', '', 'yes'],
    ['Ben Sample', 'apprentice', '', 'yes'],
  ],
  gear: [
    ['Middle stone', 'soaking-stone', 'JIS', 1000, '', '', ''],
    ['Station steel', 'smooth-steel', '', '', '', '', ''],
  ],
  shifts: [
    ['Ada Sample', 'monday', '', '10:00', '18:30', ''],
    ['Ben Sample', '', '2026-12-24', '', '', 'day off'],
  ],
}
const EXAMPLE_COLUMNS: Readonly<Record<SpreadsheetTable, readonly string[]>> = {
  fleet: [
    'code',
    'type',
    'length',
    'station',
    'holder',
    'name',
    'height',
    'angle',
    'steel',
    'hardness',
    'price',
    'bought',
  ],
  people: ['name', 'role', 'pin', 'active'],
  gear: ['name', 'kind', 'scale', 'grit', 'soak', 'thickness', 'bench'],
  shifts: ['person', 'weekday', 'day', 'starts', 'ends', 'note'],
}

/** An empty list to fill in: its columns explained, with two invented rows to be written over. */
export function writeTemplate(table: SpreadsheetTable, say: Say): Uint8Array {
  const columns = EXAMPLE_COLUMNS[table]
  return writeBook([
    { name: say(`exchange.table.${table}`), rows: [columns, ...EXAMPLES[table]] },
    { name: say('exchange.page.name'), rows: columnsPage(table, columns, say) },
  ])
}
