import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { countPhotos, findPhoto, insertPhoto } from '../../db/queries/bench/photos'
import { findSession } from '../../db/queries/bench/sessions'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'

/** A picture of an edge is small: 1280 px wide is plenty under a loupe. */
export const MOST_PHOTO_BYTES = 400_000
const MOST_PHOTOS = 12

const MARKER = 0xff
const START_OF_IMAGE = 0xd8
const START_OF_SCAN = 0xda
const COMMENT = 0xfe
/** Application segments, in which cameras write where and with what a picture was taken; the first only says that it is a JFIF. */
const isApplication = (marker: number): boolean => marker > 0xe0 && marker <= 0xef

/**
 * A JPEG with nothing in it but the picture: no place, no camera, no thumbnail, no comment (ISO/IEC 10918-1, annex B: a
 * marker, a length that counts itself, and so on up to the scan).
 *
 * @returns null for bytes that are no whole JPEG
 */
export function strippedJpeg(bytes: Buffer): Buffer | null {
  if (bytes.length < 4 || bytes[0] !== MARKER || bytes[1] !== START_OF_IMAGE) return null
  const kept: Buffer[] = [bytes.subarray(0, 2)]
  let at = 2
  while (at + 4 <= bytes.length) {
    const marker = bytes[at + 1] ?? 0
    if (bytes[at] !== MARKER) return null
    if (marker === START_OF_SCAN) return Buffer.concat([...kept, bytes.subarray(at)])
    const length = bytes.readUInt16BE(at + 2)
    const end = at + 2 + length
    if (length < 2 || end > bytes.length) return null
    if (!isApplication(marker) && marker !== COMMENT) kept.push(bytes.subarray(at, end))
    at = end
  }
  return null
}

/**
 * Keeps a picture of an edge with its session.
 *
 * @throws Fault `photo-not-a-picture`, `photo-too-large`, `photo-too-many`
 */
export async function addPhoto(
  db: Database,
  clock: Clock,
  caller: Caller,
  sessionId: string,
  { id, base64 }: { readonly id: string; readonly base64: string },
): Promise<{ id: string }> {
  const houseId = caller.house.id
  const bytes = strippedJpeg(Buffer.from(base64, 'base64'))
  if (!bytes) throw new Fault('invalid', 'photo-not-a-picture')
  if (bytes.length > MOST_PHOTO_BYTES) throw new Fault('too-large', 'photo-too-large')
  await changeHouse(db, houseId, async (change) => {
    change.nothingNew()
    if (!(await findSession(change, houseId, sessionId))) throw notFound('session')
    if (await findPhoto(change, houseId, id)) return
    if ((await countPhotos(change, houseId, sessionId)) >= MOST_PHOTOS) throw new Fault('conflict', 'photo-too-many')
    await insertPhoto(change, houseId, { id, sessionId, personId: caller.person.id, at: clock(), bytes })
  })
  return { id }
}

export async function readPhoto(db: Queryable, caller: Caller, id: string): Promise<Buffer> {
  const bytes = await findPhoto(db, caller.house.id, id)
  if (!bytes) throw notFound('photo')
  return bytes
}
