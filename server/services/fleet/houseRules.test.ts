import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Fleet } from '../../../contract/fleet'
import type { PlanView } from '../../../contract/week'
import { BY_CONDITION, type PolicyRule } from '../../../core/policy/policy'
import { addTestKnife, check, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
let boning: { id: string }
let chefs: { id: string }

beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  await house.manager.post('/api/gear', { id: newId(), name: 'One', kind: 'splash-stone', scale: 'JIS', grit: 1000 })
  await house.manager.send('PUT', `/api/people/${house.people.sharpener.id}/skills`, {
    skills: ['full', 'maintenance'],
  })
  boning = await addTestKnife(house, {
    code: 'BO-1',
    type: 'boning-stiff',
    role: 'butchery',
    holderId: house.people.cook.id,
  })
  chefs = await addTestKnife(house, { code: 'CH-1', holderId: house.people.cook.id })
  await house.manager.post('/api/events', { events: [check(chefs.id, 180, 175, 190), check(boning.id, 190, 180, 200)] })
})
afterAll(() => test.close())

const rule = (more: Partial<PolicyRule>): PolicyRule => ({ ...BY_CONDITION, scope: 'house', of: '', ...more })
const keep = (...policies: readonly PolicyRule[]): ReturnType<typeof house.manager.send> =>
  house.manager.send('PATCH', '/api/house', { policies })
const verdictOf = async (id: string): Promise<Fleet['knives'][number]['verdict'] | undefined> =>
  ((await house.manager.get('/api/fleet')).body as Fleet).knives.find((knife) => knife.id === id)?.verdict
const plan = async (): Promise<PlanView> => (await house.manager.get('/api/plan')).body as PlanView

describe('a rule of the house', () => {
  it('changes what a knife is asked for, and says what its edge would have', async () => {
    expect((await verdictOf(chefs.id))?.byCondition).toBeNull()
    expect((await keep(rule({ school: 'every-weeks', weeks: 3 }))).status).toBe(200)
    // nobody has ever said when it was sharpened
    const due = await verdictOf(chefs.id)
    expect([due?.action, due?.reasons[0]?.code]).toEqual(['stone', 'rule-unknown'])
    expect(due?.byCondition?.action).toMatch(/hone|none/)
    expect(due?.cost.minutes).toBeGreaterThan(0)
    expect([...(await plan()).byRule].sort()).toEqual([boning.id, chefs.id].sort())
  })

  it('of the calendar knows that a knife comes sharp from its maker', async () => {
    const fresh = await addTestKnife(house, { code: 'NEW-1', holderId: house.people.cook.id, boughtOn: '2026-03-01' })
    await keep(rule({ school: 'every-weeks', weeks: 3 }))
    expect((await verdictOf(fresh.id))?.reasons[0]?.code).not.toMatch(/^rule-(unknown|due)$/)
    await keep(rule({ school: 'weekly' }))
    // nine days ago, and not used since: it is no turn of an edge that has done nothing
    expect((await verdictOf(fresh.id))?.reasons[0]?.code).not.toBe('rule-unknown')
    await house.manager.post(`/api/events`, {
      events: [
        {
          id: newId(),
          knifeId: fresh.id,
          kind: 'retired',
          at: '2026-03-10T15:00:20.000Z',
          payload: { reason: 'a test’s' },
        },
      ],
    })
  })

  it('for one kind counts before that of the house, and takes work out of the windows', async () => {
    await keep(
      rule({ school: 'every-weeks', weeks: 3 }),
      rule({ scope: 'type', of: 'boning-stiff', school: 'every-job' }),
    )
    expect((await verdictOf(chefs.id))?.reasons[0]?.code).toBe('rule-unknown')
    const { rounds, unheld, problem } = await plan()
    const after = rounds.filter(({ kind }) => kind === 'after').map(({ knifeId }) => knifeId)
    expect([...after, ...unheld.map(({ knifeId }) => knifeId)]).toContain(boning.id)
    expect(after).not.toContain(chefs.id)
    const job = problem.jobs.find(({ knifeId }) => knifeId === boning.id)
    expect([job?.dullHoursLeft, job?.next]).toEqual([0, null])
  })

  it('of never honing asks nobody to hone', async () => {
    await keep(rule({ honing: 'never' }))
    const { rounds } = await plan()
    expect(rounds.filter(({ kind }) => kind === 'hone')).toEqual([])
    expect((await verdictOf(chefs.id))?.action).not.toBe('hone')
  })

  it('of nobody else’s hands binds the plan and the bench', async () => {
    await keep(rule({ scope: 'person', of: house.people.cook.id, ownHands: true }))
    expect((await plan()).problem.jobs.map(({ onlyHands }) => onlyHands)).toEqual([
      house.people.cook.id,
      house.people.cook.id,
    ])
    const sharpener = await onTablet(test, house, 'sharpener')
    const begun = await sharpener.post('/api/bench-sessions', { id: newId(), knifeId: chefs.id, recipeId: 'full' })
    expect(begun.status).toBe(403)
    expect(begun.body.error.sentence).toContain(`only ${house.people.cook.name} takes this knife`)
    const { start } = (await sharpener.post(`/api/knives/${chefs.id}/bench`, { recipeId: 'full' })).body
    expect(start).toMatchObject({ may: false, keptFor: house.people.cook.name })
    // a rod is in everybody's hands
    const rod = (await sharpener.post(`/api/knives/${chefs.id}/bench`, { recipeId: 'rod-ceramic' })).body.start
    expect(rod).toMatchObject({ may: true, keptFor: null })
  })

  it('that contradicts another, or itself, is refused beside its field, and nothing is kept', async () => {
    await keep()
    const twice = await keep(rule({}), rule({ school: 'weekly' }))
    expect(twice.status).toBe(422)
    expect(twice.body.error.issues[0]).toMatchObject({
      path: 'policies.1.of',
      sentence: expect.stringMatching(/already/),
    })
    const rodless = await keep(rule({ school: 'rod-first', honing: 'never' }))
    expect(rodless.body.error.issues[0].path).toBe('policies.0.honing')
    expect((await keep(rule({ weeks: 0 }))).status).toBe(422)
    expect((await house.manager.get('/api/session')).body.house.policies).toEqual([])
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.send('PATCH', '/api/house', { policies: [] })).status).toBe(403)
  })
})
