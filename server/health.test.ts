import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from './db/database'
import { addTestKnife, check, startApp, type TestApp, type TestHouse } from './testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp({ dataDirectory: process.cwd() })
  house = await test.house()
})
afterAll(() => test.close())

describe('what a server says of itself', () => {
  it('tells writing, hearing, long work and room apart', async () => {
    await expect
      .poll(async () => (await test.client().get('/api/health')).body)
      .toEqual({ status: 'well', writing: true, listening: true, queue: 'idle', freeBytes: expect.any(Number) })
    expect((await test.client().get('/api/ready')).body).toEqual({ status: 'ready' })
  })

  it('limps on a database that only reads since another one leads: changes are kept for later, questions answered', async () => {
    const knife = await addTestKnife(house)
    const event = check(knife.id, 300, 310, 320)
    const admin = openDatabase(test.databaseUrl, () => undefined)
    const name = new URL(test.databaseUrl).pathname.slice(1)
    const reconnect = async (readOnly: boolean): Promise<void> => {
      await admin.query('set default_transaction_read_only = off')
      await admin.query(`alter database ${name} set default_transaction_read_only = ${readOnly ? 'on' : 'off'}`)
      await admin.query(
        'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
      )
    }
    try {
      await reconnect(true)
      await expect.poll(async () => (await test.client().get('/api/health')).body.writing).toBe(false)
      expect((await test.client().get('/api/health')).body.status).toBe('limping')
      expect((await test.client().get('/api/ready')).status).toBe(503)
      const refused = await house.manager.post('/api/events', { events: [event] })
      expect([refused.status, refused.body.error.code]).toEqual([503, 'unavailable'])
      expect((await house.manager.get('/api/fleet')).status).toBe(200)
    } finally {
      await reconnect(false)
      await admin.close()
    }
    await expect.poll(async () => (await test.client().get('/api/ready')).status).toBe(200)
    expect((await house.manager.post('/api/events', { events: [event] })).status).toBe(200)
  })
})
