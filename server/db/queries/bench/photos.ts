import type { Photo, PhotoOf } from '../../../../contract/photos'
import type { Queryable } from '../../database'

export interface StoredPhoto {
  readonly id: string
  readonly of: PhotoOf
  readonly personId: string
  readonly at: Date
  /** null where a folder has them */
  readonly bytes: Buffer | null
  readonly size: number
}

/** Keeps a picture; one sent before is left as it was. */
export async function insertPhoto(db: Queryable, houseId: string, photo: StoredPhoto): Promise<void> {
  const { sessionId, knifeId, eventId, incidentId } = photo.of
  await db.query(
    `insert into photos (house_id, id, session_id, knife_id, event_id, incident_id, person_id, at, bytes, size)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
     on conflict (house_id, id) do nothing`,
    [houseId, photo.id, sessionId, knifeId, eventId, incidentId, photo.personId, photo.at, photo.bytes, photo.size],
  )
}

/** How many pictures one thing has. */
export async function countPhotos(db: Queryable, houseId: string, of: PhotoOf): Promise<number> {
  const { count } = await db.one<{ count: number }>(
    `select count(*)::integer as count from photos
     where house_id = $1 and (session_id = $2 or knife_id = $3 or incident_id = $4)`,
    [houseId, of.sessionId, of.knifeId, of.incidentId],
  )
  return count
}

/** A picture's row; its bytes are null where a folder has them. */
export async function findPhoto(
  db: Queryable,
  houseId: string,
  id: string,
): Promise<{ readonly bytes: Buffer | null } | null> {
  return (
    (await db.maybeOne<{ bytes: Buffer | null }>('select bytes from photos where house_id = $1 and id = $2', [
      houseId,
      id,
    ])) ?? null
  )
}

/** Pictures of entries that were taken back go with them; their files, where they lie in a folder, with the next sweep. */
export async function deletePhotosOf(db: Queryable, houseId: string, eventIds: readonly string[]): Promise<void> {
  await db.query('delete from photos where house_id = $1 and event_id = any($2)', [houseId, eventIds])
}

/** Takes a picture away. @returns whether it was there */
export async function deletePhoto(db: Queryable, houseId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from photos where house_id = $1 and id = $2', [houseId, id])
  return rowCount === 1
}

/** Pictures of a knife and of its sessions, newest first; of entries that were taken back there are none. */
export async function listKnifePhotos(db: Queryable, houseId: string, knifeId: string): Promise<Photo[]> {
  const { rows } = await db.query<Omit<Photo, 'at'> & { at: Date }>(
    `select photo.id, photo.session_id as "sessionId", photo.knife_id as "knifeId", photo.event_id as "eventId",
            photo.incident_id as "incidentId", photo.at, case when person.active then person.name end as "personName"
     from photos as photo
     left join bench_sessions as session on session.house_id = $1 and session.id = photo.session_id
     left join people as person on person.house_id = $1 and person.id = photo.person_id
     where photo.house_id = $1 and (photo.knife_id = $2 or session.knife_id = $2)
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = photo.event_id)
     order by photo.at desc, photo.id`,
    [houseId, knifeId],
  )
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

/** Bytes of all pictures of a house, how many there are, and how many bytes there may be. */
export async function photoRoom(
  db: Queryable,
  houseId: string,
): Promise<{ bytes: number; photos: number; quotaMb: number }> {
  return await db.one<{ bytes: number; photos: number; quotaMb: number }>(
    `select coalesce(sum(coalesce(photo.size, octet_length(photo.bytes))), 0)::float8 as bytes,
            count(photo.id)::integer as photos, house.photo_quota_mb as "quotaMb"
     from houses as house
     left join photos as photo on photo.house_id = house.id
     where house.id = $1
     group by house.photo_quota_mb`,
    [houseId],
  )
}

export async function savePhotoQuota(db: Queryable, houseId: string, quotaMb: number): Promise<void> {
  await db.query('update houses set photo_quota_mb = $2 where id = $1', [houseId, quotaMb])
}

/** Those of some pictures that a house still has. */
export async function keptPhotos(db: Queryable, houseId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const { rows } = await db.query<{ id: string }>('select id from photos where house_id = $1 and id = any($2)', [
    houseId,
    ids,
  ])
  return new Set(rows.map(({ id }) => id))
}
