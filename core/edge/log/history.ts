import { jisMicron } from '../../abrasive/grain'
import { usualGrains } from '../../abrasive/sessionRemoval'
import type { Occurrence } from '../../house/serviceClock'
import type { BladeSpec } from '../../knife/bladeSpec'
import { reset } from '../../statistics/gaussian'
import { combine, evidenceBeyond } from '../../statistics/normal'
import { applyChanceOfHoning, applyUse, honingChance } from '../filter/applyUse'
import { DEFAULT_PRIOR, HABIT, knownParameter, resetToClaimed, resetToFresh, type EdgePrior } from '../filter/belief'
import { glintsAfter, observeCheck } from '../filter/observe'
import { NO_DEFECTS, standingEvents, type KnifeEvent } from '../model/events'
import { wornForce } from '../model/force'
import { honeEffect, nextHoning, NO_ROD_WORK, usualHoneTool } from '../model/hone'
import { bluntWidth } from '../model/wear'
import { workFactor } from '../model/strain'
import { chipAfter } from './chip'
import { habitKey } from './habitKey'
import { afterHoning, afterReport } from './honings'
import { judgeHand, OFF_STONE_HOURS } from './judgeHand'
import { addService, addWork, NO_HONING } from './lessons'
import { addEye, addScatter, readingLogSd, readerKey, signShare } from './scatter'
import { initialState, withBelief, type KnifeState } from './state'
import { afterStatus, found, inHand } from './status'
import { applyAbrasion, applyGrinding, applyThinning, updateOnMeasurement } from './steelLeft'
import { declaredUse, firstEndingAfter, workAt, type DeclaredUse, type UsageContext } from './usage'

type Happened<K extends KnifeEvent['kind']> = Extract<KnifeEvent, { kind: K }>

/** A honing counts for the service that begins next, from the end of the one before on. */
const isHonedSince = (honedMs: number | null, before: Occurrence | undefined): boolean =>
  honedMs !== null && honedMs >= (before?.endMs ?? -Infinity)

/** State of a knife after the use that lies between its own time and `toMs`, service by service. */
export function advance(
  state: KnifeState,
  spec: BladeSpec,
  usage: UsageContext,
  toMs: number,
  declared: DeclaredUse = new Map(),
): KnifeState {
  if (toMs <= state.atMs) return state
  const { stationId, honedMs } = state
  const periods = stationId === null ? undefined : usage.stations.get(stationId)
  if (stationId === null || !periods || state.status !== 'in-service') return { ...state, atMs: toMs }
  const { services } = usage
  const effect = honeEffect({ tool: usualHoneTool(spec.hrc), hrc: spec.hrc })
  const workBefore = state.sharpening.work
  let { belief, rod, service, steel } = state
  let count = state.lessons.honing[habitKey(state)] ?? NO_HONING
  let hours = 0
  let work = 0
  for (let index = firstEndingAfter(services, state.atMs); index < services.length; index++) {
    const next = services[index]
    if (!next || next.startMs >= toMs) break
    const station = workAt(periods, next.startMs)
    if (!station) continue
    const overlap = Math.min(toMs, next.endMs) - Math.max(state.atMs, next.startMs)
    const spent = (overlap / (next.endMs - next.startMs)) * (declared.get(next.startMs) ?? station.hoursPerService)
    if (spent <= 0) continue
    if (next.startMs >= state.atMs) {
      const honed = isHonedSince(honedMs, services[index - 1])
      if (!honed) {
        const step = nextHoning(rod, effect, spec.dps, honingChance(belief))
        belief = applyChanceOfHoning(belief, spec, effect, step)
        rod = step.rod
        steel = applyAbrasion(steel, spec, step.heightUm)
      }
      service = { endMs: next.endMs, honed }
      count = addService(count, honed)
    }
    const done = spent * workFactor(station, spec)
    belief = applyUse(belief, spec, done, workBefore + work)
    hours += spent
    work += done
  }
  if (hours === 0) return { ...state, atMs: toMs }
  const { sharpening, lessons } = state
  return {
    ...withBelief(state, belief, spec.dps),
    atMs: toMs,
    rod,
    service,
    steel,
    hoursSinceCheck: state.hoursSinceCheck + hours,
    hoursSinceHone: state.hoursSinceHone + hours,
    hoursSinceSharpening: state.hoursSinceSharpening + hours,
    sharpening: { ...sharpening, hours: sharpening.hours + hours, work: sharpening.work + work },
    lessons: {
      ...addWork(lessons, stationId, sharpening.finishMicron, work),
      honing: { ...lessons.honing, [habitKey(state)]: count },
    },
  }
}

/** A knife in other hands is honed by their habit: what the old hands taught of theirs is put aside with their name. */
function afterMove(state: KnifeState, { payload }: Happened<'moved'>, prior: EdgePrior): KnifeState {
  const moved = {
    ...state,
    stationId: payload.stationId ?? state.stationId,
    holderId: payload.holderId === undefined ? state.holderId : payload.holderId,
  }
  const [from, to] = [habitKey(state), habitKey(moved)]
  if (from === to) return moved
  const said = evidenceBeyond(prior.habit, knownParameter(state.belief, HABIT))
  const { [to]: known, ...others } = said ? { ...state.lessons.habits, [from]: said } : state.lessons.habits
  const habit = known ? combine(prior.habit, known) : prior.habit
  return {
    ...moved,
    belief: reset(state.belief, [{ index: HABIT, ...habit }]),
    lessons: { ...state.lessons, habits: others },
  }
}

/** A check within this much use of a honing also shows what the honing did. */
const SHOWS_HONE_HOURS = 1

/** What the last honing did, as far as a check right after it shows: still dull from wear means it did not help. */
function honeOutcome(state: KnifeState, next: KnifeState, spec: BladeSpec, limitGf: number): KnifeState['lastHone'] {
  // a test answers what was said before it; later ones show the hours since, not the honing
  if (state.honedMs === null || state.hoursSinceHone > SHOWS_HONE_HOURS) return null
  const stillWorn = Object.values(next.zones).some((zone) => wornForce(zone, spec.dps) > limitGf)
  return stillWorn ? 'not' : 'fully'
}

function afterCheck(state: KnifeState, spec: BladeSpec, event: Happened<'checked'>, limitGf: number): KnifeState {
  const { belief, doubted, workedOn } = observeCheck(state.belief, event.payload, spec, state.doubted, {
    offStone: state.sharpenedMs !== null && state.hoursSinceSharpening < OFF_STONE_HOURS,
    readingLogSd: readingLogSd(state.lessons, readerKey(event), spec.serrated),
    signShare: signShare(state.lessons, event.personId),
  })
  const { sharpening, lessons } = state
  const judged = judgeHand(state, event.payload, spec)
  const says = event.payload.readings.length + event.payload.ladder.length > 0
  const next: KnifeState = {
    ...withBelief(state, belief, spec.dps),
    doubted,
    defects: { ...(event.payload.defects ?? state.defects), glint: glintsAfter(event.payload, state.defects.glint) },
    // looking for chips alone says nothing of how keen it is
    ...(says ? { checkedMs: event.atMs, hoursSinceCheck: 0 } : {}),
    readingCount: state.readingCount + event.payload.readings.length,
    signCount: state.signCount + event.payload.ladder.length,
    reports: 0,
    lessons: addEye(
      addScatter(
        { ...(judged?.lessons ?? lessons), readings: lessons.readings + event.payload.readings.length },
        event,
      ),
      event,
    ),
    sharpening: {
      ...(judged?.sharpening ?? sharpening),
      ...(says ? { claimed: false } : {}),
      ...(workedOn ? { hours: 0, work: 0, personId: null } : {}),
    },
  }
  return says ? { ...next, lastHone: honeOutcome(state, next, spec, limitGf) } : next
}

function afterSharpening(state: KnifeState, spec: BladeSpec, event: Happened<'sharpened'>): KnifeState {
  const {
    finishMicron,
    startGrit,
    recessionMm,
    estimateMm,
    bteMm,
    strokes = { left: 0, right: 0 },
    claimed = false,
  } = event.payload
  const bluntUm = Math.max(
    ...Object.values(state.zones).map((zone) => bluntWidth({ wornAreaUm2: zone.wornAreaUm2, dps: spec.dps })),
  )
  const grains =
    event.payload.grains ?? usualGrains(startGrit === undefined ? null : jisMicron(startGrit), finishMicron)
  const { chip } = state.defects
  const chipMm = chip && !chip.rests && event.payload.chipLeftMm === undefined ? chip.depthMm : undefined
  const steel = applyThinning(
    applyGrinding(state.steel, spec, { bluntUm, grains, chipMm, estimateMm }, recessionMm),
    bteMm,
  )
  return {
    ...withBelief(
      state,
      claimed
        ? resetToClaimed(state.belief, spec.dps, finishMicron)
        : resetToFresh(state.belief, spec.dps, finishMicron),
      spec.dps,
    ),
    doubted: { heel: 0, belly: 0, tip: 0 },
    steel,
    rod: NO_ROD_WORK,
    strokes: { left: state.strokes.left + strokes.left, right: state.strokes.right + strokes.right },
    sharpening: {
      atMs: event.atMs,
      personId: event.personId,
      finishMicron,
      hours: 0,
      work: 0,
      tested: false,
      judged: false,
      claimed,
    },
    reports: 0,
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

/** What an edge from outside is taken to be until somebody reads it: finished at #1000 (common practice), by hands nobody knows. */
const OUTSIDE_MICRON = 11.5

/** A knife back from outside: ground there, or as it went. */
function afterReturn(state: KnifeState, spec: BladeSpec, event: Happened<'returned'>): KnifeState {
  const here = found(state)
  if (!event.payload.ground) return here
  const { id, atMs } = event
  const payload = { finishMicron: OUTSIDE_MICRON, claimed: true }
  return afterSharpening(here, spec, { id, atMs, personId: null, kind: 'sharpened', payload })
}

/** State after one event, the state having been advanced to its time. */
export function applyEvent(before: KnifeState, event: KnifeEvent, spec: BladeSpec, limitGf: number): KnifeState {
  const state = inHand(before, event)
  switch (event.kind) {
    case 'added':
      return { ...state, stationId: event.payload.stationId, holderId: event.payload.holderId }
    case 'checked':
      return afterCheck(state, spec, event, limitGf)
    case 'honed':
      return afterHoning(state, spec, event, limitGf)
    case 'came-back':
      return afterReport(state, spec, event, limitGf)
    case 'sharpened':
      return afterSharpening(state, spec, event)
    case 'measured':
      return { ...state, steel: updateOnMeasurement(state.steel, event.payload) }
    case 'moved':
      return afterMove(state, event, DEFAULT_PRIOR)
    case 'quarantined':
    case 'released':
    case 'retired':
    case 'missing':
    case 'found':
    case 'practice':
    case 'sent-out':
      return afterStatus(state, event, spec)
    case 'returned':
      return afterReturn(state, spec, event)
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
 * Where a knife was before anybody said so: rows from before it was brought in belong to the station and hands
 * it was brought in with.
 */
function firstPlace(events: readonly KnifeEvent[]): Pick<KnifeState, 'stationId' | 'holderId'> {
  const joined = events.find((event) => event.kind === 'added')
  if (joined?.kind !== 'added') return { stationId: null, holderId: null }
  const { stationId, holderId } = joined.payload
  return { stationId, holderId }
}

/**
 * State of a knife from its whole log, in any order, with voided events left out.
 *
 * @param input.untilMs how far to carry the wear, ms since the epoch
 * @param input.limitGf service limit of the knife's role
 * @param input.prior what knives of this kind are like before this one has said anything
 * @param input.onEvent called after each event with the state before and after it
 * @param input.onService called at the end of each service with the state it left
 */
export function foldHistory(
  input: KnifeHistory & {
    readonly prior?: EdgePrior
    readonly onEvent?: (event: KnifeEvent, before: KnifeState, after: KnifeState) => void
    readonly onService?: (service: Occurrence, after: KnifeState) => void
  },
): KnifeState {
  const { spec, usage, untilMs, limitGf, onEvent, onService, prior = DEFAULT_PRIOR } = input
  const events = standingEvents(input.events).filter((event) => event.atMs <= untilMs)
  const declared = declaredUse(events, usage.services)
  const added = events.find((event) => event.kind === 'added')
  const condition = added?.kind === 'added' ? added.payload.condition : 'in-use'
  let state = { ...initialState(spec, events[0]?.atMs ?? untilMs, condition, prior), ...firstPlace(events) }
  const carry = (from: KnifeState, toMs: number): KnifeState => {
    let at = from
    if (onService) {
      const { services } = usage
      for (let next = firstEndingAfter(services, from.atMs); next < services.length; next++) {
        const service = services[next]
        if (!service || service.endMs > toMs) break
        at = advance(at, spec, usage, service.endMs, declared)
        onService(service, at)
      }
    }
    return advance(at, spec, usage, toMs, declared)
  }
  for (const event of events) {
    const before = carry(state, event.atMs)
    state = applyEvent(before, event, spec, limitGf)
    onEvent?.(event, before, state)
  }
  return carry(state, untilMs)
}
