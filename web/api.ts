import type { z } from 'zod'
import {
  PERSON_HEADER,
  type AnswerOf,
  type BodyInput,
  type Endpoint,
  type FaultBody,
  type FaultCode,
} from '../contract/endpoint'
import { KEPT_HEADER } from './offline/kept'

/** A refusal from the server, or the news that it could not be reached. */
export class Refusal extends Error {
  constructor(
    readonly code: FaultCode | 'offline',
    readonly sentence: string,
    readonly issues: FaultBody['error']['issues'] = [],
  ) {
    super(sentence)
    this.name = 'Refusal'
  }
}

export type Sent<E extends Endpoint> = {
  readonly params?: z.input<E['params']>
  readonly query?: z.input<E['query']>
  readonly body?: BodyInput<E>
  /** who did what is sent: the server refuses it from anybody else's session */
  readonly personId?: string
}

const isFaultBody = (value: unknown): value is FaultBody =>
  typeof value === 'object' && value !== null && 'error' in value && typeof value.error === 'object'

function address(endpoint: Endpoint, params: unknown, query: unknown): string {
  const path = Object.entries(params ?? {}).reduce(
    (made, [name, value]) => made.replace(`{${name}}`, encodeURIComponent(String(value))),
    endpoint.path,
  )
  const search = new URLSearchParams(
    Object.entries(query ?? {}).map(([name, value]) => [name, String(value)]),
  ).toString()
  return search === '' ? path : `${path}?${search}`
}

/** What the screen speaks; its page says so. */
const spoken = (): string => (typeof document === 'undefined' ? 'en' : document.documentElement.lang)

/** Hears of a session that has ended, whichever call found out. */
let onSessionEnd: () => void = () => undefined
export const whenSessionEnds = (act: () => void): void => {
  onSessionEnd = act
}

/** Hears how old what the server is said to have answered is: null where it answered itself. */
let onKept: (keptMs: number | null) => void = () => undefined
export const whenKept = (hear: (keptMs: number | null) => void): void => {
  onKept = hear
}

/**
 * Calls an endpoint of the contract.
 *
 * @throws Refusal with the server's own sentence, or code `offline` when nothing answered
 */
export async function call<E extends Endpoint>(endpoint: E, sent: Sent<E> = {}): Promise<AnswerOf<E>> {
  const response = await fetch(address(endpoint, sent.params, sent.query), {
    method: endpoint.method.toUpperCase(),
    headers: {
      // refusals come in the language of the screen
      'Accept-Language': spoken(),
      ...(sent.body === undefined ? {} : { 'Content-Type': 'application/json' }),
      ...(sent.personId === undefined ? {} : { [PERSON_HEADER]: sent.personId }),
    },
    ...(sent.body === undefined ? {} : { body: JSON.stringify(sent.body) }),
  }).catch(() => null)
  if (!response) throw new Refusal('offline', 'offline')
  const kept = response.headers.get(KEPT_HEADER)
  onKept(kept === null ? null : Number(kept))
  const answer: unknown = await response.json().catch(() => null)
  if (response.ok) return answer as AnswerOf<E>
  if (!isFaultBody(answer)) throw new Refusal('offline', 'offline')
  if (answer.error.code === 'not-signed-in') onSessionEnd()
  throw new Refusal(answer.error.code, answer.error.sentence, answer.error.issues)
}
