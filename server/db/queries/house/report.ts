import type { Report } from '../../../../contract/report'
import type { Queryable } from '../../database'

export interface MonthLine {
  readonly kind: string
  readonly at: Date
  readonly code: string
  readonly personName: string | null
  readonly words: string
}

const STANDING = 'not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)'

/** How often each kind of event happened in a span, and the minutes on the stones. */
export async function countKinds(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
): Promise<ReadonlyMap<string, { readonly count: number; readonly minutes: number }>> {
  const { rows } = await db.query<{ kind: string; count: number; minutes: number }>(
    `select kind, count(*)::int as count,
            coalesce(sum((payload ->> 'minutes')::float8) filter (where kind = 'sharpened'), 0) as minutes
     from events as event
     where house_id = $1 and at >= $2 and at < $3 and ${STANDING}
     group by kind`,
    [houseId, from, until],
  )
  return new Map(rows.map(({ kind, count, minutes }) => [kind, { count, minutes }]))
}

/** Every check of a span by the dullest spot that was measured, gf, with the kind of its knife. */
export async function checksOf(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
): Promise<{ type: string; dullestGf: number }[]> {
  const { rows } = await db.query<{ type: string; dullestGf: number }>(
    `select knife.type, max(force.gf::float8) as "dullestGf"
     from events as event
     join knives as knife on knife.house_id = $1 and knife.id = event.knife_id
     cross join lateral jsonb_array_elements(event.payload -> 'readings') as reading
     cross join lateral jsonb_array_elements_text(reading -> 'forcesGf') as force (gf)
     where event.house_id = $1 and event.kind = 'checked' and event.at >= $2 and event.at < $3 and ${STANDING}
     group by event.id, knife.type`,
    [houseId, from, until],
  )
  return rows
}

/** Events of some kinds in a span, oldest first, with the word that was given. */
export async function linesOf(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
  kinds: readonly string[],
): Promise<MonthLine[]> {
  const { rows } = await db.query<MonthLine>(
    `select event.kind, event.at, knife.code,
            case when person.active then person.name end as "personName",
            coalesce(event.payload ->> 'reason', event.payload ->> 'to', event.payload ->> 'note', '') as words
     from events as event
     join knives as knife on knife.house_id = $1 and knife.id = event.knife_id
     left join people as person on person.house_id = $1 and person.id = event.person_id
     where event.house_id = $1 and event.kind = any($4) and event.at >= $2 and event.at < $3 and ${STANDING}
     order by event.at, event.id`,
    [houseId, from, until, kinds],
  )
  return rows
}

/** Sessions that ended as done in a span, and those among them that went through their washing step. */
export async function washedSessions(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
): Promise<{ sessions: number; washed: number }> {
  return await db.one<{ sessions: number; washed: number }>(
    `select count(*)::int as sessions,
            count(*) filter (where exists (
              select from bench_actions as action
              join lateral jsonb_array_elements(session.plan -> 'steps') as step on step ->> 'kind' = 'clean'
              where action.house_id = $1 and action.session_id = session.id
                and action.action ->> 'stepId' = step ->> 'id'
            ))::int as washed
     from bench_sessions as session
     where house_id = $1 and outcome = 'finished' and ended_at >= $2 and ended_at < $3`,
    [houseId, from, until],
  )
}

/** Counts that ended in a span. */
export async function countsOf(db: Queryable, houseId: string, from: Date, until: Date): Promise<number> {
  const { n } = await db.one<{ n: number }>(
    'select count(*)::int as n from counts where house_id = $1 and ended_at >= $2 and ended_at < $3',
    [houseId, from, until],
  )
  return n
}

/** Accidents and near misses of a span, by what and where. */
export async function incidentsIn(
  db: Queryable,
  houseId: string,
  from: Date,
  until: Date,
): Promise<Report['incidents']> {
  const { rows } = await db.query<Report['incidents'][number]>(
    `select what, place, count(*)::int as count
     from incidents
     where house_id = $1 and at >= $2 and at < $3
     group by what, place
     order by count desc, what, place`,
    [houseId, from, until],
  )
  return rows
}

/** One instant of each day, by the house's zone, that anything is on record of: events, counts, accidents. */
export async function recordedDays(
  db: Queryable,
  houseId: string,
  zone: string,
  from: Date,
  until: Date,
): Promise<Date[]> {
  const { rows } = await db.query<{ at: Date }>(
    `select min(at) as at
     from (
       select at from events as event where house_id = $1 and at >= $2 and at < $3 and ${STANDING}
       union all
       select ended_at from counts where house_id = $1 and ended_at >= $2 and ended_at < $3
       union all
       select at from incidents where house_id = $1 and at >= $2 and at < $3
     ) as record
     group by (at at time zone $4)::date`,
    [houseId, from, until, zone],
  )
  return rows.map(({ at }) => at)
}
