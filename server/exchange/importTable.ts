import { createHash } from 'node:crypto'
import type { BodyOf } from '../../contract/endpoint'
import type { endpoints } from '../../contract/endpoints'
import type { ExchangeOutcome, ReadingTold, TableName } from '../../contract/exchange'
import type { Say } from '../../words/say'
import type { Clock } from '../clock'
import { changeHouse } from '../db/changeHouse'
import type { Database, Queryable } from '../db/database'
import { listMeanings, saveMeanings, type FileMeaning } from '../db/queries/exchange/meanings'
import type { Caller } from '../signIn/sessions'
import { planEvents, planReadings } from './eventTables'
import { planFleet } from './fleetTable'
import { planGear } from './gearTable'
import { planPeople } from './peopleTable'
import { loadPresent, type Present, type TablePlan } from './plan'
import { meaningKey, type Meanings, type Reading } from './readTable'
import { withProgress } from './progress'
import { planShifts } from './shiftTable'
import { plain } from './spellings/plain'

type Planner = (reading: Reading, present: Present, db: Queryable) => Promise<TablePlan>

const PLANNERS: Readonly<Record<TableName, Planner>> = {
  fleet: (reading, present) => Promise.resolve(planFleet(reading, present)),
  people: (reading, present) => Promise.resolve(planPeople(reading, present)),
  gear: planGear,
  shifts: planShifts,
  readings: planReadings,
  events: planEvents,
}

function outcome(plan: TablePlan, applied: number | null, stale = false): ExchangeOutcome {
  const { apply: _, ...shown } = plan
  const count = (verb: ExchangeOutcome['rows'][number]['verb']): number =>
    plan.rows.filter((row) => row.verb === verb).length
  return {
    ...shown,
    columns: [...plan.columns],
    rows: [...plan.rows],
    applied,
    stale,
    fingerprint: createHash('sha256')
      .update(JSON.stringify([plan.rows, plan.missing]))
      .digest('base64url'),
    counts: {
      add: count('add'),
      change: count('change'),
      same: count('same'),
      problem: count('problem'),
      note: count('note'),
    },
  }
}

const remembered = (stored: readonly FileMeaning[]): Meanings => ({
  columns: new Map(stored.filter(({ saidOf }) => saidOf === '').map(({ said, means }) => [said, means])),
  values: new Map(
    stored.filter(({ saidOf }) => saidOf !== '').map(({ saidOf, said, means }) => [meaningKey(saidOf, said), means]),
  ),
})

const MOST_SAID_CHARACTERS = 200

/** What a person said of this file that holds for the house's next one as well. */
function toRemember(told: ReadingTold, plan: TablePlan): FileMeaning[] {
  const columns = plan.columns
    .filter(({ at, title }) => told.columns?.[at] !== undefined && plain(title) !== '')
    .map(({ at, title }) => ({ saidOf: '', said: plain(title), means: told.columns?.[at] ?? '' }))
  const values = (told.values ?? [])
    .filter(({ text }) => text.trim() !== '')
    .map(({ column, text, means }) => ({ saidOf: column, said: plain(text) || text, means }))
  const all = [...columns, ...values].filter(({ said }) => said.length <= MOST_SAID_CHARACTERS)
  return [...new Map(all.map((one) => [`${one.saidOf} ${one.said}`, one])).values()]
}

/**
 * Reads a file and says row by row what it would do; asked to take rows, does the work of all of them or of those
 * without a problem, in one change. A dry run holds up nobody. What was looked at is what is brought in: where the
 * house has changed since so that the file would do something else, nothing is, and the answer is a new dry run.
 */
export async function importTable(
  db: Database,
  clock: Clock,
  say: Say,
  caller: Caller,
  table: TableName,
  input: BodyOf<typeof endpoints.importTable>,
): Promise<ExchangeOutcome> {
  const { sheets, told, take, fingerprint, jobId } = input
  const planOn = async (client: Queryable): Promise<TablePlan> => {
    const reading: Reading = {
      sheets,
      told,
      remembered: remembered(await listMeanings(client, caller.house.id, table)),
      zone: caller.house.zone,
      dayOrder: caller.house.dayOrder,
    }
    return await PLANNERS[table](reading, await loadPresent(client, caller, clock(), say), client)
  }
  if (take === 'none') return outcome(await planOn(db), null)
  return await withProgress(
    db,
    caller,
    jobId,
    rowsOf(sheets),
    (step) =>
      changeHouse(db, caller.house.id, async (change) => {
        const plan = await planOn(change)
        const looked = outcome(plan, null)
        const isStale = fingerprint !== undefined && fingerprint !== looked.fingerprint
        const good = plan.rows.filter(({ verb }) => verb === 'add' || verb === 'change' || verb === 'same')
        const isBlocked = take === 'all' && looked.counts.problem > 0
        if (isStale || isBlocked || good.length === 0) {
          change.nothingNew()
          return { ...looked, stale: isStale }
        }
        const rows = new Set(good.map(({ row }) => row))
        await plan.apply(change, { takes: (row) => rows.has(row), step })
        await saveMeanings(change, caller.house.id, table, toRemember(told, plan))
        return outcome(plan, looked.counts.add + looked.counts.change)
      }),
    ({ applied }) => applied !== null,
  )
}

const rowsOf = (sheets: Reading['sheets']): number => sheets.reduce((sum, { rows }) => sum + rows.length, 0)
