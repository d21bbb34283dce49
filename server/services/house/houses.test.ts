import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DAY_MS } from '../../../core/time'
import { addTestKnife, check, NOW, startApp, type TestApp, type TestHouse } from '../../testing/harness'

const newHouse = {
  houseName: 'The Lamp Room',
  zone: 'Europe/Lisbon',
  units: 'in',
  managerName: 'Ansa Pell',
  signInName: 'ansa',
  password: 'grain and ember',
}

describe('a new house', () => {
  it('is made once, by one of two people at the same door', async () => {
    const test = await startApp()
    try {
      expect((await test.client().get('/api/sign-in')).body.needsSetup).toBe(true)
      const answers = await Promise.all([
        test.client().post('/api/first-run', { ...newHouse, setUpCode: test.app.setUpCode }),
        test.client().post('/api/first-run', { ...newHouse, setUpCode: test.app.setUpCode }),
      ])
      expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409])
      expect((await test.client().get('/api/sign-in')).body.needsSetup).toBe(false)
      const chef = test.client()
      await chef.post('/api/session', { signInName: 'ansa', password: 'grain and ember' })
      const week = (await chef.get('/api/week')).body as { kind: string }[]
      expect(week.filter((span) => span.kind === 'service')).toHaveLength(14)
    } finally {
      await test.close()
    }
  })

  it('is made by whoever has the code that the start printed, and by nobody who only found the page', async () => {
    const test = await startApp()
    try {
      for (const setUpCode of ['', 'first', `${test.app.setUpCode}x`]) {
        const refused = await test.client().post('/api/first-run', { ...newHouse, setUpCode })
        expect(refused.status).toBe(403)
        expect(refused.body.error.issues[0].path).toBe('setUpCode')
      }
      expect((await test.client().get('/api/sign-in')).body.needsSetup).toBe(true)
    } finally {
      await test.close()
    }
  })

  it.each([
    ['an unknown zone', { zone: 'Mars/Olympus' }, /Europe\/Dublin/],
    ['a short password', { password: 'short' }, /Password is too short/],
    ['no name', { houseName: '' }, /House is too short/],
  ])('refuses %s', async (_what, wrong, sentence) => {
    const test = await startApp()
    try {
      const answer = await test
        .client()
        .post('/api/first-run', { ...newHouse, setUpCode: test.app.setUpCode, ...wrong })
      expect(answer.status).toBe(422)
      expect(answer.body.error.sentence).toMatch(sentence)
      expect((await test.client().get('/api/sign-in')).body.needsSetup).toBe(true)
    } finally {
      await test.close()
    }
  })
})

describe('running a house', () => {
  let test: TestApp
  let house: TestHouse
  beforeAll(async () => {
    test = await startApp()
    house = await test.house()
  })
  afterAll(() => test.close())

  const forces = async (knifeId: string): Promise<Record<string, { forceGf: number }>> =>
    (await house.manager.get('/api/fleet')).body.knives.find((one: { id: string }) => one.id === knifeId).zones

  it('counts a new board from now on and leaves the past as it was', async () => {
    const knife = await addTestKnife(house)
    await house.manager.post('/api/events', {
      events: [check(knife.id, 200, 200, 200, new Date(NOW.getTime() - 5 * DAY_MS))],
    })
    const before = await forces(knife.id)
    await house.manager.send('PATCH', `/api/stations/${house.station.id}`, { board: 'plate', hoursPerService: 8 })
    expect(await forces(knife.id)).toEqual(before)
    const rebuilt = await house.manager.post('/api/events', {
      events: [
        {
          id: newId(),
          knifeId: knife.id,
          kind: 'moved',
          at: NOW.toISOString(),
          payload: { holderId: house.people.cook.id },
        },
      ],
    })
    expect(rebuilt.body.knives[0].zones).toEqual(before)
  })

  it('in another zone reckons every knife anew, because services lie at other moments', async () => {
    const moved = await test.house('Moved')
    await addTestKnife(moved)
    const jobs = async (): Promise<{ kind: string; status: string }[]> => (await moved.manager.get('/api/jobs')).body
    await moved.manager.send('PATCH', '/api/house', { name: 'Moved away' })
    expect(await jobs()).toEqual([])
    expect((await moved.manager.send('PATCH', '/api/house', { zone: 'Asia/Tokyo' })).status).toBe(200)
    await expect
      .poll(async () => (await jobs()).map(({ kind, status }) => [kind, status]), { timeout: 20_000 })
      .toEqual([['rebuild', 'done']])
  })

  it('keeps spans that stay when the week changes, and refuses one of no length', async () => {
    const week = (await house.manager.get('/api/week')).body as {
      id: string
      name: string
      starts: string
      ends: string
    }[]
    const [first] = week
    const changed = week.map((span) => (span.id === first?.id ? { ...span, ends: '15:00' } : span))
    const after = (await house.manager.send('PUT', '/api/week', changed)).body as { id: string; ends: string }[]
    expect(after).toHaveLength(week.length)
    expect(after.filter((span) => week.some((one) => one.id === span.id))).toHaveLength(week.length - 1)
    const empty = await house.manager.send(
      'PUT',
      '/api/week',
      week.map((span) => ({ ...span, ends: span.starts })),
    )
    expect(empty.status).toBe(422)
    expect((await house.manager.get('/api/week')).body).toEqual(after)
  })

  it('never loses its last manager', async () => {
    const answer = await house.manager.send('PATCH', `/api/people/${house.people.chef.id}`, { active: false })
    expect(answer.status).toBe(409)
    expect(answer.body.error.sentence).toMatch(/another manager/)
  })

  it('refuses a second person or station of a name', async () => {
    expect((await house.manager.post('/api/people', { id: newId(), name: 'the COOK', role: 'cook' })).status).toBe(409)
    expect((await house.manager.post('/api/stations', { ...house.station, id: newId(), name: 'SAUTÉ' })).status).toBe(
      409,
    )
  })

  it('moves a knife to dull when its limit is lowered', async () => {
    const knife = await addTestKnife(house)
    await house.manager.post('/api/events', { events: [check(knife.id, 250, 250, 250)] })
    await house.manager.send('PATCH', '/api/house', {
      serviceLimits: { fine: 260, general: 220, butchery: 420, bread: 600 },
    })
    const view = (await house.manager.get('/api/fleet')).body.knives.find((one: { id: string }) => one.id === knife.id)
    expect(view).toMatchObject({ limitGf: 220, word: 'dull' })
  })

  it('tells open screens of the house, and no other, that something changed', async () => {
    const other = await test.house('Down the lane')
    const heard: string[] = []
    const listen = async (client: TestHouse['manager'], name: string): Promise<AbortController> => {
      const stop = new AbortController()
      const response = await fetch(`${test.base}/api/changes`, {
        headers: { cookie: client.cookie() },
        signal: stop.signal,
      })
      const reader = response.body?.getReader()
      await reader?.read()
      void (async () => {
        for (;;) {
          const part = await reader?.read().catch(() => undefined)
          if (!part || part.done) return
          heard.push(`${name} ${new TextDecoder().decode(part.value)}`)
        }
      })()
      return stop
    }
    const stops = [await listen(house.manager, 'ours'), await listen(other.manager, 'theirs')]
    await expect
      .poll(async () => {
        await house.manager.send('PATCH', `/api/stations/${house.station.id}`, { name: `Sauté ${heard.length}` })
        return heard.some((line) => line.startsWith('ours event: changed'))
      })
      .toBe(true)
    expect(heard.filter((line) => line.startsWith('theirs') && line.includes('changed'))).toEqual([])
    stops.forEach((stop) => {
      stop.abort()
    })
  })
})
