import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { actFor } from './acting'
import type { Database } from './db/database'
import { tableSums, type TableSum } from './db/queries/house/tableSums'
import { operations, requestsTo } from './testing/fuzz'
import { addTestKnife, check, onTablet, startApp, type Client, type TestApp, type TestHouse } from './testing/harness'

/** A name that only the neighbours have: it stands in whatever is theirs. */
const MARK = 'Neighbourly'
/** Requests of each kind of person to each address. */
const EACH = 10
const SEED = 20_261_127
/** Ends the session of whoever asks. */
const ENDS_SESSIONS = new Set(['signOut', 'revoke', 'editPerson', 'endOtherSessions'])

let test: TestApp
let db: Database
let own: TestHouse
let theirs: TestHouse
/** what of theirs is asked for by its id */
let theirIds: string[]
/** and what nobody of ours ever names */
let hiddenIds: string[]
beforeAll(async () => {
  test = await startApp({ doorRequestsPerMinute: 1_000_000 })
  ;({ db } = test.app)
  own = await test.house('Ours')
  theirs = await test.house(`${MARK} house`)
  const manager = theirs.manager
  const knife = await addTestKnife(theirs, { code: 'NB-1' })
  const gearId = crypto.randomUUID()
  await manager.post('/api/gear', {
    id: gearId,
    name: `${MARK} stone`,
    kind: 'splash-stone',
    scale: 'JIS',
    grit: 1000,
  })
  const reading = check(knife.id, 300, 310, 320)
  await manager.post('/api/events', { events: [reading] })
  const personId = crypto.randomUUID()
  await manager.post('/api/people', { id: personId, name: `${MARK} cook`, role: 'cook', pin: '4711' })
  const { body: tablet } = await manager.post('/api/devices', { name: `${MARK} line`, kind: 'instrument' })
  const begun = await manager.post(`/api/knives/${knife.id}/bench`, { id: crypto.randomUUID() })
  await addTestKnife(own, { code: 'OURS-1' })
  const hidden = await addTestKnife(theirs, { code: 'NB-2' })
  const unread = check(hidden.id, 200, 210, 220)
  await manager.post('/api/events', { events: [unread] })
  hiddenIds = [hidden.id, String(unread['id'])]
  theirIds = [
    theirs.houseId,
    theirs.station.id,
    ...Object.values(theirs.people).map(({ id }) => id),
    knife.id,
    gearId,
    personId,
    String(reading['id']),
    tablet.device.id,
    ...(typeof begun.body?.id === 'string' ? [begun.body.id as string] : []),
  ]
})
afterAll(() => test.close())

/** What the database shows to somebody of a house. */
const seenBy = (houseId: string): Promise<TableSum[]> =>
  actFor({ houseId, personId: own.people.chef.id, deviceId: null }, () => tableSums(db))
/** Tables that count for the whole server: tries at the door, steps of the schema. */
const NO_HOUSE = new Set(['attempts', 'migrations'])
/** And those that nobody of a house may read at all. */
const SERVER_ALONE = ['chain_links', 'chain_owners', 'chains']
const housed = (sums: readonly TableSum[]): TableSum[] => sums.filter(({ table }) => !NO_HOUSE.has(table))

describe('the wall in the database', () => {
  it('stands around every table but those that are no house’s, and most of these are the server’s alone', async () => {
    const { rows } = await db.query<{ name: string; walls: number }>(
      `select relname as name, count(policy.oid)::int as walls
       from pg_class left join pg_policy policy on polrelid = pg_class.oid and relrowsecurity
       where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') and not relispartition
       group by relname order by relname`,
    )
    expect(rows.filter(({ walls }) => walls === 0).map(({ name }) => name)).toEqual(
      [...NO_HOUSE, ...SERVER_ALONE].sort(),
    )
    const readable = new Set((await seenBy(own.houseId)).map(({ table }) => table))
    expect(SERVER_ALONE.filter((table) => readable.has(table))).toEqual([])
    expect(rows.length).toBeGreaterThan(25)
  })

  it('shows one house’s rows in each of them, and the server all', async () => {
    const all = await tableSums(db)
    const [ours, others] = [await seenBy(own.houseId), await seenBy(theirs.houseId)]
    const rowsIn = (sums: readonly TableSum[], name: string): number =>
      sums.find(({ table }) => table === name)?.rows ?? 0
    for (const { table, rows } of housed(all)) expect(rowsIn(ours, table) + rowsIn(others, table), table).toBe(rows)
    expect(ours.find(({ table }) => table === 'knives')?.rows).toBe(1)
  })

  it('lets nothing be written to another house, and nothing of it be changed', async () => {
    const asOurs = <T>(work: () => Promise<T>): Promise<T> =>
      actFor({ houseId: own.houseId, personId: own.people.chef.id, deviceId: null }, work)
    await expect(
      asOurs(() =>
        db.query(
          `insert into stations (house_id, id, name, board, product, hours_per_service) values ($1, gen_random_uuid(), 'x', 'rubber', 'fish', 1)`,
          [theirs.houseId],
        ),
      ),
    ).rejects.toThrow(/row-level security/)
    const { rowCount } = await asOurs(() => db.query(`update knives set code = 'GONE-1'`))
    expect(rowCount).toBe(1)
    await asOurs(() => db.query(`update knives set code = 'OURS-1'`))
  })

  it('goes with whoever asks, through one pool of connections', async () => {
    const names = await Promise.all(
      Array.from({ length: 60 }, (_, at) => {
        const house = at % 2 === 0 ? own : theirs
        return actFor({ houseId: house.houseId, personId: house.people.chef.id, deviceId: null }, () =>
          db.query<{ id: string }>('select id from houses').then(({ rows }) => rows.map(({ id }) => id)),
        )
      }),
    )
    names.forEach((ids, at) => {
      expect(ids).toEqual([at % 2 === 0 ? own.houseId : theirs.houseId])
    })
    expect((await db.query('select id from houses')).rows).toHaveLength(2)
  })
})

/**
 * What of another house stands in an answer. An id that was asked for may stand there: in a refusal, or because we used
 * it for something of our own.
 */
const leaks = (text: string): string[] => [MARK, ...hiddenIds].filter((one) => text.includes(one))

describe('every address of the description', () => {
  it('gives nothing of another house, and changes nothing in it', async () => {
    const before = housed(await seenBy(theirs.houseId))
    const people: Record<string, Client> = {
      chef: own.manager,
      cook: await onTablet(test, own, 'cook'),
      nobody: test.client(),
    }
    const known = [...theirIds, ...theirIds, own.station.id, own.people.cook.id]
    const found: string[] = []
    let through = 0
    for (const ending of [false, true])
      for (const operation of operations().filter(({ id }) => ENDS_SESSIONS.has(id) === ending)) {
        for (const [who, client] of Object.entries(people)) {
          for (const asked of fc.sample(requestsTo(operation, known), { numRuns: EACH, seed: SEED })) {
            const { status, body } = await client.send(asked.method, asked.path, asked.body)
            if (status < 300) through++
            const leaked = leaks(JSON.stringify(body ?? ''))
            if (leaked.length > 0) found.push(`${who} ${asked.method} ${asked.path}: ${status} told ${leaked.join()}`)
          }
        }
      }
    expect(found).toEqual([])
    expect(through).toBeGreaterThan(100)
    expect(housed(await seenBy(theirs.houseId))).toEqual(before)
  }, 300_000)

  it('and every file and calendar beside it', async () => {
    const chef = await test.house('Third').then(({ manager }) => manager)
    for (const path of [
      '/api/house/whole.json',
      ...['fleet', 'people', 'gear', 'shifts', 'readings', 'events'].map((table) => `/api/exchange/${table}.csv`),
    ]) {
      const { status, body } = await chef.get(path)
      expect(status, path).toBe(200)
      expect(leaks(JSON.stringify(body)), path).toEqual([])
    }
    for (const id of theirIds) {
      expect((await chef.get(`/api/people/${id}/calendar.ics`)).status).toBeGreaterThanOrEqual(400)
      expect((await chef.get(`/api/photos/${id}.jpg`)).status).toBeGreaterThanOrEqual(400)
    }
  })
})
