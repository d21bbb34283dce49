import type { Queryable } from '../../database'

export interface TableSum {
  readonly table: string
  readonly rows: number
  /** the same rows give the same sum, in whatever order they are kept */
  readonly sum: string
}

/** Rows of every table and a sum over them, in one transaction's view; but for those that whoever asks may not read. */
export async function tableSums(db: Queryable): Promise<TableSum[]> {
  const { rows: tables } = await db.query<{ name: string }>(
    `select quote_ident(relname) as name from pg_class
     where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') and not relispartition
       and has_table_privilege(oid, 'select')
     order by relname`,
  )
  const sums: TableSum[] = []
  for (const { name } of tables) {
    const { rows, sum } = await db.one<{ rows: number; sum: string }>(
      `select count(*)::int as rows,
              coalesce(sum(('x' || left(md5(one::text), 15))::bit(60)::bigint), 0)::text as sum
       from ${name} as one`,
    )
    sums.push({ table: name, rows, sum })
  }
  return sums
}

/** Holds the view of the transaction it is asked in, so that another connection can see the same. */
export async function exportSnapshot(db: Queryable): Promise<string> {
  await db.query('set transaction isolation level repeatable read')
  return (await db.one<{ id: string }>('select pg_export_snapshot() as id')).id
}

/** The newest step of the schema. */
export async function newestStep(db: Queryable): Promise<string> {
  return (await db.one<{ name: string }>('select name from migrations order by id desc limit 1')).name
}

/** Steps of the schema that were done; none in a database that is still empty. */
export async function doneSteps(db: Queryable): Promise<string[]> {
  const { is } = await db.one<{ is: boolean }>(`select to_regclass('public.migrations') is not null as is`)
  if (!is) return []
  return (await db.query<{ name: string }>('select name from migrations order by id')).rows.map(({ name }) => name)
}
