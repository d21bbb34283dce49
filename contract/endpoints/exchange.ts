import { z } from 'zod'
import { endpoint } from '../endpoint'
import { ExchangeOutcome, TableName } from '../exchange'

export const exchangeEndpoints = {
  importTable: endpoint('post', '/api/exchange/{table}', 'import', 'Read a CSV file: a dry run, or all of it', {
    params: z.object({ table: TableName }),
    body: z.object({ csv: z.string().max(4_000_000), apply: z.boolean() }),
    answer: ExchangeOutcome,
  }),
} as const
