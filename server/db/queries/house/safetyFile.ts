import type { KnifeType } from '../../../../core/knife/knifeTypes'
import type { Queryable } from '../../database'

const STANDING = 'not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)'
/** Who has left has no name on paper. */
const NAME = `case when person.active then person.name end as "personName"`

/** Knives that are the house's to serve with, where they lie, and when somebody looked at them last before an instant. */
export async function knivesOnFile(
  db: Queryable,
  houseId: string,
  until: Date,
): Promise<{ code: string; type: KnifeType; stationName: string; status: string; checkedAt: Date | null }[]> {
  const { rows } = await db.query<{
    code: string
    type: KnifeType
    stationName: string
    status: string
    checkedAt: Date | null
  }>(
    `select knife.code, knife.type, coalesce(station.name, '') as "stationName", state.state ->> 'status' as status,
            (
              select max(event.at) from events as event
              where event.house_id = $1 and event.knife_id = knife.id and event.kind = 'checked' and event.at < $2
                and ${STANDING}
            ) as "checkedAt"
     from knives as knife
     join knife_states as state on state.house_id = $1 and state.knife_id = knife.id
     left join stations as station on station.house_id = $1 and station.id = (state.state ->> 'stationId')::uuid
     where knife.house_id = $1 and state.state ->> 'status' not in ('retired', 'practice', 'counted')
     order by station.name, knife.code`,
    [houseId, until],
  )
  return rows
}

/** Checks of a span, oldest first, with the dullest spot that was measured. */
export async function checksOnFile(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
  most: number,
): Promise<
  {
    at: Date
    code: string
    personName: string | null
    dullestGf: number | null
    defects: Record<string, unknown> | null
  }[]
> {
  const { rows } = await db.query<{
    at: Date
    code: string
    personName: string | null
    dullestGf: number | null
    defects: Record<string, unknown> | null
  }>(
    `select event.at, knife.code, ${NAME}, event.payload -> 'defects' as defects,
            (
              select max(force.gf::float8)
              from jsonb_array_elements(event.payload -> 'readings') as reading
              cross join lateral jsonb_array_elements_text(reading -> 'forcesGf') as force (gf)
            ) as "dullestGf"
     from events as event
     join knives as knife on knife.house_id = $1 and knife.id = event.knife_id
     left join people as person on person.house_id = $1 and person.id = event.person_id
     where event.house_id = $1 and event.kind = 'checked' and event.at >= $2 and event.at < $3 and ${STANDING}
     order by event.at, event.id
     limit $4`,
    [houseId, from, until, most],
  )
  return rows
}

/** Sessions that ended in a span, with when their washing step was confirmed. */
export async function sessionsOnFile(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
  most: number,
): Promise<
  {
    at: Date
    code: string
    personName: string | null
    outcome: 'finished' | 'abandoned'
    washedAt: Date | null
  }[]
> {
  const { rows } = await db.query<{
    at: Date
    code: string
    personName: string | null
    outcome: 'finished' | 'abandoned'
    washedAt: Date | null
  }>(
    `select session.ended_at as at, knife.code, ${NAME}, session.outcome,
            (
              select min(action.at) from bench_actions as action
              join lateral jsonb_array_elements(session.plan -> 'steps') as step on step ->> 'kind' = 'clean'
              where action.house_id = $1 and action.session_id = session.id
                and action.action ->> 'stepId' = step ->> 'id'
            ) as "washedAt"
     from bench_sessions as session
     join knives as knife on knife.house_id = $1 and knife.id = session.knife_id
     left join people as person on person.house_id = $1 and person.id = session.started_by
     where session.house_id = $1 and session.outcome is not null and session.ended_at >= $2 and session.ended_at < $3
     order by session.ended_at, session.id
     limit $4`,
    [houseId, from, until, most],
  )
  return rows
}
