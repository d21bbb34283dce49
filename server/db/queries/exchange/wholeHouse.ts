import type { HousePart, HouseRow } from '../../../../contract/wholeHouse'
import type { Queryable } from '../../database'

/** How the rows of a part are told apart and put in order, and what of them never leaves. */
interface PartTable {
  readonly order: string
  readonly omit?: readonly string[]
  /** what a row gets for a column that did not leave and may not be empty */
  readonly fill?: string
}

const PARTS: Readonly<Record<HousePart, PartTable>> = {
  // whoever signs in where the house comes from does not sign in here by that
  // nor is anybody here who they are in other houses there: a file says who somebody is to nobody but its own house
  people: { order: 'id', omit: ['sign_in_name', 'password_hash', 'pin_hash', 'account_id', 'marks_since'] },
  devices: {
    order: 'id',
    omit: ['token_hash'],
    fill: `jsonb_build_object('token_hash', '\\x' || encode(sha256(gen_random_uuid()::text::bytea), 'hex'))`,
  },
  stations: { order: 'id' },
  station_work: { order: 'station_id, from_at' },
  weekly_spans: { order: 'id' },
  special_days: { order: 'day' },
  special_spans: { order: 'id' },
  benches: { order: 'id' },
  gear: { order: 'id' },
  stack_pieces: { order: 'position' },
  recipes: { order: 'id' },
  recipe_preferences: { order: 'role, work' },
  ways: { order: 'person_id nulls first, way' },
  knives: { order: 'id' },
  events: { order: 'at, id' },
  work_orders: { order: 'knife_id, kind' },
  bench_sessions: { order: 'id' },
  bench_actions: { order: 'at, id' },
  carry_overs: { order: 'id' },
  burr_times: { order: 'session_id, stone_id' },
  side_times: { order: 'session_id, hand' },
  shifts: { order: 'id' },
  shift_days: { order: 'id' },
  person_skills: { order: 'person_id, skill' },
  honing_walks: { order: 'id' },
  counts: { order: 'id' },
  drills: { order: 'id' },
  lessons_done: { order: 'person_id, lesson' },
  incidents: { order: 'id' },
  photos: { order: 'id' },
  supplies: { order: 'id' },
  supply_counts: { order: 'id' },
  stone_measures: { order: 'gear_id, at' },
  currency_changes: { order: 'at' },
  plans: { order: 'version' },
  file_meanings: { order: 'table_name, said_of, said' },
}
const PAGE = 1000

/** Makes a transaction see the house as it is at one moment, with times in UTC, and write nothing. */
export async function seeOneMoment(db: Queryable): Promise<void> {
  await db.query('set transaction isolation level repeatable read, read only')
  await db.query(`set local timezone = 'UTC'`)
}

/** Columns of a table that are stored, in its own order. */
async function storedColumns(db: Queryable, part: HousePart): Promise<string[]> {
  const { rows } = await db.query<{ column_name: string }>(
    `select column_name from information_schema.columns
     where table_schema = current_schema() and table_name = $1 and is_generated = 'NEVER' and column_name <> 'house_id'
     order by ordinal_position`,
    [part],
  )
  const omitted = new Set(PARTS[part].omit ?? [])
  return rows.map(({ column_name }) => column_name).filter((column) => !omitted.has(column))
}

/** The rows of one part of a house, page by page, in an order that depends on nothing but them. */
export async function* partRows(db: Queryable, houseId: string, part: HousePart): AsyncGenerator<readonly HouseRow[]> {
  const columns = await storedColumns(db, part)
  const picked = columns.map((column) => `'${column}', ${column}`).join(', ')
  await db.query(
    `declare part_rows no scroll cursor for
     select jsonb_build_object(${picked}) as row from ${part} where house_id = '${houseId}' order by ${PARTS[part].order}`,
  )
  for (;;) {
    const { rows } = await db.query<{ row: HouseRow }>(`fetch ${PAGE} from part_rows`)
    if (rows.length > 0) yield rows.map(({ row }) => Object.fromEntries(columns.map((one) => [one, row[one] ?? null])))
    if (rows.length < PAGE) break
  }
  await db.query('close part_rows')
}

/** Puts rows of a part into a house. Columns that a part does not have are left out; the rest is the schema's to judge. */
export async function insertPart(
  db: Queryable,
  houseId: string,
  part: HousePart,
  rows: readonly HouseRow[],
): Promise<void> {
  const columns = await storedColumns(db, part)
  const fill = PARTS[part].fill
  const own = [...columns, ...(fill ? (PARTS[part].omit ?? []) : [])].join(', ')
  for (let at = 0; at < rows.length; at += PAGE) {
    const page = rows
      .slice(at, at + PAGE)
      .map((row) => Object.fromEntries(columns.map((one) => [one, row[one] ?? null])))
    await db.query(
      `insert into ${part} (house_id, ${own})
       select $1, ${own}
       from jsonb_populate_recordset(
         null::${part},
         (select jsonb_agg(one ${fill ? `|| ${fill}` : ''}) from jsonb_array_elements($2::jsonb) as one)
       )`,
      [houseId, JSON.stringify(page)],
    )
  }
}

/** Whether a house has anything that a person would miss: a knife, or somebody else. */
export async function isInhabited(db: Queryable, houseId: string): Promise<boolean> {
  const { found } = await db.one<{ found: boolean }>(
    `select exists (select from knives where house_id = $1)
       or exists (select from gear where house_id = $1)
       or (select count(*) from people where house_id = $1) > 1 as found`,
    [houseId],
  )
  return found
}

/** Gives somebody what somebody else signed in with, who then signs in no more. */
export async function handOnSignIn(
  db: Queryable,
  houseId: string,
  to: string,
  signIn: { readonly name: string | null; readonly passwordHash: string | null; readonly pinHash: string | null },
): Promise<void> {
  await db.query(
    `update people set sign_in_name = $3, password_hash = $4, pin_hash = $5 where house_id = $1 and id = $2`,
    [houseId, to, signIn.name, signIn.passwordHash, signIn.pinHash],
  )
}

/** Takes the name and the sign-in from somebody, so that somebody else may have them. */
export async function makeNameless(db: Queryable, houseId: string, personId: string): Promise<void> {
  await db.query(
    `update people set name = id::text, sign_in_name = null, password_hash = null where house_id = $1 and id = $2`,
    [houseId, personId],
  )
}

/** Hands the sessions of somebody on to somebody else of the house, and lets the first go. */
export async function replacePerson(db: Queryable, houseId: string, from: string, to: string): Promise<void> {
  await db.query('update sessions set person_id = $3 where house_id = $1 and person_id = $2', [houseId, from, to])
  await db.query('delete from people where house_id = $1 and id = $2', [houseId, from])
}

/** Empties a house of one part, but for one person. */
export async function clearPart(db: Queryable, houseId: string, part: HousePart, keepPersonId: string): Promise<void> {
  await db.query(`delete from ${part} where house_id = $1 ${part === 'people' ? 'and id <> $2' : "and $2 <> ''"}`, [
    houseId,
    keepPersonId,
  ])
}
