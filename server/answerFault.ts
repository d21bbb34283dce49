import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'
import { ZodError } from 'zod'
import type { FaultBody, FaultCode } from '../contract/endpoint'
import { issueWords } from '../words/faults'
import type { Say } from '../words/say'
import { Fault } from './faults'

const STATUS: Readonly<Record<FaultCode, number>> = {
  invalid: 422,
  'not-signed-in': 401,
  'wrong-sign-in': 401,
  'too-many-tries': 429,
  'not-allowed': 403,
  'not-found': 404,
  conflict: 409,
  'other-person': 409,
  'too-large': 413,
  'foreign-origin': 403,
  unavailable: 503,
  unexpected: 500,
}

/** body-parser marks what it could not read with a type of its own. */
function bodyFault(error: unknown): Fault | null {
  if (!(error instanceof Error) || !('type' in error)) return null
  if (error.type === 'entity.too.large') return new Fault('too-large', 'too-large')
  if (error.type === 'entity.parse.failed' || error.type === 'encoding.unsupported')
    return new Fault('invalid', 'not-json')
  return null
}

function faultBody(error: unknown, say: Say): FaultBody['error'] {
  if (error instanceof ZodError) {
    const issues = issueWords(error.issues, say)
    return { code: 'invalid', sentence: issues[0]?.sentence ?? say('fault.not-json'), issues }
  }
  const fault = error instanceof Fault ? error : (bodyFault(error) ?? new Fault('unexpected', 'unexpected'))
  return {
    code: fault.code,
    sentence: say(`fault.${fault.key}`, fault.values),
    issues: fault.issues.map((issue) => ({ path: issue.path, sentence: say(`fault.${issue.key}`, issue.values) })),
  }
}

/** The one place where what went wrong becomes a status, a sentence and, if nobody foresaw it, a log line. */
export function answerFault(say: Say, log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error)
      return
    }
    const body = faultBody(error, say)
    if (body.code === 'unexpected') log.error({ err: error, path: request.path }, 'a request failed unexpectedly')
    if (body.code === 'unavailable') response.setHeader('Retry-After', '2')
    response.status(STATUS[body.code]).json({ error: body } satisfies FaultBody)
  }
}
