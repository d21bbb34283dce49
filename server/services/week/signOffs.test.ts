import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Incidents } from '../../../contract/incidents'
import type { SignOff } from '../../../contract/signOff'
import { LESSONS } from '../../../core/course/lessons'
import { DAY_MS, MINUTE_MS } from '../../../core/time'
import {
  addTestKnife,
  check,
  NOW,
  onTablet,
  PASSWORD,
  startApp,
  type Client,
  type TestApp,
  type TestHouse,
} from '../../testing/harness'

let test: TestApp
let house: TestHouse
let now = NOW
/** Time goes on; after a day nobody is signed in any more. */
async function later(ms: number): Promise<void> {
  now = new Date(now.getTime() + ms)
  await house.manager.post('/api/session', { signInName: house.signInName, password: PASSWORD })
}
beforeAll(async () => {
  test = await startApp({ clock: () => now })
  house = await test.house()
  await house.manager.post('/api/gear', {
    id: newId(),
    name: 'Bench 1000',
    kind: 'soaking-stone',
    scale: 'JIS',
    grit: 1000,
  })
})
afterAll(() => test.close())

const level = (by: Client, personId: string, skill: string, to: string | null): ReturnType<Client['send']> =>
  by.send('PUT', `/api/people/${personId}/levels/${skill}`, { level: to })
const standing = async (by: Client, personId: string, skill: string): Promise<SignOff | undefined> =>
  ((await by.get('/api/sign-offs')).body as SignOff[]).find((one) => one.personId === personId && one.skill === skill)

describe('a level', () => {
  it('names who said it, when and on what, and decides who works alone', async () => {
    const { cook } = house.people
    const said = await level(house.manager, cook.id, 'thinning', 'supervised')
    expect(said.status).toBe(200)
    expect(await standing(house.manager, cook.id, 'thinning')).toMatchObject({
      level: 'supervised',
      signedBy: house.people.chef.id,
      signedAt: now.toISOString(),
      signedOn: { supervised: 0, missing: ['supervised', 'tested', 'held'] },
    })
    const mayAlone = async (): Promise<boolean> =>
      ((await house.manager.get('/api/crew')).body.skills as { personId: string; skill: string }[]).some(
        (one) => one.personId === cook.id && one.skill === 'thinning',
      )
    // the week plans by this list
    expect(await mayAlone()).toBe(false)
    await level(house.manager, cook.id, 'thinning', 'teaches')
    expect(await mayAlone()).toBe(true)
    await level(house.manager, cook.id, 'thinning', null)
    expect(await standing(house.manager, cook.id, 'thinning')).toMatchObject({ level: null, signedOn: null })
  })

  it('takes a sharpener’s role away where their teacher says so', async () => {
    const knife = await addTestKnife(house, { code: 'ROLE-1' })
    const sharpener = await onTablet(test, house, 'sharpener')
    const may = async (): Promise<boolean> =>
      (await sharpener.post(`/api/knives/${knife.id}/bench`, { recipeId: 'thin' })).body.start.may as boolean
    expect(await may()).toBe(true)
    await level(house.manager, house.people.sharpener.id, 'thinning', 'shown')
    expect(await may()).toBe(false)
    await level(house.manager, house.people.sharpener.id, 'thinning', null)
  })

  it('is nobody’s to say of themself while another could, and a teacher’s only so far', async () => {
    // the only one who manages the house may, or nobody ever could
    expect((await level(house.manager, house.people.chef.id, 'full', 'teaches')).status).toBe(200)
    const sharpener = await onTablet(test, house, 'sharpener')
    const own = await level(sharpener, house.people.sharpener.id, 'full', 'alone')
    expect(own.status).toBe(403)
    expect(own.body.error.sentence).toMatch(/Nobody signs themself off/)
    expect((await level(sharpener, house.people.cook.id, 'full', 'shown')).status).toBe(403)
    await level(house.manager, house.people.sharpener.id, 'full', 'teaches')
    expect((await level(sharpener, house.people.cook.id, 'full', 'supervised')).status).toBe(200)
    const tooFar = await level(sharpener, house.people.cook.id, 'full', 'alone')
    expect([tooFar.status, tooFar.body.error.sentence]).toEqual([
      403,
      expect.stringContaining('The rest is the chef’s'),
    ])
    // what the chef has said is not taken back by a teacher
    await level(house.manager, house.people.cook.id, 'full', 'alone')
    expect((await level(sharpener, house.people.cook.id, 'full', 'shown')).status).toBe(403)
    // a second manager, and the first is bound as well, by the list of skills too
    await house.manager.send('PATCH', `/api/people/${house.people.cook.id}`, { role: 'chef' })
    expect((await level(house.manager, house.people.chef.id, 'machine', 'alone')).status).toBe(403)
    const byList = await house.manager.send('PUT', `/api/people/${house.people.chef.id}/skills`, {
      skills: ['full', 'machine'],
    })
    expect(byList.body.error.sentence).toMatch(/Nobody signs themself off/)
    await house.manager.send('PATCH', `/api/people/${house.people.cook.id}`, { role: 'cook' })
    await level(house.manager, house.people.cook.id, 'full', null)
  })

  it('is one’s own to see, and everybody’s for the chef', async () => {
    const cook = await onTablet(test, house, 'cook')
    const seen = (await cook.get('/api/sign-offs')).body as SignOff[]
    expect(new Set(seen.map(({ personId }) => personId))).toEqual(new Set([house.people.cook.id]))
    expect(
      new Set(((await house.manager.get('/api/sign-offs')).body as SignOff[]).map((one) => one.personId)).size,
    ).toBe(4)
  })
})

/** A session of the apprentice with the sharpener beside, tested off the stone and after some hours of use. */
async function supervised(code: string, { fresh, used }: { fresh: number | null; used: number }): Promise<void> {
  const knife = await addTestKnife(house, { code })
  await house.manager.post('/api/events', { events: [check(knife.id, 420, 430, 440, now)] })
  const apprentice = await onTablet(test, house, 'apprentice')
  await later(MINUTE_MS)
  const begun = await apprentice.post('/api/bench-sessions', {
    id: newId(),
    knifeId: knife.id,
    recipeId: 'full',
    besideId: house.people.sharpener.id,
  })
  expect(begun.body.besideId).toBe(house.people.sharpener.id)
  await later(20 * MINUTE_MS)
  const forces =
    fresh === null
      ? []
      : (['heel', 'belly', 'tip'] as const).map((zone) => ({
          id: newId(),
          at: now.toISOString(),
          kind: 'force',
          when: 'after',
          zone,
          forceGf: fresh,
        }))
  const ended = await apprentice.post(`/api/bench-sessions/${begun.body.id}/actions`, {
    actions: [...forces, { id: newId(), at: now.toISOString(), kind: 'finish' }],
  })
  expect(ended.status).toBe(200)
  // dinner and the next lunch: four hours of work
  await later(DAY_MS)
  await house.manager.post('/api/events', { events: [check(knife.id, used, used - 10, used - 20, now)] })
}

describe('the evidence', () => {
  it('is sessions with somebody beside, tested and judged after use; the chef is asked once there are three', async () => {
    const { apprentice } = house.people
    await level(house.manager, apprentice.id, 'full', 'supervised')
    await supervised('EV-1', { fresh: 170, used: 250 })
    await supervised('EV-2', { fresh: 180, used: 260 })
    expect(await standing(house.manager, apprentice.id, 'full')).toMatchObject({
      now: { sessions: 2, supervised: 2, tested: 2, held: 2 },
      proposal: null,
    })
    await supervised('EV-3', { fresh: null, used: 260 })
    expect((await standing(house.manager, apprentice.id, 'full'))?.now).toMatchObject({ supervised: 3, tested: 2 })
    await supervised('EV-4', { fresh: 170, used: 270 })
    expect(await standing(house.manager, apprentice.id, 'full')).toMatchObject({
      now: { supervised: 4, tested: 3, held: 3, missing: [] },
      proposal: { to: 'alone', why: 'evidence' },
    })
    await level(house.manager, apprentice.id, 'full', 'alone')
    const signed = await standing(house.manager, apprentice.id, 'full')
    expect(signed).toMatchObject({ level: 'alone', signedOn: { supervised: 4, held: 3 }, proposal: null })
  })

  it('lapses by rest, as a question; whoever is kept at it is not asked of again', async () => {
    const { apprentice } = house.people
    await later(200 * DAY_MS)
    expect((await standing(house.manager, apprentice.id, 'full'))?.proposal).toEqual({
      to: 'supervised',
      why: 'disuse',
    })
    await level(house.manager, apprentice.id, 'full', 'alone')
    expect((await standing(house.manager, apprentice.id, 'full'))?.proposal).toBeNull()
  })
})

describe('a lesson', () => {
  it('ends by its right answer, once, and counts for whoever gave it', async () => {
    const cook = await onTablet(test, house, 'cook')
    const answer = (at: number): ReturnType<Client['send']> => cook.send('PUT', '/api/lessons/rod', { answer: at })
    expect((await answer((LESSONS.rod.answer + 1) % 3)).body).toEqual({ right: false })
    expect((await answer(LESSONS.rod.answer)).body).toEqual({ right: true })
    await answer(LESSONS.rod.answer)
    const practice = (await cook.get(`/api/people/${house.people.cook.id}/practice`)).body
    expect(practice.lessons).toEqual([{ lesson: 'rod', at: now.toISOString() }])
    expect(practice.next).toMatchObject({ lesson: 'safety', why: 'lesson' })
    expect((await cook.send('PUT', '/api/lessons/rod', { answer: 7 })).status).toBe(422)
  })
})

describe('an accident', () => {
  it('is anybody’s to write down, the chef’s to read, and names nobody', async () => {
    const cook = await onTablet(test, house, 'cook')
    const incident = {
      id: newId(),
      at: now.toISOString(),
      what: 'cut',
      place: 'sink',
      step: 'clean',
      note: 'a full sink',
    }
    expect((await cook.post('/api/incidents', incident)).status).toBe(200)
    expect((await cook.post('/api/incidents', incident)).status).toBe(200)
    expect((await cook.get('/api/incidents')).status).toBe(403)
    const { body } = await house.manager.get('/api/incidents')
    expect((body as Incidents).yearly).toEqual([{ what: 'cut', place: 'sink', count: 1 }])
    expect(body.latest).toEqual([{ ...incident, cause: '', knifeId: null, photoIds: [] }])
    expect(JSON.stringify(body)).not.toContain(house.people.cook.id)
    expect((await cook.post('/api/incidents', { ...incident, id: newId(), at: '2031-01-01T00:00:00Z' })).status).toBe(
      422,
    )
    expect((await cook.post('/api/incidents', { ...incident, id: newId(), place: 'moon' })).status).toBe(422)
  })
})
