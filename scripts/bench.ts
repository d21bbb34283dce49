import { chromium } from '@playwright/test'
import { execFile } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { cpus, totalmem } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { gzipSync } from 'node:zlib'
import { pino } from 'pino'
import { v7 as newId } from 'uuid'
import type { Fleet } from '../contract/fleet'
import type { Job } from '../contract/learning'
import { makeApp } from '../server/app'
import { clockFrom } from '../server/clock'
import { openDatabase, type Database } from '../server/db/database'
import { migrate } from '../server/db/migrate'
import { openTimed, type BrowserFigures } from './benchBrowser'
import { benchWhileOthersWrite } from './benchBusy'
import { ms, percentile } from './figures'
import { benchEstimator } from './benchEstimator'
import { addBigCrew, benchPlanner } from './benchPlanner'
import { benchLists } from './benchLists'
import { benchWorkshop } from './benchWorkshop'
import { BIG_SIGN_IN, loadBigHouse } from './bigHouse'
import { buildWeb, WEB_ROOT } from './build'
import { startCluster } from './cluster'
import { PICTURE_MOMENT } from './houses'

type Row = readonly [what: string, measured: string, limit: string]
const rows: Row[] = []
const note = (what: string, measured: string, limit = ''): void => {
  rows.push([what, measured, limit])
  console.log(`${what}: ${measured}${limit === '' ? '' : ` (limit ${limit})`}`)
}

async function timed(times: number, work: () => Promise<unknown>): Promise<number[]> {
  const spent: number[] = []
  for (let run = 0; run < times; run++) {
    const started = performance.now()
    await work()
    spent.push(performance.now() - started)
  }
  return spent
}

/** Script of the entry and of Today, as it crosses the wire. */
function firstLoadBytes(): number {
  const entry = readFileSync(join(WEB_ROOT, 'index.html'), 'utf8')
  const wanted = new Set([...entry.matchAll(/assets\/([\w.-]+\.js)/g)].map((match) => match[1] ?? ''))
  const grow = (name: string): void => {
    wanted.add(name)
    for (const match of readFileSync(join(WEB_ROOT, 'assets', name), 'utf8').matchAll(
      /(?:from|import)\s*"\.\/([\w.-]+\.js)"/g,
    )) {
      if (match[1] && !wanted.has(match[1])) grow(match[1])
    }
  }
  for (const name of [...wanted]) grow(name)
  return [...wanted].reduce((sum, name) => sum + gzipSync(readFileSync(join(WEB_ROOT, 'assets', name))).length, 0)
}

interface Load {
  readonly requests: number
  readonly failures: number
  readonly p50: number
  readonly p95: number
}

const SECONDS = 12

/** Fifty requests a second from a process of its own, evenly spaced. */
async function load(base: string, cookie: string, path: string): Promise<Load> {
  const { stdout } = await promisify(execFile)('node', [
    '--import',
    'tsx',
    'scripts/steadyLoad.ts',
    base + path,
    cookie,
    '50',
    String(SECONDS),
  ])
  return JSON.parse(stdout) as Load
}

/** Every log folded anew in a worker thread, as the button on the Learned page does; the states must come out the same. */
async function benchRebuild(base: string, cookie: string, db: Database): Promise<void> {
  const digest = async (): Promise<string> =>
    (
      await db.query<{ digest: string }>(
        `select md5(string_agg(state::text, '' order by knife_id)) as digest from knife_states`,
      )
    ).rows[0]?.digest ?? ''
  const before = await digest()
  const started = performance.now()
  await fetch(`${base}/api/jobs/rebuild`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: '{}',
  })
  for (;;) {
    const [job] = (await (await fetch(`${base}/api/jobs`, { headers: { cookie } })).json()) as Job[]
    if (job?.status === 'done') break
    if (job && job.status !== 'waiting' && job.status !== 'running')
      throw new Error(`the rebuild ended as ${job.status}`)
    await new Promise((settle) => setTimeout(settle, 200))
  }
  note(
    'All 150 knives worked out again from three years of log, in a worker thread',
    `${((performance.now() - started) / 1000).toFixed(1)} s`,
    '30 s',
  )
  note(
    'States after it against before it',
    before === (await digest()) ? 'the same to the last digit' : 'DIFFERENT',
    'the same',
  )
}

/** Parts of the benchmark; those named on the command line are run, all of them where none is. */
const PARTS = ['estimator', 'planner', 'workshop', 'lists', 'house'] as const
const named = process.argv.slice(2)
const isAsked = (part: (typeof PARTS)[number]): boolean => named.length === 0 || named.includes(part)

async function main(): Promise<void> {
  const unknown = named.filter((name) => !PARTS.some((part) => part === name))
  if (unknown.length > 0) throw new Error(`no such part: ${unknown.join(', ')}; there are ${PARTS.join(', ')}`)
  if (isAsked('estimator')) benchEstimator(note)
  if (isAsked('planner')) await benchPlanner(note)
  if (isAsked('workshop')) benchWorkshop(note)
  if (isAsked('lists')) await benchEmptyHouses()
  if (isAsked('house')) await benchHouse()
  printTable()
}

/** Lists of a kitchen's own, each brought into a house that has just been made. */
async function benchEmptyHouses(): Promise<void> {
  rmSync('.data/bench-lists', { recursive: true, force: true })
  const cluster = await startCluster(join(process.cwd(), '.data', 'bench-lists'))
  let made = 0
  try {
    await benchLists(
      [1000, 5000, 20_000],
      async () => {
        const name = `lists_${made++}`
        await cluster.ensureDatabase(name)
        await migrate(cluster.urlFor(name))
        const { app, base } = await serve(cluster.urlFor(name))
        const answer = await fetch(`${base}/api/first-run`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({
            setUpCode: app.setUpCode,
            houseName: 'The Lamp Room',
            zone: 'Europe/Lisbon',
            units: 'mm',
            managerName: 'Ansa Pell',
            signInName: 'ansa',
            password: 'grain and ember',
          }),
        })
        return { base, cookie: cookieOf(answer), close: () => app.close() }
      },
      note,
    )
  } finally {
    await cluster.stop()
  }
}

const cookieOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')

/** Yorvik on a port of its own on loopback. */
async function serve(databaseUrl: string): Promise<{ app: ReturnType<typeof makeApp>; base: string }> {
  const app = makeApp({
    databaseUrl,
    log: pino({ level: 'error' }),
    clock: clockFrom(PICTURE_MOMENT),
    webRoot: WEB_ROOT,
    doorRequestsPerMinute: 10_000,
  })
  await new Promise<void>((settle) => {
    app.server.listen(0, '127.0.0.1', () => {
      settle()
    })
  })
  const address = app.server.address()
  return { app, base: `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}` }
}

/** A house of 150 knives and three years of log: reckoned anew, read and written under load, opened in a browser. */
async function benchHouse(): Promise<void> {
  await buildWeb()
  rmSync('.data/bench', { recursive: true, force: true })
  const cluster = await startCluster(join(process.cwd(), '.data', 'bench'))
  await cluster.ensureDatabase('bench')
  const databaseUrl = cluster.urlFor('bench')
  await migrate(databaseUrl)
  const db = openDatabase(databaseUrl, () => undefined)
  console.log('Making the big house …')
  const made = await loadBigHouse(db, PICTURE_MOMENT)
  note('Events in the house', made.events.toLocaleString('en'))
  note('Folding every log anew, 150 knives', ms(made.foldMs))
  await addBigCrew(db, made.houseId)
  // as a house that grew over years: otherwise the database tidies up after the loading while others are timed
  await db.query('vacuum analyze')
  await db.close()
  const { app, base } = await serve(databaseUrl)
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    const signIn = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(BIG_SIGN_IN),
    })
    const cookie = cookieOf(signIn)
    const fleet = (await (await fetch(`${base}/api/fleet`, { headers: { cookie } })).json()) as Fleet
    const knives = fleet.knives.map((knife) => knife.id)
    await benchRebuild(base, cookie, app.db)
    let turn = 0
    // dated as on a device: a check that is dated before the last one has the whole log of its knife folded anew
    const begunMs = Date.now()
    const check = (): Promise<Response> =>
      fetch(`${base}/api/events`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({
          events: [
            {
              id: newId(),
              knifeId: knives[turn++ % knives.length],
              kind: 'checked',
              at: new Date(PICTURE_MOMENT.getTime() + Date.now() - begunMs).toISOString(),
              payload: { readings: [{ zone: 'tip', forcesGf: [300] }], ladder: [] },
            },
          ],
        }),
      })
    const writes = await timed(60, check)
    note('A logged check with its new verdict, server, p95', ms(percentile(writes, 0.95)), '300 ms with the screen')
    const changed = await timed(20, async () => {
      await check()
      await (await fetch(`${base}/api/fleet`, { headers: { cookie } })).json()
    })
    note('A check and the whole fleet read afresh after it, median', ms(percentile(changed, 0.5)))
    const weeks = await timed(5, async () => {
      await (await fetch(`${base}/api/plan`, { headers: { cookie } })).json()
    })
    note('The week of the big house read for planning, median of 5', ms(percentile(weeks, 0.5)))
    for (const path of ['/api/fleet', `/api/knives/${knives[0] ?? ''}/events`, '/api/week']) {
      const { p50, p95, failures } = await load(base, cookie, path)
      note(
        `${path.replace(/knives\/[^/]+/, 'knives/{id}')} at 50 requests/s, p95`,
        `${ms(p95)} (median ${ms(p50)}), ${failures} failed`,
        '50 ms',
      )
    }
    const figures: BrowserFigures = await openTimed(
      browser,
      base,
      BIG_SIGN_IN,
      fleet.knives
        .filter(({ status }) => status === 'in-service')
        .slice(0, 5)
        .map(({ code }) => code),
    )
    note('Today from a cold browser, median of 5', ms(figures.coldMs), '1 s')
    note('The same page loaded again, median of 5', ms(figures.reloadMs))
    note('Today from inside the open app, median of 5', ms(figures.warmMs), '200 ms')
    note('From Record to the new verdict on the check screen, median of 5', ms(figures.verdictMs), '300 ms')
    note('Rack of 150 while scrolling, frames longer than 34 ms', `${figures.longFrames} of ${figures.frames}`, '0')
    note('Script before the first screen, gzip', `${Math.round(firstLoadBytes() / 1000)} kB`, '250 kB')
    // whoever looks does so from another machine
    await browser.close()
    await benchWhileOthersWrite({ note, base, cookie, check, load: (path) => load(base, cookie, path) })
    note(
      'Memory of the bench, server and generator in one process',
      `${Math.round(process.memoryUsage().rss / 1e6)} MB`,
    )
  } finally {
    await browser.close()
    await app.close()
    await cluster.stop()
  }
}

/** Everything measured, as docs/performance.md wants it. */
function printTable(): void {
  const [cpu] = cpus()
  const table = [
    `On ${cpus().length} cores (${cpu?.model.trim() ?? 'unknown'}), ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, ${new Date().toISOString().slice(0, 10)}:`,
    '',
    '| what | measured | limit |',
    '|---|---|---|',
    ...rows.map((row) => `| ${row.join(' | ')} |`),
  ].join('\n')
  mkdirSync('.data', { recursive: true })
  writeFileSync('.data/bench.md', `${table}\n`)
  console.log(`\n${table}`)
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
