import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { pino } from 'pino'
import type { Language } from '../contract/languages'
import { DEMO_SIGN_IN } from '../demo/house'
import { loadSampleHouse } from '../demo/load'
import { makeApp } from '../server/app'
import { keepBackups } from '../server/backup/keepBackups'
import { clockFrom, systemClock } from '../server/clock'
import { Fault } from '../server/faults'
import { isDatabaseAway, openDatabase, type Database } from '../server/db/database'
import { migrate } from '../server/db/migrate'
import { anyHouse } from '../server/db/queries/house/houses'
import { rebuildMissing } from '../server/services/log/rebuild'
import { buildWeb, WEB_ROOT } from './build'
import { findPostgresBin, startCluster, type Cluster } from './cluster'
import { DATABASE } from './giveCode'

export interface ServeOptions {
  readonly demo: boolean
  /** what the sample house speaks */
  readonly language: Language
  readonly port: number
  readonly host: string
  readonly dataDirectory: string
  readonly databaseUrl: string | undefined
  /** where backups go; beside the private database where none is named */
  readonly backupDirectory: string | undefined
  /** folder for the bytes of pictures; in the database where none is named */
  readonly photoDirectory: string | undefined
  readonly trustProxy: number
  readonly allowedHosts: readonly string[]
  /** ISO moment at which the clock starts, for pictures and tests */
  readonly startsAt: string | undefined
}

async function withDatabase(url: string, work: (db: Database) => Promise<void>): Promise<void> {
  const db = openDatabase(url, () => undefined)
  try {
    await work(db)
  } finally {
    await db.close()
  }
}

const told = (text: string): void => {
  console.log(text)
}

const WAIT_SECONDS = 120

/** Does something with the database, waiting for one that is away: machines start in any order. @throws Error after two minutes */
async function whenItAnswers(work: () => Promise<void>): Promise<void> {
  for (let waited = 0; ; waited++) {
    try {
      await work()
      return
    } catch (error) {
      const isAway = isDatabaseAway(error) || (error instanceof Fault && error.code === 'unavailable')
      if (!isAway || waited >= WAIT_SECONDS) throw error
      if (waited === 0) told('The database does not answer yet; waiting …')
      await pause(1000)
    }
  }
}

/** Resolves when somebody asks the program to end. */
const askedToStop = (): Promise<void> =>
  new Promise((settle) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
      process.on(signal, () => {
        settle()
      })
  })

/** Starts database and server, serves until asked to stop, and leaves nothing running. */
export async function serve(options: ServeOptions): Promise<number> {
  const stop = askedToStop()
  let cluster: Cluster | null = null
  if (!options.databaseUrl) {
    told(`Starting PostgreSQL in ${options.dataDirectory} …`)
    cluster = await startCluster(options.dataDirectory)
    await cluster.ensureDatabase(DATABASE)
  }
  const databaseUrl = options.databaseUrl ?? cluster?.urlFor(DATABASE) ?? ''
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' })
  const clock = options.startsAt ? clockFrom(new Date(options.startsAt)) : systemClock
  try {
    told('Bringing the database up to date …')
    await whenItAnswers(() => migrate(databaseUrl))
    if (options.demo) {
      const loaded = await loadSampleHouse(databaseUrl, clock(), options.language)
      if (loaded)
        told(`Loaded the sample house: ${loaded.knives} knives, ${loaded.people} people, ${loaded.events} events.`)
    }
    await withDatabase(databaseUrl, (db) =>
      rebuildMissing(db, (name, knives) => {
        told(`Reckoning ${knives} knives of ${name} anew …`)
      }),
    )
    told('Building the pages where needed …')
    await buildWeb()
    // one's own PostgreSQL is backed up by whoever looks after it, unless a folder is named
    const bin = findPostgresBin()
    const directory = options.backupDirectory ?? (cluster ? join(options.dataDirectory, 'backups') : undefined)
    const backups =
      directory && bin && !options.demo ? keepBackups({ databaseUrl, bin, directory, log, now: clock }) : null
    // several servers of one house print the same code
    const setUpCode = process.env['YORVIK_SETUP_CODE']
    const app = makeApp({
      databaseUrl,
      listenUrl: options.databaseUrl ? process.env['YORVIK_LISTEN_URL'] : undefined,
      log,
      dataDirectory: cluster ? options.dataDirectory : undefined,
      photoDirectory: options.photoDirectory,
      clock,
      webRoot: WEB_ROOT,
      demo: options.demo ? DEMO_SIGN_IN : null,
      backups,
      metricsToken: process.env['YORVIK_METRICS_TOKEN'],
      trustProxy: options.trustProxy,
      allowedHosts: options.allowedHosts,
      ...(setUpCode ? { setUpCode } : {}),
    })
    try {
      await new Promise<void>((settle, fail) => {
        app.server.once('error', fail)
        app.server.listen(options.port, options.host, () => {
          settle()
        })
      })
      const address = `http://${options.host === '127.0.0.1' ? 'localhost' : options.host}:${options.port}`
      told(`\nYorvik is at ${address}`)
      if (!(await anyHouse(app.db)))
        told(
          `There is no house yet. Make it at ${address}/sign-in?code=${app.setUpCode} (this address works until you do).`,
        )
      if (options.demo) told(`Sign in as ${DEMO_SIGN_IN.signInName} with ${DEMO_SIGN_IN.password}`)
      told('Ctrl-C stops it; the data stays.')
      await stop
      told('\nStopping …')
    } catch (error) {
      if (error instanceof Error && 'code' in error && error.code === 'EADDRINUSE') {
        throw new Error(`Port ${options.port} is in use. Choose another with --port N.`)
      }
      throw error
    } finally {
      await backups?.close()
      await app.close()
    }
  } finally {
    // the first start of a data folder stops its database, a second one leaves it alone
    if (cluster && cluster.isOwn) await cluster.stop()
  }
  return 0
}
