import { parseCookie, stringifySetCookie } from 'cookie'
import type { Request, Response } from 'express'
import type { Device } from '../../contract/house'
import { languageAmong, type Language } from '../../contract/languages'
import { ROLE_RIGHTS, type PersonRole, type Right } from '../../core/house/rights'
import { HOUR_MS } from '../../core/time'
import { actFor } from '../acting'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { toHouse, type StoredHouse } from '../db/queries/house/houses'
import { deleteSession, findDeviceByToken, findSession, insertSession } from '../db/queries/house/signIn'
import { Fault } from '../faults'
import { newToken, readToken } from './secrets'

const SESSION_COOKIE = 'yorvik_session'
const DEVICE_COOKIE = 'yorvik_device'
const SESSION_MS = { password: 12 * HOUR_MS, pin: 10 * HOUR_MS }
const MOST_AGENT = 200
const DEVICE_MS = 400 * 24 * HOUR_MS

/** Who is asking, as the server believes it. */
export interface Caller {
  readonly house: StoredHouse
  readonly person: {
    readonly id: string
    readonly name: string
    readonly role: PersonRole
    readonly language: Language | null
  }
  readonly deviceId: string | null
  readonly deviceName: string | null
}

/** What is spoken to whoever asks. */
export const languageOf = ({ person, house }: Pick<Caller, 'person' | 'house'>): Language =>
  person.language ?? house.language

/** What a browser asks to be spoken to in; English where it asks for nothing that is spoken here. */
export const languageAsked = (request: Request): Language => languageAmong(request.acceptsLanguages()) ?? 'en'

const cookieOf = (header: string | undefined, name: string): string | undefined => parseCookie(header ?? '')[name]

/** Whether a browser brings a session, which may have ended. */
export const hasSession = (request: Request): boolean => cookieOf(request.headers.cookie, SESSION_COOKIE) !== undefined

function setCookie(request: Request, response: Response, name: string, value: string, maxAgeMs: number): void {
  response.append(
    'Set-Cookie',
    stringifySetCookie(name, value, {
      httpOnly: true,
      sameSite: 'strict',
      secure: request.secure,
      path: '/',
      maxAge: Math.floor(maxAgeMs / 1000),
    }),
  )
}

/** The caller behind a Cookie header, or null when there is no session that still stands. */
export async function callerOf(db: Database, clock: Clock, cookieHeader: string | undefined): Promise<Caller | null> {
  const token = readToken(cookieOf(cookieHeader, SESSION_COOKIE))
  if (!token) return null
  const session = await findSession(db, token.houseId, token.hash, clock())
  if (!session) return null
  return {
    house: toHouse(session),
    person: {
      id: session.person_id,
      name: session.person_name,
      role: session.person_role,
      language: session.person_language,
    },
    deviceId: session.device_id,
    deviceName: session.device_name,
  }
}

/** Does some work as whoever asks: the database shows it their house alone. */
export const actAs = <T>(caller: Caller, work: () => T): T =>
  actFor({ houseId: caller.house.id, personId: caller.person.id, deviceId: caller.deviceId }, work)

/** @throws Fault `not-allowed` when the caller's role does not carry the right */
export function assertMay(caller: Caller, right: Right): void {
  if (!ROLE_RIGHTS[caller.person.role].includes(right)) throw new Fault('not-allowed', 'not-allowed', { right })
}

export async function openSession(
  db: Database,
  clock: Clock,
  request: Request,
  response: Response,
  who: { readonly houseId: string; readonly personId: string; readonly deviceId: string | null },
): Promise<void> {
  const life = who.deviceId === null ? SESSION_MS.password : SESSION_MS.pin
  const token = newToken(who.houseId)
  // whoever signs in again on this browser leaves nobody signed in behind them
  const before = readToken(cookieOf(request.headers.cookie, SESSION_COOKIE))
  if (before) await deleteSession(db, before.houseId, before.hash)
  const agent = (request.get('user-agent') ?? '').replaceAll(/[^\x20-\x7e]/g, '').slice(0, MOST_AGENT)
  const expiresAt = new Date(clock().getTime() + life)
  await insertSession(db, { ...who, tokenHash: token.hash, expiresAt, agent })
  setCookie(request, response, SESSION_COOKIE, token.text, life)
}

export async function closeSession(db: Database, request: Request, response: Response): Promise<void> {
  const token = readToken(cookieOf(request.headers.cookie, SESSION_COOKIE))
  if (token) await deleteSession(db, token.houseId, token.hash)
  setCookie(request, response, SESSION_COOKIE, '', 0)
}

/** How the session of a request is kept; null where it has none. */
export const ownSessionHash = (request: Request): Buffer | null =>
  readToken(cookieOf(request.headers.cookie, SESSION_COOKIE))?.hash ?? null

export function rememberDevice(request: Request, response: Response, token: string): void {
  setCookie(request, response, DEVICE_COOKIE, token, DEVICE_MS)
}

/** The enrolled tablet a request comes from, if any. */
export async function deviceOf(
  db: Database,
  cookieHeader: string | undefined,
): Promise<(Device & { houseId: string }) | null> {
  const token = readToken(cookieOf(cookieHeader, DEVICE_COOKIE))
  if (!token) return null
  const device = await findDeviceByToken(db, token.houseId, token.hash, 'tablet')
  return device ? { ...device, houseId: token.houseId } : null
}
