import { createHash, randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'

/** OWASP's recommended scrypt cost for passwords (N = 2^15, r = 8, p = 3 at 32 MiB). */
const COST: ScryptOptions = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32

const derive = (secret: string, salt: Buffer): Promise<Buffer> =>
  new Promise((settle, fail) => {
    scrypt(secret.normalize('NFKC'), salt, KEY_BYTES, COST, (error, key) => {
      if (error) fail(error)
      else settle(key)
    })
  })

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
