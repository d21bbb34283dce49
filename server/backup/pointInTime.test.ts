import { execFile } from 'node:child_process'
import { existsSync } from 'node:fs'
import { appendFile, chmod, mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { promisify } from 'node:util'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { findPostgresBin, freePort } from '../../scripts/cluster'
import { openDatabase } from '../db/database'
import { migrate } from '../db/migrate'
import { addTestKnife, PASSWORD, startApp } from '../testing/harness'
import { sumsByTable } from './manifest'

const isRoot = process.getuid?.() === 0
const bin = findPostgresBin() ?? ''
/** The test command installs it where it may; an ordinary user without it leaves this one out, and is told so. */
const hasBackrest = existsSync('/usr/bin/pgbackrest')
const SUPERUSER = 'keeper'
let home: string
let config: string

/** Runs a program as whoever the database belongs to. */
async function asOwner(program: string, ...args: readonly string[]): Promise<void> {
  const [file, given] = isRoot ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args]
  await promisify(execFile)(file, [...given], { cwd: home })
}

interface Running {
  readonly data: string
  readonly port: number
  readonly urlOf: (database: string) => string
}
const running: Running[] = []

async function start(data: string, ...settings: readonly string[]): Promise<Running> {
  const port = await freePort()
  const options = ['-h 127.0.0.1', `-p ${port}`, `-k ${home}`, ...settings.map((one) => `-c ${one}`)].join(' ')
  await asOwner(join(bin, 'pg_ctl'), '-D', data, '-w', '-l', join(home, 'log', 'server'), '-o', options, 'start')
  const one = { data, port, urlOf: (database: string) => `postgres://${SUPERUSER}@127.0.0.1:${port}/${database}` }
  running.push(one)
  return one
}

const backrest = (data: string, ...args: readonly string[]): Promise<void> =>
  asOwner('/usr/bin/pgbackrest', `--config=${config}`, '--stanza=yorvik', `--pg1-path=${data}`, ...args)

beforeAll(async () => {
  home = await mkdtemp(join(tmpdir(), 'yorvik-point-'))
  // the one of deploy/, as whoever runs a PostgreSQL of their own has it
  const given = await readFile(new URL('../../deploy/pgbackrest.conf', import.meta.url), 'utf8')
  config = join(home, 'pgbackrest.conf')
  await writeFile(config, given.replaceAll('{{HOME}}', home))
  for (const place of ['repository', 'log', 'lock', 'spool']) await mkdir(join(home, place))
  if (isRoot) await promisify(execFile)('chown', ['-R', 'postgres', home])
  await chmod(home, 0o755)
})
afterAll(async () => {
  for (const { data } of running) await asOwner(join(bin, 'pg_ctl'), '-D', data, '-m', 'immediate', 'stop')
  await rm(home, { recursive: true, force: true })
})

describe('a database restored to a moment', () => {
  it.skipIf(!hasBackrest)(
    'has every row of then and none of after, and the house goes on there',
    async () => {
      const [data, restored] = [join(home, 'data'), join(home, 'restored')]
      await asOwner(join(bin, 'initdb'), '-D', data, '-U', SUPERUSER, '--auth', 'trust', '--encoding', 'UTF8')
      await appendFile(
        join(data, 'postgresql.conf'),
        `archive_mode = on\narchive_command = 'pgbackrest --config=${config} --stanza=yorvik --pg1-path=${data} archive-push %p'\n`,
      )
      const first = await start(data)
      const asked = [`--pg1-port=${first.port}`, `--pg1-socket-path=${home}`, `--pg1-user=${SUPERUSER}`]
      await backrest(data, ...asked, 'stanza-create')
      const admin = openDatabase(first.urlOf('postgres'), () => undefined)
      await admin.query('create database yorvik')
      await migrate(first.urlOf('yorvik'))
      const test = await startApp({ databaseUrl: first.urlOf('yorvik') })
      const house = await test.house('Kept')
      await addTestKnife(house, { code: 'BACKUP-1' })
      await backrest(data, ...asked, '--type=full', 'backup')

      // it knows its backups by whole seconds: a moment within the last one's is before it
      await pause(1500)
      await addTestKnife(house, { code: 'THEN-1' })
      const then = await sumsByTable(test.app.db)
      const { moment } = await admin.one<{ moment: string }>('select clock_timestamp()::text as moment')
      await addTestKnife(house, { code: 'AFTER-1' })
      await admin.query('select pg_switch_wal()')
      await test.close()
      await admin.close()
      // the last change has to be in the archive before it can come out of it
      await asOwner(join(bin, 'pg_ctl'), '-D', data, '-m', 'fast', '-w', 'stop')
      running.pop()

      await mkdir(restored, { mode: 0o700 })
      if (isRoot) await promisify(execFile)('chown', ['postgres', restored])
      await backrest(restored, '--type=time', `--target=${moment}`, '--target-action=promote', 'restore')
      const again = await start(restored, 'archive_mode=off')
      const db = openDatabase(again.urlOf('yorvik'), () => undefined)
      await expect
        .poll(async () => (await db.one<{ is: boolean }>('select pg_is_in_recovery() as is')).is, { timeout: 60_000 })
        .toBe(false)
      expect(await sumsByTable(db)).toEqual(then)
      await db.close()
      const goesOn = await startApp({ databaseUrl: again.urlOf('yorvik') })
      const chef = goesOn.client()
      expect((await chef.post('/api/session', { signInName: house.signInName, password: PASSWORD })).status).toBe(200)
      const { knives } = (await chef.get('/api/fleet')).body as { knives: { code: string }[] }
      expect(knives.map(({ code }) => code).sort()).toEqual(['BACKUP-1', 'THEN-1'])
      await goesOn.close()
    },
    120_000,
  )
})
