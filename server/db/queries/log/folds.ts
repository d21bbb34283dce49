import type { KnifeState } from '../../../../core/edge/log/state'
import type { Queryable } from '../../database'

/** Worst force of a knife before and after one event that moved its edge, gf. */
export interface Effect {
  readonly eventId: string
  readonly beforeGf: number
  readonly afterGf: number
}

/** What folding a knife's log gives. */
export interface Fold {
  readonly knifeId: string
  readonly state: KnifeState
  readonly effects: readonly Effect[]
}

async function saveStates(db: Queryable, houseId: string, folds: readonly Fold[]): Promise<void> {
  await db.query(
    `insert into knife_states (house_id, knife_id, state)
     select $1, derived.knife_id, derived.state
     from jsonb_to_recordset($2::jsonb) as derived (knife_id uuid, state jsonb)
     on conflict (house_id, knife_id) do update set state = excluded.state`,
    [houseId, JSON.stringify(folds.map(({ knifeId, state }) => ({ knife_id: knifeId, state })))],
  )
}

async function insertEffects(db: Queryable, houseId: string, folds: readonly Fold[]): Promise<void> {
  const effects = folds.flatMap(({ knifeId, effects: own }) =>
    own.map((effect) => ({
      knife_id: knifeId,
      event_id: effect.eventId,
      before_gf: effect.beforeGf,
      after_gf: effect.afterGf,
    })),
  )
  if (effects.length === 0) return
  await db.query(
    `insert into event_effects (house_id, knife_id, event_id, before_gf, after_gf)
     select $1, effect.knife_id, effect.event_id, effect.before_gf, effect.after_gf
     from jsonb_to_recordset($2::jsonb) as effect (knife_id uuid, event_id uuid, before_gf smallint, after_gf smallint)
     on conflict (house_id, event_id) do update
     set before_gf = excluded.before_gf, after_gf = excluded.after_gf`,
    [houseId, JSON.stringify(effects)],
  )
}

/** Effects kept of some knives, by event. */
async function keptEffects(db: Queryable, houseId: string, knifeIds: readonly string[]): Promise<Map<string, string>> {
  const { rows } = await db.query<{ event_id: string; before_gf: number; after_gf: number }>(
    'select event_id, before_gf, after_gf from event_effects where house_id = $1 and knife_id = any($2)',
    [houseId, knifeIds],
  )
  return new Map(rows.map((row) => [row.event_id, `${row.before_gf} ${row.after_gf}`]))
}

/**
 * Keeps folds of whole logs: whatever was derived of those knives before is gone. What comes out as it
 * was is not written again, so that reckoning a whole house anew costs reading, not writing.
 */
export async function replaceFolds(db: Queryable, houseId: string, folds: readonly Fold[]): Promise<void> {
  const kept = await keptEffects(
    db,
    houseId,
    folds.map((fold) => fold.knifeId),
  )
  const wanted = new Set(folds.flatMap(({ effects }) => effects.map(({ eventId }) => eventId)))
  const gone = [...kept.keys()].filter((eventId) => !wanted.has(eventId))
  if (gone.length > 0)
    await db.query('delete from event_effects where house_id = $1 and event_id = any($2)', [houseId, gone])
  await saveStates(db, houseId, folds)
  await insertEffects(
    db,
    houseId,
    folds.map((fold) => ({
      ...fold,
      effects: fold.effects.filter(({ eventId, beforeGf, afterGf }) => kept.get(eventId) !== `${beforeGf} ${afterGf}`),
    })),
  )
}

/** Keeps a fold that went on from the state kept before. */
export async function extendFold(db: Queryable, houseId: string, fold: Fold): Promise<void> {
  await saveStates(db, houseId, [fold])
  await insertEffects(db, houseId, [fold])
}

export async function findState(db: Queryable, houseId: string, knifeId: string): Promise<KnifeState | null> {
  const row = await db.maybeOne<{ state: KnifeState }>(
    'select state from knife_states where house_id = $1 and knife_id = $2',
    [houseId, knifeId],
  )
  return row?.state ?? null
}

/** Knives of all houses that have a log and no state, house by house. */
export async function knivesWithoutState(db: Queryable): Promise<{ houseId: string; knifeId: string }[]> {
  const { rows } = await db.query<{ houseId: string; knifeId: string }>(
    `select knife.house_id as "houseId", knife.id as "knifeId"
     from knives knife
     where not exists (
       select from knife_states state where state.house_id = knife.house_id and state.knife_id = knife.id
     )
     order by knife.house_id`,
  )
  return rows
}
