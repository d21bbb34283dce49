import type { CarryOver } from '../../../../contract/bench'
import type { Zone } from '../../../../core/knife/zones'
import type { Queryable } from '../../database'

/** What sessions have left with a knife and nobody has ticked off, oldest first. */
export async function openCarryOvers(db: Queryable, houseId: string, knifeId: string): Promise<CarryOver[]> {
  const { rows } = await db.query<Omit<CarryOver, 'leftAt'> & { left_at: Date }>(
    `select c.id, c.zone, c.what, coalesce(p.name, '') as "leftBy", c.left_at
     from carry_overs c
     left join people p on p.house_id = c.house_id and p.id = c.left_by
     where c.house_id = $1 and c.knife_id = $2 and c.done_at is null
     order by c.left_at, c.id`,
    [houseId, knifeId],
  )
  return rows.map(({ left_at, ...one }) => ({ ...one, leftAt: left_at.toISOString() }))
}

export async function insertCarryOver(
  db: Queryable,
  houseId: string,
  one: {
    readonly id: string
    readonly knifeId: string
    readonly sessionId: string
    readonly zone: Zone
    readonly what: string
    readonly leftBy: string | null
    readonly leftAt: Date
  },
): Promise<void> {
  await db.query(
    `insert into carry_overs (house_id, id, knife_id, session_id, zone, what, left_by, left_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (house_id, id) do nothing`,
    [houseId, one.id, one.knifeId, one.sessionId, one.zone, one.what, one.leftBy, one.leftAt],
  )
}

/** Ticks one of a knife off, once. @returns who has ticked it off, and whether it was just now; null where there is none */
export async function tickCarryOver(
  db: Queryable,
  houseId: string,
  knifeId: string,
  id: string,
  by: { readonly personId: string; readonly at: Date },
): Promise<{ readonly name: string; readonly isNew: boolean } | null> {
  const { rows } = await db.query(
    `update carry_overs set done_by = $4, done_at = $5
     where house_id = $1 and knife_id = $2 and id = $3 and done_at is null
     returning id`,
    [houseId, knifeId, id, by.personId, by.at],
  )
  const done = await db.maybeOne<{ name: string }>(
    `select coalesce(p.name, '') as name
     from carry_overs c
     left join people p on p.house_id = c.house_id and p.id = c.done_by
     where c.house_id = $1 and c.knife_id = $2 and c.id = $3`,
    [houseId, knifeId, id],
  )
  return done && { name: done.name, isNew: rows.length > 0 }
}
