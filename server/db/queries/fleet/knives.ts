import type { KnifeDescription } from '../../../../contract/knives'
import type { Queryable } from '../../database'

export interface StoredKnife extends KnifeDescription {
  readonly id: string
}

const FIELDS = [
  ['code', 'code'],
  ['name', 'name'],
  ['type', 'type'],
  ['lengthMm', 'length_mm'],
  ['heelHeightMm', 'heel_height_mm'],
  ['spineMm', 'spine_mm'],
  ['bteMm', 'bte_mm'],
  ['bteNewMm', 'bte_new_mm'],
  ['dpsLeft', 'dps_left'],
  ['dpsRight', 'dps_right'],
  ['grind', 'grind'],
  ['ratioRight', 'ratio_right'],
  ['serrated', 'serrated'],
  ['steelEn', 'steel_en'],
  ['hrc', 'hrc'],
  ['reactive', 'reactive'],
  ['price', 'price'],
  ['boughtOn', 'bought_on'],
] as const satisfies readonly (readonly [keyof KnifeDescription, string])[]

const SELECTED = ['id', ...FIELDS.map(([field, column]) => `${column} as "${field}"`)].join(', ')
const COLUMNS = FIELDS.map(([, column]) => column).join(', ')
/** text, uuid and numbers cross as JSON and take their types from the table itself */
const RECORD = 'jsonb_populate_record(null::knives, $2::jsonb)'

const asRow = (knife: StoredKnife): string =>
  JSON.stringify({ id: knife.id, ...Object.fromEntries(FIELDS.map(([field, column]) => [column, knife[field]])) })

export async function listKnives(db: Queryable, houseId: string): Promise<StoredKnife[]> {
  const { rows } = await db.query<StoredKnife>(`select ${SELECTED} from knives where house_id = $1 order by code`, [
    houseId,
  ])
  return rows
}

/** A knife, locked until the transaction ends so that two devices cannot fold its log at once. */
export async function lockKnife(db: Queryable, houseId: string, knifeId: string): Promise<StoredKnife | null> {
  return await db.maybeOne<StoredKnife>(`select ${SELECTED} from knives where house_id = $1 and id = $2 for update`, [
    houseId,
    knifeId,
  ])
}

export async function findKnife(db: Queryable, houseId: string, knifeId: string): Promise<StoredKnife | null> {
  return await db.maybeOne<StoredKnife>(`select ${SELECTED} from knives where house_id = $1 and id = $2`, [
    houseId,
    knifeId,
  ])
}

export async function findKnives(db: Queryable, houseId: string, ids: readonly string[]): Promise<StoredKnife[]> {
  const { rows } = await db.query<StoredKnife>(`select ${SELECTED} from knives where house_id = $1 and id = any($2)`, [
    houseId,
    ids,
  ])
  return rows
}

/** Codes in use that start with a prefix, for numbering the next one. */
export async function codesLike(db: Queryable, houseId: string, prefix: string): Promise<string[]> {
  const { rows } = await db.query<{ code: string }>(
    `select code from knives where house_id = $1 and starts_with(code, $2)`,
    [houseId, `${prefix}-`],
  )
  return rows.map((row) => row.code)
}

export async function insertKnives(db: Queryable, houseId: string, knives: readonly StoredKnife[]): Promise<void> {
  await db.query(
    `insert into knives (house_id, id, ${COLUMNS})
     select $1, id, ${COLUMNS}
     from jsonb_populate_recordset(null::knives, $2::jsonb)`,
    [houseId, `[${knives.map(asRow).join(',')}]`],
  )
}

/**
 * Has the database look at how large the tables of the fleet have become: within one long change it would go on
 * checking each new row against whole tables that were empty when it began.
 */
export async function countFleetTables(db: Queryable): Promise<void> {
  await db.query('analyze knives, events, knife_states')
}

export async function updateKnife(db: Queryable, houseId: string, knife: StoredKnife): Promise<void> {
  await db.query(
    `update knives
     set (${COLUMNS}) = (select ${COLUMNS} from ${RECORD})
     where house_id = $1 and id = $3`,
    [houseId, asRow(knife), knife.id],
  )
}

/** A mark of each knife that changes whenever its description or its state is written: which version of its rows it is. */
export async function knifeMarks(db: Queryable, houseId: string): Promise<ReadonlyMap<string, string>> {
  const { rows } = await db.query<{ id: string; mark: string }>(
    `select knife.id, concat(knife.xmin, knife.ctid, state.xmin, state.ctid) as mark
     from knives knife
     left join knife_states state on state.house_id = knife.house_id and state.knife_id = knife.id
     where knife.house_id = $1`,
    [houseId],
  )
  return new Map(rows.map(({ id, mark }) => [id, mark]))
}
