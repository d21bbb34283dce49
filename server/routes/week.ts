import type { Express } from 'express'
import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { Fault } from '../faults'
import type { Queue } from '../jobs/queue'
import type { Mount } from '../mount'
import {
  assertOwnOrManager,
  calendarAt,
  calendarOf,
  makeLink,
  revokeLink,
  standingLinks,
} from '../services/week/calendar'
import { crewOf, setBench, setShiftDays, setShifts, setSkills, setSpecialDay } from '../services/week/crew'
import { acceptPlan, improvePlan, planView, readImprovement } from '../services/week/plan'
import { readShifts } from '../services/week/readShifts'
import { readYearHouse } from '../services/year/yearHouse'
import { actAs, callerOf } from '../signIn/sessions'

export function weekRoutes(app: Express, mount: Mount, db: Database, clock: Clock, queue: Queue): void {
  mount(endpoints.yearHouse, ({ caller }) => readYearHouse(db, clock, caller))
  mount(endpoints.crew, ({ caller }) => crewOf(db, clock, caller))
  mount(endpoints.setShifts, ({ caller, params, body }) => setShifts(db, clock, caller, params.id, body.shifts))
  mount(endpoints.setShiftDays, ({ caller, params, body }) => setShiftDays(db, clock, caller, params.id, body))
  mount(endpoints.importCalendar, ({ caller, params, body }) => readShifts(db, clock, caller, params.id, body))
  mount(endpoints.setSkills, ({ caller, params, body }) => setSkills(db, clock, caller, params.id, body.skills))
  mount(endpoints.setBench, ({ caller, body }) => setBench(db, clock, caller, body))
  mount(endpoints.setSpecialDay, ({ caller, params, body }) =>
    setSpecialDay(db, clock, caller, params.day, { ...body, day: params.day }),
  )
  mount(endpoints.dropSpecialDay, ({ caller, params }) => setSpecialDay(db, clock, caller, params.day, null))
  mount(endpoints.plan, ({ caller }) => planView(db, clock, caller))
  mount(endpoints.acceptPlan, ({ caller, body }) => acceptPlan(db, clock, caller, body))
  mount(endpoints.improvePlan, ({ caller, body }) => improvePlan(db, queue, caller, body))
  mount(endpoints.improvement, ({ caller, params }) => readImprovement(db, caller, params.id))
  mount(endpoints.calendarLink, ({ caller, params }) => standingLinks(db, caller, params.id))
  mount(endpoints.makeCalendarLink, ({ caller, params }) => makeLink(db, clock, caller, params.id))
  mount(endpoints.revokeCalendarLink, ({ caller, params }) => revokeLink(db, clock, caller, params.id))
  app.get('/api/people/:id/calendar.ics', (request, response, next) => {
    const send = async (): Promise<void> => {
      const caller = await callerOf(db, clock, request.headers.cookie)
      if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
      const personId = assertOwnOrManager(caller, request.params.id)
      response
        .type('text/calendar; charset=utf-8')
        .attachment('yorvik.ics')
        .send(await actAs(caller, () => calendarOf(db, clock, caller.house, personId)))
    }
    send().catch(next)
  })
  // subscribed to by calendars, which sign in with nothing but the address itself
  app.get('/api/calendar/:token.ics', (request, response, next) => {
    const send = async (): Promise<void> => {
      response.type('text/calendar; charset=utf-8').send(await calendarAt(db, clock, request.params.token))
    }
    send().catch(next)
  })
}
