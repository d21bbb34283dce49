import { foldHistory } from '../../core/edge/history'
import type { KnifeEvent } from '../../core/edge/events'
import type { KnifeState } from '../../core/edge/state'
import { knownBlade } from '../../core/house/blade'
import type { Queryable } from '../db/database'
import { knifeLog } from '../db/queries/events'
import { saveStates, type StoredKnife } from '../db/queries/knives'
import { surroundings, type HouseContext } from './surroundings'

type OnEvent = Parameters<typeof foldHistory>[0]['onEvent']

/** State of a knife from a log already read, up to its last event. */
export function foldKnife(
  context: HouseContext,
  knife: StoredKnife,
  events: readonly KnifeEvent[],
  onEvent?: OnEvent,
): KnifeState {
  const blade = knownBlade(knife)
  const times = events.map((event) => event.atMs)
  const [fromMs, untilMs] = [Math.min(...times), Math.max(...times)]
  return foldHistory({
    nature: blade.nature,
    around: surroundings(context, fromMs, untilMs),
    events,
    untilMs,
    limitGf: context.house.serviceLimits[blade.role],
    ...(onEvent ? { onEvent } : {}),
  })
}

/** Folds a knife's whole log anew and keeps the result. The caller holds the knife's row lock. */
export async function refold(db: Queryable, context: HouseContext, knife: StoredKnife): Promise<KnifeState> {
  const state = foldKnife(context, knife, await knifeLog(db, context.house.id, knife.id))
  await saveStates(db, context.house.id, new Map([[knife.id, state]]))
  return state
}
