import type { Operation, WorkOrder } from '../../../../contract/workshop'
import type { Queryable } from '../../database'

/** Workshop work saved for the knives of a house; what somebody wants now before what waits, one of each kind a knife. */
export async function listWorkOrders(db: Queryable, houseId: string): Promise<Map<string, readonly WorkOrder[]>> {
  const { rows } = await db.query<{ knife_id: string; jobs: WorkOrder[] }>(
    `select knife_id, jsonb_agg(jsonb_build_object('operation', operation, 'waits', waits) order by waits, saved_at) as jobs
     from work_orders
     where house_id = $1
     group by knife_id`,
    [houseId],
  )
  return new Map(rows.map(({ knife_id, jobs }) => [knife_id, jobs]))
}

/** Saves work for a knife in place of what was saved for it of the same kind. */
export async function saveWorkOrder(
  db: Queryable,
  houseId: string,
  knifeId: string,
  { operation, waits }: WorkOrder,
  by: { readonly personId: string; readonly at: Date },
): Promise<void> {
  await db.query(
    `insert into work_orders (house_id, knife_id, operation, waits, saved_by, saved_at)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, knife_id, kind) do update
     set operation = excluded.operation, waits = excluded.waits, saved_by = excluded.saved_by, saved_at = excluded.saved_at`,
    [houseId, knifeId, JSON.stringify(operation), waits, by.personId, by.at],
  )
}

export async function deleteWorkOrder(
  db: Queryable,
  houseId: string,
  knifeId: string,
  kind: Operation['kind'],
): Promise<void> {
  await db.query('delete from work_orders where house_id = $1 and knife_id = $2 and kind = $3', [
    houseId,
    knifeId,
    kind,
  ])
}
