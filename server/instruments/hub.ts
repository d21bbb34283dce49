import type { IncomingMessage, Server } from 'node:http'
import type { Duplex } from 'node:stream'
import { v4 as newId } from 'uuid'
import { WebSocketServer, type WebSocket } from 'ws'
import { LONGEST_LINE, readInstrumentLine, type InstrumentKind } from '../../contract/instruments'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Listener } from '../db/listen'
import { notifyServers } from '../db/queries/house/houses'
import { findDeviceByToken } from '../db/queries/house/signIn'
import { isAllowedHost, isOwnOrigin } from '../origin'
import { readToken } from '../signIn/secrets'
import type { Doors } from '../signIn/doors'
import { callerOf } from '../signIn/sessions'
import { paceOf, type PaceLimits } from './pace'

/** Channel on which servers pass instrument lines to whichever of them holds the watching screen. */
export const LINES_CHANNEL = 'yorvik_lines'
export const INSTRUMENTS_PATH = '/api/instruments'
const HELLO_MS = 10_000
/** An inclinometer speaks fifty times a second; twice that is noise. */
const INSTRUMENT_PACE: PaceLimits = { perSecond: 100, atOnce: 200, patience: 2000 }
/** A screen asks for a zero now and then. */
const SCREEN_PACE: PaceLimits = { perSecond: 10, atOnce: 30, patience: 200 }
/** Sockets that have not said what they are, on one server: more are turned away. */
const MOST_WAITING = 200
/** Instruments and screens of one house on one server. */
const MOST_OF_A_HOUSE = 200

interface Instrument {
  readonly id: string
  readonly houseId: string
  readonly kind: InstrumentKind
  readonly name: string
  readonly socket: WebSocket
  /** whether its key, or the session it came by, still stands */
  readonly stillMay: () => Promise<boolean>
}

/** What a socket came with: the house of its session, and whether that session still stands. */
interface CameBy {
  readonly houseId: string | null
  readonly stillMay: () => Promise<boolean>
}

interface Passed {
  readonly houseId: string
  /** `who` asks every server for its instruments; `do` is meant for one instrument */
  readonly verb: 'here' | 'gone' | 'line' | 'who' | 'do'
  readonly id: string
  readonly rest: string
}

/** Passes lines between instruments and the screens of the same house. */
export function openHub(
  server: Server,
  db: Database,
  clock: Clock,
  listener: Listener,
  doors: Doors,
  allowedHosts: readonly string[] = [],
): { close: () => void } {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 4 * LONGEST_LINE })
  const instruments = new Map<string, Instrument>()
  const screens = new Map<WebSocket, string>()
  let waiting = 0
  const countOf = (houseId: string): number =>
    [...instruments.values()].filter((one) => one.houseId === houseId).length +
    [...screens.values()].filter((one) => one === houseId).length

  const pass = (message: Passed): void => {
    notifyServers(db, LINES_CHANNEL, JSON.stringify(message)).catch(() => undefined)
  }
  const announce = ({ houseId, id, kind, name }: Instrument): void => {
    pass({ houseId, verb: 'here', id, rest: `${kind} ${name}` })
  }

  const forget = listener.on(LINES_CHANNEL, (payload) => {
    const message: Passed = JSON.parse(payload)
    if (message.verb === 'who') {
      instruments.forEach((instrument) => {
        if (instrument.houseId === message.houseId) announce(instrument)
      })
    } else if (message.verb === 'do') {
      const instrument = instruments.get(message.id)
      if (instrument?.houseId === message.houseId) instrument.socket.send(`do ${message.rest}`)
    } else {
      const text = `${message.verb} ${message.id} ${message.rest}`.trim()
      screens.forEach((houseId, screen) => {
        if (houseId === message.houseId) screen.send(text)
      })
    }
  })

  const greet = async (socket: WebSocket, line: string, came: CameBy): Promise<Instrument | null> => {
    const hello = readInstrumentLine(line)
    if (hello.verb !== 'hello') return null
    const { kind, name, key } = hello
    const instrument = (houseId: string, stillMay: () => Promise<boolean>): Instrument => ({
      id: newId(),
      houseId,
      kind,
      name,
      socket,
      stillMay,
    })
    if (key === null) return came.houseId ? instrument(came.houseId, came.stillMay) : null
    const token = readToken(key)
    if (!token) return null
    const stands = async (): Promise<boolean> =>
      (await findDeviceByToken(db, token.houseId, token.hash, 'instrument')) !== null
    return (await stands()) ? instrument(token.houseId, stands) : null
  }

  /** Ends a socket that was let in, once what let it in has ended. */
  const watch = (socket: WebSocket, houseId: string, stillMay: () => Promise<boolean>): void => {
    const forgetDoor = doors.watch({
      houseId,
      stillMay,
      end: () => {
        socket.close(1008, 'signed out')
      },
    })
    socket.on('close', forgetDoor)
  }

  /** Lines of a socket as fast as it may send them. */
  const hear = (socket: WebSocket, limits: PaceLimits, take: (line: string) => void): void => {
    const pace = paceOf(limits, () => performance.now())
    let told = false
    socket.on('message', (raw) => {
      const paced = pace()
      if (paced === 'pass') take(String(raw).trim())
      else if (paced === 'enough') socket.close(1008, 'too many lines')
      else if (!told) {
        told = true
        socket.send('sorry that is too fast; see docs/instruments.md')
      }
    })
  }

  const attachInstrument = (instrument: Instrument): void => {
    const { id, houseId, socket } = instrument
    instruments.set(id, instrument)
    socket.send(`welcome ${id}`)
    announce(instrument)
    watch(socket, houseId, instrument.stillMay)
    hear(socket, INSTRUMENT_PACE, (line) => {
      const read = readInstrumentLine(line)
      if (read.verb === 'unreadable') socket.send('sorry that line could not be read; see docs/instruments.md')
      else if (read.verb === 'bye') socket.close()
      else pass({ houseId, verb: 'line', id, rest: line })
    })
    socket.on('close', () => {
      instruments.delete(id)
      pass({ houseId, verb: 'gone', id, rest: '' })
    })
  }

  const attachScreen = (socket: WebSocket, houseId: string, stillMay: () => Promise<boolean>): void => {
    screens.set(socket, houseId)
    pass({ houseId, verb: 'who', id: '', rest: '' })
    watch(socket, houseId, stillMay)
    hear(socket, SCREEN_PACE, (line) => {
      const [verb, id, ...rest] = line.split(' ')
      if (verb === 'do' && id) pass({ houseId, verb: 'do', id, rest: rest.join(' ') })
    })
    socket.on('close', () => screens.delete(socket))
  }

  /** The first line decides what the other end is. */
  const admit = (socket: WebSocket, came: CameBy): void => {
    const impatience = setTimeout(() => {
      socket.close(1008, 'say hello first')
    }, HELLO_MS)
    let isWaiting = true
    const decided = (): void => {
      clearTimeout(impatience)
      if (isWaiting) waiting--
      isWaiting = false
    }
    waiting++
    socket.once('close', decided)
    socket.once('message', (raw) => {
      decided()
      const line = String(raw).trim()
      if (line === 'watch') {
        if (!came.houseId) socket.close(1008, 'sign in to watch')
        else if (countOf(came.houseId) >= MOST_OF_A_HOUSE) socket.close(1013, 'too many of them')
        else attachScreen(socket, came.houseId, came.stillMay)
        return
      }
      greet(socket, line, came).then(
        (instrument) => {
          if (!instrument) socket.close(1008, 'not recognised')
          else if (countOf(instrument.houseId) >= MOST_OF_A_HOUSE) socket.close(1013, 'too many of them')
          // it may have gone while its key was looked up
          else if (socket.readyState === socket.OPEN) attachInstrument(instrument)
        },
        () => {
          socket.close(1011, 'try again')
        },
      )
    })
  }

  /** Turns an upgrade away: the answer is written whole, and then nothing of it stays open. */
  const turnAway = (stream: Duplex, status: string): void => {
    stream.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`, () => {
      stream.destroy()
    })
  }

  server.on('upgrade', (request: IncomingMessage, stream, head) => {
    // from the first moment on: a connection reset while the session is looked up must end itself and nothing else
    const onReset = (): void => {
      stream.destroy()
    }
    stream.on('error', onReset)
    const { host, origin } = request.headers
    if (request.url !== INSTRUMENTS_PATH || !isOwnOrigin(origin, host) || !isAllowedHost(host, allowedHosts)) {
      turnAway(stream, '403 Forbidden')
      return
    }
    if (waiting >= MOST_WAITING) {
      turnAway(stream, '503 Service Unavailable')
      return
    }
    const { cookie } = request.headers
    callerOf(db, clock, cookie).then(
      (caller) => {
        stream.off('error', onReset)
        if (stream.destroyed) return
        sockets.handleUpgrade(request, stream, head, (socket) => {
          socket.on('error', () => {
            socket.terminate()
          })
          admit(socket, {
            houseId: caller?.house.id ?? null,
            stillMay: async () => (await callerOf(db, clock, cookie))?.person.id === caller?.person.id,
          })
        })
      },
      () => {
        turnAway(stream, '503 Service Unavailable')
      },
    )
  })
  return {
    close: () => {
      forget()
      sockets.clients.forEach((socket) => {
        socket.terminate()
      })
      sockets.close()
    },
  }
}
