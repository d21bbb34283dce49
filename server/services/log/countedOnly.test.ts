import { afterAll, beforeAll, expect, it } from 'vitest'
import { addTestKnife, check, event, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

it('shears have a place and a holder, and nothing is ever due on them', async () => {
  const { id } = await addTestKnife(house, { code: 'SH-1', type: 'shears', lengthMm: 90 })
  const find = async (): Promise<Record<string, unknown>> =>
    (await house.manager.get('/api/fleet')).body.knives.find((one: { id: string }) => one.id === id)
  expect(await find()).toMatchObject({ status: 'counted', judgeDue: false, dullAhead: null })

  const refused = await house.manager.post('/api/events', { events: [check(id, 200, 210, 220)] })
  expect(refused.status).toBe(409)
  expect(refused.body.error.sentence).toMatch(/counted only/)

  const move = event(id, 'moved', { holderId: house.people.cook.id })
  expect((await house.manager.post('/api/events', { events: [move] })).status).toBeLessThan(300)
  expect(await find()).toMatchObject({ holderId: house.people.cook.id, status: 'counted' })
})
