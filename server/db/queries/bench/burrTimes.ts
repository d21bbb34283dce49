import type { Queryable } from '../../database'

export async function insertBurrTime(
  db: Queryable,
  houseId: string,
  sessionId: string,
  time: { readonly stoneId: string; readonly personId: string; readonly planned: number; readonly minutes: number },
): Promise<void> {
  await db.query(
    `insert into burr_times (house_id, session_id, stone_id, person_id, planned_minutes, minutes)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, session_id, stone_id) do nothing`,
    [houseId, sessionId, time.stoneId, time.personId, time.planned, time.minutes],
  )
}

/** Minutes to the burr on every stone of a house, by one person. */
export async function burrTimesOf(
  db: Queryable,
  houseId: string,
  personId: string,
): Promise<Map<string, { planned: number; minutes: number }[]>> {
  const { rows } = await db.query<{ stone_id: string; planned: number; minutes: number }>(
    `select stone_id, planned_minutes as planned, minutes
     from burr_times
     where house_id = $1 and person_id = $2`,
    [houseId, personId],
  )
  const byStone = new Map<string, { planned: number; minutes: number }[]>()
  for (const { stone_id, planned, minutes } of rows)
    byStone.set(stone_id, [...(byStone.get(stone_id) ?? []), { planned, minutes }])
  return byStone
}

/** Minutes planned and taken by every person of a house, for their pace. */
export async function burrTimesByPerson(
  db: Queryable,
  houseId: string,
): Promise<Map<string, { planned: number; minutes: number }[]>> {
  const { rows } = await db.query<{ person_id: string; planned: number; minutes: number }>(
    'select person_id, planned_minutes as planned, minutes from burr_times where house_id = $1',
    [houseId],
  )
  const byPerson = new Map<string, { planned: number; minutes: number }[]>()
  for (const { person_id, planned, minutes } of rows)
    byPerson.set(person_id, [...(byPerson.get(person_id) ?? []), { planned, minutes }])
  return byPerson
}
