import { z } from 'zod'
import { INCIDENT_KINDS, INCIDENT_PLACES } from './incidents'
import { Instant } from './scalars'
import type { Wire } from './wire'

const Line = z.object({ at: Instant, code: z.string(), personName: z.string().nullable(), words: z.string() })

/** One month of the house, for whoever owns it and for the file that an inspector may ask for. */
export const Report = z.object({
  /** YYYY-MM, in the house's zone */
  month: z.string(),
  from: Instant,
  until: Instant,
  /** nothing at all is on record */
  isEmpty: z.boolean(),
  knives: z.object({ inService: z.number(), quarantined: z.number(), away: z.number(), missing: z.number() }),
  services: z.number(),
  /**
   * of the services with knives at work by the log, those that every edge ended within its limit; hours at work of all
   * knives, and those of them over the limit; by the most likely force
   */
  sharp: z.object({ services: z.number(), within: z.number(), hours: z.number(), dullHours: z.number() }),
  /** of all, those with a force; of those, the ones whose dullest spot was within the limit */
  checks: z.object({ all: z.number(), measured: z.number(), within: z.number() }),
  honings: z.number(),
  sharpenings: z.number(),
  minutes: z.number(),
  /** labour at the stones and grinding outside; null where a wage or a price is unknown, or nothing is said of money */
  cost: z.object({ currency: z.string(), labour: z.number().nullable(), outside: z.number().nullable() }).nullable(),
  /** days on end with services and no record: what is told of the month leaves them out */
  gaps: z.array(z.object({ from: Instant, last: Instant, services: z.number() })),
  /** sessions that went through washing and sanitising, of those that ended as done */
  washed: z.object({ sessions: z.number(), washed: z.number() }),
  counts: z.object({ all: z.number(), missing: z.number(), found: z.number() }),
  incidents: z.array(z.object({ what: z.enum(INCIDENT_KINDS), place: z.enum(INCIDENT_PLACES), count: z.number() })),
  /** taken out of service and put back */
  outOfService: z.array(Line.extend({ kind: z.enum(['quarantined', 'released', 'retired']) })),
  sentOut: z.array(Line.extend({ kind: z.enum(['sent-out', 'returned']) })),
})
export type Report = Wire<typeof Report>
