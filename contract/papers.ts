import { z } from 'zod'
import { Id, Instant, KnifeTypeName } from './scalars'
import type { Wire } from './wire'

/** What takes a knife out of use, and what brings it back. */
export const LEAVING_KINDS = ['quarantined', 'released', 'retired', 'missing', 'found', 'sent-out', 'returned'] as const

/** For the food-safety file: what was in use, what was checked, taken out and cleaned between two days, by whom and when. */
export const SafetyFile = z.object({
  from: Instant,
  until: Instant,
  knives: z.array(
    z.object({
      code: z.string(),
      type: KnifeTypeName,
      stationName: z.string(),
      status: z.string(),
      checkedAt: Instant.nullable(),
    }),
  ),
  checks: z.array(
    z.object({
      at: Instant,
      code: z.string(),
      personName: z.string().nullable(),
      /** dullest spot, gf; null where only the blade was looked at */
      dullestGf: z.number().nullable(),
      /** names of what was wrong */
      defects: z.array(z.string()),
    }),
  ),
  sessions: z.array(
    z.object({
      at: Instant,
      code: z.string(),
      personName: z.string().nullable(),
      outcome: z.enum(['finished', 'abandoned']),
      /** when washing and sanitising were confirmed; null where they were not */
      washedAt: Instant.nullable(),
    }),
  ),
  outOfService: z.array(
    z.object({
      at: Instant,
      code: z.string(),
      personName: z.string().nullable(),
      kind: z.enum(LEAVING_KINDS),
      words: z.string(),
    }),
  ),
  /** lists are cut after so many lines; the rest is in a shorter span */
  isCut: z.boolean(),
})
export type SafetyFile = Wire<typeof SafetyFile>

/** What happened to the edges of a house week by week: each knife's share, so that every sum leads back to its knives. */
export const HouseWeeks = z.object({
  fromAt: Instant,
  weeks: z.number(),
  /** services, and those that every knife at work ended within its limit: of the whole house under an empty id, of stations */
  services: z.array(
    z.object({
      stationId: z.union([Id, z.literal('')]),
      weeks: z.array(z.object({ services: z.number(), within: z.number() })),
    }),
  ),
  knives: z.array(
    z.object({
      week: z.number(),
      knifeId: Id,
      code: z.string(),
      stationId: Id,
      hours: z.number(),
      dullHours: z.number(),
      sessions: z.number(),
      minutes: z.number(),
      steelMm: z.number(),
      /** labour and outside grinding; null where a wage or a price is unknown */
      cost: z.number().nullable(),
    }),
  ),
})
export type HouseWeeks = Wire<typeof HouseWeeks>
