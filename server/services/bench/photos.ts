import type { NewPhoto, Photo, PhotoOf, PhotoRoom } from '../../../contract/photos'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { hasIncident } from '../../db/queries/bench/incidents'
import {
  countPhotos,
  deletePhoto,
  findPhoto,
  insertPhoto,
  listKnifePhotos,
  photoRoom,
  savePhotoQuota,
} from '../../db/queries/bench/photos'
import { findSession } from '../../db/queries/bench/sessions'
import { findKnife } from '../../db/queries/fleet/knives'
import { isEventOf } from '../../db/queries/log/events'
import { Fault, notFound } from '../../faults'
import type { PhotoStore } from '../../photoStore'
import type { Caller } from '../../signIn/sessions'

/** A picture of an edge is small: 1280 px wide is plenty under a loupe. */
export const MOST_PHOTO_BYTES = 400_000
const MOST_PHOTOS = 12
/** A knife lives for years. */
const MOST_OF_KNIFE = 200
const MEGABYTE = 1_000_000

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

const NOTHING: PhotoOf = { sessionId: null, knifeId: null, eventId: null, incidentId: null }

/** Pictures as the routes ask for them, wherever their bytes lie. */
export interface Photos {
  ofSession(caller: Caller, sessionId: string, photo: NewPhoto): Promise<{ id: string }>
  ofKnife(caller: Caller, knifeId: string, photo: NewPhoto & { eventId: string | null }): Promise<{ id: string }>
  ofIncident(caller: Caller, incidentId: string, photo: NewPhoto): Promise<{ id: string }>
  read(caller: Caller, id: string): Promise<Buffer>
  remove(caller: Caller, id: string): Promise<{ id: string }>
  listOfKnife(caller: Caller, knifeId: string): Promise<Photo[]>
  room(caller: Caller): Promise<PhotoRoom>
  setQuota(caller: Caller, quotaMb: number): Promise<PhotoRoom>
}

export function openPhotos(db: Database, clock: Clock, store: PhotoStore): Photos {
  /** @throws Fault `photo-not-a-picture`, `photo-too-large`, `photo-too-many`, `photo-no-room`, or what the owner lacks */
  async function add(
    { house, person }: Caller,
    of: PhotoOf,
    { id, base64 }: NewPhoto,
    assertOwner: (change: Queryable) => Promise<void>,
  ): Promise<{ id: string }> {
    const houseId = house.id
    const bytes = strippedJpeg(Buffer.from(base64, 'base64'))
    if (!bytes) throw new Fault('invalid', 'photo-not-a-picture')
    if (bytes.length > MOST_PHOTO_BYTES) throw new Fault('too-large', 'photo-too-large')
    await changeHouse(db, houseId, async (change) => {
      change.nothingNew()
      await assertOwner(change)
      if (await findPhoto(change, houseId, id)) return
      if ((await countPhotos(change, houseId, of)) >= (of.knifeId ? MOST_OF_KNIFE : MOST_PHOTOS))
        throw new Fault('conflict', 'photo-too-many')
      const room = await photoRoom(change, houseId)
      if (room.bytes + bytes.length > room.quotaMb * MEGABYTE)
        throw new Fault('conflict', 'photo-no-room', { quotaMb: room.quotaMb })
      const size = bytes.length
      const kept = await store.keep(houseId, id, bytes)
      await insertPhoto(change, houseId, { id, of, personId: person.id, at: clock(), bytes: kept, size })
    })
    return { id }
  }
  async function room({ house }: Caller): Promise<PhotoRoom> {
    const { bytes, photos, quotaMb } = await photoRoom(db, house.id)
    return { usedMb: Math.round((10 * bytes) / MEGABYTE) / 10, photos, quotaMb }
  }
  return {
    room,
    ofSession: (caller, sessionId, photo) =>
      add(caller, { ...NOTHING, sessionId }, photo, async (change) => {
        if (!(await findSession(change, caller.house.id, sessionId))) throw notFound('session')
      }),
    ofKnife: (caller, knifeId, { eventId, ...photo }) =>
      add(caller, { ...NOTHING, knifeId, eventId }, photo, async (change) => {
        if (!(await findKnife(change, caller.house.id, knifeId))) throw notFound('knife')
        if (eventId !== null && !(await isEventOf(change, caller.house.id, knifeId, eventId))) throw notFound('event')
      }),
    ofIncident: (caller, incidentId, photo) =>
      add(caller, { ...NOTHING, incidentId }, photo, async (change) => {
        if (!(await hasIncident(change, caller.house.id, incidentId))) throw notFound('incident')
      }),
    read: async ({ house }, id) => {
      const found = await findPhoto(db, house.id, id)
      const bytes = found && (found.bytes ?? (await store.read(house.id, id)))
      if (!bytes) throw notFound('photo')
      return bytes
    },
    remove: async ({ house }, id) => {
      await changeHouse(db, house.id, async (change) => {
        change.nothingNew()
        if (!(await deletePhoto(change, house.id, id))) throw notFound('photo')
      })
      await store.remove(house.id, id)
      return { id }
    },
    listOfKnife: async ({ house }, knifeId) => {
      if (!(await findKnife(db, house.id, knifeId))) throw notFound('knife')
      return await listKnifePhotos(db, house.id, knifeId)
    },
    setQuota: async (caller, quotaMb) => {
      await changeHouse(db, caller.house.id, async (change) => {
        change.nothingNew()
        await savePhotoQuota(change, caller.house.id, quotaMb)
      })
      return await room(caller)
    },
  }
}
