import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { openCarryOvers } from '../db/queries/bench/carryOvers'
import { openSessions } from '../db/queries/bench/sessions'
import type { Mount } from '../mount'
import { tickOff } from '../services/bench/carryOvers'
import { benchOffer } from '../services/bench/offer'
import { takeMarkedRecord } from '../services/bench/markedRecords'
import { actInSession, knifeSessions, readSession, startSession } from '../services/bench/sessions'
import { setWorkOrder, workshopView } from '../services/bench/workshop'

export function benchRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.benchOffer, ({ caller, params, body }) => benchOffer(db, clock, caller, params.id, body))
  mount(endpoints.workshop, ({ caller, params }) => workshopView(db, clock, caller, params.id))
  mount(endpoints.setWorkOrder, ({ caller, params, body }) =>
    setWorkOrder(db, clock, caller, params.id, body.operation),
  )
  mount(endpoints.deleteWorkOrder, ({ caller, params }) => setWorkOrder(db, clock, caller, params.id, null))
  mount(endpoints.knifeSessions, ({ caller, params }) => knifeSessions(db, caller, params.id))
  mount(endpoints.sendMarked, ({ caller, body }) => takeMarkedRecord(db, clock, caller, body))
  mount(endpoints.startSession, ({ caller, body }) => startSession(db, clock, caller, body))
  mount(endpoints.benchSession, ({ caller, params }) => readSession(db, caller, params.id))
  mount(endpoints.openSessions, async ({ caller }) =>
    (await openSessions(db, caller.house.id)).map(({ id, knifeId, startedBy, startedAt }) => ({
      id,
      knifeId,
      startedBy,
      startedAt: startedAt.toISOString(),
    })),
  )
  mount(endpoints.tickCarryOver, ({ caller, params }) => tickOff(db, clock, caller, params.id, params.carryOverId))
  mount(endpoints.carryOvers, ({ caller, params }) => openCarryOvers(db, caller.house.id, params.id))
  mount(endpoints.actInSession, ({ caller, params, body }) => actInSession(db, clock, caller, params.id, body.actions))
}
