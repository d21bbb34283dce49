import { runner } from 'node-pg-migrate'
import { readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { openDatabase } from './database'
import { leadingUrl } from './hosts'
import { doneSteps } from './queries/house/tableSums'
import { makeHouseRole, putUpWalls } from './queries/house/walls'

const STEPS = fileURLToPath(new URL('./migrations', import.meta.url))

/** @throws Error with a sentence when the database was brought further than this program goes */
async function assertNotNewer(url: string): Promise<void> {
  const known = new Set(readdirSync(STEPS).map((file) => file.replace(/\.sql$/, '')))
  const db = openDatabase(url, () => undefined)
  try {
    const further = (await doneSteps(db)).filter((name) => !known.has(name))
    if (further.length > 0)
      throw new Error(
        `This data was written by a newer Yorvik (${further.join(', ')}). Start that one; this one leaves it as it is.`,
      )
  } finally {
    await db.close()
  }
}

/**
 * Brings a database to the newest schema; does nothing when it is there already.
 *
 * @param most how many steps at the most, for a test that wants an older release
 */
export async function migrate(url: string, most = Infinity): Promise<void> {
  await assertNotNewer(url)
  const db = openDatabase(url, () => undefined)
  try {
    await makeHouseRole(db)
    await runner({
      databaseUrl: await leadingUrl(url),
      dir: STEPS,
      direction: 'up',
      count: most,
      migrationsTable: 'migrations',
      log: () => undefined,
    })
    await putUpWalls(db)
  } finally {
    await db.close()
  }
}
