import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { v4 as newId } from 'uuid'
import { seededRandom } from '../core/statistics/random'
import { loadSampleHouse } from '../demo/load'
import { openDatabase, type Database } from '../server/db/database'
import { migrate } from '../server/db/migrate'
import { anyHouse } from '../server/db/queries/house/houses'
import { listPeople } from '../server/db/queries/house/people'
import { insertSession } from '../server/db/queries/house/signIn'
import { newToken } from '../server/signIn/secrets'
import { freePort, startCluster } from './cluster'
import { ms, percentile } from './figures'

const HOUSES = Number(process.argv[2] ?? 200)
const SECONDS = Number(process.argv[3] ?? 60)
/**
 * What a house of the big kind writes in a busy hour: its 420 000 events of three years are 380 a day, of which a fifth
 * falls into the hour before a service (assumed).
 */
const WRITES_AN_HOUR = 76
/** Screens of a house that hear of a change and read the fleet anew. */
const SCREENS = 4

/** Every table with rows of a house, copied for another: keys carry the house, so that ids may stay as they are. */
async function copyHouse(db: Database, from: string, to: string, name: string): Promise<void> {
  await db.transaction(async (client) => {
    await client.query('set local session_replication_role = replica')
    const { rows: tables } = await client.query<{ name: string; columns: string }>(
      `select table_name as name, string_agg(quote_ident(column_name), ', ') as columns
       from information_schema.columns
       where table_schema = 'public' and is_generated = 'NEVER' and identity_generation is distinct from 'ALWAYS'
         and column_name not in ('house_id', 'sign_in_name', 'password_hash', 'account_id')
         and table_name in (select table_name from information_schema.columns where column_name = 'house_id' and table_schema = 'public')
         and table_name not in (select relname from pg_class where relispartition)
         and table_name not in ('sessions', 'door_codes', 'trail', 'chain_houses', 'calendar_links')
       group by table_name`,
    )
    await client.query(
      `insert into houses select (jsonb_populate_record(house, jsonb_build_object('id', $2::text, 'name', $3::text))).*
       from houses house where id = $1`,
      [from, to, name],
    )
    for (const { name: table, columns } of tables)
      await client.query(
        `insert into ${table} (house_id, ${columns}) select $2, ${columns} from ${table} where house_id = $1`,
        [from, to],
      )
  })
}

interface Kitchen {
  readonly cookie: string
  readonly knives: readonly string[]
}

/** A house with everybody's screens behind one session. */
async function openKitchen(db: Database, houseId: string): Promise<Kitchen> {
  const chef = (await listPeople(db, houseId)).find(({ role }) => role === 'chef')
  const token = newToken(houseId)
  await insertSession(db, {
    houseId,
    tokenHash: token.hash,
    personId: chef?.id ?? '',
    deviceId: null,
    expiresAt: new Date(Date.now() + 3_600_000),
    agent: '',
  })
  const { rows } = await db.query<{ id: string }>('select id from knives where house_id = $1', [houseId])
  return { cookie: `yorvik_session=${token.text}`, knives: rows.map(({ id }) => id) }
}

/** Processor time a process has used, s (proc(5): fields 14 and 15, in hundredths). */
function cpuSeconds({ pid }: ChildProcess): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? []
  return (Number(fields[11]) + Number(fields[12])) / 100
}

/** One server under hundreds of houses: what it writes, what reading takes, and how much of a core it wants. */
async function main(): Promise<void> {
  rmSync('.data/many', { recursive: true, force: true })
  const cluster = await startCluster(join(process.cwd(), '.data', 'many'))
  await cluster.ensureDatabase('many')
  const databaseUrl = cluster.urlFor('many')
  await migrate(databaseUrl)
  await loadSampleHouse(databaseUrl, new Date())
  const db = openDatabase(databaseUrl, () => undefined)
  const first = await anyHouse(db)
  if (!first) throw new Error('no sample house')
  const ids = [first.id]
  const copied = performance.now()
  for (let at = 1; at < HOUSES; at++) {
    ids.push(newId())
    await copyHouse(db, first.id, ids.at(-1) ?? '', `House ${at}`)
  }
  await db.query('analyze')
  const { n: events } = await db.one<{ n: number }>('select count(*)::int as n from events')
  console.log(`${HOUSES} houses, ${events.toLocaleString('en')} events, copied in ${ms(performance.now() - copied)}`)
  const { bytes, all } = await db.one<{ bytes: number; all: number }>(
    `select sum(pg_total_relation_size(inhrelid)) filter (where inhparent = 'events'::regclass)::float8 as bytes,
            pg_database_size(current_database())::float8 as all
     from pg_inherits`,
  )
  console.log(
    `${Math.round(bytes / events)} bytes an event with its indexes; the whole database ${Math.round(all / 1e6)} MB`,
  )
  const kitchens = await Promise.all(ids.map((id) => openKitchen(db, id)))
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, ['--import', 'tsx', 'scripts/yorvik.ts', 'start', '--port', String(port)], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DATABASE_URL: databaseUrl },
  })
  try {
    while (!(await fetch(`${base}/api/ready`).catch(() => null))?.ok) await pause(250)
    const random = seededRandom(1)
    const [writes, reads]: [number[], number[]] = [[], []]
    let failed = 0
    const ask = async (into: number[], cookie: string, path: string, body?: unknown): Promise<void> => {
      const began = performance.now()
      const answer = await fetch(base + path, {
        method: body === undefined ? 'GET' : 'POST',
        headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      })
      await answer.arrayBuffer()
      if (!answer.ok) failed++
      into.push(performance.now() - began)
    }
    const change = async ({ cookie, knives }: Kitchen): Promise<void> => {
      const knifeId = knives[Math.floor(random() * knives.length)]
      const event = {
        id: newId(),
        knifeId,
        kind: 'honed',
        at: new Date().toISOString(),
        payload: { tool: 'ceramic-rod' },
      }
      await ask(writes, cookie, '/api/events', { events: [event] })
      await Promise.all(Array.from({ length: SCREENS }, () => ask(reads, cookie, '/api/fleet')))
    }
    const rate = (HOUSES * WRITES_AN_HOUR) / 3600
    const began = performance.now()
    const cpuBefore = cpuSeconds(server)
    const under: Promise<void>[] = []
    while (performance.now() - began < 1000 * SECONDS) {
      const kitchen = kitchens[Math.floor(random() * kitchens.length)]
      if (kitchen) under.push(change(kitchen))
      // moments without memory, as kitchens do not wait for each other
      await pause((-1000 * Math.log(1 - random())) / rate)
    }
    await Promise.all(under)
    const seconds = (performance.now() - began) / 1000
    const cores = (cpuSeconds(server) - cpuBefore) / seconds
    console.log(
      `${(writes.length / seconds).toFixed(1)} records a second (${WRITES_AN_HOUR} an hour and house), each read by ${SCREENS} screens; ${failed} failed`,
    )
    console.log(`record: median ${ms(percentile(writes, 0.5))}, p95 ${ms(percentile(writes, 0.95))}`)
    console.log(`fleet read after it: median ${ms(percentile(reads, 0.5))}, p95 ${ms(percentile(reads, 0.95))}`)
    console.log(`app server: ${cores.toFixed(2)} cores, so about ${Math.round(HOUSES / cores)} such houses a core`)
  } finally {
    server.kill('SIGTERM')
    await db.close()
    await cluster.stop()
  }
}

main().then(
  () => {
    process.exit(0)
  },
  (error: unknown) => {
    console.error(error)
    process.exit(1)
  },
)
