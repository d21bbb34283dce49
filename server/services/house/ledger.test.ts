import { v7 as newId } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Ledger, Money } from '../../../contract/ledger'
import type { HouseWeeks, SafetyFile } from '../../../contract/papers'
import type { Stock } from '../../../contract/stock'
import { NO_DEFECTS } from '../../../core/edge/model/events'
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
    // what was done to a knife of today counts as a month's, not as a year's
    expect(told?.perMonth).toBeCloseTo((told?.year.purchase ?? 0) / 12 + 10, 6)
    const out = (await ledger()).knives.find(({ code }) => code === 'OUT-1')
    expect(out?.year.outside).toBe(11)
    // beside the mill stands what the house's own hands did to knives of the same kind, by their wage
    const own = (await ledger()).grinders.filter(({ isHouse }) => isHouse)
    expect(own).toMatchObject([{ times: 1, price: 10, days: null }])
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
    expect(first.harms.byStation).toMatchObject([{ stationId: house.station.id, count: 1 }])
    expect(first.harms.byStation[0]?.high).toBeGreaterThan(2)
    expect(first.harms.byCause).toMatchObject([{ cause: null, count: 1 }])
    expect(first.survival.median).toBeNull()
    await later(DAY_MS)
    await record(event(id, 'retired', { reason: 'worn out' }, now))
    const { survival } = await ledger()
    expect(survival.steps).toHaveLength(1)
    expect(survival.steps[0]?.years).toBeCloseTo(2.01, 1)
  })
})

describe('what hurts blades', () => {
  it('is told by cause and place, of a knife that is there, and gives its cause to a chip found after it', async () => {
    const { id } = await addTestKnife(house, { code: 'HURT-1', condition: 'new' })
    const told = { id: newId(), at: now, what: 'blade-hurt', place: 'sink', cause: 'dishwasher', knifeId: id }
    expect((await house.manager.post('/api/incidents', { ...told, id: newId(), knifeId: newId() })).status).toBe(404)
    expect((await house.manager.post('/api/incidents', told)).status).toBe(200)
    const defects = { ...NO_DEFECTS, chip: { zone: 'heel', depthMm: 0.3 } }
    await record(event(id, 'checked', { readings: [], ladder: [], defects }, soon(1)))
    const { harms } = await ledger()
    expect(harms.told).toMatchObject([{ cause: 'dishwasher', place: 'sink', count: 1 }])
    expect(harms.byCause.find(({ cause }) => cause === 'dishwasher')?.count).toBe(1)
    expect(harms.cells).toContainEqual({ stationId: house.station.id, cause: 'dishwasher', count: 1 })
    expect(harms.lost.count).toBe(0)
  })
})

describe('a stock', () => {
  const stock = async (): Promise<Stock> => (await house.manager.get('/api/stock')).body as Stock
  it('is counted, runs out by its counts, and stands in the year’s purchases with its price', async () => {
    const id = newId()
    const paste = { name: 'Paste', kind: 'paste', unit: 'bars', price: 12, usesEach: null }
    expect((await house.manager.send('PUT', `/api/supplies/${id}`, paste)).status).toBe(200)
    expect((await stock()).supplies).toMatchObject([{ name: 'Paste', left: null, by: 'nothing', runsOut: null }])
    const taken = await house.manager.send('PUT', `/api/supplies/${newId()}`, { ...paste, name: 'PASTE' })
    expect([taken.status, JSON.stringify(taken.body)]).toEqual([409, expect.stringContaining('PASTE')])
    const count = { id: newId(), at: new Date(now.getTime() - 30 * DAY_MS), left: 3, added: 0 }
    expect((await house.manager.post(`/api/supplies/${id}/counts`, count)).status).toBe(200)
    // sent twice by a phone that heard no answer
    expect((await house.manager.post(`/api/supplies/${id}/counts`, count)).status).toBe(200)
    await house.manager.post(`/api/supplies/${id}/counts`, { id: newId(), at: now, left: 2, added: 0 })
    const [told] = (await stock()).supplies
    expect(told).toMatchObject({ left: 2, by: 'counts' })
    expect(told?.counts).toHaveLength(2)
    expect((Date.parse(told?.runsOut?.middleAt ?? '') - now.getTime()) / DAY_MS).toBeCloseTo(60, 3)
    expect((await ledger()).purchases).toContainEqual(
      expect.objectContaining({ what: 'supply', name: 'Paste', price: 12 }),
    )
    for (const wrong of [{ left: -1 }, { added: -1 }, { at: new Date(now.getTime() + DAY_MS) }])
      expect((await house.manager.post(`/api/supplies/${id}/counts`, { ...count, id: newId(), ...wrong })).status).toBe(
        422,
      )
    expect((await house.manager.post(`/api/supplies/${newId()}/counts`, { ...count, id: newId() })).status).toBe(404)
    expect((await house.manager.send('PUT', `/api/supplies/${id}`, { ...paste, price: -3 })).status).toBe(422)
  })

  it('keeps each thickness of a stone as a measure of its own', async () => {
    const id = newId()
    await house.manager.post('/api/gear', {
      id,
      name: 'A stone',
      kind: 'splash-stone',
      scale: 'JIS',
      grit: 1000,
      thicknessMm: 25,
    })
    await later(DAY_MS)
    await house.manager.send('PATCH', `/api/gear/${id}`, { dishMm: 0.1 })
    await house.manager.send('PATCH', `/api/gear/${id}`, { thicknessMm: 24 })
    const stone = (await stock()).stones.find((one) => one.id === id)
    expect(stone?.measures.map(({ mm }) => mm)).toEqual([25, 24])
    expect(stone).toMatchObject({ nowMm: 24, knivesPerMonth: 0, runsOut: null })
  })
})

describe('another currency', () => {
  it('takes every price and old invoice with it, and leaves alone what was written anew', async () => {
    const before = (await ledger()).grinders.find(({ name }) => name === 'The mill')
    expect(before?.price).toBe(11)
    await later(60_000)
    const money = { ...MONEY, currency: 'DKK', hourly: { ...MONEY.hourly, cook: 150 } }
    const { body } = await house.manager.send('PUT', '/api/money', { money, rate: 7.5 })
    expect(body).toMatchObject({ currency: 'DKK', hourly: { chef: 225, sharpener: 180, cook: 150 }, grinder: 60 })
    const now = await ledger()
    expect(now.grinders.find(({ name }) => name === 'The mill')?.price).toBeCloseTo(82.5, 6)
    expect(now.knives.find(({ code }) => code === 'OUT-1')?.price).toBe(675)
    expect((await stock()).supplies[0]?.price).toBe(90)
  })
  const stock = async (): Promise<Stock> => (await house.manager.get('/api/stock')).body as Stock
})

describe('the house week by week', () => {
  it('has hours, minutes and cost of each knife, and services of the house and of its station', async () => {
    const { body } = await house.manager.get('/api/ledger/weeks?weeks=8')
    const weeks = body as HouseWeeks
    expect(weeks.weeks).toBe(8)
    expect(weeks.services.map(({ stationId }) => stationId)).toEqual(['', house.station.id])
    for (const { weeks: own } of weeks.services)
      for (const { services, within } of own) expect(within).toBeLessThanOrEqual(services)
    const worked = weeks.knives.filter(({ hours }) => hours > 0)
    expect(worked.length).toBeGreaterThan(0)
    for (const { hours, dullHours } of worked) expect(dullHours).toBeLessThanOrEqual(hours)
    const minutes = weeks.knives.reduce((sum, one) => sum + one.minutes, 0)
    expect(minutes).toBe(20)
    // twenty minutes of somebody's hour, and the mill's invoice
    expect(weeks.knives.filter(({ cost }) => (cost ?? 0) > 0).map(({ code }) => code)).toContain('OUT-1')
    expect((await house.manager.get('/api/ledger/weeks?weeks=3')).status).toBe(422)
  })
})

describe('the food-safety file', () => {
  it('has knives, checks and what left service, between days of the house, and nothing outside of them', async () => {
    const { body } = await house.manager.get('/api/safety-file?from=2026-03-01&until=2026-03-31')
    const file = body as SafetyFile
    expect(file.knives.map(({ code }) => code)).toContain('OUT-1')
    expect(file.knives.map(({ code }) => code)).not.toContain('CHIP-1')
    expect(file.checks.some(({ defects }) => defects.includes('chip'))).toBe(true)
    expect(file.outOfService.map(({ kind }) => kind)).toContain('sent-out')
    expect(file.outOfService.every(({ personName }) => personName !== null)).toBe(true)
    const empty = (await house.manager.get('/api/safety-file?from=2025-01-01&until=2025-01-31')).body as SafetyFile
    expect([empty.checks, empty.sessions, empty.outOfService]).toEqual([[], [], []])
    expect((await house.manager.get('/api/safety-file?from=2026-03-31&until=2026-03-01')).status).toBe(422)
    expect((await house.manager.get('/api/safety-file?from=yesterday&until=2026-03-01')).status).toBe(422)
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
    expect(body.checks).toEqual({ all: 5, measured: 2, within: 1 })
    expect(body.sentOut.map((one: { kind: string; words: string }) => [one.kind, one.words])).toEqual([
      ['sent-out', 'The mill'],
      ['returned', ''],
      ['sent-out', 'The mill'],
      ['sent-out', 'Another'],
      ['returned', 'they were closed'],
    ])
    expect(body.outOfService).toMatchObject([{ kind: 'retired', code: 'CHIP-1', words: 'worn out' }])
    const gap = (await house.manager.get('/api/reports/2026-02')).body
    expect(gap).toMatchObject({ isEmpty: true, honings: 0, outOfService: [], sharp: { services: 0, within: 0 } })
    // days with services and no record are named, not passed over
    expect(gap.gaps).toEqual([{ from: '2026-02-01T00:00:00.000Z', last: '2026-02-28T00:00:00.000Z', services: 56 }])
    expect(body.gaps[0]).toMatchObject({ from: '2026-03-01T00:00:00.000Z' })
    expect(body.cost).toMatchObject({ currency: 'DKK', labour: 75 })
    expect(body.sharp.services).toBeGreaterThan(0)
    expect(body.sharp.within).toBeLessThanOrEqual(body.sharp.services)
    expect(gap.services).toBe(56)
    expect((await house.manager.get('/api/reports/2026-13')).status).toBe(422)
    expect((await house.manager.get('/api/reports/march')).status).toBe(422)
  })
})
