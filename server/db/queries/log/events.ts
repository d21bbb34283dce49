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

interface LogRow {
  readonly id: string
  readonly kind: EventKind
  readonly at_ms: number
  readonly person_id: string | null
  /** passed the contract when it was written */
  readonly payload: never
}

const toKnifeEvent = (row: LogRow): KnifeEvent => ({
  id: row.id,
  kind: row.kind,
  atMs: row.at_ms,
  personId: row.person_id,
  payload: row.payload,
})

/** The log of a knife, voided events and all, oldest first: the whole, or what happened since. */
export async function knifeLog(
  db: Queryable,
  houseId: string,
  knifeId: string,
  since: Date = new Date(0),
): Promise<KnifeEvent[]> {
  const { rows } = await db.query<LogRow>(
    `select id, kind, (extract(epoch from at) * 1000)::float8 as at_ms, person_id, payload
     from events
     where house_id = $1 and knife_id = $2 and at >= $3
     order by at, id`,
    [houseId, knifeId, since],
  )
  return rows.map(toKnifeEvent)
}

/** The whole logs of several knives at once, oldest first; a knife without events is not there. */
export async function knifeLogs(
  db: Queryable,
  houseId: string,
  knifeIds: readonly string[],
): Promise<Map<string, KnifeEvent[]>> {
  if (knifeIds.length === 0) return new Map()
  const { rows } = await db.query<LogRow & { knife_id: string }>(
    `select knife_id, id, kind, (extract(epoch from at) * 1000)::float8 as at_ms, person_id, payload
     from events
     where house_id = $1 and knife_id = any($2)
     order by at, id`,
    [houseId, knifeIds],
  )
  const logs = new Map<string, KnifeEvent[]>()
  for (const row of rows) {
    const log = logs.get(row.knife_id)
    if (log) log.push(toKnifeEvent(row))
    else logs.set(row.knife_id, [toKnifeEvent(row)])
  }
  return logs
}

/** Whether an entry of the log is of this knife. */
export async function isEventOf(db: Queryable, houseId: string, knifeId: string, eventId: string): Promise<boolean> {
  const { found } = await db.one<{ found: boolean }>(
    'select exists (select from events where house_id = $1 and knife_id = $2 and id = $3) as found',
    [houseId, knifeId, eventId],
  )
  return found
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

/** Where a page of a history begins: after the event it names, or with everything before an instant. */
export interface TimelinePage {
  readonly before: { readonly at: Date; readonly eventId: string | null } | null
  readonly most: number
}

/** A page of a knife's timeline, newest first, each event with the voiding that took it back. */
export async function timelinePage(
  db: Queryable,
  houseId: string,
  knifeId: string,
  page: TimelinePage,
): Promise<EventRow[]> {
  const { rows } = await db.query<EventRow>(
    `select event.id, event.knife_id, event.kind, event.at, event.recorded_at, event.person_id, event.payload,
            case when person.active then person.name end as person_name, device.name as device_name,
            voiding.at as void_at, voiding.payload ->> 'reason' as void_reason, case when voider.active then voider.name end as void_person_name,
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
       and ($3::timestamptz is null or (event.at, event.id) < ($3, coalesce($4, '00000000-0000-0000-0000-000000000000'::uuid)))
     order by event.at desc, event.id desc
     limit $5`,
    [houseId, knifeId, page.before?.at ?? null, page.before?.eventId ?? null, page.most],
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
  const row = await db.maybeOne<{
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
  return row
    ? { knifeId: row.knife_id, kind: row.kind, personId: row.person_id, payload: row.payload, voided: row.voided }
    : null
}

/** One event of a house's whole log, with code and name in place of ids. */
export interface HouseLogRow {
  readonly id: string
  readonly code: string
  readonly kind: EventKind
  readonly at: Date
  readonly person_name: string | null
  readonly payload: Record<string, unknown>
}

const LOG_PAGE = 2000

/** Every event of a house, oldest first, a page at a time: years of it never stand in memory at once. */
export async function* houseLog(db: Queryable, houseId: string): AsyncGenerator<readonly HouseLogRow[]> {
  let last: HouseLogRow | undefined
  do {
    const { rows }: { rows: HouseLogRow[] } = await db.query<HouseLogRow>(
      `select event.id, knife.code, event.kind, event.at, case when person.active then person.name end as person_name, event.payload
       from events event
       join knives knife on knife.house_id = event.house_id and knife.id = event.knife_id
       left join people person on person.house_id = event.house_id and person.id = event.person_id
       where event.house_id = $1
         and ($2::timestamptz is null or (event.at, event.id) > ($2, $3::uuid))
       order by event.at, event.id
       limit $4`,
      [houseId, last?.at ?? null, last?.id ?? null, LOG_PAGE],
    )
    if (rows.length > 0) yield rows
    last = rows.length === LOG_PAGE ? rows.at(-1) : undefined
  } while (last)
}

/** Which of these ids are recorded already. */
export async function knownEventIds(db: Queryable, houseId: string, ids: readonly string[]): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>('select id from events where house_id = $1 and id = any($2)', [
    houseId,
    ids,
  ])
  return new Set(rows.map((row) => row.id))
}

/** Ids of a house's events that were taken back. */
export async function voidedEventIds(db: Queryable, houseId: string): Promise<Set<string>> {
  const { rows } = await db.query<{ voids_id: string }>(
    'select voids_id from events where house_id = $1 and voids_id is not null',
    [houseId],
  )
  return new Set(rows.map((row) => row.voids_id))
}
