import { z } from 'zod'
import { PERSON_ROLES } from '../core/house/rights'
import { DateBand } from './knives'
import { Id, Instant } from './scalars'
import type { Wire } from './wire'

const MOST_AMOUNT = 1_000_000
const Amount = z.number().min(0).max(MOST_AMOUNT)

/** What the house says of its money; what nobody has said is null, and what stands on it is not told. */
export const Money = z.object({
  /** ISO 4217 */
  currency: z
    .string()
    .length(3)
    .refine((code) => Intl.supportedValuesOf('currency').includes(code), { params: { fault: 'unknown-currency' } }),
  /** an hour of work, by role */
  hourly: z.record(z.enum(PERSON_ROLES), Amount.nullable()),
  /** what money costs a year, as a share */
  interest: z.number().min(0).max(0.5),
  /** one knife ground outside, by list */
  grinder: Amount.nullable(),
  /** an hour of service with a dull edge: the chef's own figure, and marked as such */
  dullHour: Amount.nullable(),
  /** what each stone, rod or strop cost new, and how thick a stone was, mm */
  gear: z.record(Id, z.object({ price: Amount.nullable(), newMm: z.number().min(1).max(100).nullable() })),
})
export type Money = Wire<typeof Money>

/** A change of money; where the currency changes, what one of the old is worth in the new, so that no price stands in the wrong one. */
export const MoneyChange = z.object({ money: Money, rate: z.number().positive().max(10_000).nullable() })
export type MoneyChange = Wire<typeof MoneyChange>

/** Null while a price, a life or a wage that it needs is unknown: unknown is not nothing. */
const Share = z.object({
  purchase: z.number().nullable(),
  labour: z.number().nullable(),
  outside: z.number().nullable(),
  stones: z.number().nullable(),
})

/** A knife in the ledger: what it cost over the last year, in the house's money. */
export const LedgerKnife = z.object({
  id: Id,
  code: z.string(),
  stationId: Id,
  price: z.number().nullable(),
  /** over the last year */
  year: Share,
  perMonth: z.number(),
  perService: z.number().nullable(),
  sessions: z.number(),
  minutes: z.number(),
  wornOut: DateBand.nullable(),
})

/** Something to be bought within a year or so. */
export const Purchase = z.object({
  what: z.enum(['knife', 'stone']),
  id: Id,
  name: z.string(),
  when: DateBand,
  price: z.number().nullable(),
  /** how likely it falls within the year */
  chance: z.number(),
})
export type Purchase = Wire<typeof Purchase>

/** What hands outside, or those of the house, do to edges. */
export const Grinder = z.object({
  name: z.string(),
  isHouse: z.boolean(),
  times: z.number(),
  knives: z.number(),
  days: z.number().nullable(),
  /** height lost each time, mm; force off the stone and after four to eight hours, gf; angle left, degrees per side */
  heightMm: z.number().nullable(),
  freshGf: z.number().nullable(),
  usedGf: z.number().nullable(),
  dps: z.number().nullable(),
  price: z.number().nullable(),
})

const RateView = z.object({ count: z.number(), perYear: z.number(), low: z.number(), high: z.number() })

export const Ledger = z.object({
  money: Money.nullable(),
  knives: z.array(LedgerKnife),
  purchases: z.array(Purchase),
  /** expected cost of the year's purchases, with its standard deviation; null where prices are unknown */
  expected: z.object({ sum: z.number(), sd: z.number(), unpriced: z.number() }),
  grinders: z.array(Grinder),
  away: z.array(z.object({ id: Id, code: z.string(), to: z.string(), since: Instant, dueOn: z.string().nullable() })),
  /** share of knives still in use after so many years (Kaplan and Meier), and the years that half outlive */
  survival: z.object({
    steps: z.array(z.object({ years: z.number(), share: z.number(), error: z.number(), atRisk: z.number() })),
    median: z.number().nullable(),
  }),
  /** the last half year week by week: the whole house under an empty id, then each station */
  weeks: z.array(
    z.object({
      stationId: z.union([Id, z.literal('')]),
      weeks: z.array(
        z.object({
          from: Instant,
          measured: z.number(),
          within: z.number(),
          sessions: z.number(),
          minutes: z.number(),
          knifeIds: z.array(Id),
        }),
      ),
    }),
  ),
  /** chips found, by station, with exact Poisson intervals */
  chips: z.array(RateView.extend({ stationId: Id })),
})
export type Ledger = Wire<typeof Ledger>
