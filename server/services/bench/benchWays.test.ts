import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, check, JUST_NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
const stones: Record<number, string> = {}

beforeAll(async () => {
  test = await startApp()
  house = await test.house()
  for (const grit of [320, 1000, 3000]) {
    const id = newId()
    stones[grit] = id
    await house.manager.post('/api/gear', {
      id,
      name: `Bench ${grit}`,
      kind: grit < 2000 ? 'soaking-stone' : 'splash-stone',
      scale: 'JIS',
      grit,
    })
  }
})
afterAll(() => test.close())

const at = (seconds: number): string => new Date(JUST_NOW.getTime() + seconds * 1000).toISOString()
const offer = async (knifeId: string, wish: object = {}): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post(`/api/knives/${knifeId}/bench`, wish)
const start = async (knifeId: string, more: object = {}): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post('/api/bench-sessions', { id: newId(), knifeId, ...more })
/** Each thing done a second after the one before it. */
let seconds = 0
const act = async (
  sessionId: string,
  ...actions: object[]
): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post(`/api/bench-sessions/${sessionId}/actions`, {
    actions: actions.map((action) => ({ id: newId(), at: at(++seconds), ...action })),
  })
const stoneNames = (plan: { stages: { stoneName: string }[] }): string[] => plan.stages.map((one) => one.stoneName)
let serial = 0
const dullKnife = async (forces: readonly [number, number, number]): Promise<{ id: string }> => {
  const knife = await addTestKnife(house, { code: `WAY-${++serial}`, condition: 'new' })
  await house.manager.post('/api/events', { events: [check(knife.id, ...forces)] })
  return knife
}

describe('one figure for one job', () => {
  it('is the same on the knife, at the bench and in the workshop, for a chip and for thinning', async () => {
    const knife = await addTestKnife(house, { code: 'FIG-1', condition: 'new', bteMm: 0.55, bteNewMm: 0.4 })
    const fleet = (await house.manager.get('/api/fleet')).body
    const view = fleet.knives.find((one: { id: string }) => one.id === knife.id)
    const steps = [view.verdict, view.verdict.runnerUp]
    const thin = steps.find((one: { action: string } | null) => one?.action === 'thin')
    const bench = (await offer(knife.id, { recipeId: 'thin' })).body.plan
    expect(thin?.cost.minutes).toBe(bench.minutes)
    const workshop = await start(knife.id, { operation: { kind: 'thin', targetBteMm: 0.4 } })
    expect(Math.abs(workshop.body.plan.minutes - bench.minutes)).toBeLessThanOrEqual(1)
    await act(workshop.body.id, { kind: 'abandon' })
  })

  it('debits what the session’s plan reckoned: the height of the knife goes down by just that', async () => {
    const knife = await dullKnife([430, 440, 450])
    const heightOf = async (): Promise<number> => {
      const { points } = (await house.manager.get(`/api/knives/${knife.id}/edge`)).body.steel
      return points.at(-1).heightMm.mean
    }
    const before = await heightOf()
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const side = session.plan.steps.find((one: { kind: string }) => one.kind === 'side').id
    await act(session.id, { kind: 'strokes', stepId: side, zone: 'heel', count: 9 })
    await act(session.id, { kind: 'finish' })
    const log = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    const sharpened = log.find((one: { kind: string }) => one.kind === 'sharpened').payload
    expect(sharpened.estimateMm).toBeCloseTo(session.plan.takesUm / 1000, 9)
    expect(sharpened.grains).toEqual(session.plan.stages.map((one: { micron: number }) => one.micron))
    expect(before - (await heightOf())).toBeCloseTo(sharpened.estimateMm, 3)
  })
})

describe('the plan after the look', () => {
  it('starts coarser where it glints, with the reason, before anything is worked', async () => {
    const knife = await dullKnife([190, 200, 210])
    const session = (await start(knife.id)).body
    expect(stoneNames(session.plan)[0]).not.toBe('Bench 320')
    const looked = await act(session.id, { kind: 'looked', signs: [], glint: ['belly'], chip: null })
    expect(stoneNames(looked.body.plan)[0]).toBe('Bench 320')
    expect(looked.body.plan.because.map((one: { code: string }) => one.code)).toContain('glint')
    // a house without a tester still leaves a check in the log
    await act(session.id, { kind: 'finish' })
    const log = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    const checks = log.filter((one: { kind: string }) => one.kind === 'checked')
    expect(
      checks.some((one: { payload: { defects?: { glint: string[] } } }) => one.payload.defects?.glint[0] === 'belly'),
    ).toBe(true)
  })

  it('keeps the stone somebody chose, and does not change once a stroke is made', async () => {
    const knife = await dullKnife([190, 200, 210])
    const session = (await start(knife.id, { recipeId: 'full', startWith: stones[1000] })).body
    const looked = await act(session.id, { kind: 'looked', signs: [], glint: ['belly'], chip: null })
    expect(stoneNames(looked.body.plan)[0]).toBe('Bench 1000')
    const other = await dullKnife([190, 200, 210])
    const begun = (await start(other.id, { recipeId: 'full' })).body
    const side = begun.plan.steps.find((one: { kind: string }) => one.kind === 'side').id
    await act(begun.id, { kind: 'strokes', stepId: side, zone: 'tip', count: 4 })
    const late = await act(begun.id, { kind: 'looked', signs: [], glint: ['tip'], chip: null })
    expect(stoneNames(late.body.plan)).toEqual(stoneNames(begun.plan))
  })
})

describe('house ways', () => {
  it('are the house’s, and a person’s own go over them', async () => {
    const knife = await dullKnife([400, 410, 420])
    const chosen = async (): Promise<string> => (await offer(knife.id, { recipeId: 'full' })).body.plan.choices.deburr
    expect(await chosen()).toBe('between-stones')
    await house.manager.send('PUT', '/api/ways', { whose: 'house', ways: { deburr: 'at-the-end' } })
    expect(await chosen()).toBe('at-the-end')
    await house.manager.send('PUT', '/api/ways', { whose: 'own', ways: { deburr: 'between-stones' }, pace: 'brief' })
    expect(await chosen()).toBe('between-stones')
    expect((await offer(knife.id)).body.pace).toBe('brief')
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.send('PUT', '/api/ways', { whose: 'house', ways: {} })).status).toBe(403)
    expect((await cook.send('PUT', '/api/ways', { whose: 'own', ways: { mud: 'keep' } })).body.own).toEqual({
      mud: 'keep',
    })
    expect((await house.manager.send('PUT', '/api/ways', { whose: 'house', ways: { mud: 'eat' } })).status).toBe(422)
    await house.manager.send('PUT', '/api/ways', { whose: 'house', ways: {} })
    await house.manager.send('PUT', '/api/ways', { whose: 'own', ways: {} })
  })
})

describe('what is said before it happens', () => {
  it('warns of oil on a water stone where somebody chose oil, and of a tool that is not on the shelf', async () => {
    const knife = await addTestKnife(house, { code: 'HARD-9', hrc: 64 })
    const water = await offer(knife.id, { recipeId: 'hard-steel' })
    expect(water.body.warnings).not.toContain('oil-on-water-stone')
    const oil = await offer(knife.id, { recipeId: 'hard-steel', choices: { liquid: 'oil' } })
    expect(oil.body.warnings).toContain('oil-on-water-stone')
    expect(oil.body.missing).toContain('paste-film')
    expect((await offer(knife.id, { recipeId: 'rod-ceramic' })).body.missing).toEqual(['ceramic-rod', 'strop-smooth'])
  })

  // The issuing mint's figure: a 5-cent coin is 1.95 mm (US Mint). Three of them on 45 × 2.2 mm are 8.87° by the model.
  it('turns a coin habit into truth: three five-cent coins under this blade are 8.9°', async () => {
    await house.manager.send('PUT', '/api/stack-pieces', [{ name: '5-cent', mm: 1.95, count: 10 }])
    const knife = await addTestKnife(house, { code: 'COIN-1', heelHeightMm: 45, spineMm: 2.2 })
    const { coins } = (await offer(knife.id, { recipeId: 'full' })).body
    expect(coins).toContainEqual({ name: '5-cent', count: 3, dps: 8.9 })
    const low = await addTestKnife(house, { code: 'COIN-2', heelHeightMm: 20, spineMm: 1.6 })
    const under = (await offer(low.id, { recipeId: 'full' })).body.coins
    expect(under.find((one: { count: number }) => one.count === 2).dps).toBeGreaterThan(12)
  })
})

describe('what is left for next time', () => {
  it('stays with the knife over sessions until somebody ticks it off; the second to tick hears who was first', async () => {
    const knife = await dullKnife([400, 410, 420])
    const session = (await start(knife.id, { recipeId: 'full' })).body
    await act(session.id, { kind: 'carry-over', zone: 'heel', what: 'a deep scratch' }, { kind: 'finish' })
    const next = (await start(knife.id, { recipeId: 'full' })).body
    await act(next.id, { kind: 'finish' })
    const left = (await house.manager.get(`/api/knives/${knife.id}/carry-overs`)).body
    expect(left).toMatchObject([{ zone: 'heel', what: 'a deep scratch', leftBy: 'The chef' }])
    const tick = `/api/knives/${knife.id}/carry-overs/${left[0].id}/done`
    const sharpener = await onTablet(test, house, 'sharpener')
    const [one, other] = await Promise.all([house.manager.post(tick), sharpener.post(tick)])
    expect([one.status, other.status].sort()).toEqual([200, 409])
    const second = one.status === 409 ? one : other
    expect(second.body.error.sentence).toMatch(/has ticked that off already/)
    expect((await house.manager.get(`/api/knives/${knife.id}/carry-overs`)).body).toEqual([])
  })
})

describe('who may begin', () => {
  it('is whoever is signed off, and an apprentice beside somebody who is; both names are kept', async () => {
    const knife = await dullKnife([400, 410, 420])
    const apprentice = await onTablet(test, house, 'apprentice')
    const begin = (more: object): ReturnType<typeof apprentice.post> =>
      apprentice.post('/api/bench-sessions', { id: newId(), knifeId: knife.id, recipeId: 'full', ...more })
    const alone = await begin({})
    expect(alone.status).toBe(403)
    expect(alone.body.error.sentence).toMatch(/Somebody who is may stand beside you/)
    expect((await begin({ besideId: house.people.cook.id })).status).toBe(403)
    const offered = (await apprentice.post(`/api/knives/${knife.id}/bench`, { recipeId: 'full' })).body.start
    expect(offered.may).toBe(false)
    expect(offered.beside.map((one: { name: string }) => one.name)).toContain(house.people.sharpener.name)
    const beside = await begin({ besideId: house.people.sharpener.id })
    expect(beside.body).toMatchObject({
      startedBy: house.people.apprentice.id,
      besideId: house.people.sharpener.id,
    })
    await apprentice.post(`/api/bench-sessions/${beside.body.id}/actions`, {
      actions: [{ id: newId(), at: at(10), kind: 'abandon' }],
    })
    const cook = await onTablet(test, house, 'cook')
    await house.manager.send('PUT', `/api/people/${house.people.cook.id}/skills`, { skills: ['full'] })
    expect((await cook.post('/api/bench-sessions', { id: newId(), knifeId: knife.id, recipeId: 'full' })).status).toBe(
      200,
    )
    const sessions = (await house.manager.get(`/api/knives/${knife.id}/bench-sessions`)).body
    expect(sessions.some((one: { besideId: string | null }) => one.besideId === house.people.sharpener.id)).toBe(true)
  })

  it('a powered wheel is for those signed off for machines alone, whatever their role, and for covered eyes', async () => {
    const knife = await addTestKnife(house, { code: 'WHEEL-1' })
    expect((await start(knife.id, { recipeId: 'wheel', besideId: house.people.sharpener.id })).status).toBe(403)
    await house.manager.send('PUT', `/api/people/${house.people.chef.id}/skills`, { skills: ['machine'] })
    const begun = (await start(knife.id, { recipeId: 'wheel' })).body
    const act = (actions: object[]): ReturnType<typeof start> =>
      house.manager.post(`/api/bench-sessions/${begun.id}/actions`, { actions })
    const finish = { id: newId(), at: at(10), kind: 'finish' }
    const refused = await act([finish])
    expect([refused.status, refused.body.error.sentence]).toEqual([409, expect.stringContaining('Cover your eyes')])
    const { id: stepId } = begun.plan.steps.find(({ checks }: { checks: string[] }) => checks.includes('eyes-covered'))
    const covered = { id: newId(), at: at(5), kind: 'tick', stepId, check: 'eyes-covered', done: true }
    expect((await act([covered, finish])).body.outcome).toBe('finished')
  })
})

describe('a stone made flat at the bench', () => {
  it('is flat again on the shelf', async () => {
    await house.manager.send('PATCH', `/api/gear/${stones[1000]}`, { knivesSince: 5, dishMm: 0.3 })
    const knife = await dullKnife([400, 410, 420])
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const step = session.plan.steps.find(
      (one: { kind: string; stoneId: string }) => one.kind === 'flatten' && one.stoneId === stones[1000],
    )
    expect(step).toBeDefined()
    await act(session.id, { kind: 'tick', stepId: step.id, check: 'stone-flat', done: true })
    const gear = (await house.manager.get('/api/gear')).body.find((one: { id: string }) => one.id === stones[1000])
    expect(gear).toMatchObject({ knivesSince: 0, dishMm: 0, flatten: { due: false } })
    expect(gear.flattenedAt).not.toBeNull()
  })
})

describe('pictures of an edge', () => {
  /** The smallest JPEG that is one, with a place written into it. */
  const segment = (marker: number, text: string): Buffer => {
    const body = Buffer.from(text, 'latin1')
    const head = Buffer.from([0xff, marker, 0, 0])
    head.writeUInt16BE(body.length + 2, 2)
    return Buffer.concat([head, body])
  }
  const jpeg = Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    segment(0xe0, 'JFIF\0\x01\x01\0\0\x01\0\x01\0\0'),
    segment(0xe1, 'Exif\0\0 53.3498 N 6.2603 W'),
    segment(0xfe, 'taken by somebody'),
    segment(0xdb, '\0'.repeat(65)),
    Buffer.from([0xff, 0xda, 0, 2, 1, 2, 3, 0xff, 0xd9]),
  ])

  it('are kept with the session, stripped of where and by whom they were taken', async () => {
    const knife = await dullKnife([400, 410, 420])
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const id = newId()
    const sent = await house.manager.post(`/api/bench-sessions/${session.id}/photos`, {
      id,
      base64: jpeg.toString('base64'),
    })
    expect(sent.body).toEqual({ id })
    const answer = await fetch(`${test.base}/api/photos/${id}.jpg`, { headers: { cookie: house.manager.cookie() } })
    const bytes = Buffer.from(await answer.arrayBuffer())
    expect(answer.headers.get('content-type')).toBe('image/jpeg')
    expect(bytes.includes('53.3498')).toBe(false)
    expect(bytes.includes('somebody')).toBe(false)
    expect(bytes.includes('JFIF')).toBe(true)
    const other = await test.house('Next door')
    const seen = await fetch(`${test.base}/api/photos/${id}.jpg`, { headers: { cookie: other.manager.cookie() } })
    expect(seen.status).toBe(404)
  })

  it('refuses what is no picture, and what is too large, in words', async () => {
    const knife = await dullKnife([400, 410, 420])
    const session = (await start(knife.id, { recipeId: 'full' })).body
    const send = (bytes: Buffer): ReturnType<TestHouse['manager']['post']> =>
      house.manager.post(`/api/bench-sessions/${session.id}/photos`, { id: newId(), base64: bytes.toString('base64') })
    const text = await send(Buffer.from('this is a shopping list'))
    expect(text.status).toBe(422)
    expect(text.body.error.sentence).toMatch(/not a JPEG picture/)
    const truncated = await send(jpeg.subarray(0, 30))
    expect(truncated.status).toBe(422)
    const large = await send(Buffer.concat([jpeg, Buffer.alloc(420_000)]))
    expect(large.status).toBe(413)
    expect((await send(Buffer.alloc(40_000_000))).status).toBe(413)
  })
})

describe('a start that is too fine', () => {
  it('is refused where a coarser stone lies there, and not offered', async () => {
    const knife = await addTestKnife(house, { code: 'CHIP-9', condition: 'new' })
    const chipped = {
      ...check(knife.id, 300, 300, 300),
      payload: {
        readings: [],
        ladder: [],
        defects: {
          chip: { zone: 'belly', depthMm: 0.6 },
          glint: [],
          burrLeft: false,
          tipBent: false,
          tipGone: false,
          handleLoose: false,
          cracked: false,
        },
      },
    }
    await house.manager.post('/api/events', { events: [chipped] })
    const { body } = await offer(knife.id, { recipeId: 'full' })
    expect(body.starts.map((one: { stoneName: string }) => one.stoneName)).not.toContain('Bench 1000')
    const forced = await offer(knife.id, { recipeId: 'full', startWith: stones[1000] })
    expect(forced.status).toBe(409)
    expect(forced.body.error.sentence).toMatch(/Begin coarser/)
  })
})
