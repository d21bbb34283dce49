import type { KnifeState } from '../../../core/edge/state'
import type { Queryable } from '../database'

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
    own.map((effect) => ({ knife_id: knifeId, event_id: effect.eventId, before_gf: effect.beforeGf, after_gf: effect.afterGf })),
  )
  if (effects.length === 0) return
  await db.query(
    `insert into event_effects (house_id, knife_id, event_id, before_gf, after_gf)
     select $1, effect.knife_id, effect.event_id, effect.before_gf, effect.after_gf
     from jsonb_to_recordset($2::jsonb) as effect (knife_id uuid, event_id uuid, before_gf smallint, after_gf smallint)
     on conflict (house_id, event_id) do update
     set before_gf = excluded.before_gf, after_gf = excluded.after_gf
     where (event_effects.before_gf, event_effects.after_gf) is distinct from (excluded.before_gf, excluded.after_gf)`,
    [houseId, JSON.stringify(effects)],
  )
}

/** Keeps folds of whole logs: whatever was derived of those knives before is gone. What comes out the same is not written again. */
export async function replaceFolds(db: Queryable, houseId: string, folds: readonly Fold[]): Promise<void> {
  const events = folds.flatMap(({ effects }) => effects.map(({ eventId }) => eventId))
  await db.query(
    `delete from event_effects
     where house_id = $1
       and knife_id = any($2)
       and event_id not in (select unnest($3::uuid[]))`,
    [houseId, folds.map((fold) => fold.knifeId), events],
  )
  await saveStates(db, houseId, folds)
  await insertEffects(db, houseId, folds)
}

/** Keeps a fold that went on from the state kept before. */
export async function extendFold(db: Queryable, houseId: string, fold: Fold): Promise<void> {
  await saveStates(db, houseId, [fold])
  await insertEffects(db, houseId, [fold])
}

export async function findState(db: Queryable, houseId: string, knifeId: string): Promise<KnifeState | null> {
  const { rows } = await db.query<{ state: KnifeState }>(
    'select state from knife_states where house_id = $1 and knife_id = $2',
    [houseId, knifeId],
  )
  return rows[0]?.state ?? null
}
