import type { BenchAction, BenchPlan, RecipePreference } from '../../../../contract/bench'
import type { Recipe } from '../../../../core/session/recipe'
import type { Queryable } from '../../database'

export interface StoredSession {
  readonly id: string
  readonly knifeId: string
  readonly startedBy: string
  readonly startedAt: Date
  readonly endedAt: Date | null
  readonly outcome: 'finished' | 'abandoned' | null
  readonly plan: BenchPlan
}

const SELECTED = `id, knife_id as "knifeId", started_by as "startedBy", started_at as "startedAt", ended_at as "endedAt", outcome, plan`

export async function insertSession(db: Queryable, houseId: string, session: StoredSession): Promise<void> {
  await db.query(
    `insert into bench_sessions (house_id, id, knife_id, started_by, started_at, plan)
     values ($1, $2, $3, $4, $5, $6)`,
    [houseId, session.id, session.knifeId, session.startedBy, session.startedAt, JSON.stringify(session.plan)],
  )
}

/** A session, locked until the transaction ends where two devices may end it at once. */
export async function findSession(
  db: Queryable,
  houseId: string,
  sessionId: string,
  lock = false,
): Promise<StoredSession | null> {
  const { rows } = await db.query<StoredSession>(
    `select ${SELECTED} from bench_sessions where house_id = $1 and id = $2 ${lock ? 'for update' : ''}`,
    [houseId, sessionId],
  )
  return rows[0] ?? null
}

export async function openSessions(db: Queryable, houseId: string): Promise<StoredSession[]> {
  const { rows } = await db.query<StoredSession>(
    `select ${SELECTED} from bench_sessions where house_id = $1 and ended_at is null order by started_at`,
    [houseId],
  )
  return rows
}

/** The sessions of a knife, newest first. */
export async function sessionsOfKnife(
  db: Queryable,
  houseId: string,
  knifeId: string,
  most: number,
): Promise<StoredSession[]> {
  const { rows } = await db.query<StoredSession>(
    `select ${SELECTED}
     from bench_sessions
     where house_id = $1 and knife_id = $2
     order by started_at desc
     limit $3`,
    [houseId, knifeId, most],
  )
  return rows
}

export async function endSession(
  db: Queryable,
  houseId: string,
  sessionId: string,
  outcome: 'finished' | 'abandoned',
  at: Date,
): Promise<void> {
  await db.query('update bench_sessions set ended_at = $4, outcome = $3 where house_id = $1 and id = $2', [
    houseId,
    sessionId,
    outcome,
    at,
  ])
}

export interface StoredAction {
  readonly personId: string | null
  readonly action: BenchAction
}

/** Keeps actions; ones sent before are left as they were. */
export async function insertActions(
  db: Queryable,
  houseId: string,
  sessionId: string,
  by: { readonly personId: string; readonly deviceId: string | null },
  actions: readonly BenchAction[],
): Promise<void> {
  await db.query(
    `insert into bench_actions (house_id, session_id, id, at, person_id, device_id, action)
     select $1, $2, (sent ->> 'id')::uuid, (sent ->> 'at')::timestamptz, $3, $4, sent
     from jsonb_array_elements($5::jsonb) as sent
     on conflict (house_id, id) do nothing`,
    [houseId, sessionId, by.personId, by.deviceId, JSON.stringify(actions)],
  )
}

export async function listActions(db: Queryable, houseId: string, sessionId: string): Promise<StoredAction[]> {
  const { rows } = await db.query<StoredAction>(
    `select person_id as "personId", action
     from bench_actions
     where house_id = $1 and session_id = $2
     order by at, id`,
    [houseId, sessionId],
  )
  return rows
}

export async function insertBurrTime(
  db: Queryable,
  houseId: string,
  sessionId: string,
  time: { readonly stoneId: string; readonly personId: string; readonly planned: number; readonly minutes: number },
): Promise<void> {
  await db.query(
    `insert into burr_times (house_id, session_id, stone_id, person_id, planned_minutes, minutes)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, session_id, stone_id) do nothing`,
    [houseId, sessionId, time.stoneId, time.personId, time.planned, time.minutes],
  )
}

/** Minutes to the burr on every stone of a house, by one person. */
export async function burrTimesOf(
  db: Queryable,
  houseId: string,
  personId: string,
): Promise<Map<string, { planned: number; minutes: number }[]>> {
  const { rows } = await db.query<{ stone_id: string; planned: number; minutes: number }>(
    `select stone_id, planned_minutes as planned, minutes
     from burr_times
     where house_id = $1 and person_id = $2`,
    [houseId, personId],
  )
  const byStone = new Map<string, { planned: number; minutes: number }[]>()
  for (const { stone_id, planned, minutes } of rows)
    byStone.set(stone_id, [...(byStone.get(stone_id) ?? []), { planned, minutes }])
  return byStone
}

export async function listRecipes(db: Queryable, houseId: string): Promise<Recipe[]> {
  const { rows } = await db.query<{ recipe: Recipe }>('select recipe from recipes where house_id = $1', [houseId])
  return rows.map(({ recipe }) => recipe)
}

export async function saveRecipe(db: Queryable, houseId: string, recipe: Recipe): Promise<void> {
  await db.query(
    `insert into recipes (house_id, id, recipe)
     values ($1, $2, $3)
     on conflict (house_id, id) do update set recipe = excluded.recipe`,
    [houseId, recipe.id, JSON.stringify(recipe)],
  )
}

export async function deleteRecipe(db: Queryable, houseId: string, recipeId: string): Promise<void> {
  await db.query('delete from recipes where house_id = $1 and id = $2', [houseId, recipeId])
}

export async function listRecipePreferences(db: Queryable, houseId: string): Promise<RecipePreference[]> {
  const { rows } = await db.query<RecipePreference>(
    'select role, work, recipe_id as "recipeId" from recipe_preferences where house_id = $1 order by role, work',
    [houseId],
  )
  return rows
}

export async function replaceRecipePreferences(
  db: Queryable,
  houseId: string,
  preferences: readonly RecipePreference[],
): Promise<void> {
  await db.query('delete from recipe_preferences where house_id = $1', [houseId])
  await db.query(
    `insert into recipe_preferences (house_id, role, work, recipe_id)
     select $1, preference.role, preference.work, preference."recipeId"
     from jsonb_to_recordset($2::jsonb) as preference (role text, work text, "recipeId" text)
     on conflict (house_id, role, work) do update set recipe_id = excluded.recipe_id`,
    [houseId, JSON.stringify(preferences)],
  )
}
