import type { ExchangeOutcome, TableName } from '../../contract/exchange'
import type { Say } from '../../words/say'
import type { Clock } from '../clock'
import { changeHouse } from '../db/changeHouse'
import type { Database, Queryable } from '../db/database'
import type { Caller } from '../signIn/sessions'
import { planEvents, planReadings } from './eventTables'
import { planFleet } from './fleetTable'
import { planGear } from './gearTable'
import { planPeople } from './peopleTable'
import { loadPresent, type ExchangePlan, type Present } from './plan'
import { planShifts } from './shiftTable'

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

const outcome = (plan: TablePlan, applied: boolean): ExchangeOutcome => {
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
}

/**
 * Reads a file and says row by row what it would do; with `apply`, and only when no row has a problem,
 * does all of it in one change. A dry run holds up nobody.
 */
export async function importTable(
  db: Database,
  clock: Clock,
  say: Say,
  caller: Caller,
  table: TableName,
  input: { readonly csv: string; readonly apply: boolean },
): Promise<ExchangeOutcome> {
  const planOn = async (client: Queryable): Promise<TablePlan> =>
    await PLANNERS[table](input.csv, await loadPresent(client, caller, clock(), say), client)
  if (!input.apply) return outcome(await planOn(db), false)
  return await changeHouse(db, caller.house.id, async (change) => {
    const plan = await planOn(change)
    const applied = plan.problems.length === 0
    if (applied) await plan.apply(change)
    else change.nothingNew()
    return outcome(plan, applied)
  })
}
