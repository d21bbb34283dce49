import { execFile } from 'node:child_process'
import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { leadingUrl } from '../db/hosts'
import { makeHouseRole } from '../db/queries/house/walls'
import { openDatabase } from '../db/database'
import { exportSnapshot, newestStep } from '../db/queries/house/tableSums'
import { Manifest, sumsByTable } from './manifest'

const run = promisify(execFile)
const DUMP = /^yorvik-(\d{8}T\d{6}Z)\.dump$/
export const manifestOf = (file: string): string => `${file}.json`

async function sha256(file: string): Promise<string> {
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer)
  return hash.digest('hex')
}

/** How a program of PostgreSQL's is told where the database is: the password goes by the environment, which other users of the machine do not see. */
function connectionOf(databaseUrl: string): { readonly dbname: string; readonly env: NodeJS.ProcessEnv } {
  const url = new URL(databaseUrl)
  const password = decodeURIComponent(url.password)
  url.password = ''
  return { dbname: `--dbname=${url.href}`, env: { ...process.env, ...(password ? { PGPASSWORD: password } : {}) } }
}

/** Why a program of PostgreSQL's failed, in its own last line. */
const lastLine = (error: unknown): string =>
  (error instanceof Error && 'stderr' in error ? String(error.stderr) : String(error)).trim().split('\n').at(-1) ?? ''

export interface BackupAsk {
  readonly databaseUrl: string
  /** folder of PostgreSQL's programs */
  readonly bin: string
  readonly directory: string
  readonly now: Date
}

/**
 * Writes the whole database into one compressed file, with what it holds beside it, all as it was at one moment. A file
 * that was not finished has another name and is never taken for a backup.
 *
 * @returns the file's path
 * @throws Error with a sentence when the disk is full or the database goes away meanwhile
 */
export async function makeBackup({ databaseUrl, bin, directory, now }: BackupAsk): Promise<string> {
  await mkdir(directory, { recursive: true, mode: 0o700 })
  const stamp = now.toISOString().replaceAll(/[-:]|\.\d+/g, '')
  const file = join(directory, `yorvik-${stamp}.dump`)
  const unfinished = `${file}.part`
  const { dbname, env } = connectionOf(await leadingUrl(databaseUrl))
  const db = openDatabase(databaseUrl, () => undefined, { isPatient: true })
  try {
    const held = await db.transaction(async (client) => {
      const snapshot = await exportSnapshot(client)
      await run(
        join(bin, 'pg_dump'),
        [
          '--format=custom',
          '--no-owner',
          '--no-privileges',
          '--no-password',
          `--snapshot=${snapshot}`,
          `--file=${unfinished}`,
          dbname,
        ],
        { env },
      )
      return { tables: await sumsByTable(client), schema: await newestStep(client) }
    })
    const manifest: Manifest = {
      format: 'yorvik-backup',
      version: 1,
      at: now.toISOString(),
      ...held,
      bytes: (await stat(unfinished)).size,
      sha256: await sha256(unfinished),
    }
    await writeFile(manifestOf(file), `${JSON.stringify(manifest, null, 2)}\n`, { mode: 0o600 })
    await rename(unfinished, file)
    return file
  } catch (error) {
    await rm(unfinished, { force: true })
    throw new Error(`The backup could not be made: ${lastLine(error)}`, { cause: error })
  } finally {
    await db.close()
  }
}

/**
 * What a backup says of itself, once its file is known to be the one that was written.
 *
 * @throws Error with a sentence when either file is missing or the dump is not what was written
 */
export async function readManifest(file: string): Promise<Manifest> {
  const text = await readFile(manifestOf(file), 'utf8').catch(() => null)
  if (text === null) throw new Error(`${manifestOf(file)} is missing: what the backup should hold is not known.`)
  const read = Manifest.safeParse(JSON.parse(text))
  if (!read.success) throw new Error(`${manifestOf(file)} is not what Yorvik writes beside a backup.`)
  const sum = await sha256(file).catch(() => null)
  if (sum === null) throw new Error(`There is no file ${file}.`)
  if (sum !== read.data.sha256)
    throw new Error(`${file} is not as it was written: its sum differs. Take another backup.`)
  return read.data
}

/** Fills an empty database from a backup, all of it or nothing. @throws Error with the reason PostgreSQL gives */
export async function restoreInto(databaseUrl: string, bin: string, file: string): Promise<void> {
  const { dbname, env } = connectionOf(await leadingUrl(databaseUrl))
  const db = openDatabase(databaseUrl, () => undefined)
  try {
    await makeHouseRole(db)
    await run(
      join(bin, 'pg_restore'),
      ['--no-owner', '--no-privileges', '--no-password', '--exit-on-error', '--single-transaction', dbname, file],
      { env },
    )
  } catch (error) {
    throw new Error(`The backup could not be restored: ${lastLine(error)}`, { cause: error })
  } finally {
    await db.close()
  }
}

export interface KeptBackup {
  readonly file: string
  readonly at: Date
}

/** The backups of a folder, newest first. */
export async function listBackups(directory: string): Promise<KeptBackup[]> {
  const names = await readdir(directory).catch(() => [])
  return names
    .flatMap((name) => {
      const stamp = DUMP.exec(name)?.[1]
      if (!stamp) return []
      const iso = stamp.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z')
      return [{ file: join(directory, name), at: new Date(iso) }]
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime())
}

export async function removeBackup({ file }: KeptBackup): Promise<void> {
  await rm(file, { force: true })
  await rm(manifestOf(file), { force: true })
}
