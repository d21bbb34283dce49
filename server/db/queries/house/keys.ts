import type { Queryable } from '../../database'

/** The key of a house; the one that is proposed where it has none. */
export async function houseKey(db: Queryable, houseId: string, proposed: Buffer): Promise<Buffer> {
  const known = await db.maybeOne<{ key: Buffer }>('select key from house_keys where house_id = $1', [houseId])
  if (known) return known.key
  await db.query('insert into house_keys (house_id, key) values ($1, $2) on conflict do nothing', [houseId, proposed])
  return (await db.one<{ key: Buffer }>('select key from house_keys where house_id = $1', [houseId])).key
}
