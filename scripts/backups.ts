import { existsSync } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { listBackups, makeBackup, readManifest, restoreInto } from '../server/backup/backup'
import { differences, sumsByTable, type Manifest } from '../server/backup/manifest'
import { openDatabase } from '../server/db/database'
import { findPostgresBin, startCluster } from './cluster'
import { DATABASE } from './giveCode'

interface Where {
  readonly dataDirectory: string
  readonly databaseUrl: string | undefined
  readonly backupDirectory: string | undefined
}

function programs(): string {
  const bin = findPostgresBin()
  if (!bin) throw new Error('PostgreSQL is not installed. Install it with: apt-get install postgresql')
  return bin
}

/** Makes a backup now, whether the server runs or not. */
export async function backupNow({ dataDirectory, databaseUrl, backupDirectory }: Where): Promise<number> {
  const bin = programs()
  if (!databaseUrl && !existsSync(dataDirectory)) throw new Error(`There is no data in ${dataDirectory}.`)
  const cluster = databaseUrl ? null : await startCluster(dataDirectory)
  try {
    const url = databaseUrl ?? cluster?.urlFor(DATABASE) ?? ''
    const directory = backupDirectory ?? join(dataDirectory, 'backups')
    console.log(`Written: ${await makeBackup({ databaseUrl: url, bin, directory, now: new Date() })}`)
    console.log(`Kept there: ${(await listBackups(directory)).length}`)
    return 0
  } finally {
    if (cluster?.isOwn) await cluster.stop()
  }
}

/** Restores a file into a database and says how that compares with what was written. */
async function restored(url: string, bin: string, file: string, manifest: Manifest): Promise<string[]> {
  await restoreInto(url, bin, file)
  const db = openDatabase(url, () => undefined, { isPatient: true })
  try {
    return differences(await sumsByTable(db), manifest.tables)
  } finally {
    await db.close()
  }
}

const told = (manifest: Manifest): string =>
  `${Object.keys(manifest.tables).length} tables, ${Object.values(manifest.tables).reduce((sum, { rows }) => sum + rows, 0)} rows of ${manifest.at}`

/** Restores a backup into a data folder that has nothing in it yet. @throws Error with a sentence where it has */
export async function restore(file: string | undefined, { dataDirectory }: Where): Promise<number> {
  if (!file) throw new Error('Which file? ./yorvik restore FILE --data DIR')
  const bin = programs()
  const manifest = await readManifest(file)
  if (existsSync(join(dataDirectory, 'postgres')))
    throw new Error(
      `There is data in ${dataDirectory} already. Name a folder that has none with --data; nothing was changed.`,
    )
  const cluster = await startCluster(dataDirectory)
  try {
    await cluster.ensureDatabase(DATABASE)
    const wrong = await restored(cluster.urlFor(DATABASE), bin, file, manifest)
    if (wrong.length > 0) throw new Error(`Restored, but these tables are not as they were: ${wrong.join(', ')}.`)
    console.log(`Restored: ${told(manifest)}. Start it with: ./yorvik start --data ${dataDirectory}`)
    return 0
  } finally {
    await cluster.stop()
  }
}

/** Restores a backup beside everything else, compares every table with what was written, and leaves nothing behind. */
export async function verify(file: string | undefined, { dataDirectory }: Where): Promise<number> {
  if (!file) throw new Error('Which file? ./yorvik verify FILE')
  const bin = programs()
  const manifest = await readManifest(file)
  const beside = join(dataDirectory, `verify-${process.pid}`)
  await mkdir(beside, { recursive: true })
  const cluster = await startCluster(beside)
  try {
    await cluster.ensureDatabase('verified')
    const wrong = await restored(cluster.urlFor('verified'), bin, file, manifest)
    console.log(
      wrong.length === 0 ? `As it was written: ${told(manifest)}.` : `Not as it was written: ${wrong.join(', ')}.`,
    )
    return wrong.length === 0 ? 0 : 1
  } finally {
    await cluster.stop()
    await rm(cluster.home, { recursive: true, force: true })
    await rm(beside, { recursive: true, force: true })
  }
}
