import {
  asSessionAction,
  foldable,
  type BenchAction,
  type BenchOffer,
  type BenchPlan,
  type BenchSession,
  type Gear,
  type SessionLine,
} from '../../../contract/bench'
import type { Operation, WorkshopResult } from '../../../contract/workshop'
import { gearWarnings } from '../../../core/abrasive/gear'
import { costOfStartingOn, pressingForce } from '../../../core/abrasive/progression'
import { verdict } from '../../../core/edge/verdict/verdict'
import { minutesToBurr, sessionState, type SessionState } from '../../../core/session/session'
import { assertMay, type Caller } from '../../signIn/sessions'
import type { Clock } from '../../clock'
import type { Database, Queryable } from '../../db/database'
import {
  burrTimesOf,
  endSession,
  findSession,
  insertActions,
  insertBurrTime,
  insertSession,
  listActions,
  openSessions,
  sessionsOfKnife,
  type StoredAction,
  type StoredSession,
} from '../../db/queries/bench/sessions'
import { insertEvents, asKnifeEvent, type EventWrite } from '../../db/queries/log/events'
import { countKnifeOn } from '../../db/queries/shelf/gear'
import { touchHouse } from '../../db/queries/house/houses'
import { deleteWorkOrder, listWorkOrders, saveWorkOrder } from '../../db/queries/fleet/workOrders'
import { findKnife, lockKnife, updateKnife, type StoredKnife } from '../../db/queries/fleet/knives'
import { Fault, notFound } from '../../faults'
import {
  fittingRecipes,
  layOutSession,
  type BenchKnife,
  type BenchWish,
  type BurrTimes,
  type SessionLayout,
} from '../shelf/layOutSession'
import { gearView, micronOf } from '../shelf/gear'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { foldOn, refold } from '../log/knifeState'
import { presentKnife } from '../fleet/knifeView'
import { workOrderFor } from '../fleet/workOrders'
import { newDescription, sessionEvents, type DescriptionChange } from './sessionEvents'
import { loadHouseContext } from '../log/usageContext'
import { layOutOperation, measuredSections } from './workshop'

const LATEST_SESSIONS = 5
const SESSIONS_LISTED = 20

/** A knife brought to the bench by somebody. */
interface AtBench extends BenchKnife {
  readonly snapshot: FleetSnapshot
  readonly burrTimes: BurrTimes
}

async function bringToBench(db: Queryable, caller: Caller, knifeId: string, now: Date): Promise<AtBench> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const stored = snapshot.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { action } = verdict(present.state, present.blade.geometry, present.blade.role, present.rules)
  return { knife, present, action, snapshot, burrTimes: await burrTimesOf(db, caller.house.id, caller.person.id) }
}

const nameOf = (shelf: readonly Gear[], stoneId: string): string => shelf.find(({ id }) => id === stoneId)?.name ?? ''
const tenth = (value: number): number => Math.round(value * 10) / 10

/** A laid-out session as it is kept and sent. */
export function planView(
  { plan }: Pick<SessionLayout, 'plan'>,
  shelf: readonly Gear[],
  workshop: WorkshopResult | null = null,
): BenchPlan {
  return {
    recipeId: plan.recipeId,
    minutes: plan.minutes,
    finishMicron: plan.finishMicron,
    choices: { ...plan.choices },
    stages: plan.stages.map(({ stone, minutes, strokesPerSide, newtons, takes }) => ({
      stoneId: stone.id,
      stoneName: nameOf(shelf, stone.id),
      micron: stone.micron,
      minutes: tenth(minutes),
      strokesPerSide,
      newtons,
      takes,
    })),
    notes: plan.notes.map((note) => ({ ...note })),
    workshop,
    steps: plan.steps.map((step) => ({
      ...step,
      minutes: tenth(step.minutes),
      rungs: step.rungs.map((rung) => ({ ...rung })),
      checks: [...step.checks],
      cautions: [...step.cautions],
    })),
  }
}

const stateOf = (session: StoredSession, actions: readonly StoredAction[]): SessionState =>
  sessionState(foldable(session.plan), session.startedAt.getTime(), session.startedBy, actions.map(asSessionAction))

/** What the last session on a knife left for the next. */
async function carryOverFor(db: Queryable, houseId: string, knifeId: string): Promise<BenchOffer['carriedOver']> {
  const last = (await sessionsOfKnife(db, houseId, knifeId, LATEST_SESSIONS)).find(
    ({ outcome }) => outcome === 'finished',
  )
  return last ? stateOf(last, await listActions(db, houseId, last.id)).carryOver.map((one) => ({ ...one })) : []
}

/** What could be done to a knife now, how, and what stands in the way. */
export async function benchOffer(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  wish: BenchWish,
): Promise<BenchOffer> {
  const one = await bringToBench(db, caller, knifeId, clock())
  const { bench } = one.snapshot
  const laid = layOutSession(bench, one, wish, one.burrTimes)
  const { plan, input } = laid
  const used = bench.gear.filter(({ id }) => plan.stages.some(({ stone }) => stone.id === id))
  const fitting = new Set(fittingRecipes(bench, one).map(({ id }) => id))
  const open = (await openSessions(db, caller.house.id)).find((session) => session.knifeId === knifeId)
  return {
    recipes: bench.recipes.map(({ id, choices }) => ({
      id,
      fits: fitting.has(id),
      choices: choices.map((choice) => ({ ...choice, options: [...choice.options] })),
    })),
    plan: planView(laid, bench.gear),
    starts:
      input === null || laid.recipe.stones === 'last'
        ? []
        : input.stones
            .map((stone) => ({
              stoneId: stone.id,
              stoneName: nameOf(bench.gear, stone.id),
              planned: stone.id === plan.stages[0]?.stone.id,
              micron: stone.micron,
              ...costOfStartingOn(input, stone.id),
            }))
            .sort((a, b) => b.micron - a.micron)
            .map(({ micron: _, ...start }) => ({
              ...start,
              minutes: tenth(start.minutes),
              minutesToBurr: tenth(start.minutesToBurr),
            })),
    soak: used
      .filter(({ soakMinutes }) => soakMinutes > 0)
      .map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
    flatten: used.flatMap((gear) => {
      const { because } = gearView(gear).flatten
      return because === null ? [] : [{ stoneId: gear.id, stoneName: gear.name, because }]
    }),
    warnings: [
      ...new Set([
        ...used.flatMap((gear) =>
          gearWarnings({
            kind: gear.kind,
            micron: micronOf(gear),
            thicknessLeftMm: gear.thicknessMm,
            newtons: pressingForce(micronOf(gear) ?? 0),
          }),
        ),
        ...(plan.recipeId === 'steel'
          ? gearWarnings({ kind: 'smooth-steel', micron: null, hrc: one.present.blade.spec.hrc })
          : []),
      ]),
    ],
    saved: workOrderFor(await listWorkOrders(db, caller.house.id), knifeId, one.present.state),
    carriedOver: await carryOverFor(db, caller.house.id, knifeId),
    open: open
      ? {
          sessionId: open.id,
          personName: one.snapshot.people.find(({ id }) => id === open.startedBy)?.name ?? '',
          startedAt: open.startedAt.toISOString(),
        }
      : null,
  }
}

const sessionView = (session: StoredSession, actions: readonly StoredAction[]): BenchSession => ({
  id: session.id,
  knifeId: session.knifeId,
  startedAt: session.startedAt.toISOString(),
  startedBy: session.startedBy,
  endedAt: session.endedAt?.toISOString() ?? null,
  outcome: session.outcome,
  plan: session.plan,
  actions: [...actions],
})

/**
 * Begins a session on a knife. Asking again with the same id gives the session that was begun.
 *
 * @throws Fault `session-open` when somebody is at this knife already
 */
export async function startSession(
  db: Database,
  clock: Clock,
  caller: Caller,
  input: BenchWish & { readonly id: string; readonly knifeId: string; readonly operation?: Operation | undefined },
): Promise<BenchSession> {
  const now = clock()
  return await db.transaction(async (client) => {
    const again = await findSession(client, caller.house.id, input.id)
    if (again) return sessionView(again, await listActions(client, caller.house.id, again.id))
    if (!(await lockKnife(client, caller.house.id, input.knifeId))) throw notFound('knife')
    const one = await bringToBench(client, caller, input.knifeId, now)
    const { bench } = one.snapshot
    const open = (await openSessions(client, caller.house.id)).find((session) => session.knifeId === input.knifeId)
    if (open)
      throw new Fault('conflict', 'session-open', {
        name: one.snapshot.people.find(({ id }) => id === open.startedBy)?.name ?? '',
        code: one.knife.code,
      })
    const workshop = input.operation
      ? layOutOperation(
          bench,
          one,
          input.operation,
          one.burrTimes,
          await measuredSections(client, caller.house.id, one.knife.id),
        )
      : null
    const laid = workshop ? null : layOutSession(bench, one, input, one.burrTimes)
    const asHoning = laid?.recipe.stones === 'none' && laid.recipe.actions.includes('hone')
    assertMay(caller, asHoning ? 'log-hone' : 'log-sharpening')
    const plan = workshop ? planView(workshop, bench.gear, workshop.result) : laid ? planView(laid, bench.gear) : null
    if (!plan) throw notFound('recipe')
    const session: StoredSession = {
      id: input.id,
      knifeId: input.knifeId,
      startedBy: caller.person.id,
      startedAt: now,
      endedAt: null,
      outcome: null,
      plan,
    }
    await insertSession(client, caller.house.id, session)
    await touchHouse(client, caller.house.id)
    return sessionView(session, [])
  })
}

export async function readSession(db: Queryable, caller: Caller, sessionId: string): Promise<BenchSession> {
  const session = await findSession(db, caller.house.id, sessionId)
  if (!session) throw notFound('session')
  return sessionView(session, await listActions(db, caller.house.id, sessionId))
}

/** Sessions a knife has been through, newest first, broken-off ones among them. */
export async function knifeSessions(db: Queryable, caller: Caller, knifeId: string): Promise<SessionLine[]> {
  return (await sessionsOfKnife(db, caller.house.id, knifeId, SESSIONS_LISTED)).map(
    ({ id, plan, startedAt, endedAt, outcome, startedBy }) => ({
      id,
      recipeId: plan.recipeId,
      startedAt: startedAt.toISOString(),
      endedAt: endedAt?.toISOString() ?? null,
      outcome,
      startedBy,
    }),
  )
}

/** Work done takes the saved job of its kind away; where it was one part of several, the next waits for the knife's next session. */
async function keepRemainingWork(
  client: Queryable,
  caller: Caller,
  knifeId: string,
  { workshop }: BenchPlan,
  at: Date,
): Promise<void> {
  if (!workshop) return
  if (workshop.rest)
    await saveWorkOrder(
      client,
      caller.house.id,
      knifeId,
      { operation: workshop.rest, waits: true },
      { personId: caller.person.id, at },
    )
  else await deleteWorkOrder(client, caller.house.id, knifeId, workshop.operation.kind)
}

/** Folds a finished session into its knife; one that made another angle, ratio or length also describes the knife anew. */
async function foldAfter(
  client: Queryable,
  caller: Caller,
  knife: StoredKnife,
  described: DescriptionChange | null,
  writes: readonly EventWrite[],
): Promise<void> {
  const context = await loadHouseContext(client, caller.house)
  if (!described) {
    await foldOn(client, context, knife, writes.map(asKnifeEvent))
    return
  }
  const changed = { ...knife, ...described.after }
  await updateKnife(client, caller.house.id, changed)
  await refold(client, context, changed)
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
  const now = clock()
  return await db.transaction(async (client) => {
    const found = await findSession(client, caller.house.id, sessionId)
    if (!found) throw notFound('session')
    const knife = await lockKnife(client, caller.house.id, found.knifeId)
    const session = await findSession(client, caller.house.id, sessionId, true)
    if (!session || !knife) throw notFound('session')
    const known = new Set((await listActions(client, caller.house.id, sessionId)).map(({ action }) => action.id))
    const fresh = actions.filter(({ id }) => !known.has(id))
    if (session.endedAt && fresh.length > 0) throw new Fault('conflict', 'session-over')
    await insertActions(
      client,
      caller.house.id,
      sessionId,
      { personId: caller.person.id, deviceId: caller.deviceId },
      fresh,
    )
    const all = await listActions(client, caller.house.id, sessionId)
    const state = stateOf(session, all)
    const ends = state.status !== 'open' && !session.endedAt
    if (ends) {
      await endSession(client, caller.house.id, sessionId, state.status === 'finished' ? 'finished' : 'abandoned', now)
      if (state.status === 'finished') {
        const described = newDescription(knife, session.plan.workshop)
        const writes = sessionEvents(session, state, now, caller, described)
        await insertEvents(client, caller.house.id, writes)
        await keepRemainingWork(client, caller, knife.id, session.plan, now)
        await foldAfter(client, caller, knife, described, writes)
        for (const time of minutesToBurr(foldable(session.plan), state)) {
          await insertBurrTime(client, caller.house.id, sessionId, {
            ...time,
            personId: state.personId ?? caller.person.id,
          })
        }
        await countKnifeOn(
          client,
          caller.house.id,
          session.plan.stages.map(({ stoneId }) => stoneId),
        )
      }
      await touchHouse(client, caller.house.id)
    }
    return await readSession(client, caller, sessionId)
  })
}
