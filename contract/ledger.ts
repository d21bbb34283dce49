import { z } from 'zod'
import { HARM_CAUSES } from '../core/edge/model/events'
import { PERSON_ROLES } from '../core/house/rights'
import { GROUND_FROM } from '../core/ledger/grinders'
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

/**
 * A knife in the ledger: what it cost over the last year, in the house's money. By month and by service it is told for
 * the time that its log covers, so that a short log makes no cheap knife.
 */
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
  /** thickness of stones that went on it, mm */
  stoneMm: z.number(),
  wornOut: DateBand.nullable(),
})

/** Something to be bought within a year or so. */
export const Purchase = z.object({
  what: z.enum(['knife', 'stone', 'supply']),
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
  /** how the edges were that they ground: like is told beside like */
  before: z.enum(GROUND_FROM),
  times: z.number(),
  knives: z.number(),
  days: z.number().nullable(),
  /** knives of the same kind that stood in at the station, as the house is now */
  standIns: z.number().nullable(),
  /** height lost each time, mm; force off the stone and after four to eight hours, gf; angle left, degrees per side */
  heightMm: z.number().nullable(),
  /** thickness behind the edge after it, less that before, mm */
  thickerMm: z.number().nullable(),
  freshGf: z.number().nullable(),
  usedGf: z.number().nullable(),
  dps: z.number().nullable(),
  /** by invoice or list; of the house's own hands what their labour costs */
  price: z.number().nullable(),
})

const RateView = z.object({ count: z.number(), perYear: z.number(), low: z.number(), high: z.number() })

export const Ledger = z.object({
  money: Money.nullable(),
  /** when the log begins, where that is within the year; work before it is in no sum */
  since: Instant.nullable(),
  knives: z.array(LedgerKnife),
  purchases: z.array(Purchase),
  /** expected cost of the year's purchases, with its standard deviation; null where prices are unknown */
  expected: z.object({ sum: z.number(), sd: z.number(), unpriced: z.number() }),
  /** outside beside the house; where anything went outside, the house's own work on knives of the same kinds alone */
  grinders: z.array(Grinder),
  away: z.array(z.object({ id: Id, code: z.string(), to: z.string(), since: Instant, dueOn: z.string().nullable() })),
  /** share of knives still in use after so many years (Kaplan and Meier), and the years that half outlive */
  survival: z.object({
    steps: z.array(z.object({ years: z.number(), share: z.number(), error: z.number(), atRisk: z.number() })),
    median: z.number().nullable(),
  }),
  /** what hurts blades here, over a year, with exact Poisson intervals */
  harms: z.object({
    /** chips that checks found, by station, by cause (null where nobody knows), and by both */
    byStation: z.array(RateView.extend({ stationId: Id })),
    byCause: z.array(RateView.extend({ cause: z.enum(HARM_CAUSES).nullable() })),
    cells: z.array(z.object({ stationId: Id, cause: z.enum(HARM_CAUSES).nullable(), count: z.number() })),
    /** accidents that somebody told, by what and where */
    told: z.array(RateView.extend({ cause: z.enum(HARM_CAUSES).nullable(), place: z.string() })),
    /** knives that a count missed */
    lost: RateView,
  }),
})
export type Ledger = Wire<typeof Ledger>
