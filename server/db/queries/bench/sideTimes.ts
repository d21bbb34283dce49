import type { SideTime } from '../../../../core/session/sides'
import type { Queryable } from '../../database'

export async function insertSideTime(
  db: Queryable,
  houseId: string,
  sessionId: string,
  personId: string,
  time: SideTime,
): Promise<void> {
  await db.query(
    `insert into side_times (house_id, session_id, person_id, hand, strokes, planned_minutes, minutes)
     values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (house_id, session_id, hand) do nothing`,
    [houseId, sessionId, personId, time.hand, time.strokes, time.planned, time.minutes],
  )
}

/** What each side took, by everybody of a house. */
export async function sideTimesByPerson(db: Queryable, houseId: string): Promise<Map<string, SideTime[]>> {
  const { rows } = await db.query<SideTime & { personId: string }>(
    `select person_id as "personId", hand, strokes, planned_minutes as planned, minutes
     from side_times
     where house_id = $1`,
    [houseId],
  )
  const byPerson = new Map<string, SideTime[]>()
  for (const { personId, ...time } of rows) byPerson.set(personId, [...(byPerson.get(personId) ?? []), time])
  return byPerson
}
