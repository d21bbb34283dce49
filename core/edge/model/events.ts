import type { Zone } from '../../knife/zones'
import type { HoneTool } from './hone'
import type { LadderRung } from './ladder'

/** What nicks or bends an edge, as kitchens name it (common practice). */
export const HARM_CAUSES = [
  'bone',
  'frozen',
  'crust',
  'plate',
  'drop',
  'dishwasher',
  'sink',
  'steel',
  'prying',
  'handling',
] as const
export type HarmCause = (typeof HARM_CAUSES)[number]

/** A nick in the edge, and how deep; `rests` where it was ground half out and the rest waits for the next sessions. */
export interface Chip {
  readonly zone: Zone
  readonly depthMm: number
  readonly rests?: boolean | undefined
  /** where somebody knows what it comes from */
  readonly cause?: HarmCause | undefined
}

/** What can be wrong with a knife apart from being dull. */
export interface Defects {
  readonly chip: Chip | null
  readonly glint: readonly Zone[]
  readonly burrLeft: boolean
  /** it cracks a carrot or stalls in a cabbage, however keen it is */
  readonly wedges?: boolean | undefined
  readonly tipBent: boolean
  readonly tipGone: boolean
  readonly handleLoose: boolean
  readonly cracked: boolean
}

export const NO_DEFECTS: Defects = {
  chip: null,
  glint: [],
  burrLeft: false,
  tipBent: false,
  tipGone: false,
  handleLoose: false,
  cracked: false,
}

/** What of a knife's description workshop work can change. */
export interface Description {
  readonly dpsLeft: number
  readonly dpsRight: number
  readonly ratioRight: number
  readonly lengthMm: number
}

/** Names of a description, for going through it. */
export const DESCRIBED = [
  'dpsLeft',
  'dpsRight',
  'ratioRight',
  'lengthMm',
] as const satisfies readonly (keyof Description)[]

/** Payload of every kind of thing that can happen to a knife. */
export interface EventPayloads {
  /** the knife joined the fleet; `new` means a factory edge, `in-use` an edge nobody knows yet */
  added: { readonly condition: 'new' | 'in-use'; readonly stationId: string; readonly holderId: string | null }
  /** declared use, replacing the rota's hours for the service it falls in */
  used: { readonly hours: number }
  /** readings are peaks in gf; `defects` replaces what was known about them */
  checked: {
    readonly readings: readonly { readonly zone: Zone; readonly forcesGf: readonly number[] }[]
    readonly ladder: readonly { readonly zone: Zone | 'whole'; readonly rung: LadderRung }[]
    readonly defects?: Defects | undefined
    /** the tester it was read with, by the name it gives itself */
    readonly tester?: string | undefined
  }
  honed: {
    readonly tool: HoneTool
    readonly strokesPerSide?: number | undefined
    /** rod angle minus edge angle, when known */
    readonly mismatchDps?: number | undefined
    readonly cameBack?: 'fully' | 'partly' | 'not' | undefined
  }
  /** what somebody said of the last honing, a moment after it */
  'came-back': { readonly said: 'fully' | 'partly' | 'not' }
  sharpened: {
    readonly startGrit?: number | undefined
    readonly finishMicron: number
    /** median grain of every stone it went over, in order, µm; guessed from first stone and finish where nobody says */
    readonly grains?: readonly number[] | undefined
    readonly minutes?: number | undefined
    /** height taken off the edge, mm; estimated when not measured */
    readonly recessionMm?: number | undefined
    /** height the plan of the session reckoned, mm; the ledger's own reckoning where nobody says */
    readonly estimateMm?: number | undefined
    /** thickness behind the edge that work on the faces left, mm */
    readonly bteMm?: number | undefined
    /** how deep the chip still is that this session left for the next, mm */
    readonly chipLeftMm?: number | undefined
    /** length a new tip cost, mm */
    readonly lengthLossMm?: number | undefined
    /** thickness of the faces that workshop work left, at heights above the edge, mm */
    readonly thicknessAt?: readonly { readonly heightMm: number; readonly thicknessMm: number }[] | undefined
    /** nothing shows that it was done: no stroke counted, no burr felt, no test; written down by the session itself */
    readonly claimed?: boolean | undefined
    /** how the knife was described before and after, where the session changed that; written by the server alone */
    readonly described?: { readonly before: Description; readonly after: Description } | undefined
    /** strokes each side really got, where they were counted */
    readonly strokes?: { readonly left: number; readonly right: number } | undefined
  }
  measured: {
    readonly heelHeightMm?: number | undefined
    readonly spineMm?: number | undefined
    readonly bteMm?: number | undefined
  }
  moved: { readonly stationId?: string | undefined; readonly holderId?: string | null | undefined }
  quarantined: { readonly reason: string }
  released: { readonly note?: string | undefined }
  retired: { readonly reason: string }
  /** it was not there when it was counted or looked for */
  missing: { readonly note?: string | undefined }
  /** it is there again, by a count or with a word on where it was */
  found: { readonly note?: string | undefined }
  /** from here on it is for hands that learn: cheap, or too far gone to cut for guests */
  practice: { readonly note?: string | undefined }
  /** it went to somebody outside to be ground, and is expected back by a day, YYYY-MM-DD */
  'sent-out': { readonly to: string; readonly dueOn?: string | undefined }
  /** it is back: whether it was ground there, at which angle, degrees per side, and what that cost */
  returned: {
    readonly ground: boolean
    readonly dps?: number | undefined
    readonly price?: number | undefined
    readonly note?: string | undefined
  }
  /** takes back another event, which stays readable */
  voided: { readonly eventId: string; readonly reason: string }
}

export type EventKind = keyof EventPayloads

/** One thing that happened to one knife. Ids are made by the device, so sending twice records once. */
export type KnifeEvent = {
  readonly [K in EventKind]: {
    readonly id: string
    readonly kind: K
    readonly atMs: number
    readonly personId: string | null
    readonly payload: EventPayloads[K]
  }
}[EventKind]

/** Events that still stand, oldest first; an event and the one that voids it both drop out. */
export function standingEvents(events: readonly KnifeEvent[]): KnifeEvent[] {
  const voided = new Set(events.flatMap((event) => (event.kind === 'voided' ? [event.payload.eventId] : [])))
  return events
    .filter((event) => event.kind !== 'voided' && !voided.has(event.id))
    .sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
}
