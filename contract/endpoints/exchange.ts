import { z } from 'zod'
import { bytesForText, endpoint } from '../endpoint'
import { ExchangeOutcome, TableName } from '../exchange'

const MOST_FILE_CHARACTERS = 4_000_000

export const exchangeEndpoints = {
  importTable: endpoint('post', '/api/exchange/{table}', 'import', 'Read a CSV file: a dry run, or all of it', {
    params: z.object({ table: TableName }),
    body: z.object({ csv: z.string().max(MOST_FILE_CHARACTERS), apply: z.boolean() }),
    mostBytes: bytesForText(MOST_FILE_CHARACTERS),
    answer: ExchangeOutcome,
  }),
} as const
