import { z } from 'zod'
import type { Queryable } from '../db/database'
import { tableSums, type TableSum } from '../db/queries/house/tableSums'
import type { Wire } from '../../contract/wire'

/** What a backup holds, written beside it: enough to know whether what comes out of it is what went in. */
export const Manifest = z.object({
  format: z.literal('yorvik-backup'),
  version: z.literal(1),
  /** ISO moment at which the database was as it is in the backup */
  at: z.iso.datetime(),
  /** newest step of the schema in it */
  schema: z.string(),
  bytes: z.number(),
  /** SHA-256 of the file, in hexadecimal */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  /** rows of each table, and a sum over them that knows no order */
  tables: z.record(z.string(), z.object({ rows: z.number(), sum: z.string() })),
})
export type Manifest = Wire<typeof Manifest>

/** Rows and sums of all tables, by name. */
export async function sumsByTable(db: Queryable): Promise<Record<string, { rows: number; sum: string }>> {
  return Object.fromEntries(
    (await tableSums(db)).map(({ table, rows, sum }: TableSum) => [table, { rows, sum }] as const),
  )
}

/** Tables in which two states differ, by name. */
export function differences(a: Manifest['tables'], b: Manifest['tables']): string[] {
  const names = [...new Set([...Object.keys(a), ...Object.keys(b)])].sort()
  return names.filter((name) => a[name]?.rows !== b[name]?.rows || a[name]?.sum !== b[name]?.sum)
}
