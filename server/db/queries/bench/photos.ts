import type { Queryable } from '../../database'

export interface StoredPhoto {
  readonly id: string
  readonly sessionId: string
  readonly personId: string
  readonly at: Date
  readonly bytes: Buffer
}

/** Keeps a picture; one sent before is left as it was. */
export async function insertPhoto(db: Queryable, houseId: string, photo: StoredPhoto): Promise<void> {
  await db.query(
    `insert into session_photos (house_id, id, session_id, person_id, at, bytes)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, id) do nothing`,
    [houseId, photo.id, photo.sessionId, photo.personId, photo.at, photo.bytes],
  )
}

export async function countPhotos(db: Queryable, houseId: string, sessionId: string): Promise<number> {
  const { count } = await db.one<{ count: number }>(
    'select count(*)::integer as count from session_photos where house_id = $1 and session_id = $2',
    [houseId, sessionId],
  )
  return count
}

export async function findPhoto(db: Queryable, houseId: string, id: string): Promise<Buffer | null> {
  const found = await db.maybeOne<{ bytes: Buffer }>(
    'select bytes from session_photos where house_id = $1 and id = $2',
    [houseId, id],
  )
  return found?.bytes ?? null
}
