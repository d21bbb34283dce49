import pLimit from 'p-limit'
import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'
import { Fault } from '../faults'

/** OWASP's recommended scrypt cost for passwords (N = 2^15, r = 8, p = 3 at 32 MiB). */
const COST: ScryptOptions = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 }
/** Under the test runner a hash costs a thirty-second of it: there are a thousand of them, and nothing to guard. */
const cost = (): ScryptOptions => (process.env['NODE_ENV'] === 'test' ? { ...COST, N: 2 ** 10 } : COST)
const KEY_BYTES = 32

/** Hashes at once: two of the four threads that files, names and compression need as well. */
const turns = pLimit(2)
/** Hashes that may wait, some seconds' worth: more is no kitchen signing in. */
const MOST_WAITING = 40

/** @throws Fault `door-busy` when too many wait already */
async function derive(secret: string, salt: Buffer): Promise<Buffer> {
  if (turns.pendingCount >= MOST_WAITING) throw new Fault('unavailable', 'door-busy')
  return await turns(
    () =>
      new Promise<Buffer>((settle, fail) => {
        scrypt(secret.normalize('NFKC'), salt, KEY_BYTES, cost(), (error, key) => {
          if (error) fail(error)
          else settle(key)
        })
      }),
  )
}

/** Hash of a password or PIN as `scrypt$salt$key`, each with its own salt. */
export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(secret, salt)
  return `scrypt$${salt.toString('base64url')}$${key.toString('base64url')}`
}

/** Takes the same time whether or not there is a hash to compare with. */
export async function matchesSecret(secret: string, stored: string | null): Promise<boolean> {
  const [, salt = '', key = ''] = (stored ?? '').split('$')
  const derived = await derive(secret, Buffer.from(salt, 'base64url'))
  const expected = Buffer.from(key, 'base64url')
  return expected.length === derived.length && timingSafeEqual(expected, derived)
}

/** A code that is read from a screen and typed once: 80 bits, without letters that look alike. */
export function newCode(): string {
  const letters = 'abcdefghjkmnpqrstuvwxyz23456789'
  return Array.from({ length: 16 }, () => letters[randomInt(letters.length)]).join('')
}

/** How a code is kept: as it stands it could be used by whoever reads the table. */
export const hashCode = (code: string): Buffer => hashToken(code.replaceAll(/[\s-]/g, '').toLowerCase())

/** Whether two codes are the same, in a time that does not tell where they differ. */
export const sameCode = (given: string, wanted: string): boolean => timingSafeEqual(hashCode(given), hashCode(wanted))

/** A bearer token that names its house, so that it can be looked up inside that house's rows alone. */
export interface Token {
  readonly text: string
  readonly hash: Buffer
}

const hashToken = (secret: string): Buffer => createHash('sha256').update(secret).digest()

export function newToken(houseId: string): Token {
  const secret = randomBytes(32).toString('base64url')
  return { text: `${houseId}.${secret}`, hash: hashToken(secret) }
}

export function readToken(text: string | undefined): { readonly houseId: string; readonly hash: Buffer } | null {
  const [houseId, secret] = (text ?? '').split('.')
  if (!houseId || !secret || !/^[0-9a-f-]{36}$/.test(houseId)) return null
  return { houseId, hash: hashToken(secret) }
}
