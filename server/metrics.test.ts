import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startApp, type TestApp } from './testing/harness'

const TOKEN = 'collected-by-the-test'
let test: TestApp
beforeAll(async () => {
  test = await startApp({ metricsToken: TOKEN })
})
afterAll(() => test.close())
const metrics = (authorization: string): Promise<Response> =>
  fetch(`${test.base}/api/metrics`, { headers: { authorization } })

describe('figures for whoever looks after a server', () => {
  it('are counted by address and answer, and name no id', async () => {
    const house = await test.house()
    await house.manager.get('/api/fleet')
    await house.manager.get(`/api/knives/${crypto.randomUUID()}/events`)
    const text = await (await metrics(`Bearer ${TOKEN}`)).text()
    expect(text).toMatch(/yorvik_request_seconds_count\{method="GET",route="\/api\/fleet",status="200"\} 1/)
    expect(text).toMatch(/route="\/api\/knives\/:id\/events",status="404"/)
    expect(text).toMatch(/^yorvik_listening 1$/m)
    expect(text).toMatch(/yorvik_database_connections\{state="idle"\} \d/)
    expect(text).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}/)
  })

  it('are nobody’s without the token, and not there at all where none was set', async () => {
    expect((await metrics('Bearer another')).status).toBe(404)
    expect((await metrics('')).status).toBe(404)
    const without = await startApp()
    try {
      expect((await fetch(`${without.base}/api/metrics`, { headers: { authorization: 'Bearer ' } })).status).toBe(404)
    } finally {
      await without.close()
    }
  })
})
