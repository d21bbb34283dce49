import { readFile } from 'node:fs/promises'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { startApp, type TestApp } from '../testing/harness'

let test: TestApp
beforeAll(async () => {
  // hashes at their full cost
  vi.stubEnv('NODE_ENV', 'production')
  test = await startApp()
})
afterAll(async () => {
  vi.unstubAllEnvs()
  await test.close()
})

describe('a crowd that nobody knows at the door', () => {
  it('waits in a line of its own: everything else is answered meanwhile, and the line has an end', async () => {
    const house = await test.house()
    const crowd = Array.from({ length: 120 }, (_one, at) =>
      test.client().post('/api/session', { signInName: `nobody-${at}`, password: 'let me in' }),
    )
    // the threads that hash are also those that read files: these are not all taken
    const own: string[] = []
    const answered = Promise.all([
      house.manager.get('/api/fleet').then(({ status }) => own.push(`fleet ${status}`)),
      readFile('package.json').then(() => own.push('file')),
    ])
    const first = await Promise.race([answered.then(() => 'own'), Promise.all(crowd).then(() => 'crowd')])
    expect(first).toBe('own')
    expect(own.sort()).toEqual(['file', 'fleet 200'])
    const statuses = (await Promise.all(crowd)).map(({ status, body }) => [status, body.error.sentence])
    expect(statuses.filter(([status]) => status === 401).length).toBeGreaterThan(30)
    const turnedAway = statuses.filter(([status]) => status === 503)
    expect(turnedAway.length).toBeGreaterThan(30)
    expect(turnedAway[0]?.[1]).toMatch(/Too many people are signing in/)
    // and the house itself gets in again
    const entered = await house.manager.post('/api/session', {
      signInName: house.signInName,
      password: 'whetstone and water',
    })
    expect(entered.status).toBe(200)
  }, 60_000)
})
