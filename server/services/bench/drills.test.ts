import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Drill } from '../../../contract/practice'
import { FIRST_HAND, simulatedStroke } from '../../../core/hands/simulatedHand'
import { chance } from '../../../core/statistics/random'
import { JUST_NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const strokesOf = (seed: number): number[][] => {
  const luck = chance(seed)
  return Array.from({ length: 20 }, (_, stroke) =>
    simulatedStroke({ ...FIRST_HAND, wantedDps: 17 }, luck, { stroke, strokes: 20, angles: 12 }),
  )
}
const drill = (more: object = {}): Record<string, unknown> => ({
  id: newId(),
  at: JUST_NOW.toISOString(),
  hand: 'right',
  wantedDps: 17,
  strokes: strokesOf(1),
  ...more,
})

describe('a drill', () => {
  it('is kept once, with what it says of the hand, for the one who made it and the chef alone', async () => {
    const [apprentice, cook] = [await onTablet(test, house, 'apprentice'), await onTablet(test, house, 'cook')]
    const one = drill()
    const kept = await apprentice.post('/api/drills', one)
    expect(kept.status).toBe(200)
    expect(kept.body.advice).not.toBe('steady')
    expect((await apprentice.post('/api/drills', one)).status).toBe(200)
    const path = `/api/people/${house.people.apprentice.id}/drills`
    expect((await apprentice.get(path)).body).toMatchObject([{ id: one['id'], hand: 'right' }])
    expect((await house.manager.get(path)).body as Drill[]).toHaveLength(1)
    expect((await cook.get(path)).status).toBe(403)
    // another tablet's drill of the same person is one of its own
    await apprentice.post('/api/drills', drill({ hand: 'left' }))
    expect((await apprentice.get(path)).body as Drill[]).toHaveLength(2)
    expect((await cook.send('DELETE', `/api/drills/${String(one['id'])}`)).status).toBe(404)
    expect((await apprentice.send('DELETE', `/api/drills/${String(one['id'])}`)).status).toBe(200)
    expect((await apprentice.get(path)).body).toMatchObject([{ hand: 'left' }])
  })

  it.each([
    ['was broken off', { strokes: strokesOf(1).slice(0, 5) }],
    ['is of no angle', { strokes: strokesOf(1).map((stroke) => stroke.slice(0, 2)) }],
    ['raves', { strokes: strokesOf(1).map((stroke) => stroke.map(() => 400)) }],
    ['has yet to come', { at: '2027-01-01T00:00:00.000Z' }],
    ['slipped', { strokes: strokesOf(1).map((_, at) => Array(8).fill(at < 9 ? 17 : 26)) }],
  ])('that %s is refused with a sentence, and not kept', async (_, more) => {
    const before = (await house.manager.get(`/api/people/${house.people.chef.id}/drills`)).body as Drill[]
    const refused = await house.manager.post('/api/drills', drill(more))
    expect(refused.status).toBe(422)
    expect(refused.body.error.sentence.length).toBeGreaterThan(10)
    expect(((await house.manager.get(`/api/people/${house.people.chef.id}/drills`)).body as Drill[]).length).toBe(
      before.length,
    )
  })

  it('goes with whoever leaves the house', async () => {
    const sharpener = await onTablet(test, house, 'sharpener')
    const { id } = house.people.sharpener
    await sharpener.post('/api/drills', drill())
    await house.manager.send('PATCH', `/api/people/${id}`, { active: false })
    expect((await house.manager.get(`/api/people/${id}/drills`)).body).toEqual([])
  })
})
