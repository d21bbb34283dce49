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

/** Every price of a knife and of a supply in another currency, and the rate for what was invoiced before. */
export async function convertPrices(db: Queryable, houseId: string, rate: number, at: Date): Promise<void> {
  for (const table of ['knives', 'supplies'])
    await db.query(
      `update ${table} set price = round(price * $2::numeric, 2) where house_id = $1 and price is not null`,
      [houseId, rate],
    )
  await db.query(
    `insert into currency_changes (house_id, at, rate) values ($1, $2, $3)
     on conflict (house_id, at) do update set rate = currency_changes.rate * excluded.rate`,
    [houseId, at, rate],
  )
}

/** Changes of the currency, oldest first. */
export async function currencyChanges(db: Queryable, houseId: string): Promise<{ at: Date; rate: number }[]> {
  const { rows } = await db.query<{ at: Date; rate: number }>(
    'select at, rate from currency_changes where house_id = $1 order by at',
    [houseId],
  )
  return rows
}

/** Minutes and sessions on the stones between two instants, by knife and the role of whoever did them. */
export interface StoneWork {
  readonly knifeId: string
  readonly role: PersonRole | null
  readonly minutes: number
  readonly sessions: number
}

export async function stoneWorkBetween(db: Queryable, houseId: string, from: Date, until: Date): Promise<StoneWork[]> {
  const { rows } = await db.query<StoneWork>(
    `select event.knife_id as "knifeId", person.role, count(*)::int as sessions,
            coalesce(sum((event.payload ->> 'minutes')::float8), 0) as minutes
     from events as event
     left join people as person on person.house_id = $1 and person.id = event.person_id
     where event.house_id = $1 and event.kind = 'sharpened' and event.at >= $2 and event.at < $3
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
     group by event.knife_id, person.role`,
    [houseId, from, until],
  )
  return rows
}

/** What of the log the ledger reads: everything that changed, tested or moved an edge for good. */
export interface LedgerEvent {
  readonly knifeId: string
  readonly kind: 'added' | 'sharpened' | 'returned' | 'sent-out' | 'checked' | 'measured' | 'retired' | 'missing'
  readonly at: Date
  /** of whoever did it */
  readonly role: PersonRole | null
  readonly payload: Readonly<Record<string, unknown>>
}

export async function ledgerEvents(db: Queryable, houseId: string): Promise<LedgerEvent[]> {
  const { rows } = await db.query<LedgerEvent>(
    `select knife_id as "knifeId", kind, at, person.role, payload
     from events as event
     left join people as person on person.house_id = $1 and person.id = event.person_id
     where event.house_id = $1
       and kind in ('added', 'sharpened', 'returned', 'sent-out', 'checked', 'measured', 'retired', 'missing')
       and not exists (select from events as void where void.house_id = $1 and void.voids_id = event.id)
     order by knife_id, at, event.id`,
    [houseId],
  )
  return rows
}
