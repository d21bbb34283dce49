import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { HOUR_MS } from '../../../core/time'
import {
  addTestKnife,
  check,
  event,
  NOW,
  onTablet,
  startApp,
  type TestApp,
  type TestHouse,
} from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const ago = (hours: number): Date => new Date(NOW.getTime() - hours * HOUR_MS)
const send = async (...events: readonly object[]): Promise<void> => {
  const answer = await house.manager.post('/api/events', { events })
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
}
const view = async (code: string): Promise<Record<string, never>> =>
  (await house.manager.get('/api/fleet')).body.knives.find((one: { code: string }) => one.code === code)

describe('the story of an edge', () => {
  it('tells what was read, what was believed, and what is coming', async () => {
    const knife = await addTestKnife(house, { code: 'STORY-1', condition: 'new' })
    await send(check(knife.id, 180, 185, 200), event(knife.id, 'honed', { tool: 'smooth-steel' }))
    const { status, body } = await house.manager.get(`/api/knives/${knife.id}/edge`)
    expect(status).toBe(200)
    expect(body.readings).toHaveLength(3)
    expect(body.marks.map((mark: { kind: string }) => mark.kind).sort()).toEqual(['checked', 'honed'])
    expect(body.zones.tip.at(-1).at).toBe(body.now)
    expect(body.ahead.length).toBeGreaterThan(20)
    const chances: number[] = body.ahead.map((service: { chanceDull: number }) => service.chanceDull)
    expect(chances.at(-1)).toBeGreaterThan(chances[0] ?? 1)
    expect(body.ahead[0].zones.tip.lowGf).toBeLessThan(body.ahead[0].zones.tip.highGf)
    expect(body.learned.lifeHours.low).toBeLessThan(body.learned.lifeHours.middle)
    expect(body.steel.points.length).toBeGreaterThan(1)
  })

  it('says when a forecast stands on kin alone', async () => {
    const knife = await addTestKnife(house, { code: 'STORY-2' })
    expect((await view('STORY-2'))['knownFrom']).toBe('similar')
    expect((await house.manager.get(`/api/knives/${knife.id}/edge`)).body.learned).toMatchObject({
      knownFrom: 'similar',
      readingCount: 0,
    })
  })

  it('is not told to another house', async () => {
    const knife = await addTestKnife(house, { code: 'STORY-3' })
    const other = await test.house('Next door')
    const { status, body } = await other.manager.get(`/api/knives/${knife.id}/edge`)
    expect(status).toBe(404)
    expect(body.error.sentence).toMatch(/no such knife/)
  })

  it('follows height and thickness from sessions and calipers', async () => {
    const knife = await addTestKnife(house, { code: 'STORY-4', condition: 'new', bteMm: 0.3, heelHeightMm: 48 })
    await send(event(knife.id, 'sharpened', { finishMicron: 4, recessionMm: 0.4 }))
    const worn = (await house.manager.get(`/api/knives/${knife.id}/edge`)).body.steel
    expect(worn.points.at(-1).heightMm.mean).toBeCloseTo(47.6, 1)
    expect(worn.points.at(-1).bteMm.mean).toBeGreaterThan(0.3)
    const before: Record<string, number> = await view('STORY-4')
    const measured = event(knife.id, 'measured', { bteMm: 0.42 }, new Date(NOW.getTime() + 40_000))
    await send(measured)
    expect((await view('STORY-4'))['bteMm']).toBeCloseTo(0.41, 1)
    await send(
      event(knife.id, 'voided', { eventId: measured['id'], reason: 'wrong knife' }, new Date(NOW.getTime() + 50_000)),
    )
    expect((await view('STORY-4'))['bteMm']).toBe(before['bteMm'])
  })
})

describe('a working angle that does not fit the edge', () => {
  it('is warned of, kept with each honing, and honing then brings back less', async () => {
    const chefId = house.people.chef.id
    await house.manager.send('PATCH', `/api/people/${chefId}`, { workingDps: 11 })
    const knife = await addTestKnife(house, { code: 'ANGLE-1', holderId: chefId })
    expect((await view('ANGLE-1'))['mismatch']).toMatchObject({
      does: 'shoulder-only',
      workingDps: 11,
      mismatchDps: -6,
    })
    await send(event(knife.id, 'honed', { tool: 'smooth-steel' }))
    const [honed] = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    expect(honed.payload.mismatchDps).toBe(-6)
    expect(honed.effect.afterGf).toBe(honed.effect.beforeGf)
    await house.manager.send('PATCH', `/api/people/${chefId}`, { workingDps: null })
    expect((await view('ANGLE-1'))['mismatch']).toBeNull()
  })

  it('refuses an angle nobody can hold', async () => {
    const { status, body } = await house.manager.send('PATCH', `/api/people/${house.people.cook.id}`, {
      workingDps: 80,
    })
    expect(status).toBe(422)
    expect(body.error.sentence).toMatch(/Working angle cannot be more than 45/)
  })
})

describe('what the house has taught', () => {
  it('counts readings and is silent where they do not say', async () => {
    const fresh = await test.house('Quiet house')
    const nothing = (await fresh.manager.get('/api/learning')).body
    expect(nothing).toMatchObject({ readings: 0, hands: [], tools: [] })
    expect(nothing.stations[0].effect).toMatchObject({ factor: 1, says: 'nothing' })
  })
})

describe('reckoning anew', () => {
  const settled = async (): Promise<{ status: string; done: number; total: number }> => {
    for (;;) {
      const [job] = (await house.manager.get('/api/jobs')).body
      if (job.status !== 'waiting' && job.status !== 'running') return job
      await new Promise((settle) => setImmediate(settle))
    }
  }

  it('goes through every log in a thread of its own and changes nothing', async () => {
    const states = async (): Promise<unknown> =>
      (
        await test.app.db.query('select knife_id, state from knife_states where house_id = $1 order by knife_id', [
          house.houseId,
        ])
      ).rows
    const before = await states()
    const asked = await house.manager.post('/api/jobs/rebuild')
    expect(asked.status).toBe(200)
    const again = await house.manager.post('/api/jobs/rebuild')
    expect(again.body.id).toBe(asked.body.id)
    const { status, done, total } = await settled()
    expect({ status, done }).toEqual({ status: 'done', done: total })
    expect(await states()).toEqual(before)
  }, 60_000)

  it('is the manager’s to ask for, and can be stopped', async () => {
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.post('/api/jobs/rebuild')).status).toBe(403)
    // somebody holds every knife, so that the threads have to wait at their first
    const { id } = await test.app.db.transaction(async (client) => {
      await client.query('select id from knives where house_id = $1 for update', [house.houseId])
      const asked = (await house.manager.post('/api/jobs/rebuild')).body
      expect((await house.manager.send('DELETE', `/api/jobs/${asked.id}`)).status).toBe(200)
      return asked
    })
    const { status, done, total } = await settled()
    expect(id).toBeTruthy()
    expect(status).toBe('cancelled')
    expect(done).toBeLessThan(total)
    expect((await house.manager.send('DELETE', '/api/jobs/0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11')).status).toBe(404)
  }, 60_000)
})

describe('readings that come late or out of order', () => {
  it('end in the same state as when they come in order', async () => {
    const [one, two] = [
      await addTestKnife(house, { code: 'ORDER-1', condition: 'new' }),
      await addTestKnife(house, { code: 'ORDER-2', condition: 'new' }),
    ]
    const early = ago(-0.002)
    const late = ago(-0.006)
    await send(check(one.id, 200, 200, 210, early), check(one.id, 260, 260, 280, late))
    await send(check(two.id, 260, 260, 280, late))
    await send(check(two.id, 200, 200, 210, early))
    const [a, b] = [await view('ORDER-1'), await view('ORDER-2')]
    expect(a['zones']).toEqual(b['zones'])
  })
})
