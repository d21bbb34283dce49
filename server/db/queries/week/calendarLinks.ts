import type { Queryable } from '../../database'

export async function insertCalendarLink(
  db: Queryable,
  houseId: string,
  personId: string,
  tokenHash: Buffer,
): Promise<void> {
  await db.query('insert into calendar_links (house_id, person_id, token_hash) values ($1, $2, $3)', [
    houseId,
    personId,
    tokenHash,
  ])
}

/** Ends every calendar address of a person. @returns how many still stood */
export async function revokeCalendarLinks(db: Queryable, houseId: string, personId: string, at: Date): Promise<number> {
  const { rowCount } = await db.query(
    'update calendar_links set revoked_at = $3 where house_id = $1 and person_id = $2 and revoked_at is null',
    [houseId, personId, at],
  )
  return rowCount ?? 0
}

export async function standingCalendarLinks(db: Queryable, houseId: string, personId: string): Promise<number> {
  const row = await db.maybeOne<{ count: number }>(
    'select count(*)::int as count from calendar_links where house_id = $1 and person_id = $2 and revoked_at is null',
    [houseId, personId],
  )
  return row?.count ?? 0
}

export async function personOfCalendar(db: Queryable, houseId: string, tokenHash: Buffer): Promise<string | null> {
  const row = await db.maybeOne<{ person_id: string }>(
    `select link.person_id
     from calendar_links link
     join people person on person.house_id = link.house_id and person.id = link.person_id
     where link.house_id = $1 and link.token_hash = $2 and link.revoked_at is null and person.active`,
    [houseId, tokenHash],
  )
  return row?.person_id ?? null
}
