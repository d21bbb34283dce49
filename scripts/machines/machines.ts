import { spawn, type ChildProcess } from 'node:child_process'
import { execFile } from 'node:child_process'
import { mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { promisify } from 'node:util'
import pg from 'pg'
import { findPostgresBin, freePort } from '../cluster'

const run = promisify(execFile)
const ADDRESS = '127.0.0.1'
/** Of the drill alone: nothing but loopback hears it. */
const PASSWORD = 'drill'
const SIZE = 3
const APPS = 2
const SET_UP_CODE = 'drill-set-up-code'

/** One machine of the database: etcd, Patroni and the PostgreSQL that Patroni looks after. */
export interface Machine {
  readonly name: string
  readonly home: string
  readonly pgPort: number
  readonly restPort: number
  readonly etcdPort: number
  readonly etcdPeerPort: number
}

type Values = Readonly<Record<string, string | number>>

/** A file of deploy/ with its places filled in. @throws Error where one is left */
function filled(file: string, values: Values): string {
  const text = readFileSync(new URL(`../../deploy/${file}`, import.meta.url), 'utf8').replaceAll(
    /\{\{(\w+)\}\}/g,
    (place, name: string) => String(values[name] ?? place),
  )
  const [left] = /\{\{\w+\}\}/.exec(text) ?? []
  if (left) throw new Error(`${file} has no value for ${left}`)
  return text
}

/** Everything of the drill, on loopback: three machines of the database, a pooler, a balancer, two app servers. */
export class Machines {
  private readonly running = new Map<string, ChildProcess>()
  private readonly backrest: string
  private constructor(
    readonly root: string,
    readonly all: readonly Machine[],
    private readonly ports: Readonly<{ leader: number; pages: number; pool: number; apps: readonly number[] }>,
  ) {
    this.backrest = join(root, 'pgbackrest.conf')
  }

  static async plan(root: string): Promise<Machines> {
    rmSync(root, { recursive: true, force: true })
    const all: Machine[] = []
    for (let at = 1; at <= SIZE; at++) {
      const home = join(root, `m${at}`)
      mkdirSync(home, { recursive: true, mode: 0o700 })
      all.push({
        name: `m${at}`,
        home,
        pgPort: await freePort(),
        restPort: await freePort(),
        etcdPort: await freePort(),
        etcdPeerPort: await freePort(),
      })
    }
    const apps: number[] = []
    while (apps.length < APPS) apps.push(await freePort())
    return new Machines(root, all, { leader: await freePort(), pages: await freePort(), pool: await freePort(), apps })
  }

  get pages(): string {
    return `http://${ADDRESS}:${this.ports.pages}`
  }

  get setUpCode(): string {
    return SET_UP_CODE
  }

  /** Past the pooler and the balancer: every machine by itself, whoever leads. */
  get directUrl(): string {
    const hosts = this.all.map(({ pgPort }) => `${ADDRESS}:${pgPort}`).join(',')
    return `postgres://yorvik:${PASSWORD}@${hosts}/yorvik?target_session_attrs=read-write`
  }

  private write(file: string, text: string): string {
    const path = join(this.root, file)
    writeFileSync(path, text, { mode: 0o600 })
    return path
  }

  private start(name: string, command: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): void {
    const log = openSync(join(this.root, `${name}.log`), 'a')
    const child = spawn(command, args, {
      cwd: resolve(import.meta.dirname, '../..'),
      stdio: ['ignore', log, log],
      env: { ...process.env, ...env },
      // a group of its own, so that a machine is killed or stopped whole
      detached: true,
    })
    child.on('error', () => undefined)
    this.running.set(name, child)
  }

  /** Sends a signal to a part and all it started. */
  signal(name: string, signal: NodeJS.Signals): void {
    const pid = this.running.get(name)?.pid
    if (pid === undefined) return
    try {
      process.kill(-pid, signal)
    } catch {
      // gone already
    }
  }

  startEtcd({ name, home, etcdPort, etcdPeerPort }: Machine): void {
    const members = this.all.map((one) => `${one.name}=http://${ADDRESS}:${one.etcdPeerPort}`).join(',')
    this.start(`etcd-${name}`, 'etcd', [
      `--name=${name}`,
      `--data-dir=${join(home, 'etcd')}`,
      `--listen-client-urls=http://${ADDRESS}:${etcdPort}`,
      `--advertise-client-urls=http://${ADDRESS}:${etcdPort}`,
      `--listen-peer-urls=http://${ADDRESS}:${etcdPeerPort}`,
      `--initial-advertise-peer-urls=http://${ADDRESS}:${etcdPeerPort}`,
      `--initial-cluster=${members}`,
      '--initial-cluster-state=new',
      '--logger=zap',
      '--log-level=error',
    ])
  }

  startPatroni({ name, home, pgPort, restPort }: Machine): void {
    const config = this.write(
      `${name}.yml`,
      filled('patroni.yml', {
        NAME: name,
        ADDRESS,
        NETWORK: `${ADDRESS}/32`,
        REST_PORT: restPort,
        PG_PORT: pgPort,
        HOME: home,
        PASSWORD,
        PG_BIN: findPostgresBin() ?? '',
        BACKREST: this.backrest,
        ETCD_HOSTS: this.all.map(({ etcdPort }) => `${ADDRESS}:${etcdPort}`).join(','),
      }),
    )
    this.start(`patroni-${name}`, 'patroni', [config])
  }

  startApp(at: number): void {
    this.start(
      `app-${at}`,
      process.execPath,
      [
        ...['--import', 'tsx', 'scripts/yorvik.ts', 'start'],
        ...['--port', String(this.ports.apps[at]), '--trust-proxy', '1', '--data', join(this.root, `app-${at}`)],
      ],
      {
        DATABASE_URL: `postgres://yorvik:${PASSWORD}@${ADDRESS}:${this.ports.pool}/yorvik`,
        YORVIK_LISTEN_URL: this.directUrl,
        YORVIK_SETUP_CODE: SET_UP_CODE,
      },
    )
  }

  private startFront(): void {
    const lines = (names: readonly string[]): string => names.map((name) => `    server ${name}`).join('\n')
    const haproxy = this.write(
      'haproxy.cfg',
      filled('haproxy.cfg', {
        ADDRESS,
        LEADER_PORT: this.ports.leader,
        PAGES_PORT: this.ports.pages,
        DATABASES: lines(
          this.all.map(({ name, pgPort, restPort }) => `${name} ${ADDRESS}:${pgPort} check port ${restPort}`),
        ),
        APPS: lines(this.ports.apps.map((port, at) => `app${at} ${ADDRESS}:${port} check`)),
      }),
    )
    this.start('haproxy', '/usr/sbin/haproxy', ['-f', haproxy, '-db'])
    this.write('users.txt', `"yorvik" "${PASSWORD}"\n`)
    const pool = this.write(
      'pgbouncer.ini',
      filled('pgbouncer.ini', {
        ADDRESS,
        LEADER_PORT: this.ports.leader,
        POOL_PORT: this.ports.pool,
        HOME: this.root,
      }),
    )
    this.start('pgbouncer', '/usr/sbin/pgbouncer', [pool])
  }

  /** Asks again until something is so. @throws Error where it is not in time, with what it waited for */
  async until(what: string, seconds: number, isSo: () => Promise<boolean>): Promise<number> {
    const began = performance.now()
    while (performance.now() - began < 1000 * seconds) {
      if (await isSo().catch(() => false)) return (performance.now() - began) / 1000
      await pause(250)
    }
    throw new Error(`${what}: not within ${seconds} s; the logs are in ${this.root}`)
  }

  /** Who leads, by its own word. */
  async leader(): Promise<Machine> {
    for (const machine of this.all) {
      const answer = await fetch(`http://${ADDRESS}:${machine.restPort}/primary`, {
        signal: AbortSignal.timeout(1000),
      }).catch(() => null)
      if (answer?.status === 200) return machine
    }
    throw new Error('nobody leads')
  }

  /** Machines that follow and are as far as the leader, one of them by agreement. */
  async following(): Promise<{ readonly streaming: number; readonly synchronous: string | null }> {
    const { restPort } = await this.leader()
    const answer = await fetch(`http://${ADDRESS}:${restPort}/cluster`, { signal: AbortSignal.timeout(1000) })
    const { members } = (await answer.json()) as { members: { name: string; role: string; state: string }[] }
    const followers = members.filter(({ role, state }) => role !== 'leader' && /running|streaming/.test(state))
    return {
      streaming: followers.length,
      synchronous: followers.find(({ role }) => role === 'sync_standby')?.name ?? null,
    }
  }

  /** A connection to one machine as its superuser. */
  async asSuperuser<T>({ pgPort }: Machine, database: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
    const client = new pg.Client({
      connectionString: `postgres://postgres:${PASSWORD}@${ADDRESS}:${pgPort}/${database}`,
    })
    client.on('error', () => undefined)
    await client.connect()
    try {
      return await work(client)
    } finally {
      await client.end()
    }
  }

  /** pgBackRest over one machine's files and, for a backup, its database. */
  backrestOf(command: string, { home, pgPort }: Machine, ...more: readonly string[]): Promise<unknown> {
    const asked =
      command === 'restore' ? [] : [`--pg1-port=${pgPort}`, `--pg1-socket-path=${home}`, '--pg1-user=postgres']
    const args = [`--config=${this.backrest}`, '--stanza=yorvik', `--pg1-path=${home}/data`, ...asked, ...more, command]
    return run('pgbackrest', args, { env: { ...process.env, PGPASSWORD: PASSWORD } })
  }

  /** Restores the newest backup and every change up to a moment, beside everything; a connection to it. */
  async restoreTo(moment: string): Promise<{ readonly machine: Machine; readonly stop: () => Promise<void> }> {
    const home = join(this.root, 'restored')
    mkdirSync(join(home, 'data'), { recursive: true, mode: 0o700 })
    const machine = { name: 'restored', home, pgPort: await freePort(), restPort: 0, etcdPort: 0, etcdPeerPort: 0 }
    await this.backrestOf('restore', machine, '--type=time', `--target=${moment}`, '--target-action=promote')
    const bin = findPostgresBin() ?? ''
    const options = `-p ${machine.pgPort} -h ${ADDRESS} -k ${home} -c archive_mode=off -c synchronous_standby_names=''`
    await run(join(bin, 'pg_ctl'), ['-D', join(home, 'data'), '-l', join(home, 'log'), '-w', '-o', options, 'start'])
    // it can be read before it has come to the moment that was asked for
    await this.until('the moment asked for', 120, () =>
      this.asSuperuser(machine, 'postgres', async (client) => {
        const { rows } = await client.query<{ is: boolean }>('select pg_is_in_recovery() as is')
        return rows[0]?.is === false
      }),
    )
    return {
      machine,
      stop: async () => {
        await run(join(bin, 'pg_ctl'), ['-D', join(home, 'data'), '-m', 'fast', 'stop'])
      },
    }
  }

  /** Hands the lead on, as before a machine is looked after. */
  async switchOver(): Promise<void> {
    const leader = await this.leader()
    const { synchronous } = await this.following()
    const answer = await fetch(`http://${ADDRESS}:${leader.restPort}/switchover`, {
      method: 'POST',
      body: JSON.stringify({ leader: leader.name, candidate: synchronous }),
    })
    if (answer.status !== 200) throw new Error(`no switch-over: ${await answer.text()}`)
  }

  /** Starts everything, one part after the other; how long the first leader took, s. */
  async up(): Promise<number> {
    this.write('pgbackrest.conf', filled('pgbackrest.conf', { HOME: join(this.root, 'backrest') }))
    for (const place of ['repository', 'log', 'lock', 'spool'])
      mkdirSync(join(this.root, 'backrest', place), { recursive: true, mode: 0o700 })
    for (const machine of this.all) this.startEtcd(machine)
    await this.until('etcd', 30, async () => {
      const answers = await Promise.all(this.all.map(({ etcdPort }) => fetch(`http://${ADDRESS}:${etcdPort}/health`)))
      return answers.every(({ ok }) => ok)
    })
    const began = performance.now()
    for (const machine of this.all) this.startPatroni(machine)
    await this.until('a leader', 90, async () => Boolean(await this.leader()))
    const seconds = (performance.now() - began) / 1000
    await this.until('two followers', 120, async () => (await this.following()).streaming === SIZE - 1)
    await this.until('a synchronous one', 60, async () => (await this.following()).synchronous !== null)
    const leader = await this.leader()
    await this.asSuperuser(leader, 'postgres', async (client) => {
      await client.query(`create role yorvik login createrole password '${PASSWORD}'`)
      await client.query(`alter role yorvik set statement_timeout = '30s'`)
      await client.query(`alter role yorvik set idle_in_transaction_session_timeout = '35s'`)
      await client.query('create database yorvik owner yorvik')
    })
    await this.backrestOf('stanza-create', leader)
    this.startFront()
    for (let at = 0; at < APPS; at++) {
      this.startApp(at)
      // one after the other: the first brings the schema up to date
      await this.until(`app server ${at}`, 120, async () => await this.appReady(at))
    }
    return seconds
  }

  async appReady(at: number): Promise<boolean> {
    return (await fetch(`http://${ADDRESS}:${this.ports.apps[at]}/api/ready`)).ok
  }

  /** Ends everything it started, databases last; the folder stays for whoever wants to look. */
  async down(): Promise<void> {
    for (const [name] of [...this.running].filter(([one]) => !one.startsWith('etcd'))) {
      this.signal(name, 'SIGCONT')
      this.signal(name, 'SIGTERM')
    }
    await pause(5000)
    for (const [name] of this.running) this.signal(name, 'SIGKILL')
  }
}
