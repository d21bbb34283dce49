import { z } from 'zod'
import type { Right } from '../core/house/rights'
import { Id } from './scalars'
import type { DeepReadonly, Wire } from './wire'

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete'
type Schema = z.ZodType

/** One address of the API: the server mounts it, the web calls it, OpenAPI is written from it. */
export interface Endpoint<
  Params extends Schema = Schema,
  Query extends Schema = Schema,
  Body extends Schema = Schema,
  Answer extends Schema = Schema,
> {
  readonly method: Method
  /** with parameters in braces, as OpenAPI writes them */
  readonly path: string
  readonly summary: string
  /** `open` needs no session */
  readonly right: Right | 'open'
  readonly params: Params
  readonly query: Query
  readonly body: Body
  readonly answer: Answer
  /** bytes a body may have: most are short, a file is not */
  readonly mostBytes: number
}
export type ParamsOf<E extends Endpoint> = Wire<E['params']>
export type QueryOf<E extends Endpoint> = Wire<E['query']>
export type BodyOf<E extends Endpoint> = Wire<E['body']>
export type BodyInput<E extends Endpoint> = DeepReadonly<z.input<E['body']>>
export type AnswerOf<E extends Endpoint> = Wire<E['answer']>

/** Header that says whose work a request carries; a session of somebody else refuses it. */
export const PERSON_HEADER = 'Yorvik-Person'

const KILOBYTE = 1024
const SHORT_BODY_BYTES = 300 * KILOBYTE
/** A file in a body, by how many characters it may have: JSON writes one in up to six bytes. */
export const bytesForText = (characters: number): number => 6 * characters + KILOBYTE

/** Most addresses name one thing by its id. */
export const byId = z.object({ id: Id })

const nothing = z.object({})
type Nothing = typeof nothing

/** Describes an endpoint; what it does not take or answer is an empty object. */
export function endpoint<
  P extends z.ZodType = Nothing,
  Q extends z.ZodType = Nothing,
  B extends z.ZodType = Nothing,
  A extends z.ZodType = Nothing,
>(
  method: Method,
  path: string,
  right: Right | 'open',
  summary: string,
  shape: { params?: P; query?: Q; body?: B; answer?: A; mostBytes?: number } = {},
): Endpoint<P, Q, B, A> {
  const fallback = <S extends z.ZodType>(schema: S | undefined): S => schema ?? (nothing as unknown as S)
  return {
    method,
    path,
    right,
    summary,
    params: fallback(shape.params),
    query: fallback(shape.query),
    body: fallback(shape.body),
    answer: fallback(shape.answer),
    mostBytes: shape.mostBytes ?? SHORT_BODY_BYTES,
  }
}

export const FAULT_CODES = [
  'invalid',
  'not-signed-in',
  'wrong-sign-in',
  'too-many-tries',
  'not-allowed',
  'not-found',
  'conflict',
  'other-person',
  'too-large',
  'foreign-origin',
  'unavailable',
  'unexpected',
] as const
export type FaultCode = (typeof FAULT_CODES)[number]

/** What every refusal looks like: a code for machines, a sentence for people, and where. */
export interface FaultBody {
  readonly error: {
    readonly code: FaultCode
    readonly sentence: string
    readonly issues: readonly { readonly path: string; readonly sentence: string }[]
  }
}
