import type { Incidents, NewIncident } from '../../../contract/incidents'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { insertIncident, listIncidents } from '../../db/queries/bench/incidents'
import { findKnife } from '../../db/queries/fleet/knives'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS } from '../log/recordEvents'

const YEAR_MS = 365 * DAY_MS

/** Writes down what happened, and not to whom. @throws Fault for what has yet to come, or a knife of no house */
export async function recordIncident(
  db: Database,
  clock: Clock,
  caller: Caller,
  incident: NewIncident,
): Promise<NewIncident> {
  if (Date.parse(incident.at) > clock().getTime() + CLOCK_SLACK_MS)
    throw new Fault('invalid', 'future-event', { at: incident.at })
  await changeHouse(db, caller.house.id, async (change) => {
    if (incident.knifeId !== null && !(await findKnife(change, caller.house.id, incident.knifeId)))
      throw notFound('knife')
    await insertIncident(change, caller.house.id, incident)
    change.nothingNew()
  })
  return incident
}

export const incidentsOf = async (db: Database, clock: Clock, caller: Caller): Promise<Incidents> =>
  await listIncidents(db, caller.house.id, new Date(clock().getTime() - YEAR_MS))
