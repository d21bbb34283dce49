import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Ledger, Money } from '../../../contract/ledger'
import { yearlyCost } from '../../../core/ledger/writeOff'
import { DAY_MS } from '../../../core/time'
import {
  addTestKnife,
  check,
  event,
  NOW,
  onTablet,
  PASSWORD,
  startApp,
  type TestApp,
  type TestHouse,
} from '../../testing/harness'

let test: TestApp
let house: TestHouse
let now = new Date(NOW.getTime() + 60_000)
beforeAll(async () => {
  test = await startApp({ clock: () => now })
  house = await test.house()
})
afterAll(() => test.close())

const later = async (ms: number): Promise<void> => {
  now = new Date(now.getTime() + ms)
  await house.manager.post('/api/session', { signInName: house.signInName, password: PASSWORD })
}
/** One after the other: what is said of one moment has no order. */
const soon = (ms: number): Date => new Date(now.getTime() + ms)
const record = async (...events: Record<string, unknown>[]): Promise<void> => {
  const answer = await house.manager.post('/api/events', { events })
  expect(answer.status, JSON.stringify(answer.body)).toBe(200)
}
const knifeOf = async (code: string): Promise<Record<string, unknown>> =>
  ((await house.manager.get('/api/fleet')).body.knives as Record<string, unknown>[]).find(
    (one) => one['code'] === code,
  ) ?? {}
const ledger = async (): Promise<Ledger> => (await house.manager.get('/api/ledger')).body as Ledger
const MONEY: Money = {
  currency: 'EUR',
  hourly: { chef: 30, sharpener: 24, cook: 18, apprentice: null },
  interest: 0.04,
  grinder: 8,
  dullHour: null,
  gear: {},
}

describe('a knife that is sent out', () => {
  it('is away from service, plan and count, comes back ground, and is what was measured', async () => {
    const { id } = await addTestKnife(house, { code: 'OUT-1', condition: 'new', heelHeightMm: 48, price: 90 })
    await record(check(id, 520, 530, 560, soon(1)), event(id, 'measured', { heelHeightMm: 47.5 }, soon(2)))
    await record(event(id, 'sent-out', { to: 'The mill', dueOn: '2026-03-14' }, soon(3)))
    expect(await knifeOf('OUT-1')).toMatchObject({ status: 'away', statusReason: 'The mill' })
    const { problem } = (await house.manager.get('/api/plan')).body
    expect((problem.jobs as { knifeId: string }[]).some(({ knifeId }) => knifeId === id)).toBe(false)
    // nobody misses what is away
    const counted = { id: newId(), startedAt: now, endedAt: now, whose: { of: 'all' }, present: [], missing: [id] }
    expect((await house.manager.post('/api/counts', counted)).status).toBe(200)
    expect(await knifeOf('OUT-1')).toMatchObject({ status: 'away' })
    expect((await ledger()).away).toMatchObject([{ code: 'OUT-1', to: 'The mill', dueOn: '2026-03-14' }])

    await later(3 * DAY_MS)
    await record(
      event(id, 'returned', { ground: true, dps: 20, price: 11 }, now),
      event(id, 'measured', { heelHeightMm: 46.7 }, soon(1)),
      check(id, 190, 185, 200, soon(2)),
    )
    const back = await knifeOf('OUT-1')
    expect(back).toMatchObject({ status: 'in-service', statusReason: null })
    expect((back['zones'] as { belly: { forceGf: number } }).belly.forceGf).toBeLessThan(230)
    const mill = (await ledger()).grinders.find(({ name }) => name === 'The mill')
    expect(mill).toMatchObject({ times: 1, dps: 20, price: 11, freshGf: 200 })
    expect(mill?.heightMm).toBeCloseTo(0.8, 6)
    expect(mill?.days).toBeCloseTo(3, 6)
  })

  it('cannot come back when it is not away, and is away once', async () => {
    const { id } = await addTestKnife(house, { code: 'OUT-2', condition: 'new' })
    const refused = await house.manager.post('/api/events', { events: [event(id, 'returned', { ground: false }, now)] })
    expect([refused.status, refused.body.error.sentence]).toEqual([409, expect.stringContaining('is not away')])
    await record(event(id, 'sent-out', { to: 'The mill' }, soon(1)))
    await record(event(id, 'sent-out', { to: 'Another' }, soon(2)))
    expect(await knifeOf('OUT-2')).toMatchObject({ status: 'away', statusReason: 'Another' })
    await record(event(id, 'returned', { ground: false, note: 'they were closed' }, soon(3)))
    expect(await knifeOf('OUT-2')).toMatchObject({ status: 'in-service' })
    // a cook hands knives over, an apprentice does not
    const apprentice = await onTablet(test, house, 'apprentice')
    expect((await apprentice.post('/api/events', { events: [event(id, 'sent-out', { to: 'Me' }, now)] })).status).toBe(
      403,
    )
  })
})

describe('money', () => {
  it('is the house’s own, in a currency there is, and never below nothing', async () => {
    const put = (money: object, rate: number | null = null): ReturnType<typeof house.manager.send> =>
      house.manager.send('PUT', '/api/money', { money, rate })
    expect((await put({ ...MONEY, currency: 'ZZZ' })).status).toBe(422)
    expect((await put({ ...MONEY, grinder: -1 })).status).toBe(422)
    expect((await put(MONEY)).status).toBe(200)
    // prices go with the currency, or it does not change
    const without = await put({ ...MONEY, currency: 'GBP' })
    expect([without.status, without.body.error.sentence]).toEqual([409, expect.stringContaining('Prices stand in EUR')])
    expect((await put({ ...MONEY, currency: 'GBP' }, 0.85)).status).toBe(200)
    expect(await knifeOf('OUT-1')).toMatchObject({ price: 76.5 })
    expect((await put(MONEY, 1 / 0.85)).status).toBe(200)
    expect(await knifeOf('OUT-1')).toMatchObject({ price: 90 })
    const cook = await onTablet(test, house, 'cook')
    expect((await cook.get('/api/ledger')).status).toBe(403)
  })

  it('is told by knife: price over its life, hands by their wage, what went outside; unknown stays unknown', async () => {
    const { id } = await addTestKnife(house, { code: 'COST-1', condition: 'new', price: 120, boughtOn: '2025-03-10' })
    await record(event(id, 'sharpened', { finishMicron: 11.5, minutes: 20 }, now))
    const told = (await ledger()).knives.find(({ code }) => code === 'COST-1')
    const ends = Date.parse(told?.wornOut?.middleAt ?? '')
    const years = (ends - Date.parse('2025-03-10T12:00:00Z')) / (365 * DAY_MS)
    expect(told?.year).toMatchObject({ labour: 10, outside: 0, stones: 0 })
    expect(told?.year.purchase).toBeCloseTo(yearlyCost(120, years, 0.04), 6)
    expect(told?.perMonth).toBeCloseTo(((told?.year.purchase ?? 0) + 10) / 12, 6)
    const out = (await ledger()).knives.find(({ code }) => code === 'OUT-1')
    expect(out?.year.outside).toBe(11)
    const unpriced = (await ledger()).knives.find(({ code }) => code === 'OUT-2')
    expect(unpriced?.year.purchase).toBeNull()
  })
})

describe('what is ahead and behind', () => {
  it('is chips by station with their interval, and how long knives last', async () => {
    const { id } = await addTestKnife(house, { code: 'CHIP-1', condition: 'new', boughtOn: '2024-03-10' })
    const chipped = (chip: object | null): Record<string, unknown> =>
      event(
        id,
        'checked',
        {
          readings: [],
          ladder: [{ zone: 'whole', rung: 'paper' }],
          defects: {
            chip,
            glint: [],
            burrLeft: false,
            tipBent: false,
            tipGone: false,
            handleLoose: false,
            cracked: false,
          },
        },
        now,
      )
    await record(chipped({ zone: 'tip', depthMm: 0.4 }))
    await record(chipped({ zone: 'tip', depthMm: 0.4 }))
    const first = await ledger()
    // the same chip seen twice is one
    expect(first.chips).toMatchObject([{ stationId: house.station.id, count: 1 }])
    expect(first.chips[0]?.high).toBeGreaterThan(2)
    expect(first.survival.median).toBeNull()
    await later(DAY_MS)
    await record(event(id, 'retired', { reason: 'worn out' }, now))
    const { survival } = await ledger()
    expect(survival.steps).toHaveLength(1)
    expect(survival.steps[0]?.years).toBeCloseTo(2.01, 1)
  })
})

describe('a month on one page', () => {
  it('counts what the log has of it, in the house’s zone, and nothing of the month before', async () => {
    const { body } = await house.manager.get('/api/reports/2026-03')
    expect(body).toMatchObject({
      month: '2026-03',
      from: '2026-03-01T00:00:00.000Z',
      // summer time begins on the 29th
      until: '2026-03-31T23:00:00.000Z',
      isEmpty: false,
      sharpenings: 1,
      minutes: 20,
      counts: { all: 1, missing: 0, found: 0 },
    })
    expect(body.checks).toEqual({ all: 4, measured: 2, within: 1 })
    expect(body.sentOut.map((one: { kind: string; words: string }) => [one.kind, one.words])).toEqual([
      ['sent-out', 'The mill'],
      ['returned', ''],
      ['sent-out', 'The mill'],
      ['sent-out', 'Another'],
      ['returned', 'they were closed'],
    ])
    expect(body.outOfService).toMatchObject([{ kind: 'retired', code: 'CHIP-1', words: 'worn out' }])
    const gap = (await house.manager.get('/api/reports/2026-02')).body
    expect(gap).toMatchObject({ isEmpty: true, honings: 0, outOfService: [] })
    expect(gap.services).toBe(56)
    expect((await house.manager.get('/api/reports/2026-13')).status).toBe(422)
    expect((await house.manager.get('/api/reports/march')).status).toBe(422)
  })
})
