import { v4 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addTestKnife, NOW, onTablet, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const add = (knife: object): ReturnType<TestHouse['manager']['post']> =>
  house.manager.post('/api/knives', { id: newId(), type: 'chef', lengthMm: 240, stationId: house.station.id, ...knife })

describe('adding a knife', () => {
  it('takes a type, a length and a station, and says what nobody has measured', async () => {
    const knife = (await add({})).body
    expect(knife).toMatchObject({
      code: 'CH-01',
      heelHeightMm: 48,
      dpsRight: 17,
      grind: 'flat',
      serrated: false,
      limitGf: 350,
    })
    expect(knife.assumed).toEqual(['heelHeightMm', 'spineMm', 'bteMm', 'bteNewMm', 'dpsLeft', 'dpsRight', 'hrc'])
    expect((await add({})).body.code).toBe('CH-02')
  })

  it('is harmless to send twice', async () => {
    const id = newId()
    const [first, second] = [await add({ id, code: 'TW-1' }), await add({ id, code: 'TW-1' })]
    expect([first.status, second.status]).toEqual([200, 200])
    const timeline = (await house.manager.get(`/api/knives/${id}/events`)).body
    expect(timeline).toHaveLength(1)
  })

  it.each([
    ['a 0 mm blade', { lengthMm: 0 }, 'lengthMm', /Length cannot be less than 40/],
    ['a 0.2 mm heel', { heelHeightMm: 0.2 }, 'heelHeightMm', /Heel height cannot be less than 5/],
    ['400 dps', { dpsLeft: 400 }, 'dpsLeft', /Left angle cannot be more than 45/],
    ['a type there is not', { type: 'axe' }, 'type', /Type must be one of/],
    ['a code that fits no label', { code: 'THE LONG ONE BY THE DOOR' }, 'code', /Code is not written/],
    ['an edge thicker than the spine', { bteMm: 2.9, spineMm: 2 }, 'bteMm', /thicker behind the edge/],
    [
      'an edge flatter than the face',
      { dpsLeft: 1, dpsRight: 1, heelHeightMm: 20, spineMm: 6 },
      'dpsRight',
      /steeper than/,
    ],
    ['a purchase on no day', { boughtOn: '2026-02-30' }, 'boughtOn', /Bought is not written/],
  ])('refuses %s, naming the field', async (_what, knife, path, sentence) => {
    const answer = await add(knife)
    expect(answer.status).toBe(422)
    expect(answer.body.error.issues[0]).toMatchObject({ path })
    expect(answer.body.error.issues[0].sentence).toMatch(sentence)
  })

  it('refuses a code that is taken, in this house only', async () => {
    await add({ code: 'DUP-1' })
    const again = await add({ code: 'dup-1' })
    expect(again.status).toBe(409)
    expect(again.body.error.sentence).toMatch(/DUP-1 is taken/)
    const other = await test.house('Next door')
    expect((await addTestKnife(other, { code: 'DUP-1' })).code).toBe('DUP-1')
  })
})

describe('correcting a knife', () => {
  it('changes what is given and reckons the edge anew', async () => {
    const knife = (await add({})).body
    const edited = (
      await house.manager.send('PATCH', `/api/knives/${knife.id}`, { bteMm: 0.6, bteNewMm: 0.3, name: 'old friend' })
    ).body
    expect(edited).toMatchObject({ code: knife.code, name: 'old friend', bteMm: 0.6 })
    const actions = [edited.verdict.action, edited.verdict.runnerUp?.action]
    expect(actions).toContain('thin')
  })

  it('takes a caliper measurement as an event that updates the description', async () => {
    const knife = (await add({})).body
    const cook = await onTablet(test, house, 'cook')
    await cook.post('/api/events', {
      events: [
        { id: newId(), knifeId: knife.id, kind: 'measured', at: NOW.toISOString(), payload: { heelHeightMm: 44.5 } },
      ],
    })
    const fleet = (await house.manager.get('/api/fleet')).body
    const view = fleet.knives.find((one: { id: string }) => one.id === knife.id)
    expect(view.heelHeightMm).toBe(44.5)
    expect(view.assumed).not.toContain('heelHeightMm')
  })
})
