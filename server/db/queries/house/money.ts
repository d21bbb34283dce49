import type { Money } from '../../../../contract/ledger'
import type { PersonRole } from '../../../../core/house/rights'
import type { Queryable } from '../../database'

export async function findMoney(db: Queryable, houseId: string): Promise<Money | null> {
  return (
    (await db.maybeOne<{ money: Money | null }>('select money from houses where id = $1', [houseId]))?.money ?? null
  )
}

export async function saveMoney(db: Queryable, houseId: string, money: Money): Promise<void> {
  await db.query('update houses set money = $2 where id = $1', [houseId, JSON.stringify(money)])
}

/** Every price of a knife in another currency. */
export async function convertPrices(db: Queryable, houseId: string, rate: number): Promise<void> {
  await db.query('update knives set price = round(price * $2::numeric, 2) where house_id = $1 and price is not null', [
    houseId,
    rate,
  ])
}

/** Minutes and sessions on the stones since an instant, by knife and the role of whoever did them. */
export interface StoneWork {
  readonly knifeId: string
  readonly role: PersonRole | null
  readonly minutes: number
  readonly sessions: number
}

export async function stoneWorkSince(db: Queryable, houseId: string, since: Date): Promise<StoneWork[]> {
  const { rows } = await db.query<StoneWork>(
    `select event.knife_id as "knifeId", person.role, count(*)::int as sessions,
            coalesce(sum((event.payload ->> 'minutes')::float8), 0) as minutes
     from events as event
     left join people as person on person.house_id = $1 and person.id = event.person_id
     where event.house_id = $1 and event.kind = 'sharpened' and event.at >= $2
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
     group by event.knife_id, person.role`,
    [houseId, since],
  )
  return rows
}

/** Sessions that went over each stone: of all time, and since an instant. */
export async function stoneSessions(
  db: Queryable,
  houseId: string,
  since: Date,
): Promise<{ stoneId: string; all: number; lately: number; knifeIds: string[] }[]> {
  const { rows } = await db.query<{ stoneId: string; all: number; lately: number; knifeIds: string[] }>(
    `select stage ->> 'stoneId' as "stoneId", count(*)::int as all,
            count(*) filter (where session.ended_at >= $2)::int as lately,
            coalesce(array_agg(session.knife_id) filter (where session.ended_at >= $2), '{}') as "knifeIds"
     from bench_sessions as session
     cross join lateral jsonb_array_elements(session.plan -> 'stages') as stage
     where session.house_id = $1 and session.outcome = 'finished'
     group by stage ->> 'stoneId'`,
    [houseId, since],
  )
  return rows
}

/** What of the log the ledger reads: everything that changed, tested or moved an edge for good. */
export interface LedgerEvent {
  readonly knifeId: string
  readonly kind: 'added' | 'sharpened' | 'returned' | 'sent-out' | 'checked' | 'measured' | 'retired'
  readonly at: Date
  readonly payload: Readonly<Record<string, unknown>>
}

export async function ledgerEvents(db: Queryable, houseId: string): Promise<LedgerEvent[]> {
  const { rows } = await db.query<LedgerEvent>(
    `select knife_id as "knifeId", kind, at, payload
     from events as event
     where house_id = $1
       and kind in ('added', 'sharpened', 'returned', 'sent-out', 'checked', 'measured', 'retired')
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
     order by knife_id, at, id`,
    [houseId],
  )
  return rows
}
