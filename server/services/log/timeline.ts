import type { TimelineEvent } from '../../../contract/events'
import type { Database } from '../../db/database'
import { findKnife } from '../../db/queries/fleet/knives'
import { timelinePage, type TimelinePage } from '../../db/queries/log/events'
import { notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'

/** A page of a knife's history, with the worst force before and after each event that moved it. */
export async function knifeTimeline(
  db: Database,
  caller: Caller,
  knifeId: string,
  page: TimelinePage,
): Promise<TimelineEvent[]> {
  if (!(await findKnife(db, caller.house.id, knifeId))) throw notFound('knife')
  const rows = await timelinePage(db, caller.house.id, knifeId, page)
  return rows.map((row) => ({
    id: row.id,
    kind: row.kind,
    at: row.at.toISOString(),
    recordedAt: row.recorded_at.toISOString(),
    personId: row.person_id,
    personName: row.person_name,
    deviceName: row.device_name,
    payload: row.payload,
    voided:
      row.void_at === null
        ? null
        : { at: row.void_at.toISOString(), personName: row.void_person_name, reason: row.void_reason ?? '' },
    effect: row.before_gf === null || row.after_gf === null ? null : { beforeGf: row.before_gf, afterGf: row.after_gf },
  }))
}
