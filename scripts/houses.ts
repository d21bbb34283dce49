import { join } from 'node:path'
import { pino } from 'pino'
import type { Language } from '../contract/languages'
import { DEMO_SIGN_IN } from '../demo/house'
import { loadSampleHouse } from '../demo/load'
import { makeApp } from '../server/app'
import { clockFrom } from '../server/clock'
import { migrate } from '../server/db/migrate'
import { buildWeb, WEB_ROOT } from './build'
import { freePort, startCluster } from './cluster'

/** A Tuesday afternoon between lunch and dinner, for pictures and browser tests. */
export const PICTURE_MOMENT = new Date('2026-11-24T14:42:00Z')

/** What the empty house's first page asks for. */
export const SET_UP_CODE = 'first-page-of-a-test'

export interface ServedHouses {
  readonly demoUrl: string
  /** every sample house, that of demoUrl first */
  readonly demoUrls: readonly string[]
  readonly emptyUrl: string
  readonly databaseUrl: string
  stop(): Promise<void>
}

/** A sample house for each language that is asked for and an empty one, each on its own port and database, at the picture moment. */
export async function serveHouses(
  directory: string,
  languages: readonly [Language, ...Language[]] = ['en'],
): Promise<ServedHouses> {
  await buildWeb()
  const cluster = await startCluster(join(process.cwd(), '.data', directory))
  const stamp = Date.now()
  const open = async (
    name: string,
    language: Language | null,
  ): Promise<{ url: string; databaseUrl: string; close: () => Promise<void> }> => {
    await cluster.ensureDatabase(name)
    const databaseUrl = cluster.urlFor(name)
    await migrate(databaseUrl)
    if (language) await loadSampleHouse(databaseUrl, PICTURE_MOMENT, language)
    const app = makeApp({
      databaseUrl,
      log: pino({ level: 'error' }),
      clock: clockFrom(PICTURE_MOMENT),
      webRoot: WEB_ROOT,
      demo: language ? DEMO_SIGN_IN : null,
      doorRequestsPerMinute: 10_000,
      setUpCode: SET_UP_CODE,
    })
    const port = await freePort()
    await new Promise<void>((settle) => {
      app.server.listen(port, '127.0.0.1', () => {
        settle()
      })
    })
    return { url: `http://localhost:${port}`, databaseUrl, close: () => app.close() }
  }
  const [first, ...more] = languages
  const demo = await open(`demo_${stamp}`, first)
  const opened = [demo]
  for (const [at, language] of more.entries()) opened.push(await open(`demo_${stamp}_${at + 1}`, language))
  const empty = await open(`empty_${stamp}`, null)
  return {
    demoUrl: demo.url,
    demoUrls: opened.map(({ url }) => url),
    emptyUrl: empty.url,
    databaseUrl: demo.databaseUrl,
    stop: async () => {
      for (const { close } of [...opened, empty]) await close()
      await cluster.stop()
    },
  }
}
