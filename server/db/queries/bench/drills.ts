import type { NewDrill } from '../../../../contract/practice'
import type { Queryable } from '../../database'

/** A person's practice is read as a whole: some a week, over some years. */
const DRILLS_READ = 500

/** Keeps a drill. @returns false where one of that id was kept before */
export async function insertDrill(db: Queryable, houseId: string, personId: string, drill: NewDrill): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into drills (house_id, id, person_id, at, kind, hand, wanted_dps, strokes)
     values ($1, $2, $3, $4, 'hold', $5, $6, $7)
     on conflict (house_id, id) do nothing`,
    [houseId, drill.id, personId, drill.at, drill.hand, drill.wantedDps, JSON.stringify(drill.strokes)],
  )
  return rowCount === 1
}

/** The latest drills of a person, oldest first. */
export async function listDrills(db: Queryable, houseId: string, personId: string): Promise<NewDrill[]> {
  const { rows } = await db.query<{
    id: string
    at: Date
    hand: NewDrill['hand']
    wanted_dps: number
    strokes: NewDrill['strokes']
  }>(
    `select id, at, hand, wanted_dps, strokes
     from drills
     where house_id = $1 and person_id = $2
     order by at desc, id desc
     limit $3`,
    [houseId, personId, DRILLS_READ],
  )
  return rows
    .map(({ id, at, hand, wanted_dps: wantedDps, strokes }) => ({ id, at: at.toISOString(), hand, wantedDps, strokes }))
    .reverse()
}

/** @returns false when there is no such drill of this person */
export async function deleteDrill(db: Queryable, houseId: string, personId: string, drillId: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from drills where house_id = $1 and person_id = $2 and id = $3', [
    houseId,
    personId,
    drillId,
  ])
  return rowCount === 1
}

export async function deleteDrillsOf(db: Queryable, houseId: string, personId: string): Promise<void> {
  await db.query('delete from drills where house_id = $1 and person_id = $2', [houseId, personId])
}
