import { advance, applyEvent, foldHistory } from '../../../core/edge/log/history'
import { declaredUse } from '../../../core/edge/log/usage'
import type { KnifeState } from '../../../core/edge/log/state'
import { EVENT_TRAITS } from '../../../core/edge/model/eventKinds'
import { standingEvents, type KnifeEvent } from '../../../core/edge/model/events'
import { edgeForce } from '../../../core/edge/model/force'
import { knownBlade } from '../../../core/knife/blade'
import type { BladeSpec } from '../../../core/knife/bladeSpec'
import { ZONES } from '../../../core/knife/zones'
import { DAY_MS } from '../../../core/time'
import type { Queryable } from '../../db/database'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { knifeLog } from '../../db/queries/log/events'
import { extendFold, findState, replaceFolds, type Effect, type Fold } from '../../db/queries/log/folds'
import { usageContext, type HouseContext } from './usageContext'

/** A declared use can still bear on a service this long after it was declared. */
const DECLARED_WITHIN_MS = DAY_MS

const worstForce = (state: KnifeState, spec: BladeSpec): number =>
  Math.round(Math.max(...ZONES.map((zone) => edgeForce(state.zones[zone], spec.dps))))

function effectOf(event: KnifeEvent, before: KnifeState, after: KnifeState, spec: BladeSpec): Effect[] {
  if (!EVENT_TRAITS[event.kind].movesEdge) return []
  return [{ eventId: event.id, beforeGf: worstForce(before, spec), afterGf: worstForce(after, spec) }]
}

/** A knife's whole log folded up to its last event. */
export function foldKnife(context: HouseContext, knife: StoredKnife, events: readonly KnifeEvent[]): Fold {
  const { spec, role } = knownBlade(knife)
  const times = events.map((event) => event.atMs)
  const [fromMs, untilMs] = [Math.min(...times), Math.max(...times)]
  const effects: Effect[] = []
  const state = foldHistory({
    spec,
    usage: usageContext(context, fromMs, untilMs),
    events,
    untilMs,
    limitGf: context.house.serviceLimits[role],
    onEvent: (event, before, after) => {
      effects.push(...effectOf(event, before, after, spec))
    },
  })
  return { knifeId: knife.id, state, effects }
}

/** Folds a knife's whole log anew and keeps the result. The caller holds the knife's row lock. */
export async function refold(db: Queryable, context: HouseContext, knife: StoredKnife): Promise<KnifeState> {
  const fold = foldKnife(context, knife, await knifeLog(db, context.house.id, knife.id))
  await replaceFolds(db, context.house.id, [fold])
  return fold.state
}

/**
 * Goes on from the kept state with events just recorded. Gives what {@link refold} would give, to the
 * last digit, and falls back on it when an event lies before the kept state or reaches back itself.
 */
export async function foldOn(
  db: Queryable,
  context: HouseContext,
  knife: StoredKnife,
  fresh: readonly KnifeEvent[],
): Promise<KnifeState> {
  const kept = await findState(db, context.house.id, knife.id)
  const reachesBack = fresh.some(
    (event) => EVENT_TRAITS[event.kind].reachesBack || event.atMs <= (kept?.atMs ?? Infinity),
  )
  if (!kept || reachesBack) return await refold(db, context, knife)
  if (fresh.length === 0) return kept
  const { spec, role } = knownBlade(knife)
  const events = standingEvents(fresh)
  const untilMs = events.at(-1)?.atMs ?? kept.atMs
  const usage = usageContext(context, kept.atMs - DECLARED_WITHIN_MS, untilMs)
  const recent = await knifeLog(db, context.house.id, knife.id, new Date(kept.atMs - DECLARED_WITHIN_MS))
  const declared = declaredUse(standingEvents(recent), usage.services)
  const limitGf = context.house.serviceLimits[role]
  const effects: Effect[] = []
  const state = events.reduce<KnifeState>((current, event) => {
    const before = advance(current, spec, usage, event.atMs, declared)
    const after = applyEvent(before, event, spec, limitGf)
    effects.push(...effectOf(event, before, after, spec))
    return after
  }, kept)
  await extendFold(db, context.house.id, { knifeId: knife.id, state, effects })
  return state
}
