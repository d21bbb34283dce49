import { connect as connectTcp } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WebSocket } from 'ws'
import { startApp, type Client, type TestApp, type TestHouse } from '../testing/harness'

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

describe('a connection reset while it asks for the line', () => {
  it('ends itself and not the server', async () => {
    const { hostname, port } = new URL(test.base)
    const reset = (): Promise<void> =>
      new Promise((settle) => {
        const raw = connectTcp(Number(port), hostname, () => {
          raw.write(
            [
              'GET /api/instruments HTTP/1.1',
              `Host: ${hostname}:${port}`,
              'Connection: Upgrade',
              'Upgrade: websocket',
              'Sec-WebSocket-Version: 13',
              'Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==',
              // a session that has to be looked up: the reset comes meanwhile
              `Cookie: ${house.manager.cookie()}`,
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
    for (let times = 0; times < 20; times++) await reset()
    expect((await test.client().get('/api/health')).body).toEqual({ status: 'well' })
  })
})
