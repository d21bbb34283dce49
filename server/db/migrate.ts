import { runner } from 'node-pg-migrate'
import { fileURLToPath } from 'node:url'

/**
 * Brings a database to the newest schema; does nothing when it is there already.
 *
 * @param most how many steps at the most, for a test that wants an older release
 */
export async function migrate(url: string, most = Infinity): Promise<void> {
  await runner({
    databaseUrl: url,
    dir: fileURLToPath(new URL('./migrations', import.meta.url)),
    direction: 'up',
    count: most,
    migrationsTable: 'migrations',
    log: () => undefined,
  })
}
