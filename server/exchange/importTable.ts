import type { ExchangeOutcome, TableName } from '../../contract/exchange'
import type { Say } from '../../words/say'
import type { Caller } from '../signIn/sessions'
import type { Clock } from '../clock'
import type { Database, Queryable } from '../db/database'
import { planEvents, planReadings } from './eventTables'
import { planFleet } from './fleetTable'
import { planGear } from './gearTable'
import { planPeople } from './peopleTable'
import { planShifts } from './shiftTable'
import { loadPresent, type ExchangePlan, type Present } from './plan'
import { changeHouse } from '../db/changeHouse'

type TablePlan = ExchangePlan & { delimiter: string; unknownColumns: readonly string[] }
type Planner = (csv: string, present: Present, db: Queryable) => Promise<TablePlan>

const PLANNERS: Readonly<Record<TableName, Planner>> = {
  fleet: (csv, present) => Promise.resolve(planFleet(csv, present)),
  people: (csv, present) => Promise.resolve(planPeople(csv, present)),
  gear: planGear,
  shifts: planShifts,
  readings: planReadings,
  events: planEvents,
}

/**
 * Reads a file and says row by row what it would do; with `apply`, and only when no row has a problem,
 * does all of it in one transaction.
 */
export async function importTable(
  db: Database,
  clock: Clock,
  say: Say,
  caller: Caller,
  table: TableName,
  input: { readonly csv: string; readonly apply: boolean },
): Promise<ExchangeOutcome> {
  return await changeHouse(db, caller.house.id, async (change) => {
    const present = await loadPresent(change, caller, clock(), say)
    const plan = await PLANNERS[table](input.csv, present, change)
    const applied = input.apply && plan.problems.length === 0
    if (applied) await plan.apply(change)
    else change.nothingNew()
    const count = (verb: string): number => plan.rows.filter((row) => row.verb === verb).length
    return {
      applied,
      delimiter: plan.delimiter,
      counts: { add: count('add'), change: count('change'), same: count('same'), problem: count('problem') },
      unknownColumns: plan.unknownColumns,
      stationsToMake: plan.stationsToMake,
      rows: plan.rows,
      problems: plan.problems,
    }
  })
}
