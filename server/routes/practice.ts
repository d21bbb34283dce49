import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Mount } from '../mount'
import { drillsOf, recordDrill, takeBackDrill } from '../services/bench/drills'

export function practiceRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.drills, ({ caller, params }) => drillsOf(db, caller, params.id))
  mount(endpoints.recordDrill, ({ caller, body }) => recordDrill(db, clock, caller, body))
  mount(endpoints.deleteDrill, ({ caller, params }) => takeBackDrill(db, caller, params.id))
}
