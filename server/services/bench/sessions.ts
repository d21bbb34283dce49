import {
  asSessionAction,
  foldable,
  type BegunAway,
  type BenchAction,
  type BenchPlan,
  type BenchSession,
  type SessionLine,
} from '../../../contract/bench'
import type { Operation } from '../../../contract/workshop'
import type { Skill } from '../../../core/house/skills'
import { minutesToBurr, sessionState, unprotected, type SessionState } from '../../../core/session/session'
import { sideTimes } from '../../../core/session/sides'
import type { Clock } from '../../clock'
import { changeHouse, type HouseChange } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { insertBurrTime } from '../../db/queries/bench/burrTimes'
import { insertCarryOver } from '../../db/queries/bench/carryOvers'
import {
  endSession,
  findSession,
  insertActions,
  insertSession,
  listActions,
  openSessions,
  replacePlan,
  sessionsOfKnife,
  type StoredAction,
  type StoredSession,
} from '../../db/queries/bench/sessions'
import { insertSideTime } from '../../db/queries/bench/sideTimes'
import { lockKnife, updateKnife, type StoredKnife } from '../../db/queries/fleet/knives'
import { deleteWorkOrder, saveWorkOrder } from '../../db/queries/fleet/workOrders'
import { asKnifeEvent, insertEvents, knifeLog, type EventWrite } from '../../db/queries/log/events'
import { countKnifeOn, markFlattened } from '../../db/queries/shelf/gear'
import { Fault, notFound } from '../../faults'
import { type Caller } from '../../signIn/sessions'
import { actionOf } from '../fleet/workOrders'
import { foldOn, refold } from '../log/knifeState'
import { loadHouseContext } from '../log/usageContext'
import { layOutSession, type BenchWish } from '../shelf/layOutSession'
import { planAfterLook } from './afterTheLook'
import { bringToBench, type AtBench } from './bringToBench'
import { assertMayStart, skillAsked } from './mayStart'
import { assertOwnHands } from './ownHands'
import { planView } from './planView'
import { sealedAt } from './seals'
import { newDescription, sessionEvents, type DescriptionChange } from './sessionEvents'
import { layOutOperation, measuredSections } from './workshop'

const SESSIONS_LISTED = 20
/** What the workshop lays out takes steel off, and asks for the skill of its action. */
const WORKSHOP_WORK = { records: { kind: 'sharpened' }, worksOn: 'edge', actions: [] } as const

export const stateOf = (session: StoredSession, actions: readonly StoredAction[]): SessionState =>
  sessionState(foldable(session.plan), session.startedAt.getTime(), session.startedBy, actions.map(asSessionAction))

const sessionView = (session: StoredSession, actions: readonly StoredAction[]): BenchSession => ({
  id: session.id,
  knifeId: session.knifeId,
  startedAt: session.startedAt.toISOString(),
  startedBy: session.startedBy,
  besideId: session.besideId,
  endedAt: session.endedAt?.toISOString() ?? null,
  outcome: session.outcome,
  plan: session.plan,
  actions,
})

/** The session with an id, where somebody has begun it. */
async function sessionBegun(db: Queryable, caller: Caller, sessionId: string): Promise<BenchSession | null> {
  const session = await findSession(db, caller.house.id, sessionId)
  return session && sessionView(session, await listActions(db, caller.house.id, sessionId))
}

type SessionStart = BenchWish & {
  readonly id: string
  readonly knifeId: string
  readonly operation?: Operation | undefined
  readonly besideId?: string | undefined
  readonly begunAway?: BegunAway | undefined
}

/** A session that is to begin: its plan, laid out for whoever begins it, and who stands beside them. */
interface Beginning {
  readonly plan: BenchPlan
  readonly besideId: string | null
  readonly skill: Skill | null
}

async function beginningOf(db: Database, caller: Caller, one: AtBench, input: SessionStart): Promise<Beginning> {
  const { bench } = one.snapshot
  if (input.begunAway) {
    const { plan, skill } = input.begunAway
    const besideId = await assertMayStart(db, caller, { skill, present: one.present }, input.besideId)
    return { plan, besideId, skill }
  }
  if (input.operation) {
    const skill = skillAsked({ recipe: WORKSHOP_WORK, action: actionOf(input.operation), knife: one.knife })
    const besideId = await assertMayStart(db, caller, { skill, present: one.present }, input.besideId)
    const measured = measuredSections(await knifeLog(db, caller.house.id, one.knife.id))
    const workshop = layOutOperation(bench, one, input.operation, one.hands, measured)
    return { plan: planView(workshop, bench.gear, { workshop: workshop.result }), besideId, skill }
  }
  const laid = layOutSession(bench, one, input, one.hands)
  const skill = skillAsked({ ...laid, action: one.action, knife: one.knife })
  const besideId = await assertMayStart(db, caller, { skill, present: one.present }, input.besideId)
  return { plan: planView(laid, bench.gear, { asked: input }), besideId, skill }
}

/** When a session began on a device that was away: between its plan's making and now, whatever that device's clock says. */
async function begunAt(db: Database, caller: Caller, knifeId: string, away: BegunAway, now: Date): Promise<Date> {
  const given = await sealedAt(db, caller, { ...away, knifeId }, away.seal, now)
  return new Date(Math.min(now.getTime(), Math.max(given.getTime(), Date.parse(away.at))))
}

/**
 * Begins a session on a knife. Asking again with the same id gives the session that was begun.
 *
 * @throws Fault `session-open` when somebody is at this knife already, `seal` for a plan that was not given out here
 */
export async function startSession(
  db: Database,
  clock: Clock,
  caller: Caller,
  input: SessionStart,
): Promise<BenchSession> {
  const houseId = caller.house.id
  const begun = await sessionBegun(db, caller, input.id)
  if (begun) return begun
  const now = clock()
  const startedAt = input.begunAway ? await begunAt(db, caller, input.knifeId, input.begunAway, now) : now
  const one = await bringToBench(db, caller, input.knifeId, now)
  const { plan, besideId, skill } = await beginningOf(db, caller, one, input)
  const { id, knifeId } = input
  await changeHouse(db, houseId, async (change) => {
    if (await findSession(change, houseId, id)) {
      change.nothingNew()
      return
    }
    const open = (await openSessions(change, houseId)).find((session) => session.knifeId === knifeId)
    if (open) {
      const name = one.snapshot.people.find((person) => person.id === open.startedBy)?.name ?? ''
      throw new Fault('conflict', 'session-open', { name, code: one.knife.code })
    }
    const open_ = { endedAt: null, outcome: null }
    await insertSession(change, houseId, {
      id,
      knifeId,
      startedBy: caller.person.id,
      besideId,
      startedAt,
      ...open_,
      plan,
      skill,
    })
  })
  return await readSession(db, caller, id)
}

export async function readSession(db: Queryable, caller: Caller, sessionId: string): Promise<BenchSession> {
  const session = await sessionBegun(db, caller, sessionId)
  if (!session) throw notFound('session')
  return session
}

/** Sessions a knife has been through, newest first, broken-off ones among them. */
export async function knifeSessions(db: Queryable, caller: Caller, knifeId: string): Promise<SessionLine[]> {
  return (await sessionsOfKnife(db, caller.house.id, knifeId, SESSIONS_LISTED)).map(
    ({ id, plan, startedAt, endedAt, outcome, startedBy, besideId }) => ({
      id,
      recipeId: plan.recipeId,
      recipeName: plan.recipeName,
      startedAt: startedAt.toISOString(),
      endedAt: endedAt?.toISOString() ?? null,
      outcome,
      startedBy,
      besideId,
    }),
  )
}

/** Work done takes the saved job of its kind away; where it was one part of several, the next waits for the knife's next session. */
async function keepRemainingWork(
  change: HouseChange,
  caller: Caller,
  knifeId: string,
  { workshop }: BenchPlan,
  at: Date,
): Promise<void> {
  if (!workshop) return
  if (workshop.rest)
    await saveWorkOrder(
      change,
      caller.house.id,
      knifeId,
      { operation: workshop.rest, waits: true },
      { personId: caller.person.id, at },
    )
  else await deleteWorkOrder(change, caller.house.id, knifeId, workshop.operation.kind)
}

/** Folds a finished session into its knife; one that made another angle, ratio or length also describes the knife anew. */
async function foldAfter(
  change: HouseChange,
  caller: Caller,
  knife: StoredKnife,
  described: DescriptionChange | null,
  writes: readonly EventWrite[],
): Promise<void> {
  const context = await loadHouseContext(change, caller.house)
  if (!described) {
    await foldOn(change, context, knife, writes.map(asKnifeEvent))
    return
  }
  const changed = { ...knife, ...described.after }
  await updateKnife(change, caller.house.id, changed)
  await refold(change, context, changed)
}

/** What the end of a session leaves: its events in the knife's log, work that is left, the house's paces, stones' counts. */
async function keepResults(
  change: HouseChange,
  caller: Caller,
  knife: StoredKnife,
  session: StoredSession,
  state: SessionState,
  now: Date,
): Promise<void> {
  const houseId = caller.house.id
  const described = newDescription(knife, session.plan.workshop)
  const writes = sessionEvents(session, state, now, caller, described)
  await insertEvents(change, houseId, writes)
  await keepRemainingWork(change, caller, knife.id, session.plan, now)
  await foldAfter(change, caller, knife, described, writes)
  const [plan, personId] = [foldable(session.plan), caller.person.id]
  for (const time of minutesToBurr(plan, state))
    await insertBurrTime(change, houseId, session.id, { ...time, personId })
  for (const time of sideTimes(plan, state)) await insertSideTime(change, houseId, session.id, personId, time)
  await countKnifeOn(
    change,
    houseId,
    session.plan.stages.map(({ stoneId }) => stoneId),
  )
}

/** What was left for next time stays with the knife until somebody ticks it off. */
async function keepCarryOvers(
  change: HouseChange,
  houseId: string,
  { id: sessionId, knifeId }: StoredSession,
  actions: readonly StoredAction[],
): Promise<void> {
  for (const { action, personId } of actions) {
    if (action.kind !== 'carry-over') continue
    const { id, zone, what, at } = action
    await insertCarryOver(change, houseId, {
      id,
      knifeId,
      sessionId,
      zone,
      what,
      leftBy: personId,
      leftAt: new Date(at),
    })
  }
}

/** Stones that were made flat in what has just been done. */
const flattenedIn = ({ plan }: StoredSession, fresh: readonly BenchAction[]): string[] =>
  fresh.flatMap((action) => {
    if (action.kind !== 'tick' || action.check !== 'stone-flat' || !action.done) return []
    return plan.steps.find(({ id }) => id === action.stepId)?.stoneId ?? []
  })

/** The plan as the look has changed it, kept in place of the one that was begun. */
async function replanned(
  db: Database,
  caller: Caller,
  session: StoredSession,
  fresh: readonly BenchAction[],
  now: Date,
): Promise<BenchPlan | null> {
  if (session.endedAt || !fresh.some(({ kind }) => kind === 'looked')) return null
  const known = await listActions(db, caller.house.id, session.id)
  const state = stateOf(session, [...known, ...fresh.map((action) => ({ personId: caller.person.id, action }))])
  return planAfterLook(await bringToBench(db, caller, session.knifeId, now), session.plan, state, now.getTime())
}

/**
 * Keeps what was done in a session. When it ends, what it did to the knife goes into the knife's log in
 * the same transaction; a session broken off leaves no mark on the edge but stays readable.
 *
 * @throws Fault `session-over` for something new in a session that has ended
 */
export async function actInSession(
  db: Database,
  clock: Clock,
  caller: Caller,
  sessionId: string,
  actions: readonly BenchAction[],
): Promise<BenchSession> {
  const houseId = caller.house.id
  const now = clock()
  const asked = await findSession(db, houseId, sessionId)
  const plan = asked && (await replanned(db, caller, asked, actions, now))
  await changeHouse(db, houseId, async (change) => {
    const session = await findSession(change, houseId, sessionId)
    const knife = session && (await lockKnife(change, houseId, session.knifeId))
    if (!session || !knife) throw notFound('session')
    const known = await listActions(change, houseId, sessionId)
    const ids = new Set(known.map(({ action }) => action.id))
    const fresh = actions.filter(({ id }) => !ids.has(id))
    if (session.endedAt && fresh.length > 0) throw new Fault('conflict', 'session-over')
    // under the lock: of two who reach for it at once, the second sees the first
    await assertOwnHands(change, caller, { session, hands: stateOf(session, known).personId, fresh }, now)
    await insertActions(change, houseId, sessionId, { personId: caller.person.id, deviceId: caller.deviceId }, fresh)
    if (plan && fresh.length > 0 && !session.endedAt) await replacePlan(change, houseId, sessionId, plan)
    const done = await listActions(change, houseId, sessionId)
    const state = stateOf(plan ? { ...session, plan } : session, done)
    const flattened = flattenedIn(session, fresh)
    if (flattened.length > 0) await markFlattened(change, houseId, flattened, now)
    if (state.status === 'open' || session.endedAt) {
      // touches along the way change nothing that another screen shows, but a stone made flat
      if (flattened.length === 0) change.nothingNew()
      return
    }
    if (state.status === 'finished' && unprotected(state)) throw new Fault('conflict', 'no-protection')
    await endSession(change, houseId, sessionId, state.status === 'finished' ? 'finished' : 'abandoned', now)
    if (state.status !== 'finished') return
    await keepResults(change, caller, knife, session, state, now)
    await keepCarryOvers(change, houseId, session, done)
  })
  return await readSession(db, caller, sessionId)
}
