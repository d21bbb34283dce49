import { resolve } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { furnish, Load, steps } from './machines/drill'
import { Machines } from './machines/machines'

const HELP = `Several machines on this one, for trying what happens when one fails.

  npx tsx scripts/machines.ts drill [FOLDER]   build, break and mend everything under load, print figures, tear it down
  npx tsx scripts/machines.ts up [FOLDER]      build it and leave it until Ctrl-C

Wants Debian's patroni, etcd-server, haproxy, pgbouncer, pgbackrest and postgresql, and runs as an ordinary user.`

const said = (text: string): void => {
  console.log(text)
}
const tenths = (seconds: number): string => seconds.toFixed(1)

/** Everything that was acknowledged, as the leader has it: how many are missing. */
async function missing(machines: Machines, kept: ReadonlySet<string>): Promise<{ missing: number; rows: number }> {
  return await machines.asSuperuser(await machines.leader(), 'yorvik', async (client) => {
    const { rows } = await client.query<{ id: string }>(`select id from events where kind = 'honed'`)
    const there = new Set(rows.map(({ id }) => id))
    return { missing: [...kept].filter((id) => !there.has(id)).length, rows: rows.length }
  })
}

/** A moment between two writes, and how many rows there were then. */
async function moment(machines: Machines): Promise<{ at: string; rows: number }> {
  return await machines.asSuperuser(await machines.leader(), 'yorvik', async (client) => {
    const { rows } = await client.query<{ at: string; rows: number }>(
      `select clock_timestamp()::text as at, (select count(*)::int from events where kind = 'honed') as rows`,
    )
    await client.query('select pg_switch_wal()').catch(() => undefined)
    return rows[0] ?? { at: '', rows: 0 }
  })
}

async function drill(machines: Machines): Promise<boolean> {
  said(`Up: a leader after ${tenths(await machines.up())} s; logs in ${machines.root}`)
  const { cookie, knives } = await furnish(machines)
  await machines.backrestOf('backup', await machines.leader(), '--type=full')
  const load = new Load(machines.pages, cookie, knives)
  await pause(10_000)
  if (load.kept.size === 0) throw new Error('nothing is kept even while all is well')
  said(`Load: ${tenths(load.between(0, Infinity).kept / 10)} kept a second`)
  for (const { name, act, seconds, mend } of steps(machines)) {
    const from = performance.now()
    await act()
    await pause(1000 * seconds)
    const { kept, refused, unheard, silence } = load.between(from, performance.now())
    await mend()
    said(`${name}: ${tenths(silence)} s without anything kept; ${kept} kept, ${refused} refused, ${unheard} unheard`)
  }
  await load.stop()
  const end = await missing(machines, load.kept)
  said(
    `Acknowledged: ${load.kept.size}; missing: ${end.missing}; rows: ${end.rows}, none twice (their id is their key)`,
  )

  const before = await moment(machines)
  await pause(2000)
  const after = new Load(machines.pages, cookie, knives)
  await pause(5000)
  await after.stop()
  await moment(machines)
  await pause(3000)
  const { machine, stop } = await machines.restoreTo(before.at)
  const restored = await machines.asSuperuser(machine, 'yorvik', async (client) => {
    const { rows } = await client.query<{ n: number }>(`select count(*)::int as n from events where kind = 'honed'`)
    return rows[0]?.n ?? -1
  })
  await stop()
  said(`Point in time: ${restored} rows of ${before.rows} then; ${after.kept.size} came after and are not there`)
  return end.missing === 0 && restored === before.rows
}

async function main(): Promise<number> {
  const [command = 'help', folder = '.data/machines'] = process.argv.slice(2)
  if (!['up', 'drill'].includes(command)) {
    said(HELP)
    return command === 'help' ? 0 : 2
  }
  if (process.getuid?.() === 0) throw new Error('PostgreSQL does not run as root. Run this as an ordinary user.')
  const machines = await Machines.plan(resolve(folder))
  try {
    if (command === 'drill') return (await drill(machines)) ? 0 : 1
    said(
      `Up: a leader after ${tenths(await machines.up())} s. ${machines.pages} (code ${machines.setUpCode}). Ctrl-C ends it.`,
    )
    await new Promise((settle) => process.once('SIGINT', settle))
    return 0
  } finally {
    await machines.down()
  }
}

main().then(
  (code) => {
    process.exit(code)
  },
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : error)
    process.exit(1)
  },
)
