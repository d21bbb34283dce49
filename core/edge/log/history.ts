import type { Occurrence } from '../../house/serviceClock'
import { BOARD_FACTOR, PRODUCT_FACTOR, type Board, type Product } from '../../house/stations'
import type { BladeSpec } from '../../knife/bladeSpec'
import { HOUR_MS } from '../../time'
import { applyHoning, applyUse } from '../filter/applyUse'
import { DEFAULT_PRIOR, resetToFresh, type EdgePrior } from '../filter/belief'
import { glintsAfter, observeCheck } from '../filter/observe'
import { updateOnHoningReport } from '../filter/updateOnForce'
import { NO_DEFECTS, standingEvents, type Chip, type KnifeEvent } from '../model/events'
import { wornForce } from '../model/force'
import { honeEffect } from '../model/hone'
import { bluntWidth } from '../model/wear'
import { judgeHand } from './judgeHand'
import { addCount } from './lessons'
import { initialState, withBelief, type KnifeState } from './state'
import { applyGrinding, applyThinning, updateOnMeasurement } from './steelLeft'

type Happened<K extends KnifeEvent['kind']> = Extract<KnifeEvent, { kind: K }>

/** How a station uses the knives that lie there. */
export interface StationWork {
  readonly board: Board
  readonly product: Product
  readonly hoursPerService: number
}

/** A station's way of working from an instant on, until the next one. */
export interface StationPeriod extends StationWork {
  readonly fromMs: number
}

/** What surrounds a knife: its stations, oldest period first, and the services of the house, in order of start. */
export interface UsageContext {
  readonly stations: ReadonlyMap<string, readonly StationPeriod[]>
  readonly services: readonly Occurrence[]
}

/** A declared use belongs to the service it was entered in or after, if that began this recently. */
const DECLARATION_REACH_MS = 12 * HOUR_MS

export type DeclaredUse = ReadonlyMap<number, number>

/** Index of the first service that ends after an instant. */
function firstEndingAfter(services: readonly Occurrence[], atMs: number): number {
  let low = 0
  let high = services.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((services[middle]?.endMs ?? 0) > atMs) high = middle
    else low = middle + 1
  }
  return low
}

/** Hours declared for a service, by the instant the service starts. */
export function declaredUse(events: readonly KnifeEvent[], services: readonly Occurrence[]): DeclaredUse {
  const declared = new Map<number, number>()
  for (const event of events) {
    if (event.kind !== 'used') continue
    const next = firstEndingAfter(services, event.atMs)
    const during = services[next]
    const service = during && during.startMs <= event.atMs ? during : services[next - 1]
    if (service && event.atMs - service.startMs < DECLARATION_REACH_MS) {
      declared.set(service.startMs, event.payload.hours)
    }
  }
  return declared
}

/** What a stretch of use amounts to: hours on the board, and those hours weighted by board and product. */
interface Use {
  readonly hours: number
  readonly work: number
}

const NO_USE: Use = { hours: 0, work: 0 }

/** The way a station worked at an instant. */
export const workAt = (periods: readonly StationPeriod[], atMs: number): StationWork | undefined =>
  periods.findLast((period) => period.fromMs <= atMs) ?? periods[0]

/** Use of a knife at a station between two instants. */
function useBetween(
  periods: readonly StationPeriod[],
  services: readonly Occurrence[],
  declared: DeclaredUse,
  fromMs: number,
  toMs: number,
): Use {
  let hours = 0
  let work = 0
  for (let index = firstEndingAfter(services, fromMs); index < services.length; index++) {
    const service = services[index]
    if (!service || service.startMs >= toMs) break
    const overlap = Math.min(toMs, service.endMs) - Math.max(fromMs, service.startMs)
    const share = overlap / (service.endMs - service.startMs)
    const station = workAt(periods, service.startMs)
    if (!station) continue
    const spent = share * (declared.get(service.startMs) ?? station.hoursPerService)
    hours += spent
    work += spent * BOARD_FACTOR[station.board] * PRODUCT_FACTOR[station.product]
  }
  return { hours, work }
}

/** State of a knife after the use that lies between its own time and `toMs`. */
export function advance(
  state: KnifeState,
  spec: BladeSpec,
  usage: UsageContext,
  toMs: number,
  declared: DeclaredUse = new Map(),
): KnifeState {
  if (toMs <= state.atMs) return state
  const { stationId } = state
  const periods = stationId === null ? undefined : usage.stations.get(stationId)
  const { hours, work } =
    periods && state.status === 'in-service' ? useBetween(periods, usage.services, declared, state.atMs, toMs) : NO_USE
  if (hours === 0 || stationId === null) return { ...state, atMs: toMs }
  const { sharpening, lessons } = state
  return {
    ...withBelief(state, applyUse(state.belief, spec, work, sharpening.work), spec.dps),
    atMs: toMs,
    hoursSinceCheck: state.hoursSinceCheck + hours,
    hoursSinceHone: state.hoursSinceHone + hours,
    hoursSinceSharpening: state.hoursSinceSharpening + hours,
    sharpening: { ...sharpening, hours: sharpening.hours + hours, work: sharpening.work + work },
    lessons: { ...lessons, workAt: addCount(lessons.workAt, stationId, work) },
  }
}

function afterHoning(state: KnifeState, spec: BladeSpec, event: Happened<'honed'>): KnifeState {
  const { tool, mismatchDps, cameBack } = event.payload
  const effect = honeEffect({ tool, hrc: spec.hrc, mismatchDps: mismatchDps ?? 0 })
  const told = cameBack ? updateOnHoningReport(state.belief, effect, cameBack) : state.belief
  return {
    ...withBelief(state, applyHoning(told, spec, effect), spec.dps),
    honedMs: event.atMs,
    hoursSinceHone: 0,
    lastHone: cameBack ?? state.lastHone,
    lessons: { ...state.lessons, honesWith: addCount(state.lessons.honesWith, tool, 1) },
  }
}

/** A check within this much use of a honing also shows what the honing did. */
const SHOWS_HONE_HOURS = 1

/** What the last honing did, as far as a check right after it shows: still dull from wear means it did not help. */
function honeOutcome(state: KnifeState, next: KnifeState, spec: BladeSpec, limitGf: number): KnifeState['lastHone'] {
  if (state.honedMs === null || state.hoursSinceHone > SHOWS_HONE_HOURS) return state.lastHone
  const stillWorn = Object.values(next.zones).some((zone) => wornForce(zone, spec.dps) > limitGf)
  return stillWorn ? 'not' : (state.lastHone ?? 'fully')
}

function afterCheck(state: KnifeState, spec: BladeSpec, event: Happened<'checked'>, limitGf: number): KnifeState {
  const { belief, doubted, workedOn } = observeCheck(state.belief, event.payload, spec, state.doubted)
  const { sharpening, lessons } = state
  const judged = judgeHand(state, event.payload, spec)
  const next: KnifeState = {
    ...withBelief(state, belief, spec.dps),
    doubted,
    defects: { ...(event.payload.defects ?? state.defects), glint: glintsAfter(event.payload, state.defects.glint) },
    checkedMs: event.atMs,
    hoursSinceCheck: 0,
    readingCount: state.readingCount + event.payload.readings.length,
    lessons: { ...(judged?.lessons ?? lessons), readings: lessons.readings + event.payload.readings.length },
    sharpening: { ...(judged?.sharpening ?? sharpening), ...(workedOn ? { hours: 0, work: 0, personId: null } : {}) },
  }
  return { ...next, lastHone: honeOutcome(state, next, spec, limitGf) }
}

/** Shallower than this nobody finds a chip any more, mm. */
const CHIP_GONE_MM = 0.02

/** A chip is gone with any session that does not leave it on purpose; one that waits gets shallower with each. */
function chipAfter(
  { defects, steel }: KnifeState,
  after: KnifeState['steel'],
  leftMm: number | undefined,
): Chip | null {
  const chip = defects.chip
  const depthMm = leftMm ?? (chip?.rests ? chip.depthMm - (steel.heightMm.mean - after.heightMm.mean) : 0)
  return depthMm > CHIP_GONE_MM ? { zone: chip?.zone ?? 'belly', depthMm, rests: true } : null
}

function afterSharpening(state: KnifeState, spec: BladeSpec, event: Happened<'sharpened'>): KnifeState {
  const { finishMicron, recessionMm, bteMm, strokes = { left: 0, right: 0 } } = event.payload
  const bluntUm = Math.max(
    ...Object.values(state.zones).map((zone) => bluntWidth({ wornAreaUm2: zone.wornAreaUm2, dps: spec.dps })),
  )
  const steel = applyThinning(applyGrinding(state.steel, spec, bluntUm, recessionMm), bteMm)
  return {
    ...withBelief(state, resetToFresh(state.belief, spec.dps, finishMicron), spec.dps),
    doubted: { heel: 0, belly: 0, tip: 0 },
    steel,
    strokes: { left: state.strokes.left + strokes.left, right: state.strokes.right + strokes.right },
    sharpening: {
      atMs: event.atMs,
      personId: event.personId,
      finishMicron,
      hours: 0,
      work: 0,
      tested: false,
      judged: false,
    },
    // a keener edge wedges as much as before: only thinner steel behind it helps
    defects: {
      ...NO_DEFECTS,
      chip: chipAfter(state, steel, event.payload.chipLeftMm),
      handleLoose: state.defects.handleLoose,
      cracked: state.defects.cracked,
      ...(state.defects.wedges && bteMm === undefined ? { wedges: true } : {}),
    },
    sharpenedMs: event.atMs,
    hoursSinceSharpening: 0,
    lastHone: null,
  }
}

/** State after one event, the state having been advanced to its time. */
export function applyEvent(state: KnifeState, event: KnifeEvent, spec: BladeSpec, limitGf: number): KnifeState {
  switch (event.kind) {
    case 'added':
      return { ...state, stationId: event.payload.stationId, holderId: event.payload.holderId }
    case 'checked':
      return afterCheck(state, spec, event, limitGf)
    case 'honed':
      return afterHoning(state, spec, event)
    case 'sharpened':
      return afterSharpening(state, spec, event)
    case 'measured':
      return { ...state, steel: updateOnMeasurement(state.steel, event.payload) }
    case 'moved':
      return {
        ...state,
        stationId: event.payload.stationId ?? state.stationId,
        holderId: event.payload.holderId === undefined ? state.holderId : event.payload.holderId,
      }
    case 'quarantined':
      return { ...state, status: 'quarantined', statusReason: event.payload.reason, statusSinceMs: event.atMs }
    case 'released':
      return {
        ...state,
        status: 'in-service',
        statusReason: null,
        statusSinceMs: event.atMs,
        defects: { ...state.defects, handleLoose: false, cracked: false, tipGone: false, tipBent: false },
      }
    case 'retired':
      return { ...state, status: 'retired', statusReason: event.payload.reason, statusSinceMs: event.atMs }
    case 'used':
    case 'voided':
      return state
  }
}

/** A knife's log with all that is needed to read it. */
export interface KnifeHistory {
  readonly spec: BladeSpec
  readonly usage: UsageContext
  readonly events: readonly KnifeEvent[]
  readonly untilMs: number
  readonly limitGf: number
}

/**
 * State of a knife from its whole log, in any order, with voided events left out.
 *
 * @param input.untilMs how far to carry the wear, ms since the epoch
 * @param input.limitGf service limit of the knife's role
 * @param input.prior what knives of this kind are like before this one has said anything
 * @param input.onEvent called after each event with the state before and after it
 */
export function foldHistory(
  input: KnifeHistory & {
    readonly prior?: EdgePrior
    readonly onEvent?: (event: KnifeEvent, before: KnifeState, after: KnifeState) => void
  },
): KnifeState {
  const { spec, usage, untilMs, limitGf, onEvent, prior = DEFAULT_PRIOR } = input
  const events = standingEvents(input.events).filter((event) => event.atMs <= untilMs)
  const declared = declaredUse(events, usage.services)
  const added = events.find((event) => event.kind === 'added')
  const condition = added?.kind === 'added' ? added.payload.condition : 'in-use'
  let state = initialState(spec, events[0]?.atMs ?? untilMs, condition, prior)
  for (const event of events) {
    const before = advance(state, spec, usage, event.atMs, declared)
    state = applyEvent(before, event, spec, limitGf)
    onEvent?.(event, before, state)
  }
  return advance(state, spec, usage, untilMs, declared)
}
