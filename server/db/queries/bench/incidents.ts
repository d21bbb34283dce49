import type { Incidents, NewIncident } from '../../../../contract/incidents'
import type { Queryable } from '../../database'

const LISTED = 50

/** Keeps what happened, once, and nobody's name with it. */
export async function insertIncident(db: Queryable, houseId: string, incident: NewIncident): Promise<void> {
  await db.query(
    `insert into incidents (house_id, id, at, what, place, step, note)
     values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (house_id, id) do nothing`,
    [houseId, incident.id, incident.at, incident.what, incident.place, incident.step, incident.note],
  )
}

/** The latest, and counts by what and where since an instant. */
export async function listIncidents(db: Queryable, houseId: string, since: Date): Promise<Incidents> {
  const { rows: latest } = await db.query<Omit<NewIncident, 'at'> & { at: Date }>(
    `select id, at, what, place, step, note from incidents where house_id = $1 order by at desc, id limit $2`,
    [houseId, LISTED],
  )
  const { rows: yearly } = await db.query<Incidents['yearly'][number]>(
    `select what, place, count(*)::int as count
     from incidents
     where house_id = $1 and at >= $2
     group by what, place
     order by count desc, what, place`,
    [houseId, since],
  )
  return { latest: latest.map((one) => ({ ...one, at: one.at.toISOString() })), yearly }
}
