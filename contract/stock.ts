import { z } from 'zod'
import { GEAR_KINDS } from '../core/abrasive/gear'
import { SUPPLY_KINDS } from '../core/ledger/stock'
import { DateBand } from './knives'
import { Id, Instant, Measure } from './scalars'
import type { Wire } from './wire'

const MOST_KEPT = 100_000
const Amount = z.number().min(0).max(MOST_KEPT)

/** Something the house keeps a stock of: pastes, oil, labels, test lines, or whatever else. */
export const Supply = z.object({
  name: z.string().trim().min(1).max(80),
  kind: z.enum(SUPPLY_KINDS),
  /** what it is counted in, in the house's own word */
  unit: z.string().trim().min(1).max(20),
  price: Measure.price.nullable(),
  /** how many uses one unit lasts; null where nobody has said */
  usesEach: z.number().positive().max(MOST_KEPT).nullable(),
  active: z.boolean().default(true),
})
export type Supply = Wire<typeof Supply>

/** A look at a stock: what is there, and what was bought since the look before. */
export const NewStockCount = z.object({ id: Id, at: Instant, left: Amount, added: Amount })
export type NewStockCount = Wire<typeof NewStockCount>

const Ahead = {
  /** null where nobody can tell yet */
  runsOut: DateBand.nullable(),
}

export const SupplyView = Supply.extend({
  id: Id,
  counts: z.array(NewStockCount),
  /** what should be there now; null before the first look */
  left: z.number().nullable(),
  perMonth: z.number().nullable(),
  by: z.enum(['counts', 'uses', 'nothing']),
  ...Ahead,
})
export type SupplyView = Wire<typeof SupplyView>

export const StoneStock = z.object({
  id: Id,
  name: z.string(),
  kind: z.enum(GEAR_KINDS),
  measures: z.array(z.object({ at: Instant, mm: z.number() })),
  /** null for a stone that nobody has measured */
  nowMm: z.number().nullable(),
  mmAKnife: z.number().nullable(),
  /** two measures tell how it wears; otherwise it is taken to wear as stones do */
  measured: z.boolean(),
  knivesLeft: z.number().nullable(),
  knivesPerMonth: z.number(),
  ...Ahead,
})
export type StoneStock = Wire<typeof StoneStock>

export const Stock = z.object({ supplies: z.array(SupplyView), stones: z.array(StoneStock) })
export type Stock = Wire<typeof Stock>
