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

/** Asked by whatever looks after the server, by its number. */
const ANY_HOST: ReadonlySet<string> = new Set(['/api/health', '/api/ready'])

/** Whether a Host header names this server; any does where no names were given. */
export const isAllowedHost = (host: string | undefined, allowed: readonly string[]): boolean =>
  allowed.length === 0 || allowed.includes((host ?? '').replace(/:\d+$/, '').toLowerCase())

/** Answers to the names it was given and to no other, so that no foreign name can be made to lead here. */
export const allowedHostsOnly =
  (allowed: readonly string[]): RequestHandler =>
  (request, _response, next) => {
    if (ANY_HOST.has(request.path) || isAllowedHost(request.headers.host, allowed)) next()
    else next(new Fault('foreign-origin', 'foreign-host'))
  }
