import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Practice } from '../../../contract/practice'
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
  kind: 'hold',
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
    expect(kept.body.verdict.advice).not.toBe('steady')
    expect((await apprentice.post('/api/drills', one)).status).toBe(200)
    const path = `/api/people/${house.people.apprentice.id}/practice`
    expect((await apprentice.get(path)).body.drills).toMatchObject([{ drill: { id: one['id'], hand: 'right' } }])
    expect(((await house.manager.get(path)).body as Practice).drills).toHaveLength(1)
    expect((await cook.get(path)).status).toBe(403)
    // another tablet's drill of the same person is one of its own
    await apprentice.post('/api/drills', drill({ hand: 'left' }))
    expect(((await apprentice.get(path)).body as Practice).drills).toHaveLength(2)
    expect((await cook.send('DELETE', `/api/drills/${String(one['id'])}`)).status).toBe(404)
    expect((await apprentice.send('DELETE', `/api/drills/${String(one['id'])}`)).status).toBe(200)
    expect((await apprentice.get(path)).body.drills).toMatchObject([{ drill: { hand: 'left' } }])
  })

  it.each([
    ['was broken off', { strokes: strokesOf(1).slice(0, 5) }],
    ['is of no angle', { strokes: strokesOf(1).map((stroke) => stroke.slice(0, 2)) }],
    ['raves', { strokes: strokesOf(1).map((stroke) => stroke.map(() => 400)) }],
    ['has yet to come', { at: '2027-01-01T00:00:00.000Z' }],
    ['slipped', { strokes: strokesOf(1).map((_, at) => Array(8).fill(at < 9 ? 17 : 26)) }],
  ])('that %s is refused with a sentence, and not kept', async (_, more) => {
    const kept = async (): Promise<number> =>
      ((await house.manager.get(`/api/people/${house.people.chef.id}/practice`)).body as Practice).drills.length
    const before = await kept()
    const refused = await house.manager.post('/api/drills', drill(more))
    expect(refused.status).toBe(422)
    expect(refused.body.error.sentence.length).toBeGreaterThan(10)
    expect(await kept()).toBe(before)
  })

  it.each([
    ['press', { hand: 'left', strokes: Array.from({ length: 12 }, () => [22, 23, 21, 22, 2]) }],
    [
      'burr',
      {
        edges: [
          { felt: ['tip'], seen: ['tip'] },
          { felt: [], seen: ['heel'] },
        ],
      },
    ],
    ['read', { edges: [200, 300, 400].map((force) => ({ saidGf: force, measuredGf: force + 20 })) }],
    ['dry', { hand: 'right', perMinute: 40, silentStrokes: 8, tappedMs: 12_100 }],
  ])('of another kind is read back as it was sent: %s', async (kind, more) => {
    const cook = await onTablet(test, house, 'cook')
    const one = { id: newId(), at: JUST_NOW.toISOString(), kind, ...more }
    expect((await cook.post('/api/drills', one)).status).toBe(200)
    const { drills } = (await cook.get(`/api/people/${house.people.cook.id}/practice`)).body as Practice
    expect(drills.map(({ drill }) => drill)).toContainEqual(one)
  })

  it('goes with whoever leaves the house', async () => {
    const sharpener = await onTablet(test, house, 'sharpener')
    const { id } = house.people.sharpener
    await sharpener.post('/api/drills', drill())
    await sharpener.send('PUT', '/api/lessons/safety', { answer: 1 })
    await house.manager.send('PATCH', `/api/people/${id}`, { active: false })
    expect((await house.manager.get(`/api/people/${id}/practice`)).body).toMatchObject({ drills: [], lessons: [] })
  })
})
