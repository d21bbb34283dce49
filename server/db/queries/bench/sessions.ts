import { BenchPlan, type BenchAction } from '../../../../contract/bench'
import type { Skill } from '../../../../core/house/skills'
import type { Queryable } from '../../database'

export interface StoredSession {
  readonly id: string
  readonly knifeId: string
  readonly startedBy: string
  readonly besideId: string | null
  readonly startedAt: Date
  readonly endedAt: Date | null
  readonly outcome: 'finished' | 'abandoned' | null
  readonly plan: BenchPlan
  /** what somebody has to be signed off for; null where everybody may */
  readonly skill: Skill | null
}

const SELECTED = `id, knife_id as "knifeId", started_by as "startedBy", beside_id as "besideId", started_at as "startedAt", ended_at as "endedAt", outcome, plan, skill`

/** Plans of earlier releases lack what came later: it is filled in when they are read. */
const withWholePlan = (session: StoredSession): StoredSession => ({ ...session, plan: BenchPlan.parse(session.plan) })

/** Puts another plan in place of a session's: laid out again after the look. */
export async function replacePlan(db: Queryable, houseId: string, sessionId: string, plan: BenchPlan): Promise<void> {
  await db.query('update bench_sessions set plan = $3 where house_id = $1 and id = $2', [
    houseId,
    sessionId,
    JSON.stringify(plan),
  ])
}

export async function insertSession(db: Queryable, houseId: string, session: StoredSession): Promise<void> {
  await db.query(
    `insert into bench_sessions (house_id, id, knife_id, started_by, beside_id, started_at, plan, skill)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      houseId,
      session.id,
      session.knifeId,
      session.startedBy,
      session.besideId,
      session.startedAt,
      JSON.stringify(session.plan),
      session.skill,
    ],
  )
}

export async function findSession(db: Queryable, houseId: string, sessionId: string): Promise<StoredSession | null> {
  const found = await db.maybeOne<StoredSession>(
    `select ${SELECTED} from bench_sessions where house_id = $1 and id = $2`,
    [houseId, sessionId],
  )
  return found && withWholePlan(found)
}

export async function openSessions(db: Queryable, houseId: string): Promise<StoredSession[]> {
  const { rows } = await db.query<StoredSession>(
    `select ${SELECTED} from bench_sessions where house_id = $1 and ended_at is null order by started_at`,
    [houseId],
  )
  return rows.map(withWholePlan)
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
  return rows.map(withWholePlan)
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
