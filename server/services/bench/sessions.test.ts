import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, check, JUST_NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
const ids: Record<number, string> = {}
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  for (const grit of [320, 1000, 3000]) {
    const id = newId()
    ids[grit] = id
    const answer = await house.manager.post('/api/gear', {
      id,
      name: `Bench ${grit}`,
      kind: grit < 2000 ? 'soaking-stone' : 'splash-stone',
      scale: 'JIS',
      grit,
    })
    if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  }
})
afterAll(() => test.close())

const offer = async (knifeId: string, wish: object = {}): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post(`/api/knives/${knifeId}/bench`, wish)
const start = async (knifeId: string, more: object = {}): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post('/api/bench-sessions', { id: newId(), knifeId, ...more })
const at = (seconds: number): string => new Date(JUST_NOW.getTime() + seconds * 1000).toISOString()

describe('gear', () => {
  it('takes what its kind and grain usually need', async () => {
    const gear = (await house.manager.get('/api/gear')).body
    const coarse = gear.find((one: { id: string }) => one.id === ids[320])
    expect(coarse).toMatchObject({ micron: 40, soakMinutes: 30, bath: 'coarse', flatten: { due: false } })
    expect(gear.find((one: { id: string }) => one.id === ids[3000])).toMatchObject({
      micron: 4,
      soakMinutes: 0,
      bath: 'fine',
    })
  })

  it('warns before a splash-and-go stone is left to soak', async () => {
    const { body } = await house.manager.send('PATCH', `/api/gear/${ids[3000]}`, { soakMinutes: 20 })
    expect(body.warnings).toEqual(['soaking-hurts'])
    await house.manager.send('PATCH', `/api/gear/${ids[3000]}`, { soakMinutes: 0 })
  })

  it('refuses a grit its scale does not have, a name that is taken, and a cook’s hand', async () => {
    const odd = await house.manager.post('/api/gear', {
      id: newId(),
      name: 'Odd',
      kind: 'soaking-stone',
      scale: 'JIS',
      grit: 40_000,
    })
    expect(odd.status).toBe(422)
    expect(odd.body.error.sentence).toMatch(/outside the JIS scale, 80 to 8000/)
    expect((await house.manager.post('/api/gear', { id: newId(), name: 'bench 1000', kind: 'strop' })).status).toBe(409)
    expect(
      (await (await onTablet(test, house, 'cook')).post('/api/gear', { id: newId(), name: 'Mine', kind: 'strop' }))
        .status,
    ).toBe(403)
  })

  it('knows the coins of the house', async () => {
    const pieces = [
      { name: '1 €', mm: 2.33, count: 6 },
      { name: 'card', mm: 0.76, count: 10 },
    ]
    expect((await house.manager.send('PUT', '/api/stack-pieces', pieces)).body).toEqual(pieces)
    expect((await house.manager.get('/api/stack-pieces')).body).toEqual(pieces)
  })
})

describe('what the bench offers', () => {
  it('lays out the recipe for the knife over the stones on the shelf', async () => {
    const knife = await addTestKnife(house, { code: 'BENCH-1', condition: 'new' })
    await house.manager.post('/api/events', { events: [check(knife.id, 420, 430, 470)] })
    const { body } = await offer(knife.id, { recipeId: 'full' })
    expect(body.plan.recipeId).toBe('full')
    expect(body.plan.stages.map((stage: { stoneName: string }) => stage.stoneName)).toEqual([
      'Bench 320',
      'Bench 1000',
      'Bench 3000',
    ])
    expect(body.soak.map((one: { bath: string }) => one.bath)).toEqual(['coarse', 'fine'])
    expect(body.plan.steps[0].kind).toBe('look')
    expect(body.starts.find((one: { planned: boolean }) => one.planned).stoneName).toBe('Bench 320')
    const own = await offer(knife.id, { recipeId: 'full', startWith: ids[1000] })
    expect(own.body.plan.stages[0].stoneName).toBe('Bench 1000')
    expect(own.body.plan.stages[0].minutes).toBeGreaterThan(body.plan.stages[0].minutes)
  })

  it('says what is missing when there is no stone', async () => {
    const bare = await test.house('Bare house')
    const knife = await addTestKnife(bare)
    const { status, body } = await bare.manager.post(`/api/knives/${knife.id}/bench`, { recipeId: 'full' })
    expect(status).toBe(409)
    expect(body.error.sentence).toMatch(/no stone on the shelf/)
  })

  it('warns of a steel on a hard blade', async () => {
    const knife = await addTestKnife(house, { code: 'HARD-1', hrc: 64 })
    expect((await offer(knife.id, { recipeId: 'steel' })).body.warnings).toContain('steel-on-hard-blade')
  })
})

describe('a session', () => {
  it('goes from the first look to the last test, and the knife’s log says what was done', async () => {
    const knife = await addTestKnife(house, { code: 'GO-1', condition: 'in-use' })
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const act = async (
      ...actions: object[]
    ): Promise<{ status: number; body: { outcome: string | null; actions: unknown[] } }> =>
      house.manager.post(`/api/bench-sessions/${session.id}/actions`, { actions })
    const step = session.plan.steps.find((one: { kind: string }) => one.kind === 'side').id
    const twice = { id: newId(), at: at(60), kind: 'strokes', stepId: step, zone: 'heel', count: 6 }
    await act(
      { id: newId(), at: at(1), kind: 'force', when: 'before', zone: 'tip', forceGf: 380 },
      { id: newId(), at: at(30), kind: 'go', stepId: step },
      twice,
    )
    const again = await act(twice)
    expect(again.body.actions.filter((one) => JSON.stringify(one).includes(twice.id))).toHaveLength(1)
    const ended = await act(
      { id: newId(), at: at(61), kind: 'carry-over', zone: 'heel', what: 'a deep scratch' },
      { id: newId(), at: at(62), kind: 'force', when: 'after', zone: 'tip', forceGf: 190 },
      { id: newId(), at: at(63), kind: 'finish' },
    )
    expect(ended.body.outcome).toBe('finished')
    const log: { kind: string; payload: object }[] = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    const kinds = log.map((one) => one.kind)
    expect(kinds).toEqual(expect.arrayContaining(['checked', 'sharpened']))
    expect(log.find((one) => one.kind === 'sharpened')?.payload).toMatchObject({ strokes: { left: 0, right: 6 } })
    expect(kinds.filter((kind: string) => kind === 'checked')).toHaveLength(2)
    expect((await house.manager.get(`/api/knives/${knife.id}/carry-overs`)).body).toMatchObject([
      { zone: 'heel', what: 'a deep scratch' },
    ])
    const gear = (await house.manager.get('/api/gear')).body
    expect(gear.find((one: { id: string }) => one.id === session.plan.stages[0].stoneId).knivesSince).toBeGreaterThan(0)
    expect((await act({ id: newId(), at: at(99), kind: 'pause' })).status).toBe(409)
  })

  it('is one at a time, and can be taken over and broken off', async () => {
    const knife = await addTestKnife(house, { code: 'ONE-1' })
    const id = newId()
    const session = (await start(knife.id, { id })).body
    expect((await start(knife.id, { id })).body.id).toBe(session.id)
    const second = await start(knife.id)
    expect(second.status).toBe(409)
    expect(second.body.error.sentence).toMatch(/The chef is at ONE-1 already/)
    expect((await offer(knife.id)).body.open).toMatchObject({ sessionId: session.id, personName: 'The chef' })
    const tablet = await onTablet(test, house, 'sharpener')
    const taken = await tablet.post(`/api/bench-sessions/${session.id}/actions`, {
      actions: [
        { id: newId(), at: at(5), kind: 'take-over' },
        { id: newId(), at: at(6), kind: 'abandon' },
      ],
    })
    expect(taken.body).toMatchObject({ outcome: 'abandoned' })
    const kinds = (await house.manager.get(`/api/knives/${knife.id}/events`)).body.map(
      (one: { kind: string }) => one.kind,
    )
    expect(kinds).toEqual(['added'])
    expect((await start(knife.id)).status).toBe(200)
  })

  it('is nobody else’s until they take it over, and then asks of them what it asked of whoever began it', async () => {
    const knife = await addTestKnife(house, { code: 'OVER-1' })
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const act = (by: typeof house.manager, ...actions: object[]): ReturnType<typeof house.manager.post> =>
      by.post(`/api/bench-sessions/${session.id}/actions`, { actions })
    const [takeOver, finish] = ['take-over', 'finish'].map((kind) => () => ({ id: newId(), at: at(5), kind })) as [
      () => object,
      () => object,
    ]
    const apprentice = await onTablet(test, house, 'apprentice')
    const refused = await act(apprentice, finish())
    expect([refused.status, refused.body.error.sentence]).toEqual([
      409,
      'The chef is at this knife. Take it over first; then what you do stands under your name.',
    ])
    // an apprentice may not begin this, and so not take it over either
    expect((await act(apprentice, takeOver(), finish())).status).toBe(403)
    const events = async (): Promise<{ kind: string; personId: string }[]> =>
      (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    expect((await events()).map(({ kind }) => kind)).toEqual(['added'])
    const sharpener = await onTablet(test, house, 'sharpener')
    expect((await act(sharpener, takeOver())).status).toBe(200)
    // whoever began it is another now
    expect((await act(house.manager, finish())).status).toBe(409)
    expect((await act(sharpener, finish())).body.outcome).toBe('finished')
    const sharpened = (await house.manager.get(`/api/exchange/events.csv`)).body as string
    expect(sharpened).toContain('OVER-1')
    const own = (await events()).find(({ kind }) => kind === 'sharpened')
    expect(own).toMatchObject({ personName: 'The sharpener' })
  })

  it('on stones is not an apprentice’s, and never another house’s', async () => {
    const knife = await addTestKnife(house, { code: 'MINE-1' })
    const apprentice = await onTablet(test, house, 'apprentice')
    expect(
      (await apprentice.post('/api/bench-sessions', { id: newId(), knifeId: knife.id, recipeId: 'full' })).status,
    ).toBe(403)
    expect(
      (await apprentice.post('/api/bench-sessions', { id: newId(), knifeId: knife.id, recipeId: 'steel' })).status,
    ).toBe(200)
    const other = await test.house('Across the road')
    expect((await other.manager.post(`/api/knives/${knife.id}/bench`, {})).status).toBe(404)
  })

  it('honing by recipe is logged as honing', async () => {
    const knife = await addTestKnife(house, { code: 'HONE-1' })
    const session = (await start(knife.id, { recipeId: 'strop' })).body
    await house.manager.post(`/api/bench-sessions/${session.id}/actions`, {
      actions: [{ id: newId(), at: at(3), kind: 'finish' }],
    })
    const [last] = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    expect(last).toMatchObject({ kind: 'honed', payload: { tool: 'strop' } })
  })
})

describe('a session begun where no server could be asked', () => {
  it('comes under the plan that was given out, at the time it was begun, once', async () => {
    const knife = await addTestKnife(house)
    const { body: given } = await offer(knife.id)
    const id = newId()
    const begunAway = { plan: given.plan, skill: given.start.skill, seal: given.seal, at: at(5) }
    const [first, again] = [await start(knife.id, { id, begunAway }), await start(knife.id, { id, begunAway })]
    expect(first.status).toBe(200)
    expect(first.body).toMatchObject({ id, startedBy: house.people.chef.id, plan: { recipeId: given.plan.recipeId } })
    expect(first.body.plan.steps.map((step: { id: string }) => step.id)).toEqual(
      given.plan.steps.map((step: { id: string }) => step.id),
    )
    expect(again.body).toEqual(first.body)
    // a clock that runs ahead does not begin sessions in the future
    expect(Date.parse(first.body.startedAt)).toBeLessThanOrEqual(JUST_NOW.getTime())
  })

  it('is refused where the plan was changed, is another’s, or is of another knife', async () => {
    const [knife, other] = [await addTestKnife(house), await addTestKnife(house)]
    const { body: given } = await offer(knife.id)
    const begunAway = { plan: given.plan, skill: given.start.skill, seal: given.seal, at: at(5) }
    const changed = { ...begunAway, plan: { ...given.plan, finishMicron: given.plan.finishMicron + 1 } }
    const easier = { ...begunAway, skill: given.start.skill === 'hone' ? null : 'hone' }
    const older = { ...begunAway, seal: `1${given.seal}` }
    for (const wrong of [changed, easier, older]) {
      const refused = await start(knife.id, { begunAway: wrong })
      expect(refused.status).toBe(409)
      expect(refused.body.error.sentence).toContain('Begin again.')
    }
    expect((await start(other.id, { begunAway })).status).toBe(409)
    const sharpener = await onTablet(test, house, 'sharpener')
    expect((await sharpener.post('/api/bench-sessions', { id: newId(), knifeId: knife.id, begunAway })).status).toBe(
      409,
    )
    expect((await start(knife.id, { begunAway })).status).toBe(200)
  })
})
