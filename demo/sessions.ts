import { v5 as idFrom } from 'uuid'
import { foldable, type BenchAction, type BenchPlan } from '../contract/bench'
import { presentBlade } from '../core/edge/log/presentBlade'
import type { EventPayloads } from '../core/edge/model/events'
import { defaultRules } from '../core/edge/verdict/verdict'
import { knownBlade } from '../core/knife/blade'
import { ZONES } from '../core/knife/zones'
import type { SessionStep } from '../core/session/plan'
import { minutesToBurr, sessionState } from '../core/session/session'
import { sideTimes } from '../core/session/sides'
import { chance, type Chance } from '../core/statistics/random'
import { DAY_MS, MINUTE_MS } from '../core/time'
import type { Queryable } from '../server/db/database'
import { insertBurrTime } from '../server/db/queries/bench/burrTimes'
import { insertSideTime } from '../server/db/queries/bench/sideTimes'
import { endSession, insertActions, insertSession } from '../server/db/queries/bench/sessions'
import type { StoredKnife } from '../server/db/queries/fleet/knives'
import { asKnifeEvent, type EventWrite } from '../server/db/queries/log/events'
import { planView } from '../server/services/bench/planView'
import { foldKnife } from '../server/services/log/knifeState'
import type { HouseContext } from '../server/services/log/usageContext'
import { loadBench, usualSession } from '../server/services/shelf/layOutSession'

const SPACE = 'a2f0a0f1-3f0e-4c55-9c0c-5a3b1f6f1c52'
const SEED = 7_11
/** Sharpenings of the last so many days were led by the bench and can be read again. */
const KEPT_DAYS = 21
/** A check so near to a sharpening was its first look, or its last test. */
const PART_OF_IT_MS = 45 * MINUTE_MS
/** How much longer somebody takes to a burr than the table says, and how much longer again on the left side. */
export type Paces = Readonly<Record<string, { readonly pace: number; readonly left: number }>>

/** What somebody did, before it has its id. */
type Act = BenchAction extends infer One ? (One extends BenchAction ? Omit<One, 'id'> : never) : never

interface Worked {
  readonly knife: StoredKnife
  readonly writes: readonly EventWrite[]
}

/** Strokes of one side zone by zone, each until its burr is felt. */
function sideActions(step: SessionStep, fromMs: number, lengthMs: number, luck: Chance): Act[] {
  const perZone = Math.max(1, Math.round(step.strokes / ZONES.length))
  // counted every half minute, as strokes come
  const counts = Math.max(1, Math.ceil(lengthMs / ZONES.length / (MINUTE_MS / 2)))
  return ZONES.flatMap((zone, place): Act[] => {
    const wanted = perZone + Math.round(luck.between(-2, 3))
    const moment = (share: number): string =>
      new Date(fromMs + ((place + share) / ZONES.length) * lengthMs).toISOString()
    const strokes = Array.from({ length: counts }, (_, at) => ({
      kind: 'strokes' as const,
      at: moment((at + 0.9) / counts),
      stepId: step.id,
      zone,
      count: Math.floor((wanted * (at + 1)) / counts) - Math.floor((wanted * at) / counts),
    }))
    return [
      ...strokes.filter(({ count }) => count > 0),
      { kind: 'burr' as const, at: moment(0.98), stepId: step.id, zone, felt: true },
    ]
  })
}

/** Forces read at the spots in a check of the log, if it is so near to the session that it was part of it. */
function testActions(
  when: 'before' | 'after',
  check: EventWrite | undefined,
  sharpenedMs: number,
  atMs: number,
): Act[] {
  if (check?.kind !== 'checked' || Math.abs(check.at.getTime() - sharpenedMs) > PART_OF_IT_MS) return []
  const { readings } = check.payload as EventPayloads['checked']
  return readings.map(({ zone, forcesGf }) => ({
    kind: 'force',
    at: new Date(atMs).toISOString(),
    when,
    zone,
    forceGf: Math.round(forcesGf.reduce((sum, one) => sum + one, 0) / forcesGf.length),
  }))
}

/** A session worked through as planned, at somebody's pace, so that it ends at a moment; before and after it, the log's own checks. */
function workedThrough(
  plan: BenchPlan,
  {
    endsMs,
    pace,
    before,
    after,
  }: {
    readonly endsMs: number
    readonly pace: Paces[string]
    readonly before: EventWrite | undefined
    readonly after: EventWrite | undefined
  },
  luck: Chance,
): { readonly startedMs: number; readonly actions: Act[] } {
  const steps = foldable(plan).steps
  const lengths = steps.map(({ minutes, hand }) => {
    const slower = pace.pace * (hand === 'left' ? pace.left : 1)
    return Math.max(10_000, minutes * slower * luck.between(0.9, 1.1) * MINUTE_MS)
  })
  const startedMs = endsMs - lengths.reduce((sum, length) => sum + length, 0)
  let atMs = startedMs
  const actions = steps.flatMap((step, place): Act[] => {
    const [fromMs, lengthMs] = [atMs, lengths[place] ?? 0]
    atMs += lengthMs
    return [
      { kind: 'go', at: new Date(fromMs).toISOString(), stepId: step.id },
      ...(step.kind === 'look' ? testActions('before', before, endsMs, fromMs + lengthMs / 2) : []),
      ...(step.kind === 'side' ? sideActions(step, fromMs, lengthMs, luck) : []),
      ...(step.kind === 'test' ? testActions('after', after, endsMs, fromMs + lengthMs / 2) : []),
    ]
  })
  return { startedMs, actions: [...actions, { kind: 'finish', at: new Date(endsMs).toISOString() }] }
}

/**
 * The bench's own record of the latest sharpenings in the log: plans laid out on the edge as it was, strokes,
 * burrs and minutes, from which each hand's pace is learned.
 */
export async function recordSessions(
  db: Queryable,
  context: HouseContext,
  fleet: readonly Worked[],
  paces: Paces,
  nowMs: number,
): Promise<void> {
  const { house } = context
  const bench = await loadBench(db, house.id)
  const luck = chance(SEED)
  for (const { knife, writes } of fleet) {
    const last = writes.findLastIndex(
      ({ kind, at }) => kind === 'sharpened' && at.getTime() > nowMs - KEPT_DAYS * DAY_MS,
    )
    const event = writes[last]
    const pace = paces[event?.personId ?? '']
    if (!event?.personId || pace === undefined) continue
    const { state } = foldKnife(context, knife, writes.slice(0, last).map(asKnifeEvent))
    const blade = presentBlade(knownBlade(knife), state.steel)
    const laid = usualSession(bench, {
      knife,
      action: 'stone',
      present: { blade, state, rules: defaultRules(blade.role, house.serviceLimits) },
    })
    if (!laid) continue
    const plan = planView({ plan: laid }, bench.gear)
    const { startedMs, actions } = workedThrough(
      plan,
      { endsMs: event.at.getTime(), pace, before: writes[last - 1], after: writes[last + 1] },
      luck,
    )
    const session = {
      id: idFrom(event.id, SPACE),
      knifeId: knife.id,
      startedBy: event.personId,
      besideId: null,
      startedAt: new Date(startedMs),
      endedAt: null,
      outcome: null,
      plan,
      skill: null,
    }
    const sent = actions.map((action, place): BenchAction => ({ ...action, id: idFrom(`${event.id}/${place}`, SPACE) }))
    await insertSession(db, house.id, session)
    await insertActions(db, house.id, session.id, { personId: event.personId, deviceId: null }, sent)
    await endSession(db, house.id, session.id, 'finished', event.at)
    const done = sessionState(
      foldable(plan),
      startedMs,
      event.personId,
      sent.map((action) => ({ ...action, personId: event.personId, atMs: Date.parse(action.at) })),
    )
    for (const time of minutesToBurr(foldable(plan), done))
      await insertBurrTime(db, house.id, session.id, { ...time, personId: event.personId })
    for (const time of sideTimes(foldable(plan), done))
      await insertSideTime(db, house.id, session.id, event.personId, time)
  }
}
