import type { NewStockCount, Supply } from '../../../../contract/stock'
import type { Queryable } from '../../database'

export type StoredSupply = Supply & { readonly id: string }

export async function listSupplies(db: Queryable, houseId: string): Promise<StoredSupply[]> {
  const { rows } = await db.query<StoredSupply>(
    `select id, name, kind, unit, price, uses_each as "usesEach", active
     from supplies
     where house_id = $1
     order by active desc, kind, lower(name)`,
    [houseId],
  )
  return rows
}

export async function saveSupply(db: Queryable, houseId: string, supply: StoredSupply): Promise<void> {
  await db.query(
    `insert into supplies (house_id, id, name, kind, unit, price, uses_each, active)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (house_id, id) do update
     set name = excluded.name, kind = excluded.kind, unit = excluded.unit, price = excluded.price,
         uses_each = excluded.uses_each, active = excluded.active`,
    [houseId, supply.id, supply.name, supply.kind, supply.unit, supply.price, supply.usesEach, supply.active],
  )
}

/** Every look at every stock, oldest first. */
export async function listStockCounts(
  db: Queryable,
  houseId: string,
): Promise<(Omit<NewStockCount, 'at'> & { supplyId: string; at: Date })[]> {
  const { rows } = await db.query<Omit<NewStockCount, 'at'> & { supplyId: string; at: Date }>(
    `select id, supply_id as "supplyId", at, remaining as "left", added
     from supply_counts
     where house_id = $1
     order by at, id`,
    [houseId],
  )
  return rows
}

/** Keeps a look at a stock, once. */
export async function insertStockCount(
  db: Queryable,
  houseId: string,
  supplyId: string,
  count: NewStockCount,
): Promise<void> {
  await db.query(
    `insert into supply_counts (house_id, id, supply_id, at, remaining, added)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, id) do nothing`,
    [houseId, count.id, supplyId, count.at, count.left, count.added],
  )
}

/** How often the log says since an instant that something was used: strops, reactive blades on stones, new knives, readings. */
export async function usesSince(
  db: Queryable,
  houseId: string,
  since: Date,
): Promise<{ stropped: number; sharpened: number; added: number; readings: number }> {
  return await db.one<{ stropped: number; sharpened: number; added: number; readings: number }>(
    `select (count(*) filter (where kind = 'honed' and payload ->> 'tool' = 'strop') + (
              select count(*) from bench_sessions as session
              where session.house_id = $1 and session.outcome = 'finished' and session.ended_at >= $2
                and jsonb_path_exists(session.plan, '$.steps[*] ? (@.kind == "strop")')
            ))::int as stropped,
            count(*) filter (where kind = 'sharpened')::int as sharpened,
            count(*) filter (where kind = 'added')::int as added,
            coalesce(sum(
              case when kind = 'checked' then (
                select sum(jsonb_array_length(reading -> 'forcesGf'))
                from jsonb_array_elements(payload -> 'readings') as reading
              ) end
            ), 0)::int as readings
     from events as event
     where house_id = $1 and at >= $2
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)`,
    [houseId, since],
  )
}

/** When a stone was measured, and how thick it was, oldest first. */
export async function listStoneMeasures(
  db: Queryable,
  houseId: string,
): Promise<{ gearId: string; at: Date; mm: number }[]> {
  const { rows } = await db.query<{ gearId: string; at: Date; mm: number }>(
    'select gear_id as "gearId", at, mm from stone_measures where house_id = $1 order by gear_id, at',
    [houseId],
  )
  return rows
}

/** Every time that a knife went over a stone, oldest first. */
export async function stoneTurns(
  db: Queryable,
  houseId: string,
): Promise<{ stoneId: string; knifeId: string; at: Date }[]> {
  const { rows } = await db.query<{ stoneId: string; knifeId: string; at: Date }>(
    `select stage ->> 'stoneId' as "stoneId", session.knife_id as "knifeId", session.ended_at as at
     from bench_sessions as session
     cross join lateral jsonb_array_elements(session.plan -> 'stages') as stage
     where session.house_id = $1 and session.outcome = 'finished'
     order by session.ended_at`,
    [houseId],
  )
  return rows
}
