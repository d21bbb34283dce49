import type { IncomingMessage, Server } from 'node:http'
import { v4 as newId } from 'uuid'
import { WebSocketServer, type WebSocket } from 'ws'
import { LONGEST_LINE, readInstrumentLine, type InstrumentKind } from '../../contract/instruments'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import type { Listener } from '../db/listen'
import { notifyServers } from '../db/queries/house/houses'
import { findDeviceByToken } from '../db/queries/house/signIn'
import { isOwnOrigin } from '../origin'
import { readToken } from '../signIn/secrets'
import { callerOf } from '../signIn/sessions'

/** Channel on which servers pass instrument lines to whichever of them holds the watching screen. */
export const LINES_CHANNEL = 'yorvik_lines'
export const INSTRUMENTS_PATH = '/api/instruments'
const HELLO_MS = 10_000

interface Instrument {
  readonly id: string
  readonly houseId: string
  readonly kind: InstrumentKind
  readonly name: string
  readonly socket: WebSocket
}

interface Passed {
  readonly houseId: string
  /** `who` asks every server for its instruments; `do` is meant for one instrument */
  readonly verb: 'here' | 'gone' | 'line' | 'who' | 'do'
  readonly id: string
  readonly rest: string
}

/** Passes lines between instruments and the screens of the same house. */
export function openHub(server: Server, db: Database, clock: Clock, listener: Listener): { close: () => void } {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 4 * LONGEST_LINE })
  const instruments = new Map<string, Instrument>()
  const screens = new Map<WebSocket, string>()

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

  const greet = async (socket: WebSocket, line: string, sessionHouse: string | null): Promise<Instrument | null> => {
    const hello = readInstrumentLine(line)
    if (hello.verb !== 'hello') return null
    const token = readToken(hello.key ?? undefined)
    const device = token ? await findDeviceByToken(db, token.houseId, token.hash, 'instrument') : null
    const houseId = device && token ? token.houseId : hello.key === null ? sessionHouse : null
    return houseId ? { id: newId(), houseId, kind: hello.kind, name: hello.name, socket } : null
  }

  const attachInstrument = (instrument: Instrument): void => {
    instruments.set(instrument.id, instrument)
    instrument.socket.send(`welcome ${instrument.id}`)
    announce(instrument)
    instrument.socket.on('message', (raw) => {
      const line = String(raw).trim()
      const read = readInstrumentLine(line)
      if (read.verb === 'unreadable')
        instrument.socket.send('sorry that line could not be read; see docs/instruments.md')
      else if (read.verb === 'bye') instrument.socket.close()
      else pass({ houseId: instrument.houseId, verb: 'line', id: instrument.id, rest: line })
    })
    instrument.socket.on('close', () => {
      instruments.delete(instrument.id)
      pass({ houseId: instrument.houseId, verb: 'gone', id: instrument.id, rest: '' })
    })
  }

  const attachScreen = (socket: WebSocket, houseId: string): void => {
    screens.set(socket, houseId)
    pass({ houseId, verb: 'who', id: '', rest: '' })
    socket.on('message', (raw) => {
      const [verb, id, ...rest] = String(raw).trim().split(' ')
      if (verb === 'do' && id) pass({ houseId, verb: 'do', id, rest: rest.join(' ') })
    })
    socket.on('close', () => screens.delete(socket))
  }

  /** The first line decides what the other end is. */
  const admit = (socket: WebSocket, sessionHouse: string | null): void => {
    const impatience = setTimeout(() => {
      socket.close(1008, 'say hello first')
    }, HELLO_MS)
    socket.once('close', () => {
      clearTimeout(impatience)
    })
    socket.once('message', (raw) => {
      clearTimeout(impatience)
      const line = String(raw).trim()
      if (line === 'watch') {
        if (sessionHouse) attachScreen(socket, sessionHouse)
        else socket.close(1008, 'sign in to watch')
        return
      }
      greet(socket, line, sessionHouse).then(
        (instrument) => {
          if (instrument) attachInstrument(instrument)
          else socket.close(1008, 'not recognised')
        },
        () => {
          socket.close(1011, 'try again')
        },
      )
    })
  }

  server.on('upgrade', (request: IncomingMessage, stream, head) => {
    // from the first moment on: a connection reset while the session is looked up must end itself and nothing else
    const onReset = (): void => {
      stream.destroy()
    }
    stream.on('error', onReset)
    if (request.url !== INSTRUMENTS_PATH || !isOwnOrigin(request.headers.origin, request.headers.host)) {
      stream.end('HTTP/1.1 403 Forbidden\r\n\r\n')
      return
    }
    callerOf(db, clock, request.headers.cookie).then(
      (caller) => {
        stream.off('error', onReset)
        if (stream.destroyed) return
        sockets.handleUpgrade(request, stream, head, (socket) => {
          socket.on('error', () => {
            socket.terminate()
          })
          admit(socket, caller?.house.id ?? null)
        })
      },
      () => {
        stream.end('HTTP/1.1 503 Service Unavailable\r\n\r\n')
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
