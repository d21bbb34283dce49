import type { Queryable } from '../../database'

/** Gives a person a code; codes given before end. */
export async function replaceDoorCode(
  db: Queryable,
  houseId: string,
  code: { readonly personId: string; readonly hash: Buffer; readonly expiresAt: Date; readonly ofMachine: boolean },
): Promise<void> {
  await db.query('delete from door_codes where house_id = $1 and person_id = $2', [houseId, code.personId])
  await db.query(
    'insert into door_codes (house_id, code_hash, person_id, expires_at, of_machine) values ($1, $2, $3, $4, $5)',
    [houseId, code.hash, code.personId, code.expiresAt, code.ofMachine],
  )
}

/** Whose code it is, while it holds. */
export async function findDoorCode(
  db: Queryable,
  hash: Buffer,
  now: Date,
): Promise<{ readonly houseId: string; readonly personId: string; readonly ofMachine: boolean } | null> {
  return await db.maybeOne<{ houseId: string; personId: string; ofMachine: boolean }>(
    `select house_id as "houseId", person_id as "personId", of_machine as "ofMachine" from door_codes where code_hash = $1 and expires_at > $2`,
    [hash, now],
  )
}

/** Uses a code up. @returns false where somebody else just did */
export async function spendDoorCode(db: Queryable, houseId: string, hash: Buffer): Promise<boolean> {
  const { rowCount } = await db.query('delete from door_codes where house_id = $1 and code_hash = $2', [houseId, hash])
  return rowCount === 1
}

export async function deleteExpiredDoorCodes(db: Queryable, now: Date): Promise<void> {
  await db.query('delete from door_codes where expires_at <= $1', [now])
}
