import { setTimeout as pause } from 'node:timers/promises'
import { ms, percentile } from './figures'

export interface BusyAsk {
  readonly note: (what: string, measured: string, limit?: string) => void
  readonly base: string
  readonly cookie: string
  /** records one more check */
  readonly check: () => Promise<Response>
  /** fifty requests a second to an address, for a while */
  readonly load: (path: string) => Promise<{ readonly p50: number; readonly p95: number; readonly failures: number }>
}

const WRITERS = 10
const WRITES_EACH_MS = 2000

/** The same house while ten clients write, a check every two seconds each: what those who read and write have of it. */
export async function benchWhileOthersWrite({ note, base, cookie, check, load }: BusyAsk): Promise<void> {
  let isOver = false
  const spent: number[] = []
  const writing = Promise.all(
    Array.from({ length: WRITERS }, async () => {
      while (!isOver) {
        const began = performance.now()
        await (await check()).arrayBuffer()
        spent.push(performance.now() - began)
        await pause(WRITES_EACH_MS)
      }
    }),
  )
  await pause(2000)
  for (const path of ['/api/fleet', '/api/week']) {
    const { p50, p95, failures } = await load(path)
    note(
      `${path} at 50 requests/s while ${WRITERS} clients write, p95`,
      `${ms(p95)} (median ${ms(p50)}), ${failures} failed`,
    )
  }
  isOver = true
  await writing
  note(
    `A check while ${WRITERS} clients write and 50 requests/s read, p95`,
    `${ms(percentile(spent, 0.95))} (median ${ms(percentile(spent, 0.5))}, ${spent.length} written)`,
  )
  // what was asked for in the rush is answered before the next is timed
  await pause(5000)
  // the first after everything has changed: nothing of it is kept
  const first: number[] = []
  for (let at = 0; at < 40; at++) {
    await (
      await fetch(`${base}/api/house`, {
        method: 'PATCH',
        headers: { cookie, 'content-type': 'application/json' },
        body: '{}',
      })
    ).arrayBuffer()
    // an open screen hears of it, and reads the house anew meanwhile
    const screen = fetch(`${base}/api/fleet`, { headers: { cookie } }).then((answer) => answer.arrayBuffer())
    const began = performance.now()
    await (await check()).arrayBuffer()
    first.push(performance.now() - began)
    await screen
  }
  note(
    'The first check after a write, server, p95',
    `${ms(percentile(first, 0.95))} (median ${ms(percentile(first, 0.5))})`,
    '300 ms',
  )
}
