import fc from 'fast-check'
import { request as rawRequest } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { operations, requestsTo, type FuzzRequest } from './testing/fuzz'
import { addTestKnife, check, onTablet, startApp, type Client, type TestApp, type TestHouse } from './testing/harness'

/** How many in the tests; the drill asks for 10 000 (docs/trust.md). */
const REQUESTS = Number(process.env['YORVIK_FUZZ'] ?? 2200)
const SEED = Number(process.env['YORVIK_FUZZ_SEED'] ?? 20_260_310)
/** Ends the session of whoever asks, or of everybody: asked last, of a house of its own. */
const ENDS_SESSIONS = new Set(['signOut', 'revoke', 'editPerson'])

let test: TestApp
beforeAll(async () => {
  test = await startApp({ doorRequestsPerMinute: 1_000_000 })
})
afterAll(() => test.close())

interface Furnished {
  readonly house: TestHouse
  readonly known: readonly string[]
  readonly clients: Readonly<Record<'chef' | 'cook' | 'apprentice' | 'nobody', Client>>
}

/** A house with knives, gear and a history, and one of each kind of person in it. */
async function furnish(): Promise<Furnished> {
  const house = await test.house(`Fuzzed ${Math.random()}`)
  const knives = [await addTestKnife(house, { code: 'F-1' }), await addTestKnife(house, { code: 'F-2' })]
  const gearId = crypto.randomUUID()
  await house.manager.post('/api/gear', { id: gearId, name: 'One', kind: 'splash-stone', scale: 'JIS', grit: 1000 })
  const checked = check(knives[0].id, 300, 310, 320)
  await house.manager.post('/api/events', { events: [checked] })
  const foreign = await test.house('Across the road')
  const known = [
    ...knives.map(({ id }: { id: string }) => id),
    gearId,
    String(checked['id']),
    house.station.id,
    ...Object.values(house.people).map(({ id }) => id),
    // what belongs to another house is as good as nothing
    foreign.station.id,
    foreign.people.cook.id,
    'ffffffff-ffff-4fff-bfff-ffffffffffff',
  ]
  return {
    house,
    known,
    clients: {
      chef: house.manager,
      cook: await onTablet(test, house, 'cook'),
      apprentice: await onTablet(test, house, 'apprentice'),
      nobody: test.client(),
    },
  }
}

interface Outcome {
  readonly status: number
  readonly told: unknown
}

/** What is wrong with an answer; null where nothing is. */
function faultIn({ status, told }: Outcome): string | null {
  if (status >= 500) return `${status} ${JSON.stringify(told).slice(0, 200)}`
  if (status < 400) return null
  const sentence = (told as { error?: { sentence?: unknown } } | null)?.error?.sentence
  return typeof sentence === 'string' && sentence !== '' ? null : `${status} without a sentence`
}

describe('requests made at random from the description', () => {
  it(`never break the server, whoever sends them (${REQUESTS} of them)`, async () => {
    const all = operations()
    const each = Math.max(1, Math.ceil(REQUESTS / all.length / 4))
    const faults: string[] = []
    let sent = 0
    const counts = new Map<number, number>()
    for (const ending of [false, true]) {
      const { clients, known } = await furnish()
      for (const operation of all.filter(({ id }) => ENDS_SESSIONS.has(id) === ending)) {
        const requests = fc.sample(requestsTo(operation, known), { numRuns: 4 * each, seed: SEED })
        const people = Object.entries(clients)
        for (let at = 0; at < requests.length; at += people.length) {
          await Promise.all(
            people.map(async ([who, client], turn) => {
              const asked: FuzzRequest | undefined = requests[at + turn]
              if (!asked) return
              const { status, body } = await client.send(asked.method, asked.path, asked.body)
              sent++
              counts.set(status, (counts.get(status) ?? 0) + 1)
              const fault = faultIn({ status, told: body })
              if (fault) faults.push(`${who} ${asked.operation} ${asked.path} ${asked.body?.slice(0, 300)}: ${fault}`)
            }),
          )
        }
      }
    }
    expect(faults).toEqual([])
    expect(sent).toBeGreaterThanOrEqual(REQUESTS)
    // it got through doors, and not only against them
    expect(counts.get(200)).toBeGreaterThan(sent / 20)
    expect((await test.client().get('/api/health')).body).toMatchObject({ writing: true, listening: true })
    console.log(`fuzzed ${sent}: ${[...counts].map(([status, count]) => `${status} × ${count}`).join(', ')}`)
  }, 900_000)
})

/** A request as bytes, past what fetch would let through. */
function raw(
  path: string,
  headers: Readonly<Record<string, string>>,
  body: string | Buffer,
  method = 'POST',
): Promise<Outcome> {
  const { hostname, port } = new URL(test.base)
  return new Promise((settle, fail) => {
    const asked = rawRequest({ hostname, port, path, method, headers }, (answer) => {
      let text = ''
      answer.on('data', (chunk: Buffer) => {
        text += chunk.toString()
      })
      answer.on('end', () => {
        settle({
          status: answer.statusCode ?? 0,
          told: answer.headers['content-type']?.includes('json') ? JSON.parse(text) : text,
        })
      })
    })
    asked.on('error', fail)
    asked.end(body)
  })
}

describe('a request that is broken on the wire', () => {
  let cookie: string
  beforeAll(async () => {
    cookie = (await test.house('On the wire')).manager.cookie()
  })

  it.each([
    ['a body that is not the gzip it says', { 'content-encoding': 'gzip' }, '{"events":[]}'],
    ['an encoding nobody knows', { 'content-encoding': 'sand' }, '{}'],
    ['a character set nobody knows', { 'content-type': 'application/json; charset=klingon' }, '{}'],
    ['bytes that are no UTF-8', {}, Buffer.from([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x7d])],
    ['half a surrogate pair', {}, '{"events":"\\ud800"}'],
    ['a NUL', {}, '{"events":"\\u0000"}'],
    ['deep brackets', {}, '['.repeat(50_000)],
    ['a length that is a lie', { 'content-length': '3' }, '{}x'],
  ] as const)('for %s is refused in a sentence', async (_what, headers, body) => {
    const outcome = await raw('/api/events', { cookie, 'content-type': 'application/json', ...headers }, body)
    expect(faultIn(outcome)).toBeNull()
    expect(outcome.status).toBeGreaterThanOrEqual(400)
  })

  it.each(['%ED%A0%80', '%00', '%', '%C0%AF', '..%2f..%2f', encodeURIComponent('\u202e')])(
    'for an address with %s in it is refused in a sentence',
    async (piece) => {
      for (const path of [
        `/api/knives/${piece}/events`,
        `/api/photos/${piece}.jpg`,
        `/api/calendar/${piece}.ics`,
        `/api/exchange/${piece}.csv`,
        `/api/${piece}`,
      ]) {
        const outcome = await raw(path, { cookie }, '', 'GET')
        expect(faultIn(outcome), path).toBeNull()
        expect(outcome.status, path).toBeGreaterThanOrEqual(400)
      }
    },
  )
})
