import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Missing } from '../../../contract/house'
import { addTestKnife, check, startApp, type TestApp, type TestHouse } from '../../testing/harness'

describe('what a house has not said yet', () => {
  let test: TestApp
  let house: TestHouse
  beforeAll(async () => {
    test = await startApp()
    house = await test.house()
  })
  afterAll(() => test.close())
  const missing = async (): Promise<Missing> => (await house.manager.get('/api/house/missing')).body as Missing
  const gap = async (name: string): Promise<Missing['gaps'][number] | undefined> =>
    (await missing()).gaps.find((one) => one.gap === name)

  it('is for whoever runs the house', async () => {
    expect((await test.client().get('/api/house/missing')).status).toBe(401)
  })

  it('tells of knives nobody has looked at, and what a look buys, until one has', async () => {
    expect((await gap('knives'))?.codes).toEqual([])
    const knife = await addTestKnife(house)
    expect((await gap('looks'))?.codes).toEqual([knife['code']])
    expect((await missing()).lookMinutes).toBeGreaterThan(0)
    await house.manager.post('/api/events', { events: [check(knife['id'] as string, 200, 200, 200)] })
    expect(await gap('looks')).toBeUndefined()
    expect((await missing()).lookMinutes).toBe(0)
  })

  it('tells what honing is worth here until the house has said how often it hones', async () => {
    const { habitGain } = await missing()
    expect(habitGain?.daysHoned).toBeGreaterThan(habitGain?.daysUnhoned ?? Infinity)
    await house.manager.send('PATCH', '/api/house', { honingHabit: 'most-days' })
    expect(await gap('habit')).toBeUndefined()
    expect((await missing()).habitGain).toBeNull()
  })

  it('forgets the shelf once a stone is on it, and asks what goes with it', async () => {
    expect(await gap('stones')).toBeDefined()
    await house.manager.post('/api/gear', {
      id: newId(),
      name: 'Thousand',
      kind: 'soaking-stone',
      scale: 'JIS',
      grit: 1000,
    })
    expect(await gap('stones')).toBeUndefined()
    expect(await gap('flattening')).toBeDefined()
  })

  it('knows nobody’s days from a day off alone', async () => {
    const { id } = house.people.cook
    const day = { day: '2026-03-12', note: 'ill' }
    const send = (starts: string | null, ends: string | null): Promise<unknown> =>
      house.manager.send('PUT', `/api/people/${id}/shift-days`, { days: [], entries: [{ ...day, starts, ends }] })
    const others = ((await house.manager.get('/api/crew')).body as { shifts: { personId: string }[] }).shifts
    for (const personId of new Set(others.map((one) => one.personId)))
      await house.manager.send('PUT', `/api/people/${personId}/shifts`, { shifts: [] })
    await send(null, null)
    expect(await gap('hands')).toBeDefined()
    await send('10:00', '18:00')
    expect(await gap('hands')).toBeUndefined()
  })

  it('keeps which parts of moving in are right, and refuses others', async () => {
    await house.manager.send('PATCH', '/api/house', { settled: ['week'] })
    expect((await house.manager.get('/api/session')).body.house.settled).toEqual(['week'])
    expect(await gap('stations')).toBeDefined()
    expect((await house.manager.send('PATCH', '/api/house', { settled: ['roof'] })).status).toBe(422)
  })
})
