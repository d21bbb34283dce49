import type { PersonRole } from '../../../../core/house/rights'
import type { Queryable } from '../../database'

/** One human's place in a house. */
export interface Belonging {
  readonly houseId: string
  readonly houseName: string
  readonly personId: string
  readonly personName: string
  readonly role: PersonRole
}

export async function accountOf(db: Queryable, houseId: string, personId: string): Promise<string | null> {
  const row = await db.maybeOne<{ account_id: string | null }>(
    'select account_id from people where house_id = $1 and id = $2',
    [houseId, personId],
  )
  return row?.account_id ?? null
}

/** Joins a person to an account, or takes them out of any. */
export async function setAccount(
  db: Queryable,
  houseId: string,
  personId: string,
  accountId: string | null,
): Promise<void> {
  await db.query('update people set account_id = $3 where house_id = $1 and id = $2', [houseId, personId, accountId])
}

/** Every house an account is an active person of. */
export async function belongings(db: Queryable, accountId: string): Promise<Belonging[]> {
  const { rows } = await db.query<Belonging>(
    `select house.id as "houseId", house.name as "houseName", person.id as "personId", person.name as "personName",
            person.role
     from people person join houses house on house.id = person.house_id
     where person.account_id = $1 and person.active
     order by lower(house.name), house.id`,
    [accountId],
  )
  return rows
}

export interface ChainRow {
  readonly id: string
  readonly name: string
  readonly namesAllowed: boolean
  readonly houses: number
}

/** The chain a house is in. */
export async function chainOf(db: Queryable, houseId: string): Promise<ChainRow | null> {
  return await db.maybeOne<ChainRow>(
    `select chain.id, chain.name, own.names_allowed as "namesAllowed",
            (select count(*)::int from chain_houses one where one.chain_id = chain.id) as houses
     from chain_houses own join chains chain on chain.id = own.chain_id
     where own.house_id = $1`,
    [houseId],
  )
}

export async function ownsChain(db: Queryable, chainId: string, accountId: string): Promise<boolean> {
  return (
    (await db.maybeOne('select 1 as one from chain_owners where chain_id = $1 and account_id = $2', [
      chainId,
      accountId,
    ])) !== null
  )
}

export async function insertChain(
  db: Queryable,
  chain: { readonly id: string; readonly name: string; readonly accountId: string },
): Promise<void> {
  await db.query('insert into chains (id, name) values ($1, $2)', [chain.id, chain.name])
  await db.query('insert into chain_owners (chain_id, account_id) values ($1, $2)', [chain.id, chain.accountId])
}

export async function insertChainHouse(db: Queryable, chainId: string, houseId: string): Promise<void> {
  await db.query('insert into chain_houses (chain_id, house_id) values ($1, $2)', [chainId, houseId])
}

/** Takes a house out of its chain; a chain without houses is gone. @returns whether it was in one */
export async function deleteChainHouse(db: Queryable, houseId: string): Promise<boolean> {
  const gone = await db.maybeOne<{ chain_id: string }>(
    'delete from chain_houses where house_id = $1 returning chain_id',
    [houseId],
  )
  if (gone)
    await db.query(
      `delete from chains where id = $1 and not exists (select from chain_houses one where one.chain_id = chains.id)`,
      [gone.chain_id],
    )
  return gone !== null
}

/** @returns whether the house is in a chain */
export async function allowNames(db: Queryable, houseId: string, allowed: boolean): Promise<boolean> {
  const { rowCount } = await db.query('update chain_houses set names_allowed = $2 where house_id = $1', [
    houseId,
    allowed,
  ])
  return rowCount === 1
}

/** Houses of a chain, by name, with whether each lets its people be named. */
export async function chainHouses(
  db: Queryable,
  chainId: string,
): Promise<{ readonly houseId: string; readonly namesAllowed: boolean }[]> {
  const { rows } = await db.query<{ houseId: string; namesAllowed: boolean }>(
    `select own.house_id as "houseId", own.names_allowed as "namesAllowed"
     from chain_houses own join houses house on house.id = own.house_id
     where own.chain_id = $1
     order by lower(house.name), house.id`,
    [chainId],
  )
  return rows
}

export async function insertChainLink(
  db: Queryable,
  link: { readonly chainId: string; readonly hash: Buffer; readonly expiresAt: Date },
): Promise<void> {
  await db.query('insert into chain_links (code_hash, chain_id, expires_at) values ($1, $2, $3)', [
    link.hash,
    link.chainId,
    link.expiresAt,
  ])
}

/** Whether a link still leads somewhere. */
export async function findChainLink(db: Queryable, hash: Buffer, now: Date): Promise<string | null> {
  const row = await db.maybeOne<{ chain_id: string }>(
    'select chain_id from chain_links where code_hash = $1 and expires_at > $2',
    [hash, now],
  )
  return row?.chain_id ?? null
}

/** Uses a link up. @returns the chain it leads to, or null where somebody else just did, or it is too old */
export async function spendChainLink(db: Queryable, hash: Buffer, now: Date): Promise<string | null> {
  const row = await db.maybeOne<{ chain_id: string }>(
    'delete from chain_links where code_hash = $1 and expires_at > $2 returning chain_id',
    [hash, now],
  )
  return row?.chain_id ?? null
}

export async function deleteExpiredChainLinks(db: Queryable, now: Date): Promise<void> {
  await db.query('delete from chain_links where expires_at <= $1', [now])
}

/** Work of a house since an instant: sessions at the stone, readings. */
export async function workSince(
  db: Queryable,
  houseId: string,
  since: Date,
): Promise<{ readonly sharpened: number; readonly checked: number }> {
  return await db.one<{ sharpened: number; checked: number }>(
    `select count(*) filter (where kind = 'sharpened')::int as sharpened,
            count(*) filter (where kind = 'checked')::int as checked
     from events one
     where house_id = $1 and at >= $2 and kind in ('sharpened', 'checked')
       and not exists (select from events taken where taken.house_id = $1 and taken.voids_id = one.id)`,
    [houseId, since],
  )
}

/** The highest force of each reading since an instant, with its knife, grams-force. */
export async function readingsSince(
  db: Queryable,
  houseId: string,
  since: Date,
): Promise<{ readonly knifeId: string; readonly forceGf: number }[]> {
  const { rows } = await db.query<{ knifeId: string; forceGf: number }>(
    `select knife_id as "knifeId", max(force::numeric) as "forceGf"
     from events one
     cross join lateral jsonb_array_elements(payload -> 'readings') reading
     cross join lateral jsonb_array_elements_text(reading -> 'forcesGf') force
     where house_id = $1 and at >= $2 and kind = 'checked'
       and not exists (select from events taken where taken.house_id = $1 and taken.voids_id = one.id)
     group by id, knife_id`,
    [houseId, since],
  )
  return rows
}
