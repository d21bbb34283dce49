import type { EventKind, KnifeEvent } from '../../../../core/edge/model/events'
import type { Queryable } from '../../database'

export interface EventWrite {
  readonly id: string
  readonly knifeId: string
  readonly kind: EventKind
  readonly at: Date
  readonly personId: string | null
  readonly deviceId: string | null
  readonly payload: object
}

/** A write as the core folds it: dated in milliseconds. Its payload passed the contract on the way in. */
export const asKnifeEvent = (write: EventWrite): KnifeEvent =>
  ({
    id: write.id,
    kind: write.kind,
    atMs: write.at.getTime(),
    personId: write.personId,
    payload: write.payload,
  }) as KnifeEvent

/** @returns ids that were new; the others had been recorded before */
export async function insertEvents(
  db: Queryable,
  houseId: string,
  events: readonly EventWrite[],
): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>(
    `insert into events (house_id, id, knife_id, kind, at, person_id, device_id, payload, voids_id)
     select $1, sent.id, sent.knife_id, sent.kind, sent.at, sent.person_id, sent.device_id, sent.payload,
            case when sent.kind = 'voided' then (sent.payload ->> 'eventId')::uuid end
     from jsonb_to_recordset($2::jsonb)
       as sent (id uuid, knife_id uuid, kind text, at timestamptz, person_id uuid, device_id uuid, payload jsonb)
     on conflict (house_id, id) do nothing
     returning id`,
    [
      houseId,
      JSON.stringify(
        events.map((event) => ({
          id: event.id,
          knife_id: event.knifeId,
          kind: event.kind,
          at: event.at.toISOString(),
          person_id: event.personId,
          device_id: event.deviceId,
          payload: event.payload,
        })),
      ),
    ],
  )
  return new Set(rows.map((row) => row.id))
}

/** The log of a knife, voided events and all, oldest first: the whole, or what happened since. */
export async function knifeLog(
  db: Queryable,
  houseId: string,
  knifeId: string,
  since: Date = new Date(0),
): Promise<KnifeEvent[]> {
  const { rows } = await db.query<{
    id: string
    kind: EventKind
    at_ms: number
    person_id: string | null
    payload: never
  }>(
    `select id, kind, (extract(epoch from at) * 1000)::float8 as at_ms, person_id, payload
     from events
     where house_id = $1 and knife_id = $2 and at >= $3
     order by at, id`,
    [houseId, knifeId, since],
  )
  return rows.map((row): KnifeEvent => ({
    id: row.id,
    kind: row.kind,
    atMs: row.at_ms,
    personId: row.person_id,
    payload: row.payload,
  }))
}

export interface EventRow {
  id: string
  knife_id: string
  kind: EventKind
  at: Date
  recorded_at: Date
  person_id: string | null
  person_name: string | null
  device_name: string | null
  payload: Record<string, unknown>
  void_at: Date | null
  void_reason: string | null
  void_person_name: string | null
  before_gf: number | null
  after_gf: number | null
}

/** A page of a knife's timeline, newest first, each event with the voiding that took it back. */
export async function timelinePage(
  db: Queryable,
  houseId: string,
  knifeId: string,
  page: { readonly before: Date | null; readonly most: number },
): Promise<EventRow[]> {
  const { rows } = await db.query<EventRow>(
    `select event.id, event.knife_id, event.kind, event.at, event.recorded_at, event.person_id, event.payload,
            person.name as person_name, device.name as device_name,
            voiding.at as void_at, voiding.payload ->> 'reason' as void_reason, voider.name as void_person_name,
            effect.before_gf, effect.after_gf
     from events event
     left join people person on person.house_id = event.house_id and person.id = event.person_id
     left join devices device on device.house_id = event.house_id and device.id = event.device_id
     left join events voiding on voiding.house_id = event.house_id and voiding.voids_id = event.id
     left join people voider on voider.house_id = voiding.house_id and voider.id = voiding.person_id
     left join event_effects effect on effect.house_id = event.house_id and effect.event_id = event.id
     where event.house_id = $1
       and event.knife_id = $2
       and event.kind <> 'voided'
       and ($3::timestamptz is null or event.at < $3)
     order by event.at desc, event.id desc
     limit $4`,
    [houseId, knifeId, page.before, page.most],
  )
  return rows
}

export async function findEvent(
  db: Queryable,
  houseId: string,
  eventId: string,
): Promise<{
  knifeId: string
  kind: EventKind
  personId: string | null
  payload: Record<string, unknown>
  voided: boolean
} | null> {
  const { rows } = await db.query<{
    knife_id: string
    kind: EventKind
    person_id: string | null
    payload: Record<string, unknown>
    voided: boolean
  }>(
    `select event.knife_id, event.kind, event.person_id, event.payload,
            exists (select from events other where other.house_id = event.house_id and other.voids_id = event.id) as voided
     from events event
     where event.house_id = $1 and event.id = $2`,
    [houseId, eventId],
  )
  const row = rows[0]
  return row
    ? { knifeId: row.knife_id, kind: row.kind, personId: row.person_id, payload: row.payload, voided: row.voided }
    : null
}

/** Every event of a house with codes and names, oldest first, for taking the log out. */
export async function houseLog(
  db: Queryable,
  houseId: string,
): Promise<
  {
    id: string
    code: string
    kind: EventKind
    at: Date
    person_name: string | null
    payload: Record<string, unknown>
  }[]
> {
  const { rows } = await db.query<{
    id: string
    code: string
    kind: EventKind
    at: Date
    person_name: string | null
    payload: Record<string, unknown>
  }>(
    `select event.id, knife.code, event.kind, event.at, person.name as person_name, event.payload
     from events event
     join knives knife on knife.house_id = event.house_id and knife.id = event.knife_id
     left join people person on person.house_id = event.house_id and person.id = event.person_id
     where event.house_id = $1
     order by event.at, event.id`,
    [houseId],
  )
  return rows
}

/** Which of these ids are recorded already. */
export async function knownEventIds(db: Queryable, houseId: string, ids: readonly string[]): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>('select id from events where house_id = $1 and id = any($2)', [
    houseId,
    ids,
  ])
  return new Set(rows.map((row) => row.id))
}
