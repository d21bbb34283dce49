import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { currentSpans, listAllSpans } from '../db/queries/weeklySpans'
import type { Mount } from '../mount'
import { addPerson, addStation, editHouse, editPerson, editStation, setWeek } from '../services/houses'

export function houseRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.editHouse, ({ caller, body }) => editHouse(db, caller, body))
  mount(endpoints.addPerson, ({ caller, body }) => addPerson(db, caller, body))
  mount(endpoints.editPerson, ({ caller, params, body }) => editPerson(db, caller, params.id, body))
  mount(endpoints.addStation, ({ caller, body }) => addStation(db, caller, body))
  mount(endpoints.editStation, ({ caller, params, body }) => editStation(db, clock, caller, params.id, body))
  mount(endpoints.week, async ({ caller }) => currentSpans(await listAllSpans(db, caller.house.id)))
  mount(endpoints.setWeek, ({ caller, body }) => setWeek(db, clock, caller, body))
}
