import type { CountLine, CountOf, LastHand, NewCount } from '../../../../contract/counts'
import type { Queryable } from '../../database'

const COUNTS_LISTED = 30
/** Events that only somebody with the knife in hand records. */
const IN_HAND = ['used', 'honed', 'checked', 'sharpened', 'measured', 'returned']

/** Keeps a count. @returns false where it was kept before */
export async function insertCount(
  db: Queryable,
  houseId: string,
  countedBy: string,
  count: NewCount,
): Promise<boolean> {
  const { whose } = count
  const { rowCount } = await db.query(
    `insert into counts (house_id, id, counted_by, started_at, ended_at, of, of_id, present, missing)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict (house_id, id) do nothing`,
    [
      houseId,
      count.id,
      countedBy,
      count.startedAt,
      count.endedAt,
      whose.of,
      whose.of === 'all' ? null : whose.id,
      count.present,
      count.missing,
    ],
  )
  return rowCount === 1
}

/** The latest counts, newest first. */
export async function listCounts(db: Queryable, houseId: string): Promise<CountLine[]> {
  const { rows } = await db.query<{
    id: string
    counted_by: string
    started_at: Date
    ended_at: Date
    of: CountOf['of']
    of_id: string | null
    present: number
    missing: string[]
  }>(
    `select id, counted_by, started_at, ended_at, of, of_id, cardinality(present) as present, missing
     from counts
     where house_id = $1
     order by ended_at desc, id desc
     limit $2`,
    [houseId, COUNTS_LISTED],
  )
  return rows.map((row) => ({
    id: row.id,
    countedBy: row.counted_by,
    startedAt: row.started_at.toISOString(),
    endedAt: row.ended_at.toISOString(),
    whose: row.of === 'all' ? { of: 'all' } : { of: row.of, id: row.of_id ?? '' },
    present: row.present,
    missing: row.missing,
  }))
}

/** Who last had each knife in their hands; of a knife that nobody has recorded anything of, nothing. */
export async function lastHands(db: Queryable, houseId: string): Promise<LastHand[]> {
  const { rows } = await db.query<{ knife_id: string; person_id: string; at: Date }>(
    `select knife.id as knife_id, event.person_id, event.at
     from knives as knife
     cross join lateral (
       select person_id, at
       from events as event
       where house_id = $1 and knife_id = knife.id and kind = any($2) and person_id is not null
         and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
       order by at desc, id desc
       limit 1
     ) as event
     where knife.house_id = $1`,
    [houseId, IN_HAND],
  )
  return rows.map(({ knife_id: knifeId, person_id: personId, at }) => ({ knifeId, personId, at: at.toISOString() }))
}
