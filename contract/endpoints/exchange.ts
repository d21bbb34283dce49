import { z } from 'zod'
import { endpoint } from '../endpoint'
import { Id } from '../scalars'
import { MOST_HOUSE_BYTES, WholeHouseIn } from '../wholeHouse'
import { ExchangeOutcome, ReadingTold, Sheet, TableName, TakeRows } from '../exchange'

const MOST_SHEET_BYTES = 24_000_000

export const exchangeEndpoints = {
  importTable: endpoint('post', '/api/exchange/{table}', 'import', 'Read sheets of a file: a dry run, or the work', {
    params: z.object({ table: TableName }),
    body: z.object({
      sheets: z.array(Sheet).min(1).max(40),
      told: ReadingTold,
      take: TakeRows,
      /** of the dry run that was looked at; what differs from it is not brought in */
      fingerprint: z.string().max(100).optional(),
      /** names the work, so that its progress can be followed among the house's jobs, and the work be stopped */
      jobId: Id.optional(),
    }),
    mostBytes: MOST_SHEET_BYTES,
    answer: ExchangeOutcome,
  }),
  bringHouse: endpoint('post', '/api/house/whole', 'manage-house', 'Bring a whole house into an empty one', {
    body: WholeHouseIn,
    mostBytes: MOST_HOUSE_BYTES,
  }),
} as const
