import type { BladeSpec } from '../../knife/bladeSpec'
import type { EventKind, KnifeEvent } from '../model/events'
import { statusInUse, type KnifeState } from './state'

type StatusEvent = Extract<
  KnifeEvent,
  { kind: 'quarantined' | 'released' | 'retired' | 'missing' | 'found' | 'practice' | 'sent-out' }
>

/** What nobody can do to a knife without having it. */
const IN_HAND: ReadonlySet<EventKind> = new Set(['checked', 'honed', 'sharpened', 'measured', 'moved'])

/** A knife that was missed or sent out, there again. */
export const found = (state: KnifeState): KnifeState =>
  ['missing', 'away'].includes(state.status) && state.missedAs ? { ...state, ...state.missedAs, missedAs: null } : state

/** A missing knife that somebody works on has been found, whether they say so or not. */
export const inHand = (state: KnifeState, { kind }: KnifeEvent): KnifeState =>
  IN_HAND.has(kind) ? found(state) : state

const gone = (
  { status, statusReason, statusSinceMs, ...state }: KnifeState,
  to: 'missing' | 'away',
  reason: string | null,
  atMs: number,
): KnifeState => ({
  ...state,
  status: to,
  statusReason: reason,
  statusSinceMs: atMs,
  missedAs: { status, statusReason, statusSinceMs },
})

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
    case 'missing':
      return ['missing', 'away', 'retired', 'practice'].includes(state.status)
        ? state
        : gone(state, 'missing', event.payload.note ?? null, event.atMs)
    case 'sent-out':
      // one that was missed and is sent out has been found
      return state.status === 'retired' ? state : gone(found(state), 'away', event.payload.to, event.atMs)
    case 'found':
      return found(state)
  }
}
