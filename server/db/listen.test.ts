import { connect, createServer, type Server, type Socket } from 'node:net'
import { pino } from 'pino'
import { Writable } from 'node:stream'
import { afterEach, describe, expect, it } from 'vitest'
import { newDatabase } from '../testing/harness'
import { openDatabase } from './database'
import { openListener, type Listener } from './listen'

/** A way to the database that can fall silent: connections stay open, and nothing comes through any more. */
interface Way {
  readonly url: string
  readonly silence: (silent: boolean) => void
  readonly close: () => void
}

async function wayTo(databaseUrl: string): Promise<Way> {
  const { hostname, port } = new URL(databaseUrl)
  let silent = false
  const sockets = new Set<Socket>()
  const server: Server = createServer((socket) => {
    const onward = connect(Number(port), hostname)
    for (const [from, to] of [
      [socket, onward],
      [onward, socket],
    ] as const) {
      sockets.add(from)
      from.on('data', (chunk) => {
        if (!silent) to.write(chunk)
      })
      from.on('error', () => undefined)
      from.on('close', () => to.destroy())
    }
  })
  await new Promise<void>((settle) => {
    server.listen(0, '127.0.0.1', settle)
  })
  const address = server.address()
  if (!address || typeof address === 'string') throw new Error('no port')
  const url = new URL(databaseUrl)
  url.hostname = '127.0.0.1'
  url.port = String(address.port)
  return {
    url: url.href,
    silence: (now) => {
      silent = now
    },
    close: () => {
      sockets.forEach((socket) => socket.destroy())
      server.close()
    },
  }
}

const opened: { close: () => unknown }[] = []
afterEach(async () => {
  for (const one of opened.splice(0)) await one.close()
})

describe('the line that tells of changes', () => {
  it('notices a host that fell silent, is taken up again, and says so in two lines of the log', async () => {
    const databaseUrl = await newDatabase()
    const way = await wayTo(databaseUrl)
    const lines: string[] = []
    const log = pino(
      new Writable({
        write: (chunk, _encoding, done) => {
          lines.push(String(chunk))
          done()
        },
      }),
    )
    const listener: Listener = openListener(way.url, ['told'], log, { heartbeatMs: 100, silenceMs: 300 })
    const db = openDatabase(databaseUrl, () => undefined)
    opened.push(listener, way, db)
    const heard: string[] = []
    listener.on('told', (payload) => heard.push(payload))
    await expect.poll(() => listener.isListening()).toBe(true)
    await db.query(`select pg_notify('told', 'one')`)
    await expect.poll(() => heard).toEqual(['one'])
    way.silence(true)
    await expect.poll(() => listener.isListening(), { timeout: 5000 }).toBe(false)
    // it is tried more than once meanwhile
    await new Promise((settle) => setTimeout(settle, 2500))
    way.silence(false)
    await expect.poll(() => listener.isListening(), { timeout: 10_000 }).toBe(true)
    await db.query(`select pg_notify('told', 'two')`)
    await expect.poll(() => heard).toEqual(['one', 'two'])
    expect(lines.map((line) => (JSON.parse(line) as { msg: string }).msg)).toEqual([
      'the line that tells of changes is lost; trying again',
      'the line that tells of changes stands again',
    ])
  })
})
