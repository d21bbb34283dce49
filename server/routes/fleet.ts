import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Mount } from '../mount'
import { edgeStory } from '../services/fleet/edgeStory'
import { fleetReader } from '../services/fleet/fleet'
import { addKnife, editKnife } from '../services/fleet/knives'
import { houseLearning } from '../services/fleet/learning'

export function fleetRoutes(mount: Mount, db: Database, clock: Clock): void {
  const reader = fleetReader(db, clock)
  mount(endpoints.fleet, ({ caller }) => reader.read(caller.house))
  mount(endpoints.addKnife, ({ caller, body }) => addKnife(db, clock, caller, body))
  mount(endpoints.editKnife, ({ caller, params, body }) => editKnife(db, clock, caller, params.id, body))
  mount(endpoints.edgeStory, ({ caller, params }) => edgeStory(db, caller, params.id, clock()))
  mount(endpoints.learning, ({ caller }) => houseLearning(db, caller, clock()))
}
