import type { ExchangeProblem, ExchangeRow } from '../../contract/exchange'
import type { KnifeState } from '../../core/edge/log/state'
import type { Say } from '../../words/say'
import type { Queryable } from '../db/database'
import { listKnives, listStates, type StoredKnife } from '../db/queries/fleet/knives'
import type { StoredPerson } from '../db/queries/house/people'
import { listPeople } from '../db/queries/house/people'
import type { HouseContext } from '../services/log/usageContext'
import { loadHouseContext } from '../services/log/usageContext'
import type { Caller } from '../signIn/sessions'
import { plain } from './cells'

/** What a file would do: a row-by-row preview, and the work itself, not yet done. */
export interface ExchangePlan {
  readonly rows: readonly ExchangeRow[]
  readonly problems: readonly ExchangeProblem[]
  readonly stationsToMake: readonly string[]
  readonly apply: (db: Queryable) => Promise<void>
}

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

export const knifeByCode = (present: Present, code: string): StoredKnife | undefined =>
  present.knives.find((knife) => knife.code === code)

/** Problems found so far, by row, so that a row with one is shown as one. */
export interface ProblemList {
  readonly all: readonly ExchangeProblem[]
  add(row: number, column: string | null, key: string, values?: Readonly<Record<string, string | number>>): void
  has(row: number): boolean
}

export function problemList(already: readonly ExchangeProblem[], say: Say): ProblemList {
  const all = [...already]
  const rows = new Set(all.map((problem) => problem.row))
  return {
    all,
    add: (row, column, key, values = {}) => {
      all.push({ row, column, sentence: say(`cell.${key}`, values) })
      rows.add(row)
    },
    has: (row) => rows.has(row),
  }
}

/** What a row would do; a row nobody could decide is a problem. */
export type RowDecision = Pick<ExchangeRow, 'changes'> & { readonly verb: Exclude<ExchangeRow['verb'], 'problem'> }

/** A row that describes something: new where there was nothing like it, else a change, or nothing. */
export const describeRow = (
  decision: { readonly before: object | null | undefined; readonly changes: ExchangeRow['changes'] } | undefined,
): RowDecision | undefined =>
  decision && {
    verb: !decision.before ? 'add' : decision.changes.length > 0 ? 'change' : 'same',
    changes: decision.changes,
  }

export type TablePlan = ExchangePlan & { readonly delimiter: string; readonly unknownColumns: readonly string[] }

/** A whole file, row by row, with the work it asks for. */
export function planOfTable<V>(
  {
    delimiter,
    unknownColumns,
    rows,
  }: {
    readonly delimiter: string
    readonly unknownColumns: readonly string[]
    readonly rows: readonly { readonly row: number; readonly values: V }[]
  },
  problems: ProblemList,
  told: {
    readonly label: (values: V) => string
    readonly decide: (row: number) => RowDecision | undefined
    readonly stationsToMake?: readonly string[]
    readonly apply: ExchangePlan['apply']
  },
): TablePlan {
  return {
    delimiter,
    unknownColumns,
    problems: problems.all,
    stationsToMake: told.stationsToMake ?? [],
    apply: told.apply,
    rows: rows.map(({ row, values }) => {
      const decision = told.decide(row)
      return {
        row,
        label: told.label(values),
        verb: !decision || problems.has(row) ? 'problem' : decision.verb,
        changes: decision?.changes ?? [],
      }
    }),
  }
}
