import type { ExchangeCell, ExchangeOutcome, ExchangeProblem, ExchangeRow } from '../../contract/exchange'
import type { KnifeState } from '../../core/edge/log/state'
import type { Say } from '../../words/say'
import type { Queryable } from '../db/database'
import { listKnives, type StoredKnife } from '../db/queries/fleet/knives'
import { listStates } from '../db/queries/fleet/states'
import type { StoredPerson } from '../db/queries/house/people'
import { listPeople } from '../db/queries/house/people'
import type { HouseContext } from '../services/log/usageContext'
import { loadHouseContext } from '../services/log/usageContext'
import type { Caller } from '../signIn/sessions'
import type { Columns } from './columns'
import type { ReadTable, TableRow } from './readTable'
import { plain } from './spellings/plain'

/** The house as it is while a file is being read. */
export interface Present {
  readonly caller: Caller
  readonly now: Date
  readonly say: Say
  readonly context: HouseContext
  readonly people: readonly StoredPerson[]
  readonly knives: readonly StoredKnife[]
  readonly states: ReadonlyMap<string, KnifeState>
}

export async function loadPresent(db: Queryable, caller: Caller, now: Date, say: Say): Promise<Present> {
  return {
    caller,
    now,
    say,
    context: await loadHouseContext(db, caller.house),
    people: await listPeople(db, caller.house.id),
    knives: await listKnives(db, caller.house.id),
    states: await listStates(db, caller.house.id),
  }
}

export const personByName = (present: Present, name: string): StoredPerson | undefined =>
  present.people.find((person) => plain(person.name) === plain(name))

/** Problems found so far, by row, so that a row with one is shown as one. */
export interface ProblemList {
  add(row: number, column: string | null, key: string, values?: Readonly<Record<string, string | number>>): void
  has(row: number): boolean
  of(row: number): readonly ExchangeProblem[]
}

export function problemList(already: readonly ExchangeProblem[], say: Say): ProblemList {
  const byRow = new Map<number, ExchangeProblem[]>()
  const put = (problem: ExchangeProblem): void => {
    byRow.set(problem.row, [...(byRow.get(problem.row) ?? []), problem])
  }
  already.forEach(put)
  return {
    add: (row, column, key, values = {}) => {
      put({ row, column, sentence: say(`cell.${key}`, values) })
    },
    has: (row) => byRow.has(row),
    of: (row) => byRow.get(row) ?? [],
  }
}

/** A value of a row as it stands now and as it will; `from` is null where there is nothing yet. */
export interface Change {
  readonly column: string
  readonly from: string | null
  readonly to: string
}

/** What a row would do; a row nobody could decide is a problem. */
export interface RowDecision {
  readonly verb: 'add' | 'change' | 'same'
  readonly changes: readonly Change[]
  readonly label?: string
}

/** A row that describes something: new where there was nothing like it, else a change, or nothing. */
export const describeRow = (
  decision: { readonly before: object | null | undefined; readonly changes: readonly Change[] } | undefined,
): RowDecision | undefined =>
  decision && {
    verb: !decision.before ? 'add' : decision.changes.length > 0 ? 'change' : 'same',
    changes: decision.changes,
  }

/** How the rows of a file are brought in. */
export interface Taking {
  /** whether a row is among those to be brought in */
  readonly takes: (row: number) => boolean
  /** says that so many rows are done. @throws Fault when somebody asked to stop */
  readonly step: (rows: number) => Promise<void>
}

/** What a file would do: a row-by-row preview, and the work itself, not yet done. */
export interface TablePlan extends Pick<
  ExchangeOutcome,
  | 'sheet'
  | 'headerRow'
  | 'looksLike'
  | 'columns'
  | 'missing'
  | 'questions'
  | 'dayOrder'
  | 'values'
  | 'stations'
  | 'people'
  | 'rows'
> {
  readonly apply: (db: Queryable, taking: Taking) => Promise<void>
}

const SECRET = '••••'
const written = (value: unknown, text: string): string => {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number' || typeof value === 'string') return String(value)
  return value instanceof Date ? value.toISOString() : text
}

/** A whole file, row by row, with the work it asks for. */
export function planOfTable<C extends Columns>(
  table: ReadTable<C>,
  kinds: C,
  problems: ProblemList,
  told: {
    readonly label: (values: TableRow<C>['values']) => string
    readonly decide: (row: number) => RowDecision | undefined
    readonly values?: TablePlan['values']
    readonly stations?: TablePlan['stations']
    readonly people?: TablePlan['people']
    readonly missing?: readonly string[]
    readonly apply: TablePlan['apply']
  },
): TablePlan {
  const { sheet, headerRow, looksLike, columns, questions, dayOrder } = table
  const missing = [...table.missing, ...(told.missing ?? [])]
  const rows = table.rows.map(({ row, values, cells }): ExchangeRow => {
    const decision = told.decide(row)
    const found = problems.of(row)
    const changes = new Map((decision?.changes ?? []).map((change) => [change.column, change]))
    const sentenceOf = (column: string): string | null =>
      found.find((problem) => problem.column === column)?.sentence ?? null
    const shown = [...cells].map(([column, { at, text }]): ExchangeCell => {
      const change = changes.get(column)
      const value = (values as Readonly<Record<string, unknown>>)[column]
      const plainly = value === undefined ? '' : kinds[column]?.secret ? SECRET : written(value, text)
      const to = change?.to ?? plainly
      return {
        column,
        at,
        to,
        from: change ? change.from : decision?.verb === 'add' ? null : to,
        sentence: sentenceOf(column),
      }
    })
    const derived = [...changes.values()]
      .filter(({ column }) => !cells.has(column))
      .map(({ column, from, to }): ExchangeCell => ({ column, at: null, from, to, sentence: sentenceOf(column) }))
    const known = new Set([...cells.keys(), ...changes.keys()])
    const empty = found
      .filter(({ column }) => column !== null && column in kinds && !known.has(column))
      .map(({ column, sentence }): ExchangeCell => {
        const at = columns.find(({ means }) => means === column)?.at ?? null
        return { column: column ?? '', at, from: null, to: '', sentence }
      })
    return {
      row,
      label: decision?.label ?? told.label(values),
      verb: !decision || found.length > 0 || missing.length > 0 ? 'problem' : decision.verb,
      cells: [...shown, ...derived, ...empty],
      sentences: found.filter(({ column }) => column === null || !(column in kinds)).map(({ sentence }) => sentence),
    }
  })
  const notes = table.notes.map(({ row, text }): ExchangeRow => ({
    row,
    label: text,
    verb: 'note',
    cells: [],
    sentences: [],
  }))
  return {
    sheet,
    headerRow,
    looksLike,
    columns,
    questions,
    dayOrder,
    missing,
    values: [...table.values, ...(told.values ?? [])],
    stations: told.stations ?? [],
    people: told.people ?? [],
    rows: [...rows, ...notes].sort((a, b) => a.row - b.row),
    apply: told.apply,
  }
}
