import type { Walk } from '../../../../contract/house'
import type { WalkCount } from '../../../../core/edge/fleet/habits'
import type { Queryable } from '../../database'

/** Walks count for this long: habits change. */
const COUNTED_DAYS = 90

/** Keeps walks that are not there yet. @returns how many of them were new */
export async function insertWalks(
  db: Queryable,
  houseId: string,
  walkedBy: string,
  walks: readonly Walk[],
): Promise<number> {
  const { rows } = await db.query(
    `insert into honing_walks (house_id, id, person_id, at, in_order, walked_by)
     select $1, walk.id, walk.person_id, walk.at, walk.in_order, $3
     from jsonb_to_recordset($2::jsonb) as walk (id uuid, person_id uuid, at timestamptz, in_order boolean)
     on conflict (house_id, id) do nothing
     returning id`,
    [
      houseId,
      JSON.stringify(
        walks.map(({ id, personId, at, inOrder }) => ({ id, person_id: personId, at, in_order: inOrder })),
      ),
      walkedBy,
    ],
  )
  return rows.length
}

/** How often each person was found in order and not, of late. */
export async function countWalks(db: Queryable, houseId: string, now: Date): Promise<Map<string, WalkCount>> {
  const { rows } = await db.query<{ person_id: string; in_order: number; not_in_order: number }>(
    `select person_id,
       count(*) filter (where in_order)::integer as in_order,
       count(*) filter (where not in_order)::integer as not_in_order
     from honing_walks
     where house_id = $1 and at > $2::timestamptz - make_interval(days => $3::integer)
     group by person_id`,
    [houseId, now, COUNTED_DAYS],
  )
  return new Map(rows.map((row) => [row.person_id, { inOrder: row.in_order, notInOrder: row.not_in_order }]))
}
