import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Mount } from '../mount'
import { answerLesson, practiceOf, recordDrill, takeBackDrill } from '../services/bench/drills'
import { incidentsOf, recordIncident } from '../services/bench/incidents'
import { signOff, signOffs } from '../services/week/signOffs'

export function practiceRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.practice, ({ caller, params }) => practiceOf(db, clock, caller, params.id))
  mount(endpoints.recordDrill, ({ caller, body }) => recordDrill(db, clock, caller, body))
  mount(endpoints.deleteDrill, ({ caller, params }) => takeBackDrill(db, caller, params.id))
  mount(endpoints.answerLesson, ({ caller, params, body }) =>
    answerLesson(db, clock, caller, params.lesson, body.answer),
  )
  mount(endpoints.incidents, ({ caller }) => incidentsOf(db, clock, caller))
  mount(endpoints.recordIncident, ({ caller, body }) => recordIncident(db, clock, caller, body))
  mount(endpoints.signOffs, ({ caller }) => signOffs(db, clock, caller))
  mount(endpoints.signOff, ({ caller, params, body }) => signOff(db, clock, caller, params, body.level))
}
