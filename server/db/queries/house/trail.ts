import type { TrailEntry } from '../../../../contract/house'
import type { Queryable } from '../../database'

interface TrailRow {
  entry: string
  at: Date
  person_id: string | null
  device_id: string | null
  subject: string
  subject_id: string
  subject_name: string | null
  act: TrailEntry['act']
  changed: TrailEntry['changed']
}

/** Entries before one, newest first; from the newest where none is named. */
export async function listTrail(
  db: Queryable,
  houseId: string,
  before: number | null,
  most: number,
): Promise<TrailEntry[]> {
  const { rows } = await db.query<TrailRow>(
    `select entry, at, person_id, device_id, subject, subject_id, act, changed,
            coalesce(person.name, device.name, piece.name, station.name) as subject_name
     from trail
     left join people person
       on person.house_id = trail.house_id and person.id::text = subject_id and subject in ('people', 'person_skills')
     left join devices device
       on device.house_id = trail.house_id and device.id::text = subject_id and subject = 'devices'
     left join gear piece on piece.house_id = trail.house_id and piece.id::text = subject_id and subject = 'gear'
     left join stations station
       on station.house_id = trail.house_id and station.id::text = subject_id and subject = 'stations'
     where trail.house_id = $1 and ($2::bigint is null or entry < $2)
     order by entry desc
     limit $3`,
    [houseId, before, most],
  )
  return rows.map((row) => ({
    entry: Number(row.entry),
    at: row.at.toISOString(),
    personId: row.person_id,
    deviceId: row.device_id,
    subject: row.subject,
    subjectId: row.subject_id,
    subjectName: row.subject_name,
    act: row.act,
    changed: row.changed,
  }))
}

/** Notes what leaves no row behind: a file taken out, a door that closed to somebody. */
export async function noteInTrail(
  db: Queryable,
  houseId: string,
  entry: {
    readonly personId: string | null
    readonly deviceId: string | null
    readonly subject: string
    readonly subjectId: string
    readonly act: 'exported' | 'locked-out'
  },
): Promise<void> {
  await db.query(
    `insert into trail (house_id, person_id, device_id, subject, subject_id, act) values ($1, $2, $3, $4, $5, $6)`,
    [houseId, entry.personId, entry.deviceId, entry.subject, entry.subjectId, entry.act],
  )
}
