import type { RequestHandler } from 'express'
import { Fault } from './faults'

/** A browser names where a request comes from; a script that names nothing has no cookies to abuse. */
export function isOwnOrigin(origin: string | undefined, host: string | undefined): boolean {
  if (origin === undefined) return true
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}

/** Refuses requests that change something on behalf of another site. */
export const ownOriginOnly: RequestHandler = (request, _response, next) => {
  const changes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method)
  if (changes && !isOwnOrigin(request.headers.origin, request.headers.host))
    next(new Fault('foreign-origin', 'foreign-origin'))
  else next()
}
