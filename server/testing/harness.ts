import { MOVE_IN_STEPS } from '../../core/house/movingIn'
import { randomBytes } from 'node:crypto'
import { Writable } from 'node:stream'
import { pino } from 'pino'
import { v4 as newId } from 'uuid'
import { inject } from 'vitest'
import type { Station } from '../../contract/house'
import type { PersonRole } from '../../core/house/rights'
import { DEFAULT_SERVICE_LIMITS } from '../../core/knife/limits'
import { makeApp, type AppOptions, type RunningApp } from '../app'
import { clockFrom } from '../clock'
import { openDatabase } from '../db/database'
import { migrate } from '../db/migrate'
import { insertHouse } from '../db/queries/house/houses'
import { insertPerson } from '../db/queries/house/people'
import { insertStation, insertStationPeriod } from '../db/queries/house/stations'
import { insertSpans } from '../db/queries/week/weeklySpans'
import { hashSecret } from '../signIn/secrets'

export const PASSWORD = 'whetstone and water'
export const PIN = '1234'
/** A Tuesday between lunch and dinner. */
export const NOW = new Date('2026-03-10T15:00:00Z')

/** Half a minute after the knives of a test were added, and within what a device's clock may run ahead. */
export const JUST_NOW = new Date(NOW.getTime() + 30_000)

/** Answers of the API as tests look at them: any JSON. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a test states what it expects of the body
type Body = any

export interface Client {
  readonly send: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<{ status: number; body: Body; headers: Headers }>
  readonly get: (path: string) => Promise<{ status: number; body: Body; headers: Headers }>
  readonly post: (path: string, body?: unknown) => Promise<{ status: number; body: Body; headers: Headers }>
  readonly cookie: () => string
}

export interface TestHouse {
  readonly houseId: string
  readonly people: Readonly<Record<PersonRole, { readonly id: string; readonly name: string }>>
  readonly signInName: string
  readonly station: Station
  readonly manager: Client
}

export interface TestApp {
  readonly app: RunningApp
  readonly base: string
  readonly databaseUrl: string
  readonly logLines: string[]
  readonly client: () => Client
  readonly house: (name?: string) => Promise<TestHouse>
  readonly close: () => Promise<void>
}

/** A database of its own on the test run's PostgreSQL, of an older release where a test asks for fewer steps. */
export async function newDatabase(steps = Infinity): Promise<string> {
  const { template } = inject('databaseServer')
  const name = `t_${randomBytes(6).toString('hex')}`
  const admin = openDatabase(template.replace('__database__', 'postgres'), () => undefined)
  await admin.query(`create database ${name}`)
  await admin.close()
  const url = template.replace('__database__', name)
  await migrate(url, steps)
  return url
}

/** The whole server on a loopback port, on an empty database. */
export async function startApp(options: Partial<AppOptions> = {}): Promise<TestApp> {
  const databaseUrl = options.databaseUrl ?? (await newDatabase())
  const logLines: string[] = []
  const log = pino(
    { level: 'info' },
    new Writable({
      write: (chunk, _encoding, done) => {
        logLines.push(String(chunk))
        done()
      },
    }),
  )
  const app = makeApp({ log, clock: clockFrom(NOW), doorRequestsPerMinute: 1000, ...options, databaseUrl })
  await new Promise<void>((settle) => {
    app.server.listen(0, '127.0.0.1', () => {
      settle()
    })
  })
  const address = app.server.address()
  if (!address || typeof address === 'string') throw new Error('the server has no port')
  const base = `http://127.0.0.1:${address.port}`
  const client = (): Client => newClient(base)
  return {
    app,
    base,
    databaseUrl,
    logLines,
    client,
    house: (name) => addHouse(app, client, name),
    close: () => app.close(),
  }
}

function newClient(base: string): Client {
  const jar = new Map<string, string>()
  const cookie = (): string => [...jar].map(([name, value]) => `${name}=${value}`).join('; ')
  const send: Client['send'] = async (method, path, body, headers = {}) => {
    const response = await fetch(base + path, {
      method,
      headers: { cookie: cookie(), ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    for (const set of response.headers.getSetCookie()) {
      const [pair = ''] = set.split(';')
      const at = pair.indexOf('=')
      jar.set(pair.slice(0, at), pair.slice(at + 1))
    }
    const text = await response.text()
    const isJson = response.headers.get('content-type')?.includes('json')
    return { status: response.status, body: isJson ? JSON.parse(text) : text, headers: response.headers }
  }
  return { send, cookie, get: (path) => send('GET', path), post: (path, body) => send('POST', path, body ?? {}) }
}

async function addHouse(app: RunningApp, client: () => Client, name = 'Test house'): Promise<TestHouse> {
  const houseId = newId()
  const signInName = `chef-${houseId.slice(0, 8)}`
  const [passwordHash, pinHash] = [await hashSecret(PASSWORD), await hashSecret(PIN)]
  const person = (role: PersonRole): { id: string; name: string } => ({ id: newId(), name: `The ${role}` })
  const people = {
    chef: person('chef'),
    sharpener: person('sharpener'),
    cook: person('cook'),
    apprentice: person('apprentice'),
  }
  const station: Station = {
    id: newId(),
    name: 'Sauté',
    board: 'soft-plastic',
    product: 'mixed',
    hoursPerService: 2,
    active: true,
    weight: 1,
  }
  await app.db.transaction(async (db) => {
    await insertHouse(db, {
      id: houseId,
      name,
      zone: 'Europe/Dublin',
      units: 'mm',
      serviceLimits: { ...DEFAULT_SERVICE_LIMITS },
      honingHabit: null,
      dayOrder: 'dmy',
      language: 'en',
      settled: [...MOVE_IN_STEPS],
      policies: [],
      isDemo: false,
    })
    for (const [role, { id, name: personName }] of Object.entries(people) as [
      PersonRole,
      { id: string; name: string },
    ][]) {
      const manager = role === 'chef'
      await insertPerson(db, houseId, {
        id,
        name: personName,
        role,
        active: true,
        signInName: manager ? signInName : null,
        passwordHash: manager ? passwordHash : null,
        pinHash,
      })
    }
    await insertStation(db, houseId, station)
    await insertStationPeriod(db, houseId, station, new Date(0))
    await insertSpans(
      db,
      houseId,
      [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => [
        { id: newId(), kind: 'service' as const, weekday, name: 'lunch', starts: '12:00', ends: '14:30' },
        { id: newId(), kind: 'service' as const, weekday, name: 'dinner', starts: '17:30', ends: '22:00' },
        { id: newId(), kind: 'quiet' as const, weekday, name: 'afternoon', starts: '15:00', ends: '17:00' },
      ]),
      new Date(0),
    )
  })
  const manager = client()
  const entered = await manager.post('/api/session', { signInName, password: PASSWORD })
  if (entered.status !== 200) throw new Error(`could not sign in: ${JSON.stringify(entered.body)}`)
  return { houseId, people, signInName, station, manager }
}

/** A client signed in by PIN on a tablet the manager enrolled. */
export async function onTablet(test: TestApp, house: TestHouse, role: PersonRole): Promise<Client> {
  const tablet = test.client()
  await tablet.post('/api/session', { signInName: house.signInName, password: PASSWORD })
  await tablet.post('/api/devices', { name: 'Wall', kind: 'tablet' })
  const entered = await tablet.post('/api/session/pin', { personId: house.people[role].id, pin: PIN })
  if (entered.status !== 200) throw new Error(`could not enter by PIN: ${JSON.stringify(entered.body)}`)
  return tablet
}

/** Adds a knife and gives its view. */
export async function addTestKnife(house: TestHouse, knife: Record<string, unknown> = {}): Promise<Body> {
  const answer = await house.manager.post('/api/knives', {
    id: newId(),
    type: 'chef',
    lengthMm: 240,
    stationId: house.station.id,
    ...knife,
  })
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  return answer.body
}

export const event = (knifeId: string, kind: string, payload: object, at = JUST_NOW): Record<string, unknown> => ({
  id: newId(),
  knifeId,
  kind,
  at: at.toISOString(),
  payload,
})

export const check = (
  knifeId: string,
  heel: number,
  belly: number,
  tip: number,
  at = JUST_NOW,
): Record<string, unknown> =>
  event(
    knifeId,
    'checked',
    {
      readings: [
        { zone: 'heel', forcesGf: [heel] },
        { zone: 'belly', forcesGf: [belly] },
        { zone: 'tip', forcesGf: [tip] },
      ],
      ladder: [],
    },
    at,
  )
