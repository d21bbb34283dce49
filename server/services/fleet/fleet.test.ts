import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { MINUTE_MS } from '../../../core/time'
import { addTestKnife, check, event, NOW, startApp, type TestApp, type TestHouse } from '../../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const fleet = (headers: Record<string, string> = {}): ReturnType<TestHouse['manager']['send']> =>
  house.manager.send('GET', '/api/fleet', undefined, headers)

describe('the fleet as it is read', () => {
  it('shows the day of the house: services, quiet windows, and now', async () => {
    const { day, now } = (await fleet()).body
    expect(day.startsAt).toBe('2026-03-10T00:00:00.000Z')
    expect(day.services).toEqual([
      { name: 'lunch', startsAt: '2026-03-10T12:00:00.000Z', endsAt: '2026-03-10T14:30:00.000Z' },
      { name: 'dinner', startsAt: '2026-03-10T17:30:00.000Z', endsAt: '2026-03-10T22:00:00.000Z' },
    ])
    expect(day.quiet.map((window: { name: string }) => window.name)).toEqual(['afternoon'])
    expect(Math.abs(new Date(now).getTime() - NOW.getTime())).toBeLessThan(60_000)
  })

  it('is not sent again while nothing has changed, and is when something has', async () => {
    const first = await fleet()
    const etag = first.headers.get('etag') ?? ''
    expect(etag).toContain(house.houseId)
    expect((await fleet({ 'if-none-match': etag })).status).toBe(304)
    await addTestKnife(house)
    const after = await fleet({ 'if-none-match': etag })
    expect(after.status).toBe(200)
    expect(after.body.knives.length).toBe(first.body.knives.length + 1)
  })

  it('is never mistaken for another house’s at the same revision', async () => {
    const [first, second] = [await test.house('One'), await test.house('Two')]
    const [one, two] = [await first.manager.get('/api/fleet'), await second.manager.get('/api/fleet')]
    expect(one.headers.get('etag')).not.toBe(two.headers.get('etag'))
    expect(one.headers.get('vary')).toMatch(/Cookie/)
  })

  it('comes unpacked to a client that cannot unpack', async () => {
    const plain = await fetch(`${test.base}/api/fleet`, {
      headers: { cookie: house.manager.cookie(), 'accept-encoding': 'identity' },
    })
    expect(plain.headers.get('content-encoding')).toBeNull()
    expect(JSON.parse(await plain.text())).toHaveProperty('knives')
  })
})

describe('a knife as it is seen', () => {
  it('names the zone, the word, the band and the limit', async () => {
    const knife = await addTestKnife(house)
    await house.manager.post('/api/events', { events: [check(knife.id, 200, 290, 400)] })
    const view = (await fleet()).body.knives.find((one: { id: string }) => one.id === knife.id)
    expect(view).toMatchObject({ worstZone: 'tip', word: 'dull', limitGf: 350, readingCount: 3 })
    for (const zone of ['heel', 'belly', 'tip']) {
      const { lowGf, forceGf, highGf } = view.zones[zone]
      expect(lowGf).toBeLessThan(forceGf)
      expect(forceGf).toBeLessThan(highGf)
    }
  })

  it('says which service will find it dull, and nothing for one that lies in quarantine', async () => {
    const knife = await addTestKnife(house)
    const worn = (await house.manager.post('/api/events', { events: [check(knife.id, 330, 340, 345)] })).body.knives[0]
    expect(worn.dullAhead).toMatchObject({ zone: 'tip' })
    expect(['lunch', 'dinner']).toContain(worn.dullAhead.serviceName)
    const out = (
      await house.manager.post('/api/events', {
        events: [event(knife.id, 'quarantined', { reason: 'crack' }, new Date(NOW.getTime() + 40_000))],
      })
    ).body.knives[0]
    expect(out.dullAhead).toBeNull()
  })

  it('pages its history, newest first, with what each event did to the edge', async () => {
    const knife = await addTestKnife(house)
    const at = (minutes: number): Date => new Date(NOW.getTime() - minutes * MINUTE_MS)
    const later = new Date(NOW.getTime() + 20_000)
    await house.manager.post('/api/events', {
      events: [
        check(knife.id, 300, 310, 320, at(90)),
        event(knife.id, 'honed', { tool: 'smooth-steel', strokesPerSide: 8 }, at(60)),
        event(knife.id, 'moved', { holderId: null }, later),
      ],
    })
    const path = `/api/knives/${knife.id}/events`
    const whole = (await house.manager.get(path)).body as {
      kind: string
      at: string
      effect: { beforeGf: number; afterGf: number } | null
      personName: string
    }[]
    expect(whole.map((one) => one.kind)).toEqual(['moved', 'added', 'honed', 'checked'])
    expect(whole.find((one) => one.kind === 'honed')?.effect?.afterGf).toBeLessThan(
      whole.find((one) => one.kind === 'honed')?.effect?.beforeGf ?? 0,
    )
    expect(whole.find((one) => one.kind === 'moved')?.effect).toBeNull()
    expect(whole[0]?.personName).toBe('The chef')
    const page = (await house.manager.get(`${path}?most=2`)).body as { at: string }[]
    const next = (await house.manager.get(`${path}?most=2&before=${encodeURIComponent(page[1]?.at ?? '')}`)).body as {
      kind: string
    }[]
    expect(next.map((one) => one.kind)).toEqual(['honed', 'checked'])
    expect((await house.manager.get(`${path}?most=9999`)).status).toBe(422)
  })
})

describe('a history of events at one instant', () => {
  it('is paged without losing any', async () => {
    const knife = await addTestKnife(house)
    const at = new Date(NOW.getTime() - 60_000)
    const events = Array.from({ length: 7 }, () => event(knife.id, 'honed', { tool: 'strop' }, at))
    expect((await house.manager.post('/api/events', { events })).status).toBe(200)
    const seen: string[] = []
    let cursor = ''
    for (;;) {
      const page = (await house.manager.get(`/api/knives/${knife.id}/events?most=3${cursor}`)).body as {
        id: string
        at: string
      }[]
      seen.push(...page.map(({ id }) => id))
      const last = page.at(-1)
      if (!last || page.length < 3) break
      cursor = `&before=${encodeURIComponent(last.at)}&beforeId=${last.id}`
    }
    // seven honings and the knife's joining
    expect(new Set(seen).size).toBe(8)
    expect(seen).toHaveLength(8)
  })
})

describe('a fleet read while others write', () => {
  it('has in it what whoever reads has just written, and the same views as one read afresh', async () => {
    const busy = await test.house('Busy')
    const knives = [await addTestKnife(busy), await addTestKnife(busy), await addTestKnife(busy)]
    type View = { id: string; readingCount: number; name: string | null }
    const fleetOf = async (): Promise<View[]> => (await busy.manager.get('/api/fleet')).body.knives
    await Promise.all(
      knives.map(async ({ id }: { id: string }, at) => {
        for (let turn = 1; turn <= 3; turn++) {
          const readAt = new Date(NOW.getTime() + 1000 * (10 * turn + at))
          await busy.manager.post('/api/events', { events: [check(id, 300 + turn, 310, 320, readAt)] })
          expect((await fleetOf()).find((one) => one.id === id)?.readingCount).toBe(3 * turn)
        }
      }),
    )
    // what concerns all is reckoned for all
    const before = await fleetOf()
    await busy.manager.send('PATCH', '/api/house', { name: 'Busier' })
    const after = await fleetOf()
    expect(after.map(({ id, readingCount }) => [id, readingCount])).toEqual(
      before.map(({ id, readingCount }) => [id, readingCount]),
    )
    await busy.manager.send('PATCH', `/api/knives/${knives[0].id}`, { name: 'Renamed' })
    expect((await fleetOf()).find(({ id }) => id === knives[0].id)?.name).toBe('Renamed')
  })
})
