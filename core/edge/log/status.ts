import type { BladeSpec } from '../../knife/bladeSpec'
import type { EventKind, KnifeEvent } from '../model/events'
import { statusInUse, type KnifeState } from './state'

type StatusEvent = Extract<
  KnifeEvent,
  { kind: 'quarantined' | 'released' | 'retired' | 'missing' | 'found' | 'practice' }
>

/** What nobody can do to a knife without having it. */
const IN_HAND: ReadonlySet<EventKind> = new Set(['checked', 'honed', 'sharpened', 'measured', 'moved'])

function found(state: KnifeState): KnifeState {
  return state.status === 'missing' && state.missedAs ? { ...state, ...state.missedAs, missedAs: null } : state
}

/** A missing knife that somebody works on has been found, whether they say so or not. */
export const inHand = (state: KnifeState, { kind }: KnifeEvent): KnifeState =>
  IN_HAND.has(kind) ? found(state) : state

/** A knife put out of service or back into it, missed or found. One that is missing already, or retired, is not missed again. */
export function afterStatus(state: KnifeState, event: StatusEvent, spec: BladeSpec): KnifeState {
  const since = { statusSinceMs: event.atMs, missedAs: null }
  switch (event.kind) {
    case 'quarantined':
    case 'retired':
      return { ...state, ...since, status: event.kind, statusReason: event.payload.reason }
    case 'practice':
      return { ...state, ...since, status: 'practice', statusReason: event.payload.note ?? null }
    case 'released':
      return {
        ...state,
        ...since,
        status: statusInUse(spec),
        statusReason: null,
        defects: { ...state.defects, handleLoose: false, cracked: false, tipGone: false, tipBent: false },
      }
    case 'missing': {
      if (['missing', 'retired', 'practice'].includes(state.status)) return state
      const { status, statusReason, statusSinceMs } = state
      return {
        ...state,
        status: 'missing',
        statusReason: event.payload.note ?? null,
        statusSinceMs: event.atMs,
        missedAs: { status, statusReason, statusSinceMs },
      }
    }
    case 'found':
      return found(state)
  }
}
