import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Mount } from '../mount'
import { lastHands, listCounts } from '../db/queries/fleet/counts'
import { recordCount } from '../services/fleet/counts'
import { viewKnives } from '../services/fleet/fleet'
import { recordEvents } from '../services/log/recordEvents'
import { knifeTimeline } from '../services/log/timeline'
import { urgently } from '../urgent'

export function logRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.timeline, ({ caller, params, query }) =>
    knifeTimeline(db, caller, params.id, {
      before: query.before ? { at: new Date(query.before), eventId: query.beforeId ?? null } : null,
      most: query.most,
    }),
  )
  mount(endpoints.sendCount, async ({ caller, body }) => ({ knives: await recordCount(db, clock, caller, body) }))
  mount(endpoints.lastHands, ({ caller }) => lastHands(db, caller.house.id))
  mount(endpoints.counts, ({ caller }) => listCounts(db, caller.house.id))
  mount(endpoints.sendEvents, ({ caller, body }) =>
    urgently(async () => {
      const folded = await recordEvents(db, clock, caller, body.events)
      return { knives: await viewKnives(db, caller.house, clock(), folded) }
    }),
  )
}
