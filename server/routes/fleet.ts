import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Mount } from '../mount'
import { recordEvents } from '../services/log/recordEvents'
import { fleetReader } from '../services/fleet/fleet'
import { addKnife, editKnife, knifeTimeline } from '../services/fleet/knives'

export function fleetRoutes(mount: Mount, db: Database, clock: Clock): void {
  const reader = fleetReader(db, clock)
  mount(endpoints.fleet, ({ caller }) => reader.read(caller.house))
  mount(endpoints.addKnife, ({ caller, body }) => addKnife(db, clock, caller, body))
  mount(endpoints.editKnife, ({ caller, params, body }) => editKnife(db, clock, caller, params.id, body))
  mount(endpoints.timeline, ({ caller, params, query }) =>
    knifeTimeline(db, caller, params.id, { before: query.before ? new Date(query.before) : null, most: query.most }),
  )
  mount(endpoints.sendEvents, async ({ caller, body }) => ({
    knives: await recordEvents(db, clock, caller, body.events),
  }))
}
