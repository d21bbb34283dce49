import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { NO_DEFECTS } from '../../../core/edge/model/events'
import { HOUR_MS, MINUTE_MS } from '../../../core/time'
import {
  addTestKnife,
  check,
  event,
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
})
afterAll(() => test.close())

const before = (hours: number): Date => new Date(NOW.getTime() - hours * HOUR_MS)
const send = (events: unknown[]): ReturnType<TestHouse['manager']['post']> =>
  house.manager.post('/api/events', { events })
const stateOf = async (knifeId: string): Promise<unknown> =>
  (
    await test.app.db.query<{ state: unknown }>(
      'select state from knife_states where house_id = $1 and knife_id = $2',
      [house.houseId, knifeId],
    )
  ).rows[0]?.state
const countEvents = async (knifeId: string): Promise<number> =>
  (
    await test.app.db.query<{ n: number }>(
      'select count(*)::int as n from events where house_id = $1 and knife_id = $2',
      [house.houseId, knifeId],
    )
  ).rows[0]?.n ?? -1

describe('recording what happened', () => {
  it('changes the verdict of a knife that a check shows dull, and back after a session', async () => {
    const knife = await addTestKnife(house)
    const dull = (await send([check(knife.id, 480, 500, 520)])).body.knives[0]
    expect(dull.word).toBe('dull')
    expect(dull.verdict.action).toBe('stone')
    const sharp = (
      await send([
        event(knife.id, 'sharpened', { finishMicron: 4, startGrit: 320 }),
        check(knife.id, 150, 155, 160, new Date(NOW.getTime() + 31_000)),
      ])
    ).body.knives[0]
    expect(sharp.word).toBe('keen')
    expect(sharp.verdict.action).toBe('none')
  })

  it('records an event once however often it is sent', async () => {
    const knife = await addTestKnife(house)
    const honed = event(knife.id, 'honed', { tool: 'smooth-steel', strokesPerSide: 8 })
    const first = await send([honed])
    const [second, third] = await Promise.all([send([honed]), send([honed])])
    expect([first.status, second.status, third.status]).toEqual([200, 200, 200])
    expect(await countEvents(knife.id)).toBe(2)
    expect(third.body).toEqual(first.body)
  })

  it.each([
    ['a force of −3', (id: string) => check(id, -3, 200, 200), /less than 10/],
    ['a force of 50 000', (id: string) => check(id, 50_000, 200, 200), /more than 5000/],
    ['a check that says nothing', (id: string) => event(id, 'checked', { readings: [], ladder: [] }), /says nothing/],
    ['a future date', (id: string) => check(id, 200, 200, 200, before(-24)), /in the future/],
    [
      'a date before records',
      (id: string) => check(id, 200, 200, 200, new Date('1999-01-01T00:00:00Z')),
      /before any house/,
    ],
    ['a tool there is not', (id: string) => event(id, 'honed', { tool: 'belt' }), /must be one of/],
    [
      'a chip deeper than the blade',
      (id: string) =>
        event(id, 'checked', {
          readings: [],
          ladder: [],
          defects: { ...NO_DEFECTS, chip: { zone: 'tip', depthMm: 15 } },
        }),
      /deeper than the blade/,
    ],
  ])('refuses %s with a sentence and changes nothing', async (_what, make, sentence) => {
    const knife = await addTestKnife(house, { heelHeightMm: 12, type: 'paring', lengthMm: 80 })
    const known = await stateOf(knife.id)
    const good = event(knife.id, 'honed', { tool: 'strop' })
    const answer = await send([good, make(knife.id)])
    expect(answer.status).toBe(422)
    expect(answer.body.error.sentence).toMatch(sentence)
    expect(await countEvents(knife.id)).toBe(1)
    expect(await stateOf(knife.id)).toEqual(known)
  })

  it('gives exactly the state as if a voided event had never been', async () => {
    const [voided, clean] = [await addTestKnife(house), await addTestKnife(house)]
    const wild = check(voided.id, 3450, 3400, 3500, before(20))
    const later = (id: string): unknown[] => [
      event(id, 'honed', { tool: 'smooth-steel' }, before(4)),
      check(id, 240, 260, 270, before(2)),
    ]
    await send([wild, ...later(voided.id)])
    await send([event(voided.id, 'voided', { eventId: wild['id'], reason: 'a digit too many' })])
    await send(later(clean.id))
    const normal = (state: unknown): unknown =>
      JSON.parse(JSON.stringify(state).replaceAll(/"(atMs|statusSinceMs)":[\d.]+/g, '"$1":0'))
    expect(normal(await stateOf(voided.id))).toEqual(normal(await stateOf(clean.id)))
    const timeline = (await house.manager.get(`/api/knives/${voided.id}/events`)).body as {
      id: string
      voided: { reason: string } | null
    }[]
    expect(timeline.find((one) => one.id === wild['id'])?.voided?.reason).toBe('a digit too many')
  })

  it('takes nothing back twice, and lets a cook take back only what they did', async () => {
    const knife = await addTestKnife(house)
    const mine = check(knife.id, 200, 200, 200)
    await send([mine])
    const takeBack = event(knife.id, 'voided', { eventId: mine['id'], reason: 'wrong knife' })
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.post('/api/events', { events: [takeBack] })).status).toBe(403)
    expect((await send([takeBack])).status).toBe(200)
    expect((await send([event(knife.id, 'voided', { eventId: mine['id'], reason: 'again' })])).status).toBe(409)
  })

  it('never lets a written event be altered', async () => {
    await expect(
      test.app.db.query('update events set at = now() where house_id = $1', [house.houseId]),
    ).rejects.toThrow(/append-only/)
  })

  it('reckons out-of-order events by when they happened', async () => {
    const [first, second] = [await addTestKnife(house), await addTestKnife(house)]
    const events = (id: string): Record<string, unknown>[] => [
      check(id, 300, 310, 320, before(30)),
      event(id, 'honed', { tool: 'smooth-steel' }, before(6)),
      check(id, 260, 270, 280, before(3)),
    ]
    for (const one of events(first.id)) await send([one])
    for (const one of events(second.id).reverse()) await send([one])
    const zones = async (id: string): Promise<unknown> => ((await stateOf(id)) as { zones: unknown }).zones
    expect(await zones(first.id)).toEqual(await zones(second.id))
  })

  it('goes on from the kept state exactly as a rebuild from the whole log would', async () => {
    const knife = await addTestKnife(house)
    const minute = (count: number): Date => new Date(NOW.getTime() - 60 * HOUR_MS + count * 97 * MINUTE_MS)
    const kinds = [
      (at: Date) => event(knife.id, 'honed', { tool: 'smooth-steel', cameBack: 'partly' }, at),
      (at: Date) => check(knife.id, 210 + at.getMinutes(), 240, 290, at),
      (at: Date) => event(knife.id, 'used', { hours: 3.5 }, at),
      (at: Date) => event(knife.id, 'honed', { tool: 'strop', mismatchDps: 4 }, at),
      (at: Date) => event(knife.id, 'moved', { holderId: house.people.cook.id }, at),
      (at: Date) => event(knife.id, 'sharpened', { finishMicron: 11.5 }, at),
    ]
    for (let count = 0; count < 30; count++)
      await send([kinds[(count * 5 + (count >> 2)) % kinds.length]?.(minute(count))])
    const kept = await stateOf(knife.id)
    const timeline = (await house.manager.get(`/api/knives/${knife.id}/events`)).body
    await house.manager.send('PATCH', `/api/knives/${knife.id}`, { name: 'any correction folds the whole log' })
    expect(await stateOf(knife.id)).toEqual(kept)
    expect((await house.manager.get(`/api/knives/${knife.id}/events`)).body).toEqual(timeline)
  })

  it('takes a knife out of service and puts it back only by trained hands', async () => {
    const knife = await addTestKnife(house)
    const cook = await onTablet(test, house, 'cook')
    const out = await cook.post('/api/events', { events: [event(knife.id, 'quarantined', { reason: 'Loose handle' })] })
    expect(out.body.knives[0].status).toBe('quarantined')
    expect((await cook.post('/api/events', { events: [event(knife.id, 'released', {})] })).status).toBe(403)
    const back = await send([event(knife.id, 'released', { note: 'new rivets' }, new Date(NOW.getTime() + 31_000))])
    expect(back.body.knives[0].status).toBe('in-service')
  })

  it('says what a chip, a loose handle and a glint need', async () => {
    const knife = await addTestKnife(house)
    let second = 30
    const look = async (defects: object): Promise<{ action: string; startGrit: number | null }> =>
      (
        await send([
          event(
            knife.id,
            'checked',
            { readings: [], ladder: [], defects: { ...NO_DEFECTS, ...defects } },
            new Date(NOW.getTime() + 1000 * second++),
          ),
        ])
      ).body.knives[0].verdict
    expect(await look({ chip: { zone: 'heel', depthMm: 0.5 } })).toMatchObject({ action: 'repair', startGrit: 220 })
    expect(await look({ glint: ['belly'] })).toMatchObject({ action: 'stone', startGrit: 320 })
    expect(await look({ handleLoose: true, glint: ['belly'] })).toMatchObject({ action: 'quarantine' })
  })

  it('moves and hands over, and refuses a station or person of nowhere', async () => {
    const knife = await addTestKnife(house)
    const moved = await send([event(knife.id, 'moved', { holderId: house.people.cook.id })])
    expect(moved.body.knives[0].holderId).toBe(house.people.cook.id)
    expect((await send([event(knife.id, 'moved', { stationId: house.people.cook.id })])).status).toBe(404)
    expect((await send([event(knife.id, 'moved', { holderId: house.station.id })])).status).toBe(404)
  })
})
