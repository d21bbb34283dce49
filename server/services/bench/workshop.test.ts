import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { PlanView } from '../../../contract/week'
import type { WorkshopView } from '../../../contract/workshop'
import {
  addTestKnife,
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
  await house.manager.send('PUT', '/api/benches', { id: newId(), name: 'Window bench', active: true })
  for (const grit of [220, 1000, 3000])
    await house.manager.post('/api/gear', {
      id: newId(),
      name: `Stone ${grit}`,
      kind: grit < 2000 ? 'soaking-stone' : 'splash-stone',
      scale: 'JIS',
      grit,
    })
})
afterAll(() => test.close())

const THICK = { heelHeightMm: 45, spineMm: 2.2, bteMm: 0.46, bteNewMm: 0.3, dpsLeft: 17, dpsRight: 17 }
const view = async (knifeId: string): Promise<WorkshopView> =>
  (await house.manager.get(`/api/knives/${knifeId}/workshop`)).body as WorkshopView
const begin = async (knifeId: string, operation: object): Promise<Awaited<ReturnType<TestHouse['manager']['post']>>> =>
  house.manager.post('/api/bench-sessions', { id: newId(), knifeId, choices: {}, operation })
const finish = async (sessionId: string): Promise<void> => {
  await house.manager.post(`/api/bench-sessions/${sessionId}/actions`, {
    actions: [{ id: newId(), at: new Date(JUST_NOW.getTime() + 60_000).toISOString(), kind: 'finish' }],
  })
}

describe('workshop work', () => {
  it('runs as a session, cut by cut, and leaves the knife as thin as it promised, at the height it had', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-1', ...THICK })
    const { body } = await begin(knife.id, { kind: 'thin', targetBteMm: 0.32 })
    expect(body.plan.recipeId).toBe('workshop')
    expect(body.plan.stages[0].stoneName).toBe('Stone 220')
    expect(body.plan.workshop).toMatchObject({ bteMm: 0.32, lossMm: 0 })
    const cut = body.plan.steps.find(({ id }: { id: string }) => id === 'cut-1-first')
    expect(cut.dps).toBeLessThan(3)
    expect(cut.strokes).toBeGreaterThan(0)
    await finish(body.id)
    const after = await view(knife.id)
    expect(after.blade.bteMm).toBeCloseTo(0.32, 2)
    expect(after.blade.heelHeightMm).toBeCloseTo(45, 1)
    const [sharpened] = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    expect(sharpened).toMatchObject({ kind: 'sharpened', payload: { bteMm: 0.32, recessionMm: 0 } })
  })

  it('that makes another angle describes the knife anew', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-2', ...THICK })
    const { body } = await begin(knife.id, { kind: 're-bevel', dps: 14 })
    await finish(body.id)
    expect((await view(knife.id)).blade).toMatchObject({ dpsLeft: 14, dpsRight: 14 })
  })

  it('this blade cannot give is refused in words, and begins nothing', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-3', ...THICK })
    const { status, body } = await begin(knife.id, { kind: 'thin', targetBteMm: 0.6 })
    expect(status).toBe(409)
    expect(body.error.sentence).toMatch(/cannot be done to this blade/)
    expect((await house.manager.get(`/api/knives/${knife.id}/bench-sessions`)).body).toEqual([])
    expect((await begin(knife.id, { kind: 'polish' })).status).toBe(422)
  })

  it('is for trained hands', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-4', ...THICK })
    const cook = await onTablet(test, house, 'cook')
    expect(
      (
        await cook.post('/api/bench-sessions', {
          id: newId(),
          knifeId: knife.id,
          choices: {},
          operation: { kind: 'thin', targetBteMm: 0.3 },
        })
      ).status,
    ).toBe(403)
  })
})

describe('a saved job', () => {
  it('is planned by the week in place of the verdict, offered at the bench, and gone when it is done', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-5', ...THICK, bteMm: 0.33, condition: 'new' })
    const path = `/api/knives/${knife.id}/work-order`
    const saved = await house.manager.send('PUT', path, { operation: { kind: 'flat-to-convex', targetBteMm: 0.28 } })
    expect(saved.body.saved).toEqual({ operation: { kind: 'flat-to-convex', targetBteMm: 0.28 }, waits: false })
    const { problem } = (await house.manager.get('/api/plan')).body as PlanView
    expect(problem.jobs.find(({ knifeId }) => knifeId === knife.id)).toMatchObject({ kind: 'thin', wanted: true })
    const offer = (await house.manager.post(`/api/knives/${knife.id}/bench`, {})).body
    expect(offer.saved.operation).toEqual({ kind: 'flat-to-convex', targetBteMm: 0.28 })
    const { body } = await begin(knife.id, offer.saved.operation)
    await finish(body.id)
    expect((await view(knife.id)).saved).toBeNull()
  })

  it('can be dropped, and is not saved where it cannot be done', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-6', ...THICK })
    const path = `/api/knives/${knife.id}/work-order`
    expect(
      (await house.manager.send('PUT', path, { operation: { kind: 'chip', depthMm: 40, sessions: 1 } })).status,
    ).toBe(409)
    await house.manager.send('PUT', path, { operation: { kind: 'chip', depthMm: 0.3, sessions: 2 } })
    expect((await house.manager.send('DELETE', path)).body.saved).toBeNull()
  })
})

describe('work done in parts', () => {
  const verdictOf = async (code: string): Promise<string> =>
    (await house.manager.get('/api/fleet')).body.knives.find((one: { code: string }) => one.code === code).verdict
      .action
  const none = {
    chip: null,
    glint: [],
    burrLeft: false,
    tipBent: false,
    tipGone: false,
    handleLoose: false,
    cracked: false,
  }

  it('half a chip now: the rest waits with the knife, gets shallower, asks for no repair, and is gone after the third session', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-9', ...THICK, bteMm: 0.3 })
    await house.manager.post('/api/events', {
      events: [
        event(
          knife.id,
          'checked',
          {
            readings: [{ zone: 'tip', forcesGf: [200] }],
            ladder: [],
            defects: { ...none, chip: { zone: 'tip', depthMm: 0.4 } },
          },
          NOW,
        ),
      ],
    })
    expect(await verdictOf('SHOP-9')).toBe('repair')
    const left: (number | null)[] = []
    let operation: object = { kind: 'chip', depthMm: 0.4, sessions: 3 }
    for (let session = 1; session <= 3; session++) {
      const { body } = await begin(knife.id, operation)
      await finish(body.id)
      const seen = await view(knife.id)
      left.push(seen.chipMm)
      expect(await verdictOf('SHOP-9')).not.toBe('repair')
      if (session < 3) {
        expect(seen.saved).toMatchObject({ waits: true, operation: { kind: 'chip', sessions: 3 - session } })
        const { problem } = (await house.manager.get('/api/plan')).body as PlanView
        // it comes with the next session: nobody has to make time for it
        expect(problem.jobs.find(({ knifeId }) => knifeId === knife.id)?.kind).not.toBe('repair')
        operation = seen.saved?.operation ?? {}
      } else expect(seen.saved).toBeNull()
    }
    expect(left.map((depth) => depth && Math.round(100 * depth) / 100)).toEqual([0.2, 0.1, null])
    // in all the depth of the chip and the burr past it
    expect((await view(knife.id)).blade.heelHeightMm).toBeCloseTo(45 - 0.42, 1)
  })

  it('a plain session on a chip that waits takes what it takes, and the chip is that much shallower', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-10', ...THICK, bteMm: 0.3, condition: 'new' })
    const { body } = await begin(knife.id, { kind: 'chip', depthMm: 0.6, sessions: 2 })
    await finish(body.id)
    await house.manager.post('/api/events', {
      events: [event(knife.id, 'sharpened', { finishMicron: 4, recessionMm: 0.1 }, JUST_NOW)],
    })
    const after = await view(knife.id)
    expect(after.chipMm).toBeCloseTo(0.2, 6)
    // what waits is as deep as the chip still is, so that no more is ground off than has to be
    expect(after.saved?.operation).toMatchObject({ kind: 'chip', depthMm: expect.closeTo(0.2, 6) })
  })

  it('is not lost when other work is saved or done in between, and gone once a check finds no chip', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-18', ...THICK, condition: 'new' })
    await finish((await begin(knife.id, { kind: 'chip', depthMm: 0.6, sessions: 2 })).body.id)
    await house.manager.send('PUT', `/api/knives/${knife.id}/work-order`, {
      operation: { kind: 'thin', targetBteMm: 0.35 },
    })
    expect((await view(knife.id)).saved).toMatchObject({ waits: false, operation: { kind: 'thin' } })
    await finish((await begin(knife.id, { kind: 'thin', targetBteMm: 0.35 })).body.id)
    expect((await view(knife.id)).saved).toMatchObject({ waits: true, operation: { kind: 'chip' } })
    expect((await house.manager.post(`/api/knives/${knife.id}/bench`, {})).body.saved).toMatchObject({ waits: true })
    await house.manager.post('/api/events', {
      events: [event(knife.id, 'checked', { readings: [{ zone: 'tip', forcesGf: [200] }], ladder: [], defects: none })],
    })
    expect((await view(knife.id)).saved).toBeNull()
  })

  it('a ratio moved over three sessions counts itself down and ends where it was to', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-11', ...THICK, bteMm: 0.3, ratioRight: 70 })
    const seen: number[] = []
    let operation: object | undefined = { kind: 'ratio', toRight: 50, sessions: 3 }
    while (operation) {
      const { body } = await begin(knife.id, operation)
      await finish(body.id)
      const now = await view(knife.id)
      seen.push(now.blade.ratioRight)
      operation = now.saved?.operation
    }
    expect(seen).toEqual([63, 57, 50])
  })
})

describe('a broken tip', () => {
  it('ground to a point leaves the knife that much shorter, its height kept, and nothing the matter with it', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-12', ...THICK, lengthMm: 240 })
    const { body } = await begin(knife.id, { kind: 'tip', lostMm: 6, from: 'spine', sessions: 1 })
    expect(body.plan.workshop).toMatchObject({ lengthLossMm: 6, lossMm: 0 })
    expect(body.plan.steps.some(({ recipeStep }: { recipeStep: string }) => recipeStep === 'cut-tip-spine')).toBe(true)
    await finish(body.id)
    const after = await view(knife.id)
    expect(after).toMatchObject({ lengthMm: 234, tipHurt: false, saved: null })
    expect(after.blade.heelHeightMm).toBeCloseTo(45, 1)
    expect((await begin(knife.id, { kind: 'tip', lostMm: 90, from: 'spine', sessions: 1 })).status).toBe(409)
  })
})

describe('measurements of a section', () => {
  it('are events: the latest of each spot stands, and voiding one brings back the one before', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-7', ...THICK })
    const measured = (thicknessMm: number, at: number): Record<string, unknown> =>
      event(
        knife.id,
        'measured',
        { sections: [{ zone: 'belly', thicknessAt: [{ heightMm: 5, thicknessMm }] }] },
        new Date(JUST_NOW.getTime() + at),
      )
    const [first, second] = [measured(0.7, 0), measured(0.65, 1000)]
    await house.manager.post('/api/events', { events: [first, second] })
    expect((await view(knife.id)).measured).toEqual([
      { zone: 'belly', thicknessAt: [{ heightMm: 5, thicknessMm: 0.65 }] },
    ])
    await house.manager.post('/api/events', {
      events: [
        event(knife.id, 'voided', { eventId: second['id'], reason: 'misread' }, new Date(JUST_NOW.getTime() + 2000)),
      ],
    })
    expect((await view(knife.id)).measured[0]?.thicknessAt[0]?.thicknessMm).toBe(0.7)
  })
})

describe('a session taken back', () => {
  const takeBack = async (knifeId: string): Promise<void> => {
    const [sharpened] = (await house.manager.get(`/api/knives/${knifeId}/events`)).body
    const { status } = await house.manager.post('/api/events', {
      events: [event(knifeId, 'voided', { eventId: sharpened.id, reason: 'another knife' })],
    })
    expect(status).toBe(200)
  }

  it('leaves the knife described as it was before, angle and length', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-15', ...THICK, lengthMm: 240 })
    for (const operation of [
      { kind: 're-bevel', dps: 14 },
      { kind: 'tip', lostMm: 5, from: 'spine', sessions: 1 },
    ])
      await finish((await begin(knife.id, operation)).body.id)
    expect(await view(knife.id)).toMatchObject({ lengthMm: 235, blade: { dpsLeft: 14 } })
    await takeBack(knife.id)
    expect(await view(knife.id)).toMatchObject({ lengthMm: 240, blade: { dpsLeft: 14, dpsRight: 14 } })
  })

  it('leaves alone what somebody has corrected since', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-16', ...THICK, lengthMm: 240 })
    await finish((await begin(knife.id, { kind: 're-bevel', dps: 14 })).body.id)
    await house.manager.send('PATCH', `/api/knives/${knife.id}`, { dpsLeft: 13 })
    await takeBack(knife.id)
    expect((await view(knife.id)).blade).toMatchObject({ dpsLeft: 13, dpsRight: 17 })
  })

  it('cannot be used to describe a knife by those who may not: a sent description is dropped', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-17', ...THICK, lengthMm: 240 })
    const before = { dpsLeft: 5, dpsRight: 5, ratioRight: 50, lengthMm: 100 }
    await house.manager.post('/api/events', {
      events: [
        event(knife.id, 'sharpened', {
          finishMicron: 4,
          described: { before, after: { dpsLeft: 17, dpsRight: 17, ratioRight: 50, lengthMm: 240 } },
        }),
      ],
    })
    await takeBack(knife.id)
    expect(await view(knife.id)).toMatchObject({ lengthMm: 240, blade: { dpsLeft: 17 } })
  })
})

describe('faces that work has left', () => {
  it('stand in place of what was measured before, and the next plan is cut out of them', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-13', ...THICK })
    const section = (thicknessMm: number): object => ({
      sections: [
        { zone: 'heel', thicknessAt: [{ heightMm: 3, thicknessMm }], bteMm: 0.46 },
        {
          zone: 'belly',
          thicknessAt: [
            { heightMm: 3, thicknessMm },
            { heightMm: 10, thicknessMm: 1 },
          ],
        },
      ],
    })
    await house.manager.post('/api/events', { events: [event(knife.id, 'measured', section(0.6), NOW)] })
    const { body } = await begin(knife.id, { kind: 'thin', targetBteMm: 0.3 })
    await finish(body.id)
    const after = await view(knife.id)
    expect(after.measured).toHaveLength(1)
    const [belly] = after.measured
    expect(belly).toMatchObject({ zone: 'belly', worked: true })
    const at = (mm: number): number => belly?.thicknessAt.find(({ heightMm }) => heightMm === mm)?.thicknessMm ?? NaN
    expect(at(3)).toBeLessThan(0.6)
    expect(at(3)).toBeGreaterThan(0.3)
    expect(at(10)).toBeLessThanOrEqual(1)
    // less is left to take the second time, because the faces are thin already
    const again = await begin(knife.id, { kind: 'thin', targetBteMm: 0.28 })
    expect(again.body.plan.workshop.areaMm2).toBeLessThan(body.plan.workshop.areaMm2)
  })

  it('a measured thickness behind the edge gives way to what is tracked, once the edge was sharpened', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-14', ...THICK, condition: 'new' })
    await house.manager.post('/api/events', {
      events: [
        event(knife.id, 'measured', { bteMm: 0.4, sections: [{ zone: 'belly', thicknessAt: [], bteMm: 0.4 }] }, NOW),
      ],
    })
    expect((await view(knife.id)).measured[0]?.bteMm).toBe(0.4)
    await house.manager.post('/api/events', {
      events: [event(knife.id, 'sharpened', { finishMicron: 4, recessionMm: 0.3 }, JUST_NOW)],
    })
    const after = await view(knife.id)
    expect(after.measured[0]?.bteMm).toBeUndefined()
    expect(after.blade.bteMm).toBeGreaterThan(0.4)
  })
})

describe('a knife that wedges', () => {
  it('is to be thinned, and a keener edge does not change that', async () => {
    const knife = await addTestKnife(house, { code: 'SHOP-8', ...THICK, bteMm: 0.31, condition: 'new' })
    const none = {
      chip: null,
      glint: [],
      burrLeft: false,
      tipBent: false,
      tipGone: false,
      handleLoose: false,
      cracked: false,
    }
    await house.manager.post('/api/events', {
      events: [
        event(knife.id, 'checked', {
          readings: ['heel', 'belly', 'tip'].map((zone) => ({ zone, forcesGf: [170] })),
          ladder: [],
          defects: { ...none, wedges: true },
        }),
      ],
    })
    const verdictOf = async (): Promise<{ action: string; reasons: { code: string }[] }> =>
      (await house.manager.get('/api/fleet')).body.knives.find(({ code }: { code: string }) => code === 'SHOP-8')
        .verdict
    expect(await verdictOf()).toMatchObject({ action: 'thin', reasons: [{ code: 'wedges' }] })
    await house.manager.post('/api/events', {
      events: [event(knife.id, 'sharpened', { finishMicron: 4 }, new Date(JUST_NOW.getTime() + 1000))],
    })
    expect((await verdictOf()).action).toBe('thin')
    await house.manager.post('/api/events', {
      events: [event(knife.id, 'sharpened', { finishMicron: 4, bteMm: 0.27 }, new Date(JUST_NOW.getTime() + 2000))],
    })
    expect((await verdictOf()).action).not.toBe('thin')
  })
})
