import { connect as connectTcp } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WebSocket } from 'ws'
import { onTablet, startApp, type Client, type TestApp, type TestHouse } from '../testing/harness'

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

interface Line {
  readonly heard: string[]
  readonly closed: () => boolean
  readonly send: (line: string) => void
  readonly close: () => void
}

async function connect(client: Client | null, first: string, origin?: string): Promise<Line> {
  const socket = new WebSocket(`${test.base.replace('http', 'ws')}/api/instruments`, {
    headers: { ...(client ? { cookie: client.cookie() } : {}), ...(origin ? { origin } : {}) },
  })
  const heard: string[] = []
  let closed = false
  socket.on('message', (raw) => heard.push(String(raw)))
  socket.on('close', () => {
    closed = true
  })
  socket.on('error', () => {
    closed = true
  })
  await new Promise<void>((settle) => {
    socket.once('open', () => {
      settle()
    })
    socket.once('error', () => {
      settle()
    })
  })
  if (socket.readyState === WebSocket.OPEN) socket.send(first)
  return {
    heard,
    closed: () => closed,
    send: (line) => {
      socket.send(line)
    },
    close: () => {
      socket.close()
    },
  }
}

describe('instruments on the line', () => {
  it('carry a reading from a bridge with a key to the screens of its house, and a zero back', async () => {
    const { key } = (await house.manager.post('/api/devices', { kind: 'instrument', name: 'Bench tester' })).body
    const other = await test.house('Elsewhere')
    const [screen, stranger] = [await connect(house.manager, 'watch'), await connect(other.manager, 'watch')]
    const tester = await connect(null, `hello force-tester bench ${key}`)
    await expect.poll(() => screen.heard.some((line) => /^here \S+ force-tester bench$/.test(line))).toBe(true)
    const id = tester.heard[0]?.split(' ')[1]
    tester.send('peak 312.5 gf')
    await expect.poll(() => screen.heard).toContain(`line ${id} peak 312.5 gf`)
    screen.send(`do ${id} zero`)
    await expect.poll(() => tester.heard).toContain('do zero')
    tester.send('what is this')
    await expect.poll(() => tester.heard.some((line) => line.startsWith('sorry'))).toBe(true)
    tester.send('bye')
    await expect.poll(() => screen.heard).toContain(`gone ${id}`)
    expect(stranger.heard).toEqual([])
    screen.close()
    stranger.close()
  })

  it('are turned away with a wrong key, without a hello, or from another site', async () => {
    const wrong = await connect(null, `hello force-tester bench ${house.houseId}.wrong`)
    const rude = await connect(null, 'peak 200 gf')
    const watcher = await connect(null, 'watch')
    const foreign = await connect(house.manager, 'watch', 'https://elsewhere.example')
    await expect.poll(() => [wrong, rude, watcher, foreign].every((line) => line.closed())).toBe(true)
  })
})

describe('what is open', () => {
  /** Reads a stream until it ends. */
  async function changesOf(client: Client): Promise<{ readonly ended: () => boolean }> {
    const response = await fetch(`${test.base}/api/changes`, { headers: { cookie: client.cookie() } })
    let ended = false
    const reader = response.body?.getReader()
    const read = async (): Promise<void> => {
      while (reader && !(await reader.read()).done);
      ended = true
    }
    void read().catch(() => undefined)
    return { ended: () => ended }
  }

  it('ends with the session that opened it, and nobody else’s does', async () => {
    const [leaving, staying] = [await onTablet(test, house, 'cook'), await onTablet(test, house, 'cook')]
    const [screen, other] = [await connect(leaving, 'watch'), await connect(staying, 'watch')]
    const [stream, otherStream] = [await changesOf(leaving), await changesOf(staying)]
    const own = await connect(leaving, 'hello scale bench')
    await leaving.send('DELETE', '/api/session')
    await expect.poll(() => [screen.closed(), own.closed(), stream.ended()]).toEqual([true, true, true])
    expect([other.closed(), otherStream.ended()]).toEqual([false, false])
    other.close()
  })

  it('ends with its key, and with its person', async () => {
    const { key, device } = (await house.manager.post('/api/devices', { kind: 'instrument', name: 'Bench' })).body
    const tester = await connect(null, `hello force-tester bench ${key}`)
    await expect.poll(() => tester.heard[0]).toMatch(/^welcome/)
    await house.manager.send('DELETE', `/api/devices/${device.id}`)
    await expect.poll(() => tester.closed()).toBe(true)
    const apprentice = await onTablet(test, house, 'apprentice')
    const stream = await changesOf(apprentice)
    await house.manager.send('PATCH', `/api/people/${house.people.apprentice.id}`, { active: false })
    await expect.poll(() => stream.ended()).toBe(true)
    await house.manager.send('PATCH', `/api/people/${house.people.apprentice.id}`, { active: true })
  })

  it('is told once that it sends too fast, and is ended when it goes on', async () => {
    const noisy = await connect(house.manager, 'hello inclinometer bench')
    await expect.poll(() => noisy.heard[0]).toMatch(/^welcome/)
    for (let line = 0; line < 3000 && !noisy.closed(); line++) noisy.send('angle 17.1 deg')
    await expect.poll(() => noisy.closed()).toBe(true)
    expect(noisy.heard.filter((line) => line.startsWith('sorry'))).toHaveLength(1)
    // the longest line there is, and one that is longer
    const long = await connect(house.manager, 'hello scale bench')
    long.send('x'.repeat(5000))
    await expect.poll(() => long.closed()).toBe(true)
  })
})

describe('a connection reset while it asks for the line', () => {
  it('ends itself and not the server', async () => {
    const { hostname, port } = new URL(test.base)
    const reset = (headers: readonly string[], path = '/api/instruments'): Promise<void> =>
      new Promise((settle) => {
        const raw = connectTcp(Number(port), hostname, () => {
          raw.write(
            [
              `GET ${path} HTTP/1.1`,
              `Host: ${hostname}:${port}`,
              'Connection: Upgrade',
              'Upgrade: websocket',
              'Sec-WebSocket-Version: 13',
              'Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==',
              ...headers,
              '',
              '',
            ].join('\r\n'),
            () => {
              raw.resetAndDestroy()
            },
          )
        })
        raw.on('error', () => undefined)
        raw.on('close', () => {
          settle()
        })
      })
    // an error nobody listens to would end this process, and with it the test
    for (let times = 0; times < 20; times++) {
      // a session that has to be looked up: the reset comes meanwhile
      await reset([`Cookie: ${house.manager.cookie()}`])
      // nobody's, from elsewhere, and to nowhere: the refusal is written to a socket that is gone
      await reset([])
      await reset(['Origin: https://elsewhere.example'])
      await reset([], '/api/nowhere')
    }
    expect((await test.client().get('/api/health')).body).toMatchObject({ status: 'well' })
  })
})
