import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEMO_SIGN_IN } from '../../demo/house'
import { loadSampleHouse } from '../../demo/load'
import { readHouseFolder } from '../../sheets/houseFolder'
import { HOUSE_PARTS } from '../../contract/wholeHouse'
import { addTestKnife, newDatabase, NOW, PASSWORD, startApp, type Client, type TestApp } from '../testing/harness'

/** The sample house with ten weeks behind it, and a server with nothing but new houses. */
// verdicts are of one moment: a clock that goes on between two questions would tell them apart
const clock = (): Date => NOW
let from: TestApp
let to: TestApp
let chef: Client
beforeAll(async () => {
  const databaseUrl = await newDatabase()
  await loadSampleHouse(databaseUrl, NOW)
  from = await startApp({ databaseUrl, clock })
  to = await startApp({ clock })
  chef = from.client()
  await chef.post('/api/session', DEMO_SIGN_IN)
})
afterAll(async () => {
  await from.close()
  await to.close()
})

/** A house as first-run leaves it: its manager and nobody else, no knives. */
async function newHouse(name: string): Promise<Client> {
  const house = await to.house(name)
  for (const role of ['sharpener', 'cook', 'apprentice'] as const)
    await to.app.db.query('delete from people where id = $1', [house.people[role].id])
  return house.manager
}
const asText = (body: unknown): string => (typeof body === 'string' ? body : JSON.stringify(body))
async function raw(app: TestApp, client: Client, path: string): Promise<Uint8Array> {
  const answer = await fetch(app.base + path, { headers: { cookie: client.cookie() } })
  expect(answer.status).toBe(200)
  return new Uint8Array(await answer.arrayBuffer())
}
const whole = async (app: TestApp, client: Client): Promise<string> =>
  new TextDecoder().decode(await raw(app, client, '/api/house/whole.json'))
interface File {
  parts: Record<string, Record<string, unknown>[]>
  house: { name: string }
}
const chefOf = (file: File): string => String(file.parts['people']?.find(({ role }) => role === 'chef')?.['id'])

describe('a whole house in one file', () => {
  it('goes out, into an empty house and out again: the same bytes, the same verdicts to the last digit', async () => {
    const first = await whole(from, chef)
    const file = JSON.parse(first) as File
    expect(file.parts['knives']?.length).toBeGreaterThan(40)
    expect(file.parts['events']?.length).toBeGreaterThan(1000)
    const manager = await newHouse('Moved')
    const brought = await manager.post('/api/house/whole', { file, personId: chefOf(file) })
    expect([brought.status, asText(brought.body)]).toEqual([200, '{}'])
    // the manager's own session goes on, as the person of the file
    expect(await whole(to, manager)).toBe(first)
    const [before, after] = [(await chef.get('/api/fleet')).body, (await manager.get('/api/fleet')).body]
    expect(after.knives).toEqual(before.knives)
    expect(after.stations).toEqual(before.stations)
  }, 120_000)

  it('is the same as a folder of CSV files, which lead to the same house', async () => {
    const folder = await raw(from, chef, '/api/house/whole.zip')
    expect(await raw(from, chef, '/api/house/whole.zip')).toEqual(folder)
    const read = readHouseFolder(folder, 200_000_000) as File
    const manager = await newHouse('Moved by folder')
    const file = { format: 'yorvik-house', version: 1, ...read }
    const brought = await manager.post('/api/house/whole', { file, personId: chefOf(read) })
    expect([brought.status, asText(brought.body)]).toEqual([200, '{}'])
    expect(await whole(to, manager)).toBe(await whole(from, chef))
  }, 120_000)

  it('holds no password, PIN or key of a device', async () => {
    const text = await whole(from, chef)
    expect(text).not.toMatch(/password|pin_hash|token|scrypt|argon/)
    expect(text).not.toContain(DEMO_SIGN_IN.signInName)
  })

  it('signs in with what the manager of the new house had', async () => {
    const file = JSON.parse(await whole(from, chef)) as File
    const house = await to.house('Signed in')
    for (const role of ['sharpener', 'cook', 'apprentice'] as const)
      await to.app.db.query('delete from people where id = $1', [house.people[role].id])
    await house.manager.post('/api/house/whole', { file, personId: chefOf(file) })
    const again = to.client()
    const entered = await again.post('/api/session', { signInName: house.signInName, password: PASSWORD })
    expect(entered.body).toMatchObject({ person: { id: chefOf(file) }, house: { name: file.house.name } })
  }, 60_000)

  it('is refused by a house that is lived in, for somebody who is no head chef, and where it contradicts itself', async () => {
    const file = JSON.parse(await whole(from, chef)) as File
    const lived = await to.house('Lived in')
    await addTestKnife(lived)
    const refused = await lived.manager.post('/api/house/whole', { file, personId: chefOf(file) })
    expect(refused.body.error.sentence).toMatch(/only be brought into an empty one/)

    const manager = await newHouse('Careful')
    const before = await whole(to, manager)
    const cook = String(file.parts['people']?.find(({ role }) => role === 'cook')?.['id'])
    expect((await manager.post('/api/house/whole', { file, personId: cook })).status).toBe(422)
    const bent = structuredClone(file)
    const check = bent.parts['events']?.find(({ kind }) => kind === 'checked')
    if (check) check['payload'] = { readings: 'sharp' }
    const row = await manager.post('/api/house/whole', { file: bent, personId: chefOf(file) })
    expect(row.body.error.sentence).toMatch(/In the part “events”, row \d+ cannot be read/)
    const orphan = structuredClone(file)
    orphan.parts['people'] = orphan.parts['people']?.filter(({ role }) => role === 'chef') ?? []
    expect((await manager.post('/api/house/whole', { file: orphan, personId: chefOf(file) })).status).toBe(422)
    expect((await manager.post('/api/house/whole', { file: { format: 'other' }, personId: cook })).status).toBe(422)
    expect(await whole(to, manager)).toBe(before)
  }, 60_000)

  it('describes each of its parts', () => {
    const docs = readFileSync('docs/formats.md', 'utf8')
    for (const part of HOUSE_PARTS) expect(docs).toContain(`\`${part}\``)
  })
})
