import type { Incidents, NewIncident } from '../../../../contract/incidents'
import type { HarmCause } from '../../../../core/edge/model/events'
import type { Queryable } from '../../database'

const LISTED = 50

/** Keeps what happened, once, and nobody's name with it. */
export async function insertIncident(db: Queryable, houseId: string, incident: NewIncident): Promise<void> {
  await db.query(
    `insert into incidents (house_id, id, at, what, place, step, cause, knife_id, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict (house_id, id) do nothing`,
    [
      houseId,
      incident.id,
      incident.at,
      incident.what,
      incident.place,
      incident.step,
      incident.cause,
      incident.knifeId,
      incident.note,
    ],
  )
}

export async function hasIncident(db: Queryable, houseId: string, id: string): Promise<boolean> {
  const { found } = await db.one<{ found: boolean }>(
    'select exists (select from incidents where house_id = $1 and id = $2) as found',
    [houseId, id],
  )
  return found
}

/** What was told to have hurt blades since an instant, oldest first. */
export async function harmsSince(
  db: Queryable,
  houseId: string,
  since: Date,
): Promise<{ at: Date; place: string; cause: HarmCause | ''; knifeId: string | null }[]> {
  const { rows } = await db.query<{ at: Date; place: string; cause: HarmCause | ''; knifeId: string | null }>(
    `select at, place, cause, knife_id as "knifeId"
     from incidents
     where house_id = $1 and what = 'blade-hurt' and at >= $2
     order by at, id`,
    [houseId, since],
  )
  return rows
}

/** The latest, and counts by what and where since an instant. */
export async function listIncidents(db: Queryable, houseId: string, since: Date): Promise<Incidents> {
  const { rows: latest } = await db.query<Omit<Incidents['latest'][number], 'at'> & { at: Date }>(
    `select id, at, what, place, step, cause, knife_id as "knifeId", note,
            array(
              select photo.id from photos as photo
              where photo.house_id = $1 and photo.incident_id = incident.id
              order by photo.at
            ) as "photoIds"
     from incidents as incident
     where house_id = $1
     order by at desc, id
     limit $2`,
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
