import type { WeeklySpan } from '../../../../contract/house'
import type { Queryable } from '../../database'

/** A span with the weeks in which the house kept it. */
export interface DatedSpan extends WeeklySpan {
  readonly fromMs: number
  readonly untilMs: number | null
}

/** Every span the house ever kept: the wear of last month happened in last month's services. */
export async function listAllSpans(db: Queryable, houseId: string): Promise<DatedSpan[]> {
  const { rows } = await db.query<WeeklySpan & { from_at: Date; until_at: Date | null }>(
    `select id, kind, weekday, name, to_char(starts, 'HH24:MI') as starts, to_char(ends, 'HH24:MI') as ends, from_at, until_at
     from weekly_spans
     where house_id = $1
     order by weekday, starts`,
    [houseId],
  )
  return rows.map(({ from_at, until_at, ...span }) => ({
    ...span,
    fromMs: from_at.getTime(),
    untilMs: until_at?.getTime() ?? null,
  }))
}

/** The week as it is kept now. */
export const currentSpans = (spans: readonly DatedSpan[]): WeeklySpan[] =>
  spans
    .filter((span) => span.untilMs === null)
    .map(({ id, kind, weekday, name, starts, ends }) => ({ id, kind, weekday, name, starts, ends }))

export async function closeSpans(db: Queryable, houseId: string, spanIds: readonly string[], at: Date): Promise<void> {
  await db.query(
    `update weekly_spans
     set until_at = greatest($3, from_at)
     where house_id = $1 and id = any($2) and until_at is null`,
    [houseId, spanIds, at],
  )
}

export async function insertSpans(
  db: Queryable,
  houseId: string,
  spans: readonly WeeklySpan[],
  from: Date,
): Promise<void> {
  await db.query(
    `insert into weekly_spans (house_id, id, kind, weekday, name, starts, ends, from_at)
     select $1, span.id, span.kind, span.weekday, span.name, span.starts, span.ends, $3
     from jsonb_to_recordset($2::jsonb)
       as span (id uuid, kind text, weekday smallint, name text, starts time, ends time)`,
    [houseId, JSON.stringify(spans), from],
  )
}
