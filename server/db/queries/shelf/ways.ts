import type { Ways } from '../../../../core/session/ways'
import type { Queryable } from '../../database'

/** The ways of a house, and those of one of its people. */
export async function listWays(
  db: Queryable,
  houseId: string,
  personId: string | null,
): Promise<{ readonly house: Ways; readonly own: Ways }> {
  const { rows } = await db.query<{ person_id: string | null; way: string; option: string }>(
    'select person_id, way, option from ways where house_id = $1 and (person_id is null or person_id = $2)',
    [houseId, personId],
  )
  const of = (id: string | null): Ways =>
    Object.fromEntries(rows.filter((row) => row.person_id === id).map(({ way, option }) => [way, option]))
  return { house: of(null), own: personId === null ? {} : of(personId) }
}

/** Replaces the ways of a house, or of one of its people. */
export async function replaceWays(db: Queryable, houseId: string, personId: string | null, ways: Ways): Promise<void> {
  await db.query('delete from ways where house_id = $1 and person_id is not distinct from $2', [houseId, personId])
  await db.query(
    `insert into ways (house_id, person_id, way, option)
     select $1, $2, way.key, way.value
     from jsonb_each_text($3::jsonb) as way`,
    [houseId, personId, JSON.stringify(ways)],
  )
}
