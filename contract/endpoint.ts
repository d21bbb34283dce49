import type { z } from 'zod'
import type { Right } from '../core/house/rights'

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
}
export type ParamsOf<E extends Endpoint> = z.infer<E['params']>
export type QueryOf<E extends Endpoint> = z.infer<E['query']>
export type BodyOf<E extends Endpoint> = z.infer<E['body']>
export type BodyInput<E extends Endpoint> = z.input<E['body']>
export type AnswerOf<E extends Endpoint> = z.infer<E['answer']>

export const FAULT_CODES = [
  'invalid',
  'not-signed-in',
  'wrong-sign-in',
  'too-many-tries',
  'not-allowed',
  'not-found',
  'conflict',
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
