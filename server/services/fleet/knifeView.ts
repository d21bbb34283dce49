import type { KnifeView, RecommendationView } from '../../../contract/knives'
import { firstDull, forecastEdge, rotaAhead, usualUse, type EdgeForecast } from '../../../core/edge/forecast/forecast'
import { steelAhead, type DateBand } from '../../../core/edge/forecast/steelAhead'
import { advance } from '../../../core/edge/log/history'
import { workAt, type UsageContext } from '../../../core/edge/log/usage'
import { isJudgementDue } from '../../../core/edge/log/judgeHand'
import { presentBlade } from '../../../core/edge/log/presentBlade'
import { forceBand, isSeen, type KnifeState } from '../../../core/edge/log/state'
import { angleMismatch, type HoneTool } from '../../../core/edge/model/hone'
import { asksBone } from '../../../core/edge/model/strain'
import { edgeWord, worstWord } from '../../../core/edge/model/scale'
import { bluntWidth } from '../../../core/edge/model/wear'
import {
  defaultRules,
  verdict,
  type Action,
  type Recommendation,
  type VerdictRules,
} from '../../../core/edge/verdict/verdict'
import { honingNow } from '../../../core/edge/verdict/edgeSteps'
import { followPolicy, type PolicyVerdict } from '../../../core/policy/followPolicy'
import { policyFor, type Policy } from '../../../core/policy/policy'
import { knownBlade, type KnownBlade } from '../../../core/knife/blade'
import { thicknessLimitMm } from '../../../core/knife/limits'
import { ZONES, type Zone } from '../../../core/knife/zones'
import type { SessionPlan } from '../../../core/session/plan'
import { symmetry } from '../../../core/session/symmetry'
import { DAY_MS } from '../../../core/time'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import type { StoredHouse } from '../../db/queries/house/houses'
import { NOBODY_YET, stonesAt, usualSession, type Bench } from '../shelf/layOutSession'
import type { SimilarKnives } from './similarKnives'

/** What reading a knife needs beside the knife itself. */
export interface HouseSnapshot {
  readonly house: StoredHouse
  readonly usage: UsageContext
  readonly similar: SimilarKnives
  /** what stands at the bench, and how this house uses it */
  readonly bench: Bench
  /** what people hone with, by person */
  readonly honeTools: ReadonlyMap<string, HoneTool>
  /** angles people really work at, degrees per side, by person */
  readonly workingDps: ReadonlyMap<string, number>
  readonly nowMs: number
}

/** A knife carried up to now: its blade as it is, its state, and the services ahead of it. */
export interface PresentKnife {
  readonly blade: KnownBlade
  readonly rules: VerdictRules
  readonly state: KnifeState
  readonly forecast: EdgeForecast
  /** how often its house sharpens such a knife */
  readonly policy: Policy
  /**
   * since when its edge is as it is: from the stone, or, of one that was on none here, from its maker (common practice: a
   * knife comes sharp); null when nobody knows
   */
  readonly edgeSinceMs: number | null
}

const instant = (ms: number): string => new Date(ms).toISOString()
const instantOrNull = (ms: number | null | undefined): string | null =>
  ms === null || ms === undefined ? null : instant(ms)
const tenth = (value: number): number => Math.round(value * 10) / 10
const hundredth = (value: number): number => Math.round(value * 100) / 100
const bandView = (band: DateBand | null): KnifeView['thinningDue'] =>
  band && { earlyAt: instant(band.earlyMs), middleAt: instant(band.middleMs), lateAt: instant(band.lateMs) }
/** How far ahead edges are forecast. */
export const OUTLOOK_MS = 14 * DAY_MS
/** Services shown ahead of a knife in lists; its own page shows all of the outlook. */
const SERVICES_IN_LISTS = 4
/** From so many readings on a knife speaks for itself. */
const OWN_READINGS = 3

/** A blade where it works now: bone and frozen food ask more of a thin edge, whatever kind of knife it is. */
function atStation(blade: KnownBlade, usage: UsageContext, { stationId, atMs }: KnifeState): KnownBlade {
  const periods = stationId === null ? undefined : usage.stations.get(stationId)
  const product = periods && workAt(periods, atMs)?.product
  return product && asksBone(product) ? { ...blade, geometry: { ...blade.geometry, onBone: true } } : blade
}

/**
 * The present state of a knife, similar knives and the rota taken in.
 *
 * @param outlook `whole` forecasts every service of the outlook; `until-dull` stops when the knife is almost surely dull
 */
export function presentKnife(
  knife: StoredKnife,
  stored: KnifeState,
  snapshot: HouseSnapshot,
  outlook: 'whole' | 'until-dull',
): PresentKnife {
  const described = knownBlade(knife)
  const { usage, similar, house, nowMs, workingDps, honeTools } = snapshot
  const state = advance(similar.inform(knife, stored), described.spec, usage, nowMs)
  const blade = atStation(presentBlade(described, state.steel), usage, state)
  const limitGf = house.serviceLimits[blade.role]
  const honeTool = (state.holderId === null ? undefined : honeTools.get(state.holderId)) ?? null
  const usual = defaultRules(blade.role, house.serviceLimits)
  const shelf = stonesAt(snapshot.bench, NOBODY_YET)
  const rules = {
    ...usual,
    ...(shelf.length > 0 ? { stones: shelf } : {}),
    thicknessLimitMm: thicknessLimitMm(knife.type),
    honeTool,
  }
  const inUse = state.status === 'in-service' && state.stationId !== null
  const services = usage.services.filter((service) => service.startMs < nowMs + OUTLOOK_MS)
  const ahead = inUse
    ? rotaAhead(usage.stations.get(state.stationId ?? ''), services, nowMs, similar.shift(knife, stored))
    : []
  const use = usualUse(blade.spec, limitGf, ahead)
  const working = state.holderId === null ? undefined : workingDps.get(state.holderId)
  const hone = use.hone && {
    tool: honeTool ?? use.hone.tool,
    ...(working === undefined ? {} : { mismatchDps: working - blade.spec.dps }),
  }
  return {
    blade,
    rules,
    state,
    policy: policyFor(house.policies, {
      type: knife.type,
      stationId: state.stationId,
      holderId: state.holderId,
    }),
    edgeSinceMs: state.sharpenedMs ?? (knife.boughtOn === null ? null : Date.parse(knife.boughtOn)),
    forecast: forecastEdge(state, { ...use, hone, ...(outlook === 'until-dull' ? { untilSure: 'knife' } : {}) }),
  }
}

/** The next action for a knife: by its edge, as far as the house's rule leaves that to the edge. */
export function nextStep({ state, blade, rules, policy, edgeSinceMs }: PresentKnife, nowMs: number): PolicyVerdict {
  const step = verdict(state, blade.geometry, blade.role, rules)
  return followPolicy(step, policy, {
    nowMs,
    sharpenedMs: edgeSinceMs,
    hoursSinceSharpening: state.hoursSinceSharpening,
    hone: honingNow(state, blade.geometry, step.worstZone, rules),
  })
}

function mismatchOf({ state, blade }: PresentKnife, workingDps: ReadonlyMap<string, number>): KnifeView['mismatch'] {
  const working = state.holderId === null ? undefined : workingDps.get(state.holderId)
  if (working === undefined) return null
  const { does, mismatchDps, reach } = angleMismatch({ workingDps: working, edgeDps: blade.spec.dps })
  return does === 'nothing'
    ? null
    : { workingDps: working, mismatchDps: tenth(mismatchDps), does, reach: hundredth(reach) }
}

/** Actions done on stones: which first, and how long, the shelf of the house decides. */
const ON_STONES: ReadonlySet<Action> = new Set(['stone', 'touch-up', 'repair', 'thin'])

function recommendationView(
  knife: StoredKnife,
  present: PresentKnife,
  bench: Bench,
  step: Recommendation,
): RecommendationView {
  const { action, cost, startGrit, tool, dps } = step
  const session = ON_STONES.has(action) ? usualSession(bench, { knife, present, action }) : null
  const first = bench.gear.find(({ id }) => id === session?.stages[0]?.stone.id)
  return {
    action,
    // teeth meet no stone, whatever the verdict would begin a plain edge on
    startGrit: session && session.stages.length === 0 ? null : startGrit,
    tool,
    dps,
    reasons: step.reasons.map(({ code, values }) => ({ code, values: { ...values } })),
    startStone: first?.name ?? null,
    cost: session ? costOfSession(session, cost) : cost,
  }
}

/** What a step costs as its session is laid out: the same minutes here, in the week and at the bench. */
const costOfSession = (
  { minutes, takesUm, stages }: SessionPlan,
  cost: Recommendation['cost'],
): Recommendation['cost'] => ({
  minutes,
  strokesPerSide: stages.reduce((sum, { strokesPerSide }) => sum + strokesPerSide, 0),
  steelUm: takesUm === null ? cost.steelUm : Math.round(takesUm),
})

function aheadView({ forecast }: PresentKnife): Pick<KnifeView, 'dullAhead' | 'servicesAhead' | 'toLimit'> {
  const dull = firstDull(forecast)
  const { early, middle, late } = forecast.toLimit
  return {
    dullAhead: dull ? { zone: dull.worstZone, serviceName: dull.name, startsAt: instant(dull.startMs) } : null,
    servicesAhead: forecast.services.slice(0, SERVICES_IN_LISTS).map((service) => ({
      serviceName: service.name,
      startsAt: instant(service.startMs),
      zone: service.worstZone,
      chanceDull: hundredth(service.chanceDull),
    })),
    toLimit: {
      earlyAt: instantOrNull(early?.atMs),
      middleAt: instantOrNull(middle?.atMs),
      lateAt: instantOrNull(late?.atMs),
    },
  }
}

function steelView({ state, blade, rules }: PresentKnife): Pick<KnifeView, 'thinningDue' | 'wornOut'> {
  const thickestMm = Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm * (1 + rules.thicknessGrowth))
  const { thinningDue, wornOut } = steelAhead(state, blade.spec, blade.geometry, thickestMm)
  return { thinningDue: bandView(thinningDue), wornOut: bandView(wornOut) }
}

/** A knife as screens see it: its description, and everything its log and similar knives say about it now. */
export function knifeView(knife: StoredKnife, stored: KnifeState, snapshot: HouseSnapshot): KnifeView {
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { blade, rules, state } = present
  const seen = isSeen(state)
  const condition = (zone: Zone): KnifeView['zones'][Zone] => {
    const band = forceBand(state.zones[zone], blade.spec.dps)
    return {
      forceGf: Math.round(band.forceGf),
      lowGf: Math.round(band.lowGf),
      highGf: Math.round(band.highGf),
      word: seen ? edgeWord(band.forceGf, rules.limitGf) : 'unseen',
      bluntUm: tenth(bluntWidth({ wornAreaUm2: state.zones[zone].wornAreaUm2, dps: blade.spec.dps })),
      roll: hundredth(state.zones[zone].roll),
    }
  }
  const zones = { heel: condition('heel'), belly: condition('belly'), tip: condition('tip') }
  const { runnerUp, worstZone, byCondition, ...step } = nextStep(present, snapshot.nowMs)
  const view = (one: Recommendation): RecommendationView => recommendationView(knife, present, snapshot.bench, one)
  return {
    ...knife,
    ...blade.measures,
    heelHeightMm: tenth(blade.measures.heelHeightMm),
    bteMm: hundredth(blade.measures.bteMm),
    assumed: [...blade.assumed],
    role: blade.role,
    limitGf: rules.limitGf,
    stationId: state.stationId ?? '',
    holderId: state.holderId,
    status: state.status,
    statusReason: state.statusReason,
    statusSince: instant(state.statusSinceMs),
    zones,
    word: seen ? worstWord(ZONES.map((zone) => edgeWord(zones[zone].forceGf, rules.limitGf))) : 'unseen',
    worstZone,
    defects: { ...state.defects, glint: [...state.defects.glint] },
    sharpenedAt: instantOrNull(state.sharpenedMs),
    honedAt: instantOrNull(state.honedMs),
    checkedAt: instantOrNull(state.checkedMs),
    hoursSinceHone: tenth(state.hoursSinceHone),
    hoursSinceSharpening: tenth(state.hoursSinceSharpening),
    judgeDue: seen && state.status === 'in-service' && isJudgementDue(state),
    readingCount: state.readingCount,
    signCount: state.signCount,
    seen,
    verdict: {
      ...view(step),
      runnerUp: runnerUp && view(runnerUp),
      byCondition: byCondition && view(byCondition),
    },
    honing: present.policy.honing,
    ...aheadView(present),
    knownFrom: state.readingCount + state.signCount >= OWN_READINGS ? 'own' : 'similar',
    mismatch: mismatchOf(present, snapshot.workingDps),
    symmetry: symmetry(state.strokes, knife.ratioRight),
    ...steelView(present),
  }
}
