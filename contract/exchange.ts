import { z } from 'zod'
import type { Wire } from './wire'

export const TABLES = ['fleet', 'people', 'gear', 'shifts', 'readings', 'events'] as const
export const TableName = z.enum(TABLES)
export type TableName = Wire<typeof TableName>

export const ExchangeProblem = z.object({ row: z.number(), column: z.string().nullable(), sentence: z.string() })
export type ExchangeProblem = Wire<typeof ExchangeProblem>

export const ExchangeRow = z.object({
  /** line of the file, the header being 1 */
  row: z.number(),
  verb: z.enum(['add', 'change', 'same', 'problem']),
  label: z.string(),
  changes: z.array(z.object({ column: z.string(), from: z.string(), to: z.string() })),
})
export type ExchangeRow = Wire<typeof ExchangeRow>

export const ExchangeOutcome = z.object({
  applied: z.boolean(),
  delimiter: z.string(),
  counts: z.object({ add: z.number(), change: z.number(), same: z.number(), problem: z.number() }),
  unknownColumns: z.array(z.string()),
  stationsToMake: z.array(z.string()),
  rows: z.array(ExchangeRow),
  problems: z.array(ExchangeProblem),
})
export type ExchangeOutcome = Wire<typeof ExchangeOutcome>
