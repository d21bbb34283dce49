import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import type { Marking } from '../../contract/marks'
import { DAY_MS } from '../../core/time'
import type { Queryable } from '../db/database'
import { houseKey } from '../db/queries/house/keys'
import { findMaker } from '../db/queries/house/signIn'
import { Fault } from '../faults'
import type { Caller } from './sessions'

/** A device is two days away from every network at the most (assumed); later its people bring their records themselves. */
const HOLDS_MS = 2 * DAY_MS
const KEY_BYTES = 32

/** Somebody who is signed in on a device, since a moment. */
interface Signing {
  readonly houseId: string
  readonly personId: string
  readonly deviceId: string | null
  readonly issuedMs: number
}

/** What a house signs with. */
export const keyOfHouse = (db: Queryable, houseId: string): Promise<Buffer> =>
  houseKey(db, houseId, randomBytes(KEY_BYTES))

async function keyOf(db: Queryable, { houseId, personId, deviceId, issuedMs }: Signing): Promise<Buffer> {
  const text = JSON.stringify(['mark', houseId, personId, deviceId, issuedMs])
  return createHmac('sha256', await keyOfHouse(db, houseId))
    .update(text)
    .digest()
}

/** With what a device marks what this person records on it while they are signed in there. */
export async function markingFor(db: Queryable, caller: Caller, now: Date): Promise<Marking> {
  const issuedMs = now.getTime()
  const signing = { houseId: caller.house.id, personId: caller.person.id, deviceId: caller.deviceId, issuedMs }
  return { begin: `${issuedMs}.${caller.deviceId ?? ''}`, key: (await keyOf(db, signing)).toString('base64url') }
}

/**
 * Who made a record that somebody else's session brings, by the mark it was given on the device.
 *
 * @param carrier whoever is signed in now
 * @param text the record to the letter, as it was marked
 * @throws Fault `other-person` where the mark is none of this house's, is older than two days, its person has left or
 *   signed out everywhere since, or its tablet was revoked: it has to wait for them
 */
export async function makerOf(
  db: Queryable,
  carrier: Caller,
  record: { readonly personId: string; readonly text: string; readonly mark: string },
  now: Date,
): Promise<Caller> {
  const [issued = '', device = '', mac = ''] = record.mark.split('.')
  const deviceId = device === '' ? null : device
  const signing = { houseId: carrier.house.id, personId: record.personId, deviceId, issuedMs: Number(issued) }
  const wanted = createHmac('sha256', await keyOf(db, signing))
    .update(record.text)
    .digest()
  const given = Buffer.from(mac, 'base64url')
  const isOwn = given.length === wanted.length && timingSafeEqual(given, wanted)
  const isFresh = now.getTime() - signing.issuedMs <= HOLDS_MS
  const maker =
    isOwn && isFresh ? await findMaker(db, signing.houseId, { ...signing, at: new Date(signing.issuedMs) }) : null
  if (!maker) throw new Fault('other-person', 'other-person')
  return { ...carrier, person: maker.person, deviceId, deviceName: maker.deviceName }
}
