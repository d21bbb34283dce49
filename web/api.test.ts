import { afterEach, describe, expect, it, vi } from 'vitest'
import { endpoints } from '../contract/endpoints'
import { call, Refusal, whenSessionEnds } from './api'

type Asked = { url: string; method: string | undefined; body: unknown }

function answer(status: number, body: unknown): Asked[] {
  const asked: Asked[] = []
  vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
    asked.push({ url, method: init?.method, body: typeof init?.body === 'string' ? JSON.parse(init.body) : undefined })
    return Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }))
  })
  return asked
}
afterEach(() => {
  vi.unstubAllGlobals()
})

const refusal = (code: string, sentence: string): object => ({
  error: { code, sentence, issues: [{ path: 'code', sentence }] },
})

describe('calling the server', () => {
  it('fills the address, the query and the body from the contract', async () => {
    const asked = answer(200, [])
    await call(endpoints.timeline, { params: { id: '73e764e8-09b4-54e7-98ee-4887e493436b' }, query: { most: 5 } })
    await call(endpoints.editKnife, {
      params: { id: '73e764e8-09b4-54e7-98ee-4887e493436b' },
      body: { name: 'old friend' },
    })
    expect(asked).toEqual([
      { url: '/api/knives/73e764e8-09b4-54e7-98ee-4887e493436b/events?most=5', method: 'GET', body: undefined },
      { url: '/api/knives/73e764e8-09b4-54e7-98ee-4887e493436b', method: 'PATCH', body: { name: 'old friend' } },
    ])
  })

  it('passes on the server’s own sentence and where it belongs', async () => {
    answer(409, refusal('conflict', 'CH-01 is taken by another knife of this house.'))
    const error = await call(endpoints.fleet).catch((thrown: unknown) => thrown)
    expect(error).toBeInstanceOf(Refusal)
    expect(error).toMatchObject({
      code: 'conflict',
      sentence: 'CH-01 is taken by another knife of this house.',
      issues: [{ path: 'code' }],
    })
  })

  it('calls it offline when nothing answers, or something else does', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    await expect(call(endpoints.fleet)).rejects.toMatchObject({ code: 'offline' })
    answer(502, '<html>Bad gateway</html>')
    await expect(call(endpoints.fleet)).rejects.toMatchObject({ code: 'offline' })
  })

  it('tells the app when the session has ended, and only then', async () => {
    const ended = vi.fn()
    whenSessionEnds(ended)
    answer(403, refusal('not-allowed', 'no'))
    await call(endpoints.fleet).catch(() => undefined)
    expect(ended).not.toHaveBeenCalled()
    answer(401, refusal('not-signed-in', 'again'))
    await call(endpoints.fleet).catch(() => undefined)
    expect(ended).toHaveBeenCalledOnce()
  })
})
