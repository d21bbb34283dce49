import { endpoints } from '../../contract/endpoints'
import { pinKey, type Tries } from '../signIn/tries'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { currentSpans, listAllSpans } from '../db/queries/week/weeklySpans'
import type { Mount } from '../mount'
import { addPerson, addStation, editHouse, editPerson, editStation, setWeek } from '../services/house/houses'

export function houseRoutes(mount: Mount, db: Database, clock: Clock, tries: Tries): void {
  mount(endpoints.editHouse, ({ caller, body }) => editHouse(db, caller, body))
  mount(endpoints.addPerson, ({ caller, body }) => addPerson(db, caller, body))
  mount(endpoints.editPerson, async ({ caller, params, body }) => {
    const person = await editPerson(db, caller, params.id, body)
    // a new PIN ends the lockout that guessing at the old one brought
    if (body.pin) await tries.succeeded(pinKey(caller.house.id, params.id))
    return person
  })
  mount(endpoints.addStation, ({ caller, body }) => addStation(db, caller, body))
  mount(endpoints.editStation, ({ caller, params, body }) => editStation(db, clock, caller, params.id, body))
  mount(endpoints.week, async ({ caller }) => currentSpans(await listAllSpans(db, caller.house.id)))
  mount(endpoints.setWeek, ({ caller, body }) => setWeek(db, clock, caller, body))
}
