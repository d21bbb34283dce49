import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { HOUR_MS } from '../../../core/time'
import { addTestKnife, check, NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
})
beforeEach(async () => {
  house = await test.house(`House ${newId()}`)
})
afterAll(() => test.close())

const walk = (personId: string, inOrder: boolean): object => ({ id: newId(), personId, at: NOW.toISOString(), inOrder })
const send = (knifeId: string, kind: string, payload: object, at = NOW): ReturnType<TestHouse['manager']['post']> =>
  house.manager.post('/api/events', { events: [{ id: newId(), knifeId, kind, at: at.toISOString(), payload }] })

describe('what a house says of its honing', () => {
  it('is where every belief begins, by person where that differs', async () => {
    await house.manager.send('PATCH', '/api/house', { honingHabit: 'each-time' })
    await house.manager.send('PATCH', `/api/people/${house.people.cook.id}`, { honingHabit: 'hardly-ever' })
    await addTestKnife(house, { code: 'A-1', holderId: house.people.cook.id })
    await addTestKnife(house, { code: 'A-2', holderId: house.people.chef.id })
    const { habits } = (await house.manager.get('/api/learning')).body as {
      habits: { personId: string; honed: number; stated: string }[]
    }
    const of = (personId: string): { honed: number; stated: string } =>
      habits.find((habit) => habit.personId === personId) ?? { honed: NaN, stated: '' }
    expect(of(house.people.chef.id)).toMatchObject({ stated: 'each-time' })
    expect(of(house.people.chef.id).honed).toBeGreaterThan(0.8)
    expect(of(house.people.cook.id).honed).toBeLessThan(0.2)
  })

  it('is refused in words nobody has', async () => {
    expect((await house.manager.send('PATCH', '/api/house', { honingHabit: 'sometimes' })).status).toBe(422)
  })
})

describe('a walk through the kitchen', () => {
  it('is evidence of who hones, is recorded once, and only by who runs the house', async () => {
    await addTestKnife(house, { code: 'W-1', holderId: house.people.cook.id })
    const honed = async (): Promise<number> => (await house.manager.get('/api/learning')).body.habits[0].honed
    const before = await honed()
    const walks = [1, 2, 3].map(() => walk(house.people.cook.id, false))
    expect((await house.manager.post('/api/walks', { walks })).body).toEqual({ recorded: 3 })
    expect((await house.manager.post('/api/walks', { walks })).body).toEqual({ recorded: 0 })
    expect(await honed()).toBeLessThan(before)
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.post('/api/walks', { walks })).status).toBe(403)
  })

  it('of a stranger, or tomorrow, is refused, all of it', async () => {
    const other = await test.house('Down the lane')
    const strange = [walk(house.people.cook.id, true), walk(other.people.cook.id, true)]
    expect((await house.manager.post('/api/walks', { walks: strange })).status).toBe(404)
    const late = { ...walk(house.people.cook.id, true), at: new Date(NOW.getTime() + 26 * HOUR_MS).toISOString() }
    expect((await house.manager.post('/api/walks', { walks: [late] })).status).toBe(422)
    expect((await house.manager.post('/api/walks', { walks: [walk(house.people.cook.id, true)] })).body.recorded).toBe(
      1,
    )
  })
})

describe('what somebody hones with', () => {
  it('is said once by themselves, and asked for on every knife of theirs it does not chip', async () => {
    const soft = await addTestKnife(house, { code: 'T-1', holderId: house.people.cook.id, hrc: 56 })
    const hard = await addTestKnife(house, { code: 'T-2', holderId: house.people.cook.id, hrc: 63 })
    const cook = await onTablet(test, house, 'cook')
    const put = (personId: string, tool: string | null): ReturnType<typeof cook.send> =>
      cook.send('PUT', `/api/people/${personId}/hone-tool`, { tool })
    expect((await put(house.people.cook.id, 'ceramic-rod')).body).toMatchObject({ honeTool: 'ceramic-rod' })
    expect((await put(house.people.chef.id, 'strop')).status).toBe(403)
    for (const { id } of [soft, hard])
      await send(id, 'checked', { readings: [], ladder: [{ zone: 'whole', rung: 'paper' }] })
    const knives = (await house.manager.get('/api/fleet')).body.knives as { id: string; verdict: { tool: string } }[]
    const toolOf = (id: string): string | undefined => knives.find((knife) => knife.id === id)?.verdict.tool
    expect(toolOf(soft.id)).toBe('ceramic-rod')
    await put(house.people.cook.id, 'smooth-steel')
    const after = (await house.manager.get('/api/fleet')).body.knives as typeof knives
    expect(after.find(({ id }) => id === hard.id)?.verdict.tool).toBe('strop')
  })
})

describe('what is said after a honing', () => {
  it('“no” makes the next action a test or the stone, and taking it back makes it what it was', async () => {
    const knife = await addTestKnife(house, { code: 'S-1', condition: 'new' })
    await house.manager.post('/api/events', {
      events: [check(knife.id, 170, 170, 170, new Date(NOW.getTime() - 3 * HOUR_MS))],
    })
    await send(knife.id, 'honed', { tool: 'smooth-steel' }, new Date(NOW.getTime() - HOUR_MS))
    const said = await send(knife.id, 'came-back', { said: 'not' }, new Date(NOW.getTime() - HOUR_MS / 2))
    expect(['check', 'stone']).toContain(said.body.knives[0].verdict.action)
    expect(said.body.knives[0].verdict.reasons[0].code).toBe('hone-failed')
    const timeline = (await house.manager.get(`/api/knives/${knife.id}/events`)).body as { id: string; kind: string }[]
    const last = timeline.find(({ kind }) => kind === 'came-back')
    const back = await send(knife.id, 'voided', { eventId: last?.id, reason: 'wrong knife' })
    expect(['none', 'hone']).toContain(back.body.knives[0].verdict.action)
  })
})
