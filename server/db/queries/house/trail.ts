import type { TrailEntry } from '../../../../contract/house'
import type { Queryable } from '../../database'

interface TrailRow {
  entry: string
  at: Date
  person_id: string | null
  device_id: string | null
  subject: string
  subject_id: string
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
    `select entry, at, person_id, device_id, subject, subject_id, act, changed
     from trail
     where house_id = $1 and ($2::bigint is null or entry < $2)
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
