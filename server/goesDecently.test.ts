import { describe, expect, it } from 'vitest'
import { PASSWORD, startApp } from './testing/harness'

describe('a server that is asked to go', () => {
  it('answers what it has begun, ends what is open, and takes nothing new', async () => {
    const test = await startApp()
    const house = await test.house()
    const stream = await fetch(`${test.base}/api/changes`, { headers: { cookie: house.manager.cookie() } })
    const reader = stream.body?.getReader()
    const ended = (async (): Promise<boolean> => {
      while (reader && !(await reader.read()).done);
      return true
    })()
    // a password takes a moment to hash: it is under way when the server is asked to go
    const underWay = test.client().post('/api/session', { signInName: house.signInName, password: PASSWORD })
    await new Promise((settle) => setTimeout(settle, 60))
    const closing = test.close()
    expect((await underWay).status).toBe(200)
    await closing
    expect(await ended).toBe(true)
    await expect(fetch(`${test.base}/api/health`)).rejects.toThrow()
  })
})
