import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { OwnSession, TrailPage } from '../../../contract/house'
import { openDatabase } from '../../db/database'
import { onTablet, PASSWORD, startApp, type Client, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const NEXT = 'another good sentence'
const signIn = (client: Client, signInName: string, password: string): ReturnType<Client['post']> =>
  client.post('/api/session', { signInName, password })
const sessionsOf = async (client: Client): Promise<OwnSession[]> => (await client.get('/api/me/sessions')).body

describe('one’s own password', () => {
  it('is changed by whoever knows the one there is, and signs everybody else out', async () => {
    const own = await test.house('Changing')
    const elsewhere = test.client()
    await signIn(elsewhere, own.signInName, PASSWORD)
    const wrong = await own.manager.send('PUT', '/api/me/password', { password: 'not mine at all', next: NEXT })
    expect([wrong.status, wrong.body.error.issues[0].path]).toEqual([422, 'password'])
    const short = await own.manager.send('PUT', '/api/me/password', { password: PASSWORD, next: 'short' })
    expect(short.status).toBe(422)
    expect((await elsewhere.get('/api/session')).status).toBe(200)
    expect((await own.manager.send('PUT', '/api/me/password', { password: PASSWORD, next: NEXT })).status).toBe(200)
    expect((await own.manager.get('/api/session')).status).toBe(200)
    expect((await elsewhere.get('/api/session')).status).toBe(401)
    expect((await signIn(test.client(), own.signInName, PASSWORD)).status).toBe(401)
    expect((await signIn(test.client(), own.signInName, NEXT)).status).toBe(200)
  })

  it('is not guessed at from a session that was left open', async () => {
    const own = await test.house('Left open')
    const tries = []
    for (let turn = 0; turn < 10; turn++)
      tries.push(
        (await own.manager.send('PUT', '/api/me/password', { password: `guess number ${turn}`, next: NEXT })).status,
      )
    expect(tries.at(-1)).toBe(429)
  })

  it('is none where somebody signs in with a PIN', async () => {
    const cook = await onTablet(test, house, 'cook')
    const answer = await cook.send('PUT', '/api/me/password', { password: PASSWORD, next: NEXT })
    expect([answer.status, answer.body.error.sentence]).toEqual([409, expect.stringMatching(/have no password/)])
  })
})

describe('a code', () => {
  const give = async (personId: string): Promise<string> =>
    (await house.manager.post(`/api/people/${personId}/door-code`)).body.code
  const enter = (client: Client, body: object): ReturnType<Client['post']> => client.post('/api/session/code', body)

  it('makes a second manager: they choose a name and a password of their own, once', async () => {
    const { id } = house.people.sharpener
    await house.manager.send('PATCH', `/api/people/${id}`, { role: 'chef' })
    const code = await give(id)
    const second = test.client()
    const nameless = await enter(second, { code, password: NEXT })
    expect([nameless.status, nameless.body.error.issues[0].path]).toEqual([422, 'signInName'])
    const taken = await enter(second, { code, password: NEXT, signInName: house.signInName })
    expect([taken.status, taken.body.error.issues[0].path]).toEqual([409, 'signInName'])
    const entered = await enter(second, { code: ` ${code.toUpperCase()} `, password: NEXT, signInName: `second-${id}` })
    expect(entered.status).toBe(200)
    expect(entered.body.rights).toContain('manage-house')
    // spent
    expect((await enter(test.client(), { code, password: 'yet another one' })).status).toBe(401)
    expect((await signIn(test.client(), `second-${id}`, NEXT)).status).toBe(200)
  })

  it('given anew ends the one before, and is nobody’s but a manager’s to give', async () => {
    const { id } = house.people.cook
    const [first, second] = [await give(id), await give(id)]
    const body = { password: NEXT, signInName: `cook-${id}` }
    expect((await enter(test.client(), { code: first, ...body })).status).toBe(401)
    expect((await enter(test.client(), { code: second, ...body })).status).toBe(200)
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.post(`/api/people/${id}/door-code`)).status).toBe(403)
    const stranger = await test.house('Next door')
    expect((await stranger.manager.post(`/api/people/${id}/door-code`)).status).toBe(404)
  })

  it('lets a manager back in who forgot theirs, and ends what was open', async () => {
    const own = await test.house('Forgotten')
    const code = (await own.manager.post(`/api/people/${own.people.chef.id}/door-code`)).body.code
    expect((await enter(test.client(), { code, password: NEXT })).status).toBe(200)
    expect((await own.manager.get('/api/session')).status).toBe(401)
  })
})

describe('where one is signed in', () => {
  it('is listed, and ended one by one or all but this', async () => {
    const own = await test.house('Signed in')
    const [phone, laptop] = [test.client(), test.client()]
    await signIn(phone, own.signInName, PASSWORD)
    await signIn(laptop, own.signInName, PASSWORD)
    const all = await sessionsOf(own.manager)
    expect(all).toHaveLength(3)
    expect(all.filter(({ isThis }) => isThis)).toHaveLength(1)
    const [other] = (await sessionsOf(phone)).filter(({ isThis }) => isThis)
    expect((await own.manager.send('DELETE', `/api/me/sessions/${other?.id}`)).status).toBe(200)
    expect((await phone.get('/api/session')).status).toBe(401)
    expect((await laptop.get('/api/session')).status).toBe(200)
    await own.manager.send('DELETE', '/api/me/sessions')
    expect((await laptop.get('/api/session')).status).toBe(401)
    expect(await sessionsOf(own.manager)).toHaveLength(1)
    // nobody ends another's
    const cook = await onTablet(test, own, 'cook')
    const [mine] = await sessionsOf(own.manager)
    expect((await cook.send('DELETE', `/api/me/sessions/${mine?.id}`)).status).toBe(404)
  })

  it('is one place a browser: signing in again ends the session before', async () => {
    const own = await test.house('Again')
    await signIn(own.manager, own.signInName, PASSWORD)
    expect(await sessionsOf(own.manager)).toHaveLength(1)
  })
})

describe('behind a proxy that speaks TLS', () => {
  it('cookies are secure, browsers are held to it, and each client is counted by itself', async () => {
    const behind = await startApp({
      trustProxy: 1,
      allowedHosts: ['kitchen.example', '127.0.0.1'],
      doorRequestsPerMinute: 3,
    })
    try {
      const knock = (from: string, more: Record<string, string> = {}): ReturnType<Client['send']> =>
        behind
          .client()
          .send('POST', '/api/session', { signInName: 'x', password: 'y' }, { 'x-forwarded-for': from, ...more })
      const first = []
      for (let turn = 0; turn < 4; turn++) first.push((await knock('203.0.113.7')).status)
      expect(first).toEqual([401, 401, 401, 429])
      expect((await knock('203.0.113.8')).status).toBe(401)
      const own = await behind.house()
      const entered = await behind.client().send(
        'POST',
        '/api/session',
        { signInName: own.signInName, password: PASSWORD },
        {
          'x-forwarded-for': '203.0.113.9',
          'x-forwarded-proto': 'https',
        },
      )
      expect(entered.headers.getSetCookie()[0]).toMatch(/; Secure/)
      expect(entered.headers.get('strict-transport-security')).toMatch(/max-age=31536000/)
    } finally {
      await behind.close()
    }
  })

  it('nobody can lock the chef out from elsewhere, and other host names are refused', async () => {
    const behind = await startApp({ trustProxy: 1, allowedHosts: ['kitchen.example'] })
    try {
      const url = new URL(behind.base)
      const ask = (from: string, host: string, body: object): Promise<Response> =>
        fetch(`${url.origin}/api/session`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-forwarded-for': from, 'x-forwarded-host': host },
          body: JSON.stringify(body),
        })
      // fetch does not let a caller choose Host: the server is 127.0.0.1 to it, and that is not its name
      expect((await ask('203.0.113.7', 'kitchen.example', {})).status).toBe(403)
      expect((await fetch(`${url.origin}/api/health`)).status).toBe(200)
    } finally {
      await behind.close()
    }
    const open = await startApp({ trustProxy: 1 })
    try {
      const own = await open.house()
      const guess = async (from: string, password: string): Promise<number> =>
        (
          await open
            .client()
            .send('POST', '/api/session', { signInName: own.signInName, password }, { 'x-forwarded-for': from })
        ).status
      const outside = []
      for (let turn = 0; turn < 10; turn++) outside.push(await guess('203.0.113.66', `wrong number ${turn}`))
      expect(outside.at(-1)).toBe(429)
      expect(await guess('203.0.113.66', PASSWORD)).toBe(429)
      expect(await guess('203.0.113.5', PASSWORD)).toBe(200)
      const trail = (await own.manager.get('/api/house/trail')).body as TrailPage
      expect(trail.entries.some(({ act, subjectId }) => act === 'locked-out' && subjectId === own.people.chef.id)).toBe(
        true,
      )
    } finally {
      await open.close()
    }
  })
})

describe('the trail', () => {
  it('says who changed what, never a secret, and is read by managers alone', async () => {
    const own = await test.house('Trailed')
    const { id } = own.people.cook
    await own.manager.send('PATCH', `/api/people/${id}`, { role: 'sharpener', pin: '987654' })
    await own.manager.send('PATCH', '/api/house', { units: 'in' })
    await own.manager.get('/api/exchange/people.csv')
    const { entries, more } = (await own.manager.get('/api/house/trail')).body as TrailPage
    expect(more).toBe(false)
    const by = (act: string, subject: string): TrailPage['entries'] =>
      entries.filter((entry) => entry.act === act && entry.subject === subject)
    expect(by('changed', 'people')[0]).toMatchObject({
      personId: own.people.chef.id,
      subjectId: id,
      changed: { role: ['cook', 'sharpener'], pin_hash: true },
    })
    expect(by('changed', 'houses')[0]?.changed).toEqual({ units: ['mm', 'in'] })
    expect(by('exported', 'files')[0]).toMatchObject({ personId: own.people.chef.id })
    expect(by('signed-in', 'people').length).toBeGreaterThan(0)
    expect(JSON.stringify(entries)).not.toMatch(/scrypt|987654/)
    const cook = await onTablet(test, own, 'apprentice')
    expect((await cook.get('/api/house/trail')).status).toBe(403)
    const older = (await own.manager.get(`/api/house/trail?before=${entries[1]?.entry}`)).body as TrailPage
    expect(older.entries[0]?.entry).toBe(entries[2]?.entry)
  })

  it('names whoever acted where several act at once', async () => {
    const own = await test.house('At once')
    const tablets = await Promise.all((['sharpener', 'sharpener'] as const).map(() => onTablet(test, own, 'sharpener')))
    const [one] = tablets
    await Promise.all([
      own.manager.send('PATCH', '/api/house', { units: 'in' }),
      one?.post('/api/gear', { id: crypto.randomUUID(), name: 'Its own', kind: 'strop' }),
    ])
    const { entries } = (await own.manager.get('/api/house/trail')).body as TrailPage
    const who = (subject: string, act: string): string | null | undefined =>
      entries.find((entry) => entry.subject === subject && entry.act === act)?.personId
    expect(who('houses', 'changed')).toBe(own.people.chef.id)
    expect(who('gear', 'added')).toBe(own.people.sharpener.id)
  })

  it('can be neither changed nor emptied, by anybody', async () => {
    const db = openDatabase(test.databaseUrl, () => undefined)
    try {
      for (const sql of ['update trail set act = $$removed$$', 'delete from trail', 'truncate trail'])
        await expect(db.query(sql)).rejects.toThrow(/append-only/)
    } finally {
      await db.close()
    }
  })
})
