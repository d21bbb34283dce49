import { mkdtemp, readdir, rm, utimes, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Photo } from '../../../contract/photos'
import { keptPhotos } from '../../db/queries/bench/photos'
import { photoStore } from '../../photoStore'
import { addTestKnife, event, NOW, startApp, type TestApp, type TestHouse } from '../../testing/harness'

/** The smallest JPEG that says where it was taken: an Exif segment (ISO/IEC 10918-1, annex B) before the scan. */
const segment = (marker: number, bytes: readonly number[]): number[] => [0xff, marker, 0, bytes.length + 2, ...bytes]
const PICTURE = Buffer.from([
  0xff,
  0xd8,
  ...segment(0xe1, [...Buffer.from('Exif: at home')]),
  ...segment(0xdb, [1, 2, 3]),
  0xff,
  0xda,
  0,
  2,
  7,
  7,
  0xff,
  0xd9,
])
const base64 = PICTURE.toString('base64')
const soon = (ms: number): Date => new Date(NOW.getTime() + ms)

describe.each(['in the database', 'in a folder'])('pictures %s', (where) => {
  let test: TestApp
  let house: TestHouse
  let folder: string | null = null
  let knifeId = ''
  beforeAll(async () => {
    folder = where === 'in a folder' ? await mkdtemp(join(tmpdir(), 'photos-')) : null
    test = await startApp({ clock: () => soon(60_000), ...(folder ? { photoDirectory: folder } : {}) })
    house = await test.house()
    knifeId = (await addTestKnife(house, { code: 'PIC-1', condition: 'new' })).id
  })
  afterAll(async () => {
    await test.close()
    if (folder) await rm(folder, { recursive: true })
  })
  const files = async (): Promise<number> => (folder ? (await readdir(join(folder, house.houseId))).length : 0)
  const photos = async (): Promise<Photo[]> =>
    (await house.manager.get(`/api/knives/${knifeId}/photos`)).body as unknown as Photo[]
  const bytesOf = async (id: string, cookie: string): Promise<{ status: number; bytes: Buffer }> => {
    const answer = await fetch(`${test.base}/api/photos/${id}.jpg`, { headers: { cookie } })
    return { status: answer.status, bytes: Buffer.from(await answer.arrayBuffer()) }
  }

  it('belong to a knife and an entry of its log, without a word of where they were taken, and to the house alone', async () => {
    const sent = event(knifeId, 'sent-out', { to: 'The mill' }, soon(1))
    await house.manager.post('/api/events', { events: [sent] })
    const id = newId()
    const body = { id, base64, eventId: sent['id'] }
    expect((await house.manager.post(`/api/knives/${knifeId}/photos`, body)).status).toBe(200)
    // a phone that heard no answer sends it again
    expect((await house.manager.post(`/api/knives/${knifeId}/photos`, body)).status).toBe(200)
    expect(await photos()).toMatchObject([{ id, eventId: sent['id'], sessionId: null }])
    const { bytes } = await bytesOf(id, house.manager.cookie())
    expect(bytes.includes('Exif')).toBe(false)
    expect(bytes.subarray(-2)).toEqual(Buffer.from([0xff, 0xd9]))
    expect(await files()).toBe(folder ? 1 : 0)
    const other = await test.house()
    expect((await bytesOf(id, other.manager.cookie())).status).toBe(404)
    expect((await bytesOf(id, '')).status).toBe(401)
    const wrong = { id: newId(), base64, eventId: newId() }
    expect((await house.manager.post(`/api/knives/${knifeId}/photos`, wrong)).status).toBe(404)
    const letter = { id: newId(), base64: Buffer.from('dear all').toString('base64'), eventId: null }
    expect((await house.manager.post(`/api/knives/${knifeId}/photos`, letter)).status).toBe(422)
    // what is taken back takes its picture with it
    const undo = event(knifeId, 'voided', { eventId: sent['id'], reason: 'a slip' }, soon(2))
    await house.manager.post('/api/events', { events: [undo] })
    expect(await photos()).toEqual([])
    expect((await bytesOf(id, house.manager.cookie())).status).toBe(404)
    expect((await house.manager.get('/api/photo-room')).body).toMatchObject({ photos: 0 })
  })

  it('belong to an accident, and are gone when they are taken away', async () => {
    const incident = { id: newId(), at: soon(3), what: 'near-miss', place: 'rack' }
    await house.manager.post('/api/incidents', incident)
    const id = newId()
    expect((await house.manager.post(`/api/incidents/${incident.id}/photos`, { id, base64 })).status).toBe(200)
    expect((await house.manager.post(`/api/incidents/${newId()}/photos`, { id: newId(), base64 })).status).toBe(404)
    const { latest } = (await house.manager.get('/api/incidents')).body as { latest: { photoIds: string[] }[] }
    expect(latest[0]?.photoIds).toEqual([id])
    const before = await files()
    expect((await house.manager.send('DELETE', `/api/photos/${id}`)).status).toBe(200)
    expect((await house.manager.send('DELETE', `/api/photos/${id}`)).status).toBe(404)
    expect((await bytesOf(id, house.manager.cookie())).status).toBe(404)
    expect(await files()).toBe(folder ? before - 1 : 0)
  })

  it('have so much room and no more', async () => {
    expect((await house.manager.send('PUT', '/api/photo-room', { quotaMb: 0 })).body).toMatchObject({ quotaMb: 0 })
    const full = await house.manager.post(`/api/knives/${knifeId}/photos`, { id: newId(), base64, eventId: null })
    expect(full.status).toBe(409)
    await house.manager.send('PUT', '/api/photo-room', { quotaMb: 1 })
    const id = newId()
    expect((await house.manager.post(`/api/knives/${knifeId}/photos`, { id, base64, eventId: null })).status).toBe(200)
    expect((await house.manager.get('/api/photo-room')).body).toMatchObject({ quotaMb: 1, photos: 1 })
    expect((await house.manager.send('PUT', '/api/photo-room', { quotaMb: -1 })).status).toBe(422)
  })

  it('go out with the whole house, wherever they lie', async () => {
    const { parts } = (await house.manager.get('/api/house/whole.json')).body as {
      parts: { photos: { bytes: string }[] }
    }
    expect(parts.photos).toHaveLength(1)
    for (const { bytes } of parts.photos) expect(bytes).toMatch(/^\\x[0-9a-f]{20,}$/)
  })

  it('leave no file behind that nobody speaks of', async () => {
    if (!folder) return
    const stray = join(folder, house.houseId, `${newId()}.jpg`)
    await writeFile(stray, 'x')
    const store = photoStore(folder)
    const isKept = (houseId: string, ids: readonly string[]) => keptPhotos(test.app.db, houseId, ids)
    const before = await files()
    expect(await store.sweep(isKept, Date.now())).toBe(0)
    const old = new Date(Date.now() - 2 * 3_600_000)
    await utimes(stray, old, old)
    expect(await store.sweep(isKept, Date.now())).toBe(1)
    expect(await files()).toBe(before - 1)
  })
})
