import type { AcceptedPlan } from '../../../../contract/week'
import type { Queryable } from '../../database'

/** An accepted plan as it is kept, with what it stood on. */
export interface StoredPlan extends Omit<AcceptedPlan, 'version' | 'acceptedAt' | 'acceptedBy'> {
  readonly foundations: readonly string[]
}

type PlanRow = { version: number; accepted_by: string | null; accepted_at: Date; plan: StoredPlan }
export type KeptPlan = AcceptedPlan & Pick<StoredPlan, 'foundations'>

const toPlan = (row: PlanRow): KeptPlan => ({
  ...row.plan,
  version: row.version,
  acceptedBy: row.accepted_by,
  acceptedAt: row.accepted_at.toISOString(),
})

/** The plan a house goes by: the last one accepted. */
export async function currentPlan(db: Queryable, houseId: string): Promise<KeptPlan | null> {
  const { rows } = await db.query<PlanRow>(
    `select version, accepted_by, accepted_at, plan
     from plans
     where house_id = $1
     order by version desc
     limit 1`,
    [houseId],
  )
  return rows[0] ? toPlan(rows[0]) : null
}

/** Keeps a plan as the version after another. @returns whether nobody was faster */
export async function keepPlan(
  db: Queryable,
  houseId: string,
  version: number,
  by: { readonly personId: string; readonly at: Date },
  plan: StoredPlan,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into plans (house_id, version, accepted_by, accepted_at, plan)
     values ($1, $2, $3, $4, $5)
     on conflict (house_id, version) do nothing`,
    [houseId, version, by.personId, by.at, JSON.stringify(plan)],
  )
  return rowCount === 1
}

export async function insertCalendarLink(
  db: Queryable,
  houseId: string,
  personId: string,
  tokenHash: Buffer,
): Promise<void> {
  await db.query('insert into calendar_links (house_id, person_id, token_hash) values ($1, $2, $3)', [
    houseId,
    personId,
    tokenHash,
  ])
}

/** Ends every calendar address of a person. @returns how many still stood */
export async function revokeCalendarLinks(db: Queryable, houseId: string, personId: string, at: Date): Promise<number> {
  const { rowCount } = await db.query(
    'update calendar_links set revoked_at = $3 where house_id = $1 and person_id = $2 and revoked_at is null',
    [houseId, personId, at],
  )
  return rowCount ?? 0
}

export async function standingCalendarLinks(db: Queryable, houseId: string, personId: string): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    'select count(*)::int as count from calendar_links where house_id = $1 and person_id = $2 and revoked_at is null',
    [houseId, personId],
  )
  return rows[0]?.count ?? 0
}

export async function personOfCalendar(db: Queryable, houseId: string, tokenHash: Buffer): Promise<string | null> {
  const { rows } = await db.query<{ person_id: string }>(
    `select link.person_id
     from calendar_links link
     join people person on person.house_id = link.house_id and person.id = link.person_id
     where link.house_id = $1 and link.token_hash = $2 and link.revoked_at is null and person.active`,
    [houseId, tokenHash],
  )
  return rows[0]?.person_id ?? null
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
