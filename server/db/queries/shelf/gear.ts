import type { Gear, StackPiece } from '../../../../contract/bench'
import type { Queryable } from '../../database'

const SELECTED = `id, name, kind, scale, grit, two_sided_with as "twoSidedWith", soak_minutes as "soakMinutes", bath,
            thickness_mm as "thicknessMm", dish_mm as "dishMm", flattened_at as "flattenedAt", knives_since as "knivesSince", compound, bench_id as "benchId", active`

type GearRow = Omit<Gear, 'flattenedAt'> & { flattenedAt: Date | null }
const toGear = (row: GearRow): Gear => ({ ...row, flattenedAt: row.flattenedAt?.toISOString() ?? null })

export async function listGear(db: Queryable, houseId: string): Promise<Gear[]> {
  const { rows } = await db.query<GearRow>(
    `select ${SELECTED}
     from gear
     where house_id = $1
     order by kind, grit, lower(name)`,
    [houseId],
  )
  return rows.map(toGear)
}

/** Keeps gear; a thickness that is another than the last is a measure of its own. */
export async function saveGear(db: Queryable, houseId: string, gear: Gear, at: Date): Promise<void> {
  await db.query(
    `insert into gear (house_id, id, name, kind, scale, grit, two_sided_with, soak_minutes, bath, thickness_mm, dish_mm, flattened_at, knives_since, compound, active, bench_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16)
     on conflict (house_id, id) do update
     set name = excluded.name, kind = excluded.kind, scale = excluded.scale, grit = excluded.grit, two_sided_with = excluded.two_sided_with,
         soak_minutes = excluded.soak_minutes, bath = excluded.bath, thickness_mm = excluded.thickness_mm, dish_mm = excluded.dish_mm,
         flattened_at = excluded.flattened_at, knives_since = excluded.knives_since, compound = excluded.compound, active = excluded.active,
         bench_id = excluded.bench_id`,
    [
      houseId,
      gear.id,
      gear.name,
      gear.kind,
      gear.scale,
      gear.grit,
      gear.twoSidedWith,
      gear.soakMinutes,
      gear.bath,
      gear.thicknessMm,
      gear.dishMm,
      gear.flattenedAt,
      gear.knivesSince,
      gear.compound,
      gear.active,
      gear.benchId,
    ],
  )
  if (gear.thicknessMm === null || gear.thicknessMm <= 0) return
  await db.query(
    `insert into stone_measures (house_id, gear_id, at, mm)
     select $1, $2, $3, $4::numeric
     where $4::numeric is distinct from (
       select mm from stone_measures where house_id = $1 and gear_id = $2 order by at desc limit 1
     )
     on conflict (house_id, gear_id, at) do update set mm = excluded.mm`,
    [houseId, gear.id, at, gear.thicknessMm],
  )
}

/** One more knife was worked on these stones. */
export async function countKnifeOn(db: Queryable, houseId: string, stoneIds: readonly string[]): Promise<void> {
  await db.query('update gear set knives_since = knives_since + 1 where house_id = $1 and id = any($2)', [
    houseId,
    stoneIds,
  ])
}

/** A stone made flat at the bench: it is as it should be, whatever it was measured at. */
export async function markFlattened(
  db: Queryable,
  houseId: string,
  stoneIds: readonly string[],
  at: Date,
): Promise<void> {
  await db.query(
    `update gear
     set knives_since = 0, flattened_at = $3, dish_mm = case when dish_mm is null then null else 0 end
     where house_id = $1 and id = any($2)`,
    [houseId, stoneIds, at],
  )
}

export async function listPieces(db: Queryable, houseId: string): Promise<StackPiece[]> {
  const { rows } = await db.query<StackPiece>(
    'select name, mm, count from stack_pieces where house_id = $1 order by position',
    [houseId],
  )
  return rows
}

export async function replacePieces(db: Queryable, houseId: string, pieces: readonly StackPiece[]): Promise<void> {
  await db.query('delete from stack_pieces where house_id = $1', [houseId])
  await db.query(
    `insert into stack_pieces (house_id, position, name, mm, count)
     select $1, row_number() over (), piece.name, piece.mm, piece.count
     from jsonb_to_recordset($2::jsonb) as piece (name text, mm numeric, count smallint)`,
    [houseId, JSON.stringify(pieces)],
  )
}
