import type { Operation, SavedJob } from '../../../../contract/workshop'
import type { Queryable } from '../../database'

/** Workshop work saved for the knives of a house; what somebody wants now before what waits, one of each kind a knife. */
export async function listSavedJobs(db: Queryable, houseId: string): Promise<Map<string, readonly SavedJob[]>> {
  const { rows } = await db.query<{ knife_id: string; jobs: SavedJob[] }>(
    `select knife_id, jsonb_agg(jsonb_build_object('operation', operation, 'waits', waits) order by waits, saved_at) as jobs
     from saved_jobs
     where house_id = $1
     group by knife_id`,
    [houseId],
  )
  return new Map(rows.map(({ knife_id, jobs }) => [knife_id, jobs]))
}

/** Saves work for a knife in place of what was saved for it of the same kind. */
export async function saveJob(db: Queryable, houseId: string, knifeId: string, { operation, waits }: SavedJob, by: { readonly personId: string; readonly at: Date }): Promise<void> {
  await db.query(
    `insert into saved_jobs (house_id, knife_id, operation, waits, saved_by, saved_at)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, knife_id, kind) do update
     set operation = excluded.operation, waits = excluded.waits, saved_by = excluded.saved_by, saved_at = excluded.saved_at`,
    [houseId, knifeId, JSON.stringify(operation), waits, by.personId, by.at],
  )
}

export async function dropJob(db: Queryable, houseId: string, knifeId: string, kind: Operation['kind']): Promise<void> {
  await db.query('delete from saved_jobs where house_id = $1 and knife_id = $2 and kind = $3', [houseId, knifeId, kind])
}
