import { z } from 'zod'
import { PERSON_ROLES } from '../core/house/rights'
import { BoardName, DAY_ORDERS, Name, ProductName } from './scalars'
import type { Wire } from './wire'

export const TABLES = ['fleet', 'people', 'gear', 'shifts', 'readings', 'events'] as const
export const TableName = z.enum(TABLES)
export type TableName = Wire<typeof TableName>

/** Tables that stand in memory and so can be written as a spreadsheet; the logs go out as CSV. */
export const AS_SPREADSHEET = ['fleet', 'people', 'gear', 'shifts'] as const
export type SpreadsheetTable = (typeof AS_SPREADSHEET)[number]

/** The columns of each table, in the order in which they are offered. */
export const TABLE_KEYS: Readonly<Record<TableName, readonly string[]>> = {
  fleet: [
    'code',
    'words',
    'name',
    'type',
    'length',
    'station',
    'holder',
    'count',
    'height',
    'spine',
    'thickness',
    'thickness_new',
    'angle_left',
    'angle_right',
    'angle',
    'grind',
    'ratio_right',
    'serrated',
    'steel',
    'hardness',
    'reactive',
    'price',
    'bought',
    'state',
  ],
  people: ['name', 'role', 'pin', 'active'],
  gear: ['name', 'kind', 'scale', 'grit', 'soak', 'bath', 'thickness', 'dish', 'compound', 'bench', 'active'],
  shifts: [
    'person',
    'weekday',
    'day',
    'weekdays',
    'hours',
    'starts',
    'ends',
    'note',
    'monday',
    'tuesday',
    'wednesday',
    'thursday',
    'friday',
    'saturday',
    'sunday',
  ],
  readings: ['code', 'at', 'zone', 'force', 'by'],
  events: ['id', 'code', 'at', 'kind', 'by', 'details'],
}

export const LENGTH_UNITS = ['mm', 'cm', 'in'] as const
export const DECIMALS = [',', '.'] as const

const MOST_CELL_CHARACTERS = 20_000
const Cell = z.union([z.string().max(MOST_CELL_CHARACTERS), z.number(), z.null()])
/** One page of a file as it stands there. */
export const Sheet = z.object({
  name: z.string().max(200),
  rows: z.array(z.array(Cell).max(200)).max(25_000),
})

/** What a text of a column is said to mean; an empty meaning is an empty cell. */
const Meaning = z.object({ column: z.string().max(40), text: z.string().max(200), means: z.string().max(200) })
export const NewStationName = z.object({ name: Name, board: BoardName, product: ProductName, make: z.boolean() })
export const NewPersonName = z.object({ name: Name, role: z.enum(PERSON_ROLES), make: z.boolean() })

/** What a person has said of a file; all that is left out is found from the file itself. */
export const ReadingTold = z.object({
  sheet: z.number().int().min(0).optional(),
  /** row of the sheet that has the headers, from 0; −1 where there is none */
  headerRow: z.number().int().min(-1).max(200).optional(),
  /** what a column means, by its place in the sheet; an empty meaning leaves it out */
  columns: z.record(z.string().regex(/^\d{1,3}$/), z.string().max(40)).optional(),
  units: z.record(z.string().regex(/^\d{1,3}$/), z.enum(LENGTH_UNITS)).optional(),
  values: z.array(Meaning).max(2000).optional(),
  dayOrder: z.enum(DAY_ORDERS).optional(),
  decimal: z.enum(DECIMALS).optional(),
  /** what stands in every row whose own cell is empty, by column */
  everywhere: z.record(z.string().max(40), z.string().max(200)).optional(),
  stations: z.array(NewStationName).max(200).optional(),
  people: z.array(NewPersonName).max(500).optional(),
})
export type ReadingTold = Wire<typeof ReadingTold>

/** `none` is a dry run; `good` takes the rows without a problem, `all` takes everything or nothing. */
export const TakeRows = z.enum(['none', 'good', 'all'])

/** Where a meaning comes from: said now, remembered of an earlier file, the very word, or a guess to be looked at. */
const HowKnown = z.enum(['told', 'remembered', 'word', 'guess'])

export const ReadColumn = z.object({
  /** place in the sheet */
  at: z.number(),
  title: z.string(),
  means: z.string().nullable(),
  how: HowKnown.nullable(),
  unit: z.enum(LENGTH_UNITS).nullable(),
})
export type ReadColumn = Wire<typeof ReadColumn>

export const ReadValue = z.object({
  column: z.string(),
  text: z.string(),
  rows: z.number(),
  /** null where nobody can say */
  means: z.string().nullable(),
  how: HowKnown.nullable(),
})
export type ReadValue = Wire<typeof ReadValue>

/** Something the file does not decide. */
export const Question = z.object({
  kind: z.enum(['day-order', 'decimal']),
  samples: z.array(z.string()),
  /** whether the file contradicts itself, or says nothing */
  contradicts: z.boolean(),
})

export const ExchangeProblem = z.object({ row: z.number(), column: z.string().nullable(), sentence: z.string() })
export type ExchangeProblem = Wire<typeof ExchangeProblem>

export const ExchangeCell = z.object({
  column: z.string(),
  /** place in the sheet; null for what no cell says and follows from others */
  at: z.number().nullable(),
  /** as it stands now; null where there is nothing yet */
  from: z.string().nullable(),
  /** as it will stand */
  to: z.string(),
  sentence: z.string().nullable(),
})
export type ExchangeCell = Wire<typeof ExchangeCell>

export const ExchangeRow = z.object({
  /** line of the sheet, its first being 1 */
  row: z.number(),
  /** `note` is a line that is no entry: a heading between rows, a sum, a remark */
  verb: z.enum(['add', 'change', 'same', 'problem', 'note']),
  label: z.string(),
  cells: z.array(ExchangeCell),
  /** what is wrong with the row as a whole */
  sentences: z.array(z.string()),
})
export type ExchangeRow = Wire<typeof ExchangeRow>

export const ExchangeOutcome = z.object({
  /** rows that were brought in; null for a dry run, or where nothing was */
  applied: z.number().nullable(),
  /** the house changed since the dry run that was looked at: nothing was brought in, look again */
  stale: z.boolean(),
  /** stands for all that the dry run shows */
  fingerprint: z.string(),
  sheet: z.number(),
  headerRow: z.number(),
  /** the table this rather looks like, where it is another */
  looksLike: TableName.nullable(),
  columns: z.array(ReadColumn),
  /** columns that have to be there and are not */
  missing: z.array(z.string()),
  questions: z.array(Question),
  dayOrder: z.enum(DAY_ORDERS),
  values: z.array(ReadValue),
  stations: z.array(NewStationName),
  people: z.array(NewPersonName),
  counts: z.object({
    add: z.number(),
    change: z.number(),
    same: z.number(),
    problem: z.number(),
    note: z.number(),
  }),
  rows: z.array(ExchangeRow),
})
export type ExchangeOutcome = Wire<typeof ExchangeOutcome>
