import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { startCluster } from '../scripts/cluster'
import { migrate } from './db/migrate'
import { addTestKnife, check, startApp } from './testing/harness'

const directory = join(process.cwd(), '.data', `away-${process.pid}`)
mkdirSync(directory, { recursive: true })
afterAll(() => {
  rmSync(directory, { recursive: true, force: true })
})

describe('a database that goes away under the server', () => {
  it('is answered with a clear sentence, leaves no half-written event, and is taken up again when it is back', async () => {
    const cluster = await startCluster(directory)
    await cluster.ensureDatabase('away')
    await migrate(cluster.urlFor('away'))
    const test = await startApp({ databaseUrl: cluster.urlFor('away') })
    try {
      const house = await test.house()
      const knife = await addTestKnife(house)
      const event = check(knife.id, 400, 410, 420)
      await cluster.stop()
      const refused = await house.manager.post('/api/events', { events: [event] })
      expect(refused.status).toBe(503)
      expect(refused.body.error.sentence).toMatch(/database does not answer\. Nothing was saved/)
      expect((await test.client().get('/api/health')).status).toBe(503)

      const again = await startCluster(directory, cluster.port)
      await expect.poll(async () => (await test.client().get('/api/health')).status, { timeout: 10_000 }).toBe(200)
      const accepted = await house.manager.post('/api/events', { events: [event] })
      expect(accepted.status).toBe(200)
      const timeline = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
      expect(timeline).toHaveLength(2)
      await test.close()
      await again.stop()
    } finally {
      await cluster.stop().catch(() => undefined)
    }
  }, 60_000)
})
