import type { Device } from '../../../../contract/house'
import type { Language } from '../../../../contract/languages'
import type { PersonRole } from '../../../../core/house/rights'
import type { Queryable } from '../../database'
import { HOUSE_COLUMNS, type HouseRow } from './houses'

interface DeviceRow {
  id: string
  kind: Device['kind']
  name: string
  enrolled_at: Date
  revoked_at: Date | null
}

const toDevice = (row: DeviceRow): Device => ({
  id: row.id,
  kind: row.kind,
  name: row.name,
  enrolledAt: row.enrolled_at.toISOString(),
  revokedAt: row.revoked_at?.toISOString() ?? null,
})

export async function insertDevice(
  db: Queryable,
  houseId: string,
  device: { readonly id: string; readonly kind: Device['kind']; readonly name: string; readonly tokenHash: Buffer },
): Promise<Device> {
  const row = await db.one<DeviceRow>(
    `insert into devices (house_id, id, kind, name, token_hash)
     values ($1, $2, $3, $4, $5)
     returning id, kind, name, enrolled_at, revoked_at`,
    [houseId, device.id, device.kind, device.name, device.tokenHash],
  )
  return toDevice(row)
}

export async function listDevices(db: Queryable, houseId: string): Promise<Device[]> {
  const { rows } = await db.query<DeviceRow>(
    `select id, kind, name, enrolled_at, revoked_at
     from devices
     where house_id = $1
     order by revoked_at is not null, enrolled_at desc`,
    [houseId],
  )
  return rows.map(toDevice)
}

export async function findDeviceByToken(
  db: Queryable,
  houseId: string,
  tokenHash: Buffer,
  kind: Device['kind'],
): Promise<Device | null> {
  const row = await db.maybeOne<DeviceRow>(
    `select id, kind, name, enrolled_at, revoked_at
     from devices
     where house_id = $1 and token_hash = $2 and kind = $3 and revoked_at is null`,
    [houseId, tokenHash, kind],
  )
  return row && toDevice(row)
}

/** Revoking a tablet also ends every session opened on it. @returns false when there is none to revoke */
export async function revokeDevice(db: Queryable, houseId: string, deviceId: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `update devices set revoked_at = now() where house_id = $1 and id = $2 and revoked_at is null`,
    [houseId, deviceId],
  )
  await db.query('delete from sessions where house_id = $1 and device_id = $2', [houseId, deviceId])
  return rowCount === 1
}

/** Everything about who holds a session, in one row. */
export interface SessionRow extends HouseRow {
  readonly person_id: string
  readonly person_name: string
  readonly person_role: PersonRole
  readonly person_language: Language | null
  readonly device_id: string | null
  readonly device_name: string | null
}

export async function insertSession(
  db: Queryable,
  session: {
    readonly houseId: string
    readonly tokenHash: Buffer
    readonly personId: string
    readonly deviceId: string | null
    readonly expiresAt: Date
    /** what the browser calls itself */
    readonly agent: string
  },
): Promise<void> {
  await db.query(
    `insert into sessions (house_id, token_hash, person_id, device_id, expires_at, agent)
     values ($1, $2, $3, $4, $5, $6)`,
    [session.houseId, session.tokenHash, session.personId, session.deviceId, session.expiresAt, session.agent],
  )
}

/** The session behind a token, while it lasts and its person is active. */
export async function findSession(
  db: Queryable,
  houseId: string,
  tokenHash: Buffer,
  now: Date,
): Promise<SessionRow | null> {
  return await db.maybeOne<SessionRow>(
    `select ${HOUSE_COLUMNS},
            person.id as person_id, person.name as person_name, person.role as person_role,
            person.language as person_language, session.device_id, device.name as device_name
     from sessions session
     join houses house on house.id = session.house_id
     join people person on person.house_id = session.house_id and person.id = session.person_id and person.active
     left join devices device on device.house_id = session.house_id and device.id = session.device_id
     where session.house_id = $1 and session.token_hash = $2 and session.expires_at > $3`,
    [houseId, tokenHash, now],
  )
}

/** Somebody who recorded on a device since a moment, and the tablet it is; null once they left, signed out everywhere, or it was revoked. */
export async function findMaker(
  db: Queryable,
  houseId: string,
  { personId, deviceId, at }: { readonly personId: string; readonly deviceId: string | null; readonly at: Date },
): Promise<{
  readonly person: {
    readonly id: string
    readonly name: string
    readonly role: PersonRole
    readonly language: Language | null
  }
  readonly deviceName: string | null
} | null> {
  const row = await db.maybeOne<{
    id: string
    name: string
    role: PersonRole
    language: Language | null
    device_name: string | null
  }>(
    `select person.id, person.name, person.role, person.language, device.name as device_name
     from people person
     left join devices device on device.house_id = person.house_id and device.id = $3 and device.revoked_at is null
     where person.house_id = $1 and person.id = $2 and person.active and person.marks_since <= $4
       and ($3::uuid is null or device.id is not null)`,
    [houseId, personId, deviceId, at],
  )
  return (
    row && {
      person: { id: row.id, name: row.name, role: row.role, language: row.language },
      deviceName: row.device_name,
    }
  )
}

/** From here on a person's records are taken from their own sessions alone, and from devices they sign in on later. */
export async function endMarks(db: Queryable, houseId: string, personId: string, at: Date): Promise<void> {
  await db.query('update people set marks_since = $3 where house_id = $1 and id = $2', [houseId, personId, at])
}

export async function deleteSession(db: Queryable, houseId: string, tokenHash: Buffer): Promise<void> {
  await db.query('delete from sessions where house_id = $1 and token_hash = $2', [houseId, tokenHash])
}

export async function deleteSessionsOf(db: Queryable, houseId: string, personId: string): Promise<void> {
  await db.query('delete from sessions where house_id = $1 and person_id = $2', [houseId, personId])
}

export interface ListedSession {
  readonly id: string
  readonly since: string
  readonly until: string
  readonly deviceName: string | null
  readonly agent: string
  readonly tokenHash: Buffer
}

/** A person's sessions that stand, newest first. */
export async function listSessions(
  db: Queryable,
  houseId: string,
  personId: string,
  now: Date,
): Promise<ListedSession[]> {
  const { rows } = await db.query<{
    id: string
    created_at: Date
    expires_at: Date
    device_name: string | null
    agent: string
    token_hash: Buffer
  }>(
    `select session.id, session.created_at, session.expires_at, device.name as device_name, session.agent,
            session.token_hash
     from sessions session
     left join devices device on device.house_id = session.house_id and device.id = session.device_id
     where session.house_id = $1 and session.person_id = $2 and session.expires_at > $3
     order by session.created_at desc`,
    [houseId, personId, now],
  )
  return rows.map((row) => ({
    id: row.id,
    since: row.created_at.toISOString(),
    until: row.expires_at.toISOString(),
    deviceName: row.device_name,
    agent: row.agent,
    tokenHash: row.token_hash,
  }))
}

/** @returns false when there is no such session of this person */
export async function deleteSessionById(
  db: Queryable,
  houseId: string,
  personId: string,
  sessionId: string,
): Promise<boolean> {
  const { rowCount } = await db.query('delete from sessions where house_id = $1 and person_id = $2 and id = $3', [
    houseId,
    personId,
    sessionId,
  ])
  return rowCount === 1
}

/** Ends a person's sessions but one; all where none is named. */
export async function deleteOtherSessions(
  db: Queryable,
  houseId: string,
  personId: string,
  staysHash: Buffer | null,
): Promise<void> {
  await db.query(
    `delete from sessions
     where house_id = $1 and person_id = $2 and ($3::bytea is null or token_hash <> $3)`,
    [houseId, personId, staysHash],
  )
}

export async function deleteExpiredSessions(db: Queryable, now: Date): Promise<void> {
  await db.query('delete from sessions where expires_at <= $1', [now])
}

/** Forgets counts of tries that no longer count; the limiter dates them in milliseconds. */
export async function deleteExpiredAttempts(db: Queryable, now: Date): Promise<void> {
  await db.query('delete from attempts where expire <= $1', [now.getTime()])
}
