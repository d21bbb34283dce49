import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { CountLine } from '../../../contract/counts'
import {
  addTestKnife,
  check,
  event,
  JUST_NOW,
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

type Answer = ReturnType<TestHouse['manager']['post']>
const count = (present: readonly string[], missing: readonly string[], more: object = {}): Record<string, unknown> => ({
  id: newId(),
  startedAt: NOW.toISOString(),
  endedAt: JUST_NOW.toISOString(),
  whose: { of: 'all' },
  present,
  missing,
  ...more,
})
const send = (body: object, client = house.manager): Answer => client.post('/api/counts', body)
const statusOf = async (id: string): Promise<unknown> =>
  (await house.manager.get('/api/fleet')).body.knives.find((knife: { id: string }) => knife.id === id)?.status
const kindsOf = async (id: string): Promise<string[]> =>
  (await house.manager.get(`/api/knives/${id}/events`)).body.map((one: { kind: string }) => one.kind)

describe('a count', () => {
  it('misses what was not there, finds it when it is there again, and says who counted and how long', async () => {
    const [here, away] = [await addTestKnife(house), await addTestKnife(house)]
    const apprentice = await onTablet(test, house, 'apprentice')
    const first = await send(count([here.id], [away.id]), apprentice)
    expect(first.status).toBe(200)
    expect(first.body.knives).toMatchObject([{ id: away.id, status: 'missing' }])
    expect([await statusOf(here.id), await statusOf(away.id)]).toEqual(['in-service', 'missing'])
    const [line] = (await house.manager.get('/api/counts')).body as CountLine[]
    expect(line).toMatchObject({ countedBy: house.people.apprentice.id, present: 1, missing: [away.id] })
    expect(Date.parse(line?.endedAt ?? '') - Date.parse(line?.startedAt ?? '')).toBe(30_000)

    expect((await send(count([here.id, away.id], []))).body.knives).toMatchObject([
      { id: away.id, status: 'in-service' },
    ])
    expect(await kindsOf(away.id)).toEqual(expect.arrayContaining(['found', 'missing', 'added']))
  })

  it('is kept once however often it is sent, and by two people at once is two counts of one missing knife', async () => {
    const away = await addTestKnife(house)
    const cook = await onTablet(test, house, 'cook')
    const own = count([], [away.id])
    const answers = await Promise.all([send(own), send(own), send(count([], [away.id]), cook)])
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200])
    expect((await kindsOf(away.id)).filter((kind) => kind === 'missing')).toHaveLength(1)
    const lines = (await house.manager.get('/api/counts')).body as CountLine[]
    expect(lines.filter(({ missing }) => missing.includes(away.id))).toHaveLength(2)
  })

  it.each([
    ['shears', 90],
    ['plate', 82],
    ['glove', 240],
  ])('takes in a %s that is counted only, and leaves what is retired', async (type, lengthMm) => {
    const thing = await addTestKnife(house, { type, lengthMm })
    const gone = await addTestKnife(house)
    await house.manager.post('/api/events', { events: [event(gone.id, 'retired', { reason: 'worn' })] })
    expect((await send(count([], [thing.id, gone.id]))).status).toBe(200)
    expect([await statusOf(thing.id), await statusOf(gone.id)]).toEqual(['missing', 'retired'])
    await send(count([thing.id], []))
    expect(await statusOf(thing.id)).toBe('counted')
  })

  it.each([
    ['nothing', {}, 422],
    ['a knife here and missing at once', { both: true }, 422],
    ['a knife of no house', { present: [newId()] }, 404],
    ['an end before its beginning', { startedAt: JUST_NOW.toISOString(), endedAt: NOW.toISOString(), one: true }, 422],
    ['an end that has yet to come', { endedAt: '2027-01-01T00:00:00.000Z', one: true }, 422],
  ])('is refused with %s, and nothing is kept', async (_, { both, one, ...more }: Record<string, unknown>, status) => {
    const knife = await addTestKnife(house)
    const before = ((await house.manager.get('/api/counts')).body as CountLine[]).length
    const refused = await send(count(one || both ? [knife.id] : [], both ? [knife.id] : [], more))
    expect(refused.status).toBe(status)
    expect(refused.body.error.sentence.length).toBeGreaterThan(10)
    expect(((await house.manager.get('/api/counts')).body as CountLine[]).length).toBe(before)
  })
})

describe('whom to ask for a knife', () => {
  it('is whoever last had it in hand, until that is taken back; a count is no hand', async () => {
    const { id } = await addTestKnife(house)
    const handsOf = async (): Promise<unknown[]> =>
      ((await house.manager.get('/api/counts/last-hands')).body as { knifeId: string }[]).filter(
        ({ knifeId }) => knifeId === id,
      )
    expect(await handsOf()).toEqual([])
    await house.manager.post('/api/events', { events: [check(id, 300, 300, 300, NOW)] })
    const apprentice = await onTablet(test, house, 'apprentice')
    const honed = event(id, 'honed', { tool: 'ceramic-rod' })
    expect((await apprentice.post('/api/events', { events: [honed] })).status).toBe(200)
    await send(count([], [id]))
    expect(await handsOf()).toMatchObject([{ personId: house.people.apprentice.id, at: JUST_NOW.toISOString() }])
    const voided = event(id, 'voided', { eventId: (honed as { id: string }).id, reason: 'another knife' })
    expect((await apprentice.post('/api/events', { events: [voided] })).status).toBe(200)
    expect(await handsOf()).toMatchObject([{ personId: house.people.chef.id }])
  })
})

describe('a practice blade', () => {
  it('is made by who may describe knives, sharpened by an apprentice, and teaches the fleet nothing', async () => {
    for (const grit of [320, 1000, 3000])
      await house.manager.post('/api/gear', {
        id: newId(),
        name: `Shelf ${grit}`,
        kind: 'soaking-stone',
        scale: 'JIS',
        grit,
      })
    const blade = await addTestKnife(house, { code: 'PRACTICE-1' })
    const apprentice = await onTablet(test, house, 'apprentice')
    const session = { id: newId(), knifeId: blade.id, recipeId: 'full' }
    await house.manager.post('/api/events', { events: [check(blade.id, 480, 480, 480, NOW)] })
    expect((await apprentice.post('/api/bench-sessions', session)).status).toBe(403)
    const practice = event(blade.id, 'practice', { note: 'cheap and flat' })
    expect((await apprentice.post('/api/events', { events: [practice] })).status).toBe(403)
    expect((await house.manager.post('/api/events', { events: [practice] })).status).toBe(200)
    expect(await statusOf(blade.id)).toBe('practice')

    const learned = async (): Promise<unknown> => (await house.manager.get('/api/learning')).body
    const before = await learned()
    expect((await apprentice.post('/api/bench-sessions', session)).status).toBe(200)
    const done = { actions: [{ id: newId(), at: JUST_NOW.toISOString(), kind: 'finish' }] }
    expect((await apprentice.post(`/api/bench-sessions/${session.id}/actions`, done)).status).toBe(200)
    const log = (await house.manager.get(`/api/knives/${blade.id}/events`)).body as { kind: string }[]
    expect(log.find(({ kind }) => kind === 'sharpened')).toMatchObject({ personId: house.people.apprentice.id })
    expect(await learned()).toEqual(before)
    // a list that goes out and comes in again leaves it as it is
    expect((await house.manager.get('/api/exchange/fleet.csv')).body).toMatch(/PRACTICE-1[^\n]*retired/)
  })
})

describe('a missing knife', () => {
  it('is found with a word on where it was; one that was never missing is not', async () => {
    const knife = await addTestKnife(house)
    const found = event(knife.id, 'found', { note: 'behind the fryer' }, new Date(JUST_NOW.getTime() + 1000))
    const refused = await house.manager.post('/api/events', { events: [found] })
    expect([refused.status, refused.body.error.sentence]).toEqual([409, expect.stringMatching(/is not missing/)])
    const missing = event(knife.id, 'missing', { note: 'not in its slot' })
    expect((await house.manager.post('/api/events', { events: [missing] })).status).toBe(200)
    expect((await house.manager.post('/api/events', { events: [found] })).status).toBe(200)
    expect(await statusOf(knife.id)).toBe('in-service')
  })

  it('may be missed and found in one go, as a device tells it that was offline, but not the other way round', async () => {
    const at = (seconds: number): Date => new Date(NOW.getTime() + 1000 * seconds)
    const [one, other] = [await addTestKnife(house), await addTestKnife(house)]
    const tell = (id: string, missedAt: number, foundAt: number): Answer =>
      house.manager.post('/api/events', {
        events: [event(id, 'missing', {}, at(missedAt)), event(id, 'found', { note: 'in the van' }, at(foundAt))],
      })
    expect((await tell(one.id, 2, 3)).status).toBe(200)
    expect(await statusOf(one.id)).toBe('in-service')
    expect((await tell(other.id, 3, 2)).status).toBe(409)
    expect(await statusOf(other.id)).toBe('in-service')
  })

  it('is planned for nobody, and is found by whoever checks it', async () => {
    const knife = await addTestKnife(house)
    await send(count([], [knife.id]))
    expect(await statusOf(knife.id)).toBe('missing')
    await house.manager.post('/api/events', { events: [check(knife.id, 300, 300, 300)] })
    expect(await statusOf(knife.id)).toBe('in-service')
  })
})
