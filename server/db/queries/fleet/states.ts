import { LRUCache } from 'lru-cache'
import type { KnifeState } from '../../../../core/edge/log/state'
import type { Queryable } from '../../database'

/** A state as it was read, with the version of its row. */
interface ReadState {
  readonly version: string
  readonly state: KnifeState
}

type ReadStates = ReadonlyMap<string, ReadState>

/** Houses whose states are kept as they were read: a state is some ten kilobytes, so a large house is one or two MB. */
const MOST_HOUSES = 64

/** By database and house. What a transaction reads is forgotten with it, for it may never be true. */
const readBefore = new WeakMap<Queryable, LRUCache<string, ReadStates>>()

function keptOf(db: Queryable): LRUCache<string, ReadStates> {
  const known = readBefore.get(db)
  if (known) return known
  const made = new LRUCache<string, ReadStates>({ max: MOST_HOUSES })
  readBefore.set(db, made)
  return made
}

/**
 * The states of a house's knives, by knife. A row's version (its transaction and place) changes with each write, so only
 * states that were written since they were last read here cross from the database, whichever server wrote them.
 */
export async function listStates(db: Queryable, houseId: string): Promise<ReadonlyMap<string, KnifeState>> {
  const kept = keptOf(db)
  const before = kept.get(houseId)
  const known = [...(before ?? [])].map(([id, { version }]) => ({ id, version }))
  const { rows } = await db.query<{ knife_id: string; version: string; state: KnifeState | null }>(
    `select knife_id, row.version, case when known.version = row.version then null else state end as state
     from knife_states
     cross join lateral (select concat(xmin, ctid) as version) as row
     left join jsonb_to_recordset($2::jsonb) as known (id uuid, version text) on known.id = knife_id
     where house_id = $1`,
    [houseId, JSON.stringify(known)],
  )
  const now = new Map<string, ReadState>()
  for (const { knife_id: id, version, state: written } of rows) {
    const state = written ?? before?.get(id)?.state
    if (state) now.set(id, { version, state })
  }
  kept.set(houseId, now)
  return new Map([...now].map(([id, { state }]) => [id, state]))
}
