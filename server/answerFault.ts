import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'
import { ZodError } from 'zod'
import type { FaultBody, FaultCode } from '../contract/endpoint'
import { issueWords } from '../words/faults'
import { speaker, type Say } from '../words/say'
import { languageAsked } from './signIn/sessions'
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

/**
 * What the web server could not read: a body too large, no JSON, or in an encoding or character set nobody knows, and an
 * address that is no text. They say so by a status of their own, or by what kind of error they are.
 */
function wireFault(error: unknown): Fault | null {
  if (error instanceof URIError) return new Fault('not-found', 'no-address')
  if (!(error instanceof Error) || !('status' in error) || typeof error.status !== 'number') return null
  if (error.status === 413) return new Fault('too-large', 'too-large')
  return error.status >= 400 && error.status < 500 ? new Fault('invalid', 'not-json') : null
}

function faultBody(error: unknown, say: Say): FaultBody['error'] {
  if (error instanceof ZodError) {
    const issues = issueWords(error.issues, say)
    return { code: 'invalid', sentence: issues[0]?.sentence ?? say('fault.not-json'), issues }
  }
  const fault = error instanceof Fault ? error : (wireFault(error) ?? new Fault('unexpected', 'unexpected'))
  return {
    code: fault.code,
    sentence: say(`fault.${fault.key}`, fault.values),
    issues: fault.issues.map((issue) => ({ path: issue.path, sentence: say(`fault.${issue.key}`, issue.values) })),
  }
}

/** The one place where what went wrong becomes a status, a sentence and, if nobody foresaw it, a log line. */
export function answerFault(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error)
      return
    }
    const body = faultBody(error, speaker(languageAsked(request)))
    if (body.code === 'unexpected') log.error({ err: error, path: request.path }, 'a request failed unexpectedly')
    if (body.code === 'unavailable') response.setHeader('Retry-After', '2')
    // whatever the answer was going to be
    response.removeHeader('Content-Disposition')
    response
      .status(STATUS[body.code])
      .type('json')
      .json({ error: body } satisfies FaultBody)
  }
}
