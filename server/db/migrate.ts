import { fileURLToPath } from 'node:url'
import { runner } from 'node-pg-migrate'

/** Brings a database to the newest schema; does nothing when it is there already. */
export async function migrate(url: string): Promise<void> {
  await runner({
    databaseUrl: url,
    dir: fileURLToPath(new URL('./migrations', import.meta.url)),
    direction: 'up',
    migrationsTable: 'migrations',
    log: () => undefined,
  })
}
