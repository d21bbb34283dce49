import type { Skill } from '../../../../core/house/skills'
import type { Queryable } from '../../database'

/** A finished session at a skill, and every check of its knife until the next one. */
export interface SessionDone {
  readonly id: string
  readonly knifeId: string
  readonly skill: Skill
  readonly personId: string
  readonly beside: boolean
  readonly endedAt: Date
  readonly checks: readonly {
    readonly at: string
    readonly readings: readonly { readonly forcesGf: readonly number[] }[]
  }[]
}

/** An edge is judged within days; what is looked at months later says nothing of the hand. */
const CHECKS_DAYS = 60
const MOST_SESSIONS = 2000

/** Finished sessions since an instant, newest first, in the name of whoever ended them. */
export async function listDoneSessions(db: Queryable, houseId: string, since: Date): Promise<SessionDone[]> {
  const { rows } = await db.query<SessionDone>(
    `select session.id, session.knife_id as "knifeId", session.skill, session.beside_id is not null as beside,
            session.ended_at as "endedAt", coalesce(own.person_id, session.started_by) as "personId",
            coalesce(checks.found, '[]'::jsonb) as checks
     from bench_sessions as session
     left join lateral (
       select person_id from events
       where house_id = $1 and knife_id = session.knife_id and kind = 'sharpened' and at = session.ended_at
       limit 1
     ) as own on true
     left join lateral (
       select min(at) as at from events
       where house_id = $1 and knife_id = session.knife_id and kind = 'sharpened' and at > session.ended_at
     ) as again on true
     left join lateral (
       select jsonb_agg(jsonb_build_object('at', event.at, 'readings', event.payload -> 'readings') order by event.at) as found
       from events as event
       where event.house_id = $1 and event.knife_id = session.knife_id and event.kind = 'checked'
         and event.at > session.ended_at
         and event.at < least(session.ended_at + make_interval(days => $3), coalesce(again.at, 'infinity'))
         and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
     ) as checks on true
     where session.house_id = $1 and session.outcome = 'finished' and session.skill is not null and session.ended_at >= $2
     order by session.ended_at desc
     limit $4`,
    [houseId, since, CHECKS_DAYS, MOST_SESSIONS],
  )
  return rows
}
