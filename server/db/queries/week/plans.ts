import type { AcceptedPlan } from '../../../../contract/week'
import type { Queryable } from '../../database'

/** An accepted plan as it is kept, with what it stood on. */
export interface StoredPlan extends Omit<AcceptedPlan, 'version' | 'acceptedAt' | 'acceptedBy'> {
  readonly foundations: readonly string[]
}

type PlanRow = { version: number; accepted_by: string | null; accepted_at: Date; plan: StoredPlan }
export type KeptPlan = AcceptedPlan & Pick<StoredPlan, 'foundations'>

const toPlan = (row: PlanRow): KeptPlan => ({
  ...row.plan,
  version: row.version,
  acceptedBy: row.accepted_by,
  acceptedAt: row.accepted_at.toISOString(),
})

/** The plan a house goes by: the last one accepted. */
export async function currentPlan(db: Queryable, houseId: string): Promise<KeptPlan | null> {
  const row = await db.maybeOne<PlanRow>(
    `select version, accepted_by, accepted_at, plan
     from plans
     where house_id = $1
     order by version desc
     limit 1`,
    [houseId],
  )
  return row && toPlan(row)
}

/** Plans accepted since an instant, and the one that held then, oldest first. */
export async function plansSince(db: Queryable, houseId: string, since: Date): Promise<KeptPlan[]> {
  const { rows } = await db.query<PlanRow>(
    `select version, accepted_by, accepted_at, plan
     from plans
     where house_id = $1
       and version >= coalesce((select max(version) from plans where house_id = $1 and accepted_at < $2), 0)
     order by version`,
    [houseId, since],
  )
  return rows.map(toPlan)
}

/** Keeps a plan as the version after another. @returns whether nobody was faster */
export async function keepPlan(
  db: Queryable,
  houseId: string,
  version: number,
  by: { readonly personId: string; readonly at: Date },
  plan: StoredPlan,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into plans (house_id, version, accepted_by, accepted_at, plan)
     values ($1, $2, $3, $4, $5)
     on conflict (house_id, version) do nothing`,
    [houseId, version, by.personId, by.at, JSON.stringify(plan)],
  )
  return rowCount === 1
}

/** Forgets plans that another took the place of before an instant; the one the house goes by stays, however old. */
export async function deleteOldPlans(db: Queryable, before: Date): Promise<void> {
  await db.query(
    `delete from plans old
     where exists (
       select from plans newer
       where newer.house_id = old.house_id and newer.version > old.version and newer.accepted_at < $1
     )`,
    [before],
  )
}
