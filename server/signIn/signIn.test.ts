import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  addTestKnife,
  check,
  onTablet,
  PASSWORD,
  PIN,
  startApp,
  type TestApp,
  type TestHouse,
} from '../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

describe('the door', () => {
  it('lets a manager in by password and keeps the session in a strict, hidden cookie', async () => {
    const entered = await test
      .client()
      .post('/api/session', { signInName: house.signInName.toUpperCase(), password: PASSWORD })
    expect(entered.status).toBe(200)
    expect(entered.headers.getSetCookie()[0]).toMatch(/HttpOnly; SameSite=Strict/)
    expect(entered.body.rights).toContain('manage-house')
  })

  it('answers a wrong password and an unknown name alike', async () => {
    const wrong = await test
      .client()
      .post('/api/session', { signInName: house.signInName, password: 'not the password' })
    const unknown = await test.client().post('/api/session', { signInName: 'nobody', password: 'not the password' })
    expect([wrong.status, unknown.status]).toEqual([401, 401])
    expect(wrong.body).toEqual(unknown.body)
  })

  it('locks a PIN guessed ten times, even for the right PIN, and says how long', async () => {
    const locked = await test.house('With a curious guest')
    const tablet = await onTablet(test, locked, 'chef')
    const personId = locked.people.apprentice.id
    const guesses = []
    for (let guess = 0; guess < 10; guess++)
      guesses.push((await tablet.post('/api/session/pin', { personId, pin: `90${10 + guess}` })).status)
    expect(guesses.slice(0, 8)).toEqual(Array(8).fill(401))
    expect(guesses.at(-1)).toBe(429)
    const right = await tablet.post('/api/session/pin', { personId, pin: PIN })
    expect(right.status).toBe(429)
    expect(right.body.error.sentence).toMatch(/Wait \d+ minutes/)
    await locked.manager.send('PATCH', `/api/people/${personId}`, { pin: '777777' })
    expect((await tablet.post('/api/session/pin', { personId, pin: '777777' })).status).toBe(200)
  })

  it('takes no PIN on a tablet nobody enrolled', async () => {
    const answer = await test.client().post('/api/session/pin', { personId: house.people.cook.id, pin: PIN })
    expect(answer.body.error.sentence).toMatch(/not enrolled/)
  })

  it('ends every session of a tablet that is revoked', async () => {
    const tablet = await onTablet(test, house, 'cook')
    expect((await tablet.get('/api/fleet')).status).toBe(200)
    const devices = (await house.manager.get('/api/devices')).body as { id: string; revokedAt: string | null }[]
    for (const device of devices)
      if (device.revokedAt === null) await house.manager.send('DELETE', `/api/devices/${device.id}`)
    expect((await tablet.get('/api/fleet')).status).toBe(401)
  })

  it('shows demonstration sign-ins only where they were given', async () => {
    expect((await test.client().get('/api/sign-in')).body.demo).toBeNull()
  })
})

describe('what a role may do', () => {
  it.each([
    ['cook', 'POST', '/api/knives', { id: newId(), type: 'chef', lengthMm: 200, stationId: newId() }],
    ['cook', 'POST', '/api/people', { id: newId(), name: 'X', role: 'chef' }],
    ['sharpener', 'PUT', '/api/week', []],
    [
      'apprentice',
      'POST',
      '/api/exchange/fleet',
      { sheets: [{ name: 'a', rows: [['code']] }], told: {}, take: 'none' },
    ],
    ['sharpener', 'GET', '/api/exchange/fleet.csv', undefined],
  ] as const)('a %s is refused %s %s by the server', async (role, method, path, body) => {
    const person = await onTablet(test, house, role)
    const answer = await person.send(method, path, body)
    expect(answer.status).toBe(403)
    expect(answer.body.error.sentence).toMatch(/role does not allow/)
  })

  it('lets an apprentice hone and check but not record stone work', async () => {
    const knife = await addTestKnife(house)
    const fresh = await test.house('Another kitchen')
    const apprentice = await onTablet(test, fresh, 'apprentice')
    const own = await addTestKnife(fresh)
    const stone = {
      id: newId(),
      knifeId: own.id,
      kind: 'sharpened',
      at: new Date('2026-03-10T14:00:00Z').toISOString(),
      payload: { finishMicron: 4 },
    }
    expect((await apprentice.post('/api/events', { events: [check(own.id, 200, 210, 220)] })).status).toBe(200)
    expect((await apprentice.post('/api/events', { events: [stone] })).status).toBe(403)
    expect(knife.status).toBe('in-service')
  })
})

describe('houses are kept apart', () => {
  it('answers 404 for everything of another house', async () => {
    const stranger = (await test.house('Across the road')).manager
    const knife = await addTestKnife(house)
    const checked = check(knife.id, 200, 200, 200)
    await house.manager.post('/api/events', { events: [checked] })
    const voiding = {
      ...check(knife.id, 1, 1, 1),
      kind: 'voided',
      payload: { eventId: checked['id'], reason: 'not yours' },
    }
    const tries = await Promise.all([
      stranger.get(`/api/knives/${knife.id}/events`),
      stranger.send('PATCH', `/api/knives/${knife.id}`, { name: 'mine now' }),
      stranger.post('/api/events', { events: [check(knife.id, 300, 300, 300)] }),
      stranger.post('/api/events', { events: [voiding] }),
      stranger.send('PATCH', `/api/people/${house.people.cook.id}`, { active: false }),
      stranger.send('PATCH', `/api/stations/${house.station.id}`, { name: 'mine now' }),
      stranger.send('DELETE', `/api/devices/${newId()}`),
      stranger.post('/api/knives', { id: newId(), type: 'chef', lengthMm: 200, stationId: house.station.id }),
    ])
    expect(tries.map((answer) => answer.status)).toEqual(Array(8).fill(404))
    const fleet = (await stranger.get('/api/fleet')).body
    expect(fleet.knives).toEqual([])
    expect(JSON.stringify(fleet)).not.toContain(house.people.cook.id)
    expect((await stranger.get('/api/exchange/events.csv')).body).not.toContain(checked['id'])
  })
})

describe('what leaves the server', () => {
  it('never carries a hash, and the log never a password, PIN or cookie', async () => {
    const answers = await Promise.all(
      ['/api/session', '/api/fleet', '/api/devices', '/api/sign-in', '/api/exchange/people.csv'].map((path) =>
        house.manager.get(path),
      ),
    )
    for (const answer of answers) expect(JSON.stringify(answer.body)).not.toMatch(/scrypt\$|Hash/)
    const log = test.logLines.join('')
    expect(log.length).toBeGreaterThan(100)
    expect(log).not.toContain(PASSWORD)
    expect(log).not.toContain(house.manager.cookie().split('=')[1])
  })

  it('has a strict content policy and refuses requests made by another site', async () => {
    const answer = await test.client().get('/api/sign-in')
    const policy = answer.headers.get('content-security-policy') ?? ''
    expect(policy).toContain("script-src 'self'")
    expect(policy).not.toContain('unsafe-inline')
    const foreign = await house.manager.send(
      'POST',
      '/api/events',
      { events: [] },
      { origin: 'https://elsewhere.example' },
    )
    expect(foreign.status).toBe(403)
  })

  it.each([
    ['a body of 10 MB', 'x'.repeat(10_000_000), 413, /too much at once/],
    ['half a JSON', '{"events": [', 422, /could not be read/],
    ['an unknown field value', JSON.stringify({ events: 'none' }), 422, /events/],
  ])('answers %s with a sentence', async (_what, body, status, sentence) => {
    const answer = await house.manager.send('POST', '/api/events', body)
    expect(answer.status).toBe(status)
    expect(answer.body.error.sentence).toMatch(sentence)
  })

  it('needs a session for everything but the door, health and its own description', async () => {
    const stranger = test.client()
    for (const path of [
      '/api/fleet',
      '/api/session',
      '/api/week',
      '/api/devices',
      '/api/exchange/fleet.csv',
      '/api/changes',
      `/api/knives/${newId()}/events`,
    ]) {
      expect((await stranger.get(path)).status, path).toBe(401)
    }
    for (const path of ['/api/health', '/api/sign-in', '/api/openapi.json'])
      expect((await stranger.get(path)).status, path).toBe(200)
    expect((await stranger.get('/api/nowhere')).status).toBe(404)
  })

  it('limits how often one address may knock', async () => {
    const strict = await startApp({ doorRequestsPerMinute: 3 })
    try {
      const knock = (): Promise<{ status: number }> =>
        strict.client().post('/api/session', { signInName: 'x', password: 'y' })
      const statuses = [await knock(), await knock(), await knock(), await knock()].map((answer) => answer.status)
      expect(statuses).toEqual([401, 401, 401, 429])
    } finally {
      await strict.close()
    }
  })
})
