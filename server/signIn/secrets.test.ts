import { scryptSync } from 'node:crypto'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { isOwnOrigin } from '../origin'
import { hashSecret, matchesSecret, newToken, readToken } from './secrets'

describe('a password or PIN', () => {
  afterEach(() => {
    vi.unstubAllEnvs()
  })

  // OWASP, Password Storage Cheat Sheet: scrypt with N = 2^15, r = 8, p = 3
  it.each(['production', undefined])(
    'is hashed at the cost that is recommended where NODE_ENV is %s',
    async (where) => {
      vi.stubEnv('NODE_ENV', where)
      const [, salt = '', key] = (await hashSecret('grain and ember')).split('$')
      const expected = scryptSync('grain and ember', Buffer.from(salt, 'base64url'), 32, {
        ...{ N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 },
      })
      expect(key).toBe(expected.toString('base64url'))
    },
  )

  it('matches its own hash and no other', async () => {
    const stored = await hashSecret('grain and ember')
    expect(await matchesSecret('grain and ember', stored)).toBe(true)
    expect(await matchesSecret('grain and embers', stored)).toBe(false)
    expect(await matchesSecret('', stored)).toBe(false)
  })

  it('has a salt of its own each time, and is never in its hash', async () => {
    const [first, second] = [await hashSecret('2468'), await hashSecret('2468')]
    expect(first).not.toBe(second)
    expect(first).toMatch(/^scrypt\$[\w-]+\$[\w-]+$/)
    expect(first).not.toContain('2468')
  })

  it('matches nothing where there is no hash', async () => {
    expect(await matchesSecret('anything', null)).toBe(false)
    expect(await matchesSecret('anything', 'nonsense')).toBe(false)
  })

  it('is the same word however its accents are put together', async () => {
    expect(await matchesSecret('caf\u00e9 au lait', await hashSecret('cafe\u0301 au lait'))).toBe(true)
  })
})

describe('a token', () => {
  const houseId = '73e764e8-09b4-54e7-98ee-4887e493436b'

  it('names its house and is kept as a hash', () => {
    const token = newToken(houseId)
    const read = readToken(token.text)
    expect(read?.houseId).toBe(houseId)
    expect(read?.hash.equals(token.hash)).toBe(true)
    expect(token.text).not.toContain(token.hash.toString('base64url'))
    expect(newToken(houseId).text).not.toBe(token.text)
  })

  it.each([undefined, '', 'x', '.', `${houseId}`, `${houseId}.`, 'not-a-house.secret'])(
    'is not read from %j',
    (text) => {
      expect(readToken(text)).toBeNull()
    },
  )
})

describe('where a request comes from', () => {
  it.each([
    [undefined, 'kitchen:4310', true],
    ['http://kitchen:4310', 'kitchen:4310', true],
    ['https://kitchen:4310', 'kitchen:4310', true],
    ['http://kitchen:9999', 'kitchen:4310', false],
    ['https://elsewhere.example', 'kitchen:4310', false],
    ['null', 'kitchen:4310', false],
    ['http://kitchen:4310', undefined, false],
  ])('%j at %j: own is %j', (origin, host, own) => {
    expect(isOwnOrigin(origin, host)).toBe(own)
  })
})
