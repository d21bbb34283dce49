import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { operations, requestsTo } from './testing/fuzz'
import { addTestKnife, event, onTablet, startApp, type Client, type TestApp, type TestHouse } from './testing/harness'

const EACH = 1
const SEED = 20_261_128
/** Ends sessions of those who ask, and long work of its own. */
const LEFT_OUT = new Set([
  'signOut',
  'revoke',
  'editPerson',
  'endOtherSessions',
  'rebuild',
  'improvePlan',
  'bringHouse',
])

let test: TestApp
let houses: TestHouse[]
beforeAll(async () => {
  test = await startApp({ doorRequestsPerMinute: 1_000_000 })
  houses = [await test.house('One'), await test.house('Two')]
})
afterAll(() => test.close())

const deadlocks = async (): Promise<number> => {
  // counts of a connection are told within a second, or when it ends
  await new Promise((settle) => setTimeout(settle, 1200))
  const { n } = await test.app.db.one<{ n: number }>(
    `select deadlocks::int as n from pg_stat_database where datname = current_database()`,
  )
  return n
}

describe('everything that changes a house, all at once', () => {
  it('never stands in each other’s way for good: the house’s row is locked first, and of two houses that of the lower id', async () => {
    const before = await deadlocks()
    const clients: { client: Client; house: TestHouse; knives: string[] }[] = []
    const known: string[] = []
    for (const house of houses) {
      const [one, two] = [await addTestKnife(house), await addTestKnife(house)]
      known.push(one.id, two.id, house.station.id, ...Object.values(house.people).map(({ id }) => id))
      const people = [house.manager, await onTablet(test, house, 'sharpener'), await onTablet(test, house, 'cook')]
      clients.push(...people.map((client) => ({ client, house, knives: [one.id, two.id] })))
    }
    const writes = operations()
      .filter(({ method, id }) => method !== 'GET' && !LEFT_OUT.has(id))
      .flatMap((operation) => fc.sample(requestsTo(operation, known), { numRuns: EACH, seed: SEED }))
    // one stream a client, each through all of them in another order
    const counts = new Map<number, number>()
    await Promise.all(
      clients.map(async ({ client, house, knives }, turn) => {
        for (let at = 0; at < writes.length; at++) {
          const asked = writes[(at * 7 + turn * 31) % writes.length]
          if (!asked) continue
          const { status } = await client.send(asked.method, asked.path, asked.body)
          counts.set(status, (counts.get(status) ?? 0) + 1)
          // and what a kitchen does all day, over both knives in one change, in either order
          const ordered = at % 2 === 0 ? knives : [...knives].reverse()
          const events = ordered.map((id) => event(id, 'honed', { tool: 'ceramic-rod' }))
          const kept = await client.send('POST', '/api/events', JSON.stringify({ events }))
          const station = await client.send('PATCH', `/api/stations/${house.station.id}`, { weight: 1 + (at % 3) })
          for (const answer of [kept, station]) counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1)
        }
      }),
    )
    // people who go between houses, both ways at once
    const [first, second] = houses
    if (first && second) {
      const codeOf = async (house: TestHouse, role: 'cook' | 'sharpener'): Promise<string> =>
        (await house.manager.post(`/api/people/${house.people[role].id}/door-code`)).body.code
      const [there, here] = [await codeOf(second, 'cook'), await codeOf(first, 'cook')]
      await Promise.all([
        first.manager.post('/api/me/houses', { code: there }),
        second.manager.post('/api/me/houses', { code: here }),
      ])
    }
    expect(counts.get(200)).toBeGreaterThan(200)
    expect([...counts].filter(([status]) => status >= 500)).toEqual([])
    expect(await deadlocks()).toBe(before)
  }, 180_000)
})
