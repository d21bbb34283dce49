import express, { type Express, type NextFunction, type Request, type RequestHandler, type Response } from 'express'
import { promisify } from 'node:util'
import { gunzipSync, gzip } from 'node:zlib'
import {
  PERSON_HEADER,
  type AnswerOf,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type QueryOf,
} from '../contract/endpoint'
import type { Clock } from './clock'
import type { Database } from './db/database'
import { Fault } from './faults'
import { actAs, assertMay, callerOf, type Caller } from './signIn/sessions'

export interface Call<E extends Endpoint> {
  readonly params: ParamsOf<E>
  readonly query: QueryOf<E>
  readonly body: BodyOf<E>
  readonly request: Request
  readonly response: Response
  /** the signed-in person; throws `not-signed-in` on an open endpoint without one */
  readonly caller: Caller
}

/** An answer that was checked, written and compressed once and is sent as it is until it changes. */
export interface Prepared {
  readonly etag: string
  readonly gzip: Buffer
}

const isPrepared = (answer: unknown): answer is Prepared =>
  typeof answer === 'object' && answer !== null && 'gzip' in answer && Buffer.isBuffer(answer.gzip)

export type Mount = <E extends Endpoint>(
  endpoint: E,
  handler: (call: Call<E>) => Promise<AnswerOf<E> | Prepared>,
) => void

/** Writes an answer for being sent many times. */
export async function prepare<E extends Endpoint>(endpoint: E, etag: string, answer: AnswerOf<E>): Promise<Prepared> {
  return { etag: `"${etag}"`, gzip: await promisify(gzip)(JSON.stringify(endpoint.answer.parse(answer)), { level: 6 }) }
}

function sendPrepared(request: Request, response: Response, { etag, gzip: body }: Prepared): void {
  response.setHeader('Cache-Control', 'private, no-cache')
  response.setHeader('ETag', etag)
  response.vary('Accept-Encoding, Cookie')
  if (request.headers['if-none-match'] === etag) {
    response.status(304).end()
    return
  }
  response.type('application/json')
  if (request.acceptsEncodings('gzip')) {
    response.setHeader('Content-Encoding', 'gzip')
    response.end(body)
  } else {
    response.end(gunzipSync(body))
  }
}

const readers = new Map<number, RequestHandler>()

/** Reads a JSON body of at most so many bytes. @throws the parser's error, which {@link answerFault} words */
async function readBody(request: Request, response: Response, mostBytes: number): Promise<unknown> {
  const reader = readers.get(mostBytes) ?? express.json({ limit: mostBytes })
  readers.set(mostBytes, reader)
  await new Promise<void>((settle, fail) => {
    void reader(request, response, (error?: unknown) => {
      if (error) fail(error instanceof Error ? error : new Error(String(error)))
      else settle()
    })
  })
  return request.body ?? {}
}

/** Binds endpoints of the contract to handlers: who may, what is read, what is answered. */
export function mounter(app: Express, db: Database, clock: Clock): Mount {
  return (endpoint, handler) => {
    const path = endpoint.path.replaceAll(/\{(\w+)\}/g, ':$1')
    app[endpoint.method](path, (request: Request, response: Response, next: NextFunction) => {
      const run = async (): Promise<void> => {
        const caller = endpoint.right === 'open' ? null : await callerOf(db, clock, request.headers.cookie)
        if (endpoint.right !== 'open') {
          if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
          assertMay(caller, endpoint.right)
          const sender = request.get(PERSON_HEADER)
          if (sender !== undefined && sender !== caller.person.id) throw new Fault('other-person', 'other-person')
        }
        const call = {
          params: endpoint.params.parse(request.params),
          query: endpoint.query.parse(request.query),
          // nobody's body is read before it is known who sends it
          body: endpoint.body.parse(await readBody(request, response, endpoint.mostBytes)),
          request,
          response,
          get caller(): Caller {
            if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
            return caller
          },
        }
        const handle = (): ReturnType<typeof handler> => handler(call as Call<typeof endpoint>)
        const answer = await (caller ? actAs(caller, handle) : handle())
        if (isPrepared(answer)) {
          sendPrepared(request, response, answer)
          return
        }
        // what the contract does not name, such as a hash on a stored row, never leaves
        response.json(endpoint.answer.parse(answer))
      }
      run().catch(next)
    })
  }
}
