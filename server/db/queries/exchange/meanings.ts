import type { TableName } from '../../../../contract/exchange'
import type { Queryable } from '../../database'

/** What a text of the house's own files means: a column's title where `saidOf` is empty, else a text in that column. */
export interface FileMeaning {
  readonly saidOf: string
  readonly said: string
  readonly means: string
}

export async function listMeanings(db: Queryable, houseId: string, table: TableName): Promise<FileMeaning[]> {
  const { rows } = await db.query<{ saidOf: string; said: string; means: string }>(
    `select said_of as "saidOf", said, means from file_meanings
     where house_id = $1 and table_name = $2 order by said_of, said`,
    [houseId, table],
  )
  return rows
}

export async function saveMeanings(
  db: Queryable,
  houseId: string,
  table: TableName,
  meanings: readonly FileMeaning[],
): Promise<void> {
  await db.query(
    `insert into file_meanings (house_id, table_name, said_of, said, means)
     select $1, $2, one."saidOf", one.said, one.means
     from jsonb_to_recordset($3::jsonb) as one ("saidOf" text, said text, means text)
     on conflict (house_id, table_name, said_of, said) do update set means = excluded.means`,
    [houseId, table, JSON.stringify(meanings)],
  )
}
