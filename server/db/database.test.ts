import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newDatabase } from '../testing/harness'
import { isDatabaseAway, openDatabase, type Database } from './database'
import { migrate } from './migrate'
import { tableSums } from './queries/house/tableSums'

let db: Database
let url: string
beforeAll(async () => {
  url = await newDatabase()
  db = openDatabase(url, () => undefined)
  await db.query('create table notes (id int primary key, said text not null)')
})
afterAll(() => db.close())

const count = async (): Promise<number> =>
  (await db.query<{ n: number }>('select count(*)::int as n from notes')).rows[0]?.n ?? -1

describe('a transaction', () => {
  it('keeps all of it', async () => {
    await db.transaction(async (client) => {
      await client.query('insert into notes values ($1, $2)', [1, 'one'])
      await client.query('insert into notes values ($1, $2)', [2, 'two'])
    })
    expect(await count()).toBe(2)
  })

  it('or none of it, whatever went wrong', async () => {
    const half = db.transaction(async (client) => {
      await client.query('insert into notes values (3, $1)', ['three'])
      await client.query('insert into notes values (1, $1)', ['again'])
    })
    await expect(half).rejects.toMatchObject({ key: 'saved-already' })
    const thrown = db.transaction(async (client) => {
      await client.query('insert into notes values (4, $1)', ['four'])
      throw new Error('changed my mind')
    })
    await expect(thrown).rejects.toThrow('changed my mind')
    expect(await count()).toBe(2)
  })

  it('survives its own connection being cut, and gives a fault that says so', async () => {
    const cut = db.transaction(async (client) => {
      const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid')
      await client.query('insert into notes values (5, $1)', ['five'])
      await db.query('select pg_terminate_backend($1)', [rows[0]?.pid])
      await client.query('insert into notes values (6, $1)', ['six'])
    })
    await expect(cut).rejects.toMatchObject({ code: 'unavailable', key: 'database-away' })
    expect(await count()).toBe(2)
  })
})

describe('the database', () => {
  it('is called away only when it is', () => {
    expect(isDatabaseAway(Object.assign(new Error('refused'), { code: 'ECONNREFUSED' }))).toBe(true)
    expect(isDatabaseAway(Object.assign(new Error('going down'), { code: '57P01' }))).toBe(true)
    expect(isDatabaseAway(Object.assign(new Error('duplicate'), { code: '23505' }))).toBe(false)
    // no slots left, disk full, only reading since another leads, a statement that took too long (PostgreSQL, appendix A)
    for (const code of ['53300', '53100', '25006', '57014', 'EHOSTUNREACH', 'EAI_AGAIN'])
      expect(isDatabaseAway(Object.assign(new Error('away'), { code })), code).toBe(true)
    expect(isDatabaseAway(Object.assign(new Error('a wrong row'), { code: '23514' }))).toBe(false)
    expect(isDatabaseAway('a string')).toBe(false)
  })

  it('is brought up to date once, and again without harm', async () => {
    await migrate(url)
    const { rows } = await db.query<{ name: string }>('select name from migrations order by id')
    expect(rows.map((row) => row.name)).toEqual([
      '0001_house',
      '0002_fleet',
      '0003_learning',
      '0004_bench',
      '0005_burr_times',
      '0006_schools',
      '0007_week',
      '0008_saved_jobs',
      '0009_repairs_in_parts',
      '0010_one_word_per_thing',
      '0011_jobs_claimed',
      '0012_log_by_time',
      '0013_recipes_say_what_they_record',
      '0014_honing_as_a_habit',
      '0015_house_ways',
      '0016_what_files_mean',
      '0017_moving_in',
      '0018_house_rules',
      '0019_doors',
      '0020_session_skill',
      '0021_people_and_doors',
      '0022_walls',
      '0023_chains',
      '0024_house_keys',
      '0025_settings_revision',
      '0026_parted_by_house',
      '0027_marks',
      '0028_counts',
      '0029_drills',
      '0030_practice_blades',
      '0031_levels',
      '0032_send_out',
      '0033_photographs',
      '0034_stock',
      '0035_languages',
    ])
  })

  it('refuses by its own constraints what no screen would send', async () => {
    const house = '00000000-0000-4000-8000-000000000001'
    await db.pool.query(`insert into houses (id, name, zone, service_limits) values ($1, 'x', 'UTC', '{}')`, [house])
    const knife = (column: string, value: unknown): Promise<unknown> =>
      db.pool.query(
        `insert into knives (house_id, id, code, type, length_mm, grind, ratio_right, serrated, ${column}) values ($1, gen_random_uuid(), 'K-1', 'chef', 240, 'flat', 50, false, $2)`,
        [house, value],
      )
    await expect(knife('heel_height_mm', 0.2)).rejects.toThrow(/heel_height_mm/)
    await expect(knife('dps_left', 90)).rejects.toThrow(/dps_left/)
    await expect(knife('hrc', 200)).rejects.toThrow(/hrc|overflow/)
    await expect(
      db.pool.query(
        `insert into weekly_spans (house_id, id, kind, weekday, name, starts, ends) values ($1, gen_random_uuid(), 'service', 9, 'x', '10:00', '11:00')`,
        [house],
      ),
    ).rejects.toThrow(/weekday/)
    await expect(
      db.pool.query(`insert into houses (id, name, zone, service_limits) values (gen_random_uuid(), '', 'UTC', '{}')`),
    ).rejects.toThrow(/name/)
  })
})

describe('repairs in parts', () => {
  const RELEASE_BEFORE = 8
  const chip = (half: boolean): object => ({ kind: 'chip', depthMm: 0.4, half })

  it('are read out of what was saved before there were parts: all at once, or half now', async () => {
    const old = await newDatabase(RELEASE_BEFORE)
    const before = openDatabase(old, () => undefined)
    await before.query('alter table saved_jobs drop constraint saved_jobs_house_id_knife_id_fkey')
    const [house, one, two, three] = ['1', '2', '3', '4'].map((digit) => `00000000-0000-4000-8000-00000000000${digit}`)
    for (const [knife, operation] of [
      [one, chip(true)],
      [two, chip(false)],
      [three, { kind: 'thin', targetBteMm: 0.3 }],
    ] as const) {
      await before.query(
        'insert into saved_jobs (house_id, knife_id, operation, saved_at) values ($1, $2, $3, now())',
        [house, knife, JSON.stringify(operation)],
      )
    }
    await migrate(old)
    const { rows } = await before.query<{ operation: object; waits: boolean; kind: string }>(
      'select operation, waits, kind from work_orders order by knife_id',
    )
    expect(rows).toEqual([
      { operation: { kind: 'chip', depthMm: 0.4, sessions: 2 }, waits: false, kind: 'chip' },
      { operation: { kind: 'chip', depthMm: 0.4, sessions: 1 }, waits: false, kind: 'chip' },
      { operation: { kind: 'thin', targetBteMm: 0.3 }, waits: false, kind: 'thin' },
    ])
    await before.close()
  })
})

describe('a database that a newer program has written', () => {
  it('is refused with a sentence, and left as it is', async () => {
    const newer = await newDatabase()
    const admin = openDatabase(newer, () => undefined)
    await admin.query(`insert into migrations (name, run_on) values ('9999_to_come', now())`)
    await expect(migrate(newer)).rejects.toThrow(/written by a newer Yorvik \(9999_to_come\)/)
    const { n } = await admin.one<{ n: number }>('select count(*)::int as n from migrations')
    await admin.close()
    expect(n).toBeGreaterThan(20)
  })
})

describe('a log from before it was parted by house', () => {
  it('comes over row for row, append-only as before, each row in its house’s part', async () => {
    const old = await newDatabase(21)
    const before = openDatabase(old, () => undefined)
    await before.transaction(async (client) => {
      // a knife and a session in each of forty houses, and the log of both; nothing else of them matters here
      await client.query('set local session_replication_role = replica')
      await client.query(
        `insert into knives (house_id, id, code, type, length_mm, grind, ratio_right, serrated)
         select md5(n::text)::uuid, md5('k' || n)::uuid, 'CH-' || n, 'chef', 240, 'flat', 50, false
         from generate_series(0, 39) n`,
      )
      await client.query(
        `insert into bench_sessions (house_id, id, knife_id, started_by, started_at, plan)
         select md5(n::text)::uuid, md5('s' || n)::uuid, md5('k' || n)::uuid, gen_random_uuid(), now(), '{}'
         from generate_series(0, 39) n`,
      )
      await client.query(
        `insert into events (house_id, id, knife_id, kind, at, payload)
         select md5((n % 40)::text)::uuid, md5('e' || n)::uuid, md5('k' || n % 40)::uuid, 'honed', now(), '{"tool":"strop"}'
         from generate_series(1, 2000) n`,
      )
      await client.query(
        `insert into bench_actions (house_id, session_id, id, at, action)
         select md5((n % 40)::text)::uuid, md5('s' || n % 40)::uuid, md5('a' || n)::uuid, now(), '{"kind":"pause"}'
         from generate_series(1, 500) n`,
      )
    })
    const logs = async (): Promise<unknown> =>
      (await tableSums(before)).filter(({ table }) => table === 'events' || table === 'bench_actions')
    const kept = await logs()
    await migrate(old)
    expect(await logs()).toEqual(kept)
    const { rows } = await before.query<{ part: string; houses: number }>(
      `select tableoid::regclass::text as part, count(distinct house_id)::int as houses from events group by 1`,
    )
    expect(rows.length).toBeGreaterThan(8)
    expect(rows.reduce((sum, { houses }) => sum + houses, 0)).toBe(40)
    await expect(before.query(`update events set payload = '{}'`)).rejects.toThrow('append-only')
    await before.close()
  })
})
