import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { MINUTE_MS } from '../../core/time'
import type { Database } from '../db/database'
import { Fault } from '../faults'

const MINUTE = 60

/** The key under which PINs of a person are counted. */
export const pinKey = (houseId: string, personId: string): string => `pin:${houseId}:${personId}`

/** How often sign-in may be tried; counted in the database, so every server counts together. */
export interface Tries {
  /** @throws Fault `too-many-tries` when this key is locked out */
  assertOpen(key: string): Promise<void>
  failed(key: string): Promise<void>
  succeeded(key: string): Promise<void>
}

export function signInTries(db: Database): Tries {
  const limiter = new RateLimiterPostgres({
    storeClient: db.pool,
    storeType: 'pool',
    tableName: 'attempts',
    tableCreated: true,
    clearExpiredByTimeout: false,
    keyPrefix: 'sign-in',
    points: 8,
    duration: 15 * MINUTE,
    blockDuration: 15 * MINUTE,
  })
  const refuse = (msBeforeNext: number): Fault =>
    new Fault('too-many-tries', 'too-many-tries', { minutes: Math.max(1, Math.ceil(msBeforeNext / MINUTE_MS)) })
  return {
    assertOpen: async (key) => {
      const used = await limiter.get(key)
      if (used && used.consumedPoints > 8) throw refuse(used.msBeforeNext)
    },
    failed: async (key) => {
      try {
        await limiter.consume(key)
      } catch (rejection) {
        throw rejection instanceof RateLimiterRes ? refuse(rejection.msBeforeNext) : rejection
      }
    },
    succeeded: async (key) => {
      await limiter.delete(key)
    },
  }
}
