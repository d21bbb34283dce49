import type { Right } from '../../house/rights'
import type { EventKind } from './events'

/** What everybody who handles events has to know of a kind. */
export interface EventTraits {
  /** what somebody needs to record it; null for what the server alone writes */
  readonly right: Right | null
  /** its line in the history says the force before and after */
  readonly movesEdge: boolean
  /** it bears on what was folded before it, so the log is folded from its beginning */
  readonly reachesBack: boolean
  /** it stands as a mark on the edge's curve */
  readonly marksCurve: boolean
}

const plain = { movesEdge: false, reachesBack: false, marksCurve: false }

/** Every kind of event, in the order of a knife's life. A new kind begins here: see docs/how-to/event-kind.md. */
export const EVENT_TRAITS: Readonly<Record<EventKind, EventTraits>> = {
  added: { ...plain, right: null, reachesBack: true },
  used: { ...plain, right: 'log-use', reachesBack: true },
  checked: { ...plain, right: 'log-check', movesEdge: true, marksCurve: true },
  honed: { ...plain, right: 'log-hone', movesEdge: true, marksCurve: true },
  'came-back': { ...plain, right: 'log-hone', movesEdge: true },
  sharpened: { ...plain, right: 'log-sharpening', movesEdge: true, marksCurve: true },
  measured: { ...plain, right: 'log-check', marksCurve: true },
  moved: { ...plain, right: 'move-knife', marksCurve: true },
  quarantined: { ...plain, right: 'quarantine', marksCurve: true },
  released: { ...plain, right: 'release', marksCurve: true },
  retired: { ...plain, right: 'retire-knife' },
  missing: { ...plain, right: 'count' },
  found: { ...plain, right: 'count' },
  practice: { ...plain, right: 'edit-knife' },
  'sent-out': { ...plain, right: 'move-knife' },
  returned: { ...plain, right: 'move-knife', movesEdge: true },
  voided: { ...plain, right: 'void-own', reachesBack: true },
}

export const EVENT_KINDS = Object.keys(EVENT_TRAITS) as readonly EventKind[]
