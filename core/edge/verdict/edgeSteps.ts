import type { BladeGeometry } from '../../knife/bladeGeometry'
import { ZONES, type Zone } from '../../knife/zones'
import { OFF_STONE_HOURS } from '../log/judgeHand'
import { chanceOver, forceBand, type KnifeState } from '../log/state'
import { edgeForce, wornForce } from '../model/force'
import { honeEffect, honeStrokes, isRodSpent, usualHoneTool, type HoneTool } from '../model/hone'
import { LADDER_FORCE, settlingSign } from '../model/ladder'
import { grindingStep } from './grindingStep'
import type { Reason, Recommendation, VerdictRules } from './recommendation'
import { valueOfTest } from './valueOfTest'

/** What this knife is honed with: the holder's own tool, unless it is a steel that would chip the blade. */
const toolFor = ({ hrc }: BladeGeometry, { honeTool }: VerdictRules): HoneTool =>
  honeTool === null || honeEffect({ tool: honeTool, hrc }).chippingRisk ? usualHoneTool(hrc) : honeTool

function honeStep(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  reasons: readonly Reason[],
  rules: VerdictRules,
): Recommendation {
  const tool = toolFor(blade, rules)
  const brittle: Reason[] = honeEffect({ tool: 'smooth-steel', hrc: blade.hrc }).chippingRisk
    ? [{ code: 'brittle', values: { hrc: blade.hrc } }]
    : []
  return {
    action: 'hone',
    reasons: [...reasons, ...brittle],
    cost: { minutes: 1, strokesPerSide: honeStrokes(state.zones[worst].roll), steelUm: 0 },
    startGrit: null,
    tool,
    dps: blade.dps,
  }
}

const stoneStep = (
  state: KnifeState,
  blade: BladeGeometry,
  reasons: readonly Reason[],
  rules: VerdictRules,
): Recommendation => grindingStep('stone', state, blade, reasons, rules)

/** What the reckoning says of an edge against its limit, at the zone that is worst. */
interface Standing {
  readonly zone: Zone
  readonly forceGf: number
  readonly over: boolean
  /** chance that what only a stone can lower is past the limit, at the zone where it is likeliest */
  readonly wornZone: Zone
  readonly wornChance: number
}

function standingOf(state: KnifeState, dps: number, worst: Zone, limitGf: number): Standing {
  const wornChance = (zone: Zone): number =>
    chanceOver(wornForce(state.zones[zone], dps), state.zones[zone].wornLogSd, limitGf)
  const wornZone = ZONES.reduce((a, b) => (wornChance(b) > wornChance(a) ? b : a))
  const forceGf = edgeForce(state.zones[worst], dps)
  return { zone: worst, forceGf, over: forceGf > limitGf, wornZone, wornChance: wornChance(wornZone) }
}

/**
 * Dull, glinting, or not known well enough to leave: in the order in which a sharpener would say it. What was seen
 * comes before what is reckoned; a stone is taken to what is worn, a rod to what is bent; a test is asked for only
 * where it can change what is done, and not within an hour of the last one.
 */
export function dullEdgeSteps(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation[] {
  const standing = standingOf(state, blade.dps, worst, rules.limitGf)
  return (
    seenDullSteps(state, blade, standing, rules) ??
    unseenSteps(state, blade, standing, rules) ??
    wornSteps(state, blade, standing, rules) ??
    bentSteps(state, blade, standing, rules) ??
    []
  )
}

const valuesOf = ({ zone, forceGf }: Standing, { limitGf }: VerdictRules): Reason['values'] => ({
  zone,
  forceGf: Math.round(forceGf),
  limitGf,
})

/** What somebody saw: a bright line under the lamp, a high reading right off the stone, an edge that did not come back. */
function seenDullSteps(
  state: KnifeState,
  blade: BladeGeometry,
  standing: Standing,
  rules: VerdictRules,
): Recommendation[] | null {
  const values = valuesOf(standing, rules)
  const stone = (reasons: readonly Reason[]): Recommendation => stoneStep(state, blade, reasons, rules)
  const { glint } = state.defects
  if (glint.length > 0) {
    const failed: Reason[] = state.lastHone === 'not' ? [{ code: 'hone-failed', values }] : []
    return [stone([{ code: 'glint', values: { zone: glint.join(' ') } }, ...failed])]
  }
  if (isNotAtApex(state, standing, rules)) return [stone([{ code: 'not-at-apex', values }])]
  if (state.lastHone !== 'not') return null
  const failed: Reason = { code: 'hone-failed', values }
  const needsStone = stone([failed])
  // somebody said so: next is a test or the stone, however little the reckoning agrees
  if (standing.over || standing.wornChance > rules.stoneFromChance || isJustChecked(state, rules)) return [needsStone]
  return [{ ...checkStep(state, blade, standing.zone, rules), reasons: [failed] }, needsStone]
}

/** High right off a stone: the apex was not reached, or a burr stands on it; it cannot be bent yet. */
const isNotAtApex = (state: KnifeState, { forceGf }: Standing, rules: VerdictRules): boolean =>
  state.sharpenedMs !== null &&
  isLookedAt(state) &&
  state.checkedMs !== null &&
  state.checkedMs >= state.sharpenedMs &&
  state.hoursSinceSharpening < OFF_STONE_HOURS &&
  forceGf > rules.amberShare * rules.limitGf

/** Has anybody read this knife, with a tester or by a sign? */
const isLookedAt = (state: KnifeState): boolean => state.readingCount + state.signCount > 0

/** Nobody has looked, or a session was only claimed: nothing is called dull as a fact before one sign is seen. */
function unseenSteps(
  state: KnifeState,
  blade: BladeGeometry,
  standing: Standing,
  rules: VerdictRules,
): Recommendation[] | null {
  const claimed = state.sharpening.claimed
  if (!claimed && (isLookedAt(state) || !isUnsure(state, blade, standing, rules))) return null
  const check = checkStep(state, blade, standing.zone, rules)
  return claimed ? [{ ...check, reasons: [{ code: 'claimed', values: valuesOf(standing, rules) }] }] : [check]
}

/**
 * Would a look at this edge settle something? One that came in from use is asked about at once; a known one when it
 * is likelier than not to want a stone. What only a rod would mend is no reason to test.
 */
function isUnsure(
  state: KnifeState,
  blade: BladeGeometry,
  { wornZone, wornChance }: Standing,
  rules: VerdictRules,
): boolean {
  if (!state.sharpening.tested) return wornChance > rules.strangerChance
  const worn = wornForce(state.zones[wornZone], blade.dps)
  return worn > rules.unseenShare * rules.amberShare * rules.limitGf
}

/** Worn past the limit, or likely to be: to the stone, after a test where one may save the session. */
function wornSteps(
  state: KnifeState,
  blade: BladeGeometry,
  standing: Standing,
  rules: VerdictRules,
): Recommendation[] | null {
  const { wornZone, wornChance } = standing
  const tool = toolFor(blade, rules)
  const spent = wornChance > rules.rodSpentChance && isRodSpent(state.rod, tool)
  if (wornChance <= rules.askFromChance && !spent) return null
  const zone = state.zones[wornZone]
  const values = { zone: wornZone, forceGf: Math.round(wornForce(zone, blade.dps)), limitGf: rules.limitGf, tool }
  const reasons: Reason[] = [{ code: spent ? 'rod-spent' : 'worn', values }]
  const stone = stoneStep(state, blade, reasons, rules)
  if (isJustChecked(state, rules)) return wornChance > 0.5 || spent ? [stone] : null
  return testIsWorthIt(state, blade, wornZone, rules) ? [checkStep(state, blade, wornZone, rules), stone] : [stone]
}

/** Over the limit because of what is bent: hone it, and test it after; once is enough. */
function bentSteps(
  state: KnifeState,
  blade: BladeGeometry,
  standing: Standing,
  rules: VerdictRules,
): Recommendation[] | null {
  if (!standing.over) return null
  const bent: Reason = { code: 'bent', values: valuesOf(standing, rules) }
  // worn so far that honing would bring it back for an hour and not through the service
  if (wornForce(state.zones[standing.zone], blade.dps) > rules.amberShare * rules.limitGf)
    return [stoneStep(state, blade, [{ code: 'past-a-hone', values: valuesOf(standing, rules) }], rules)]
  const stone = stoneStep(state, blade, [bent], rules)
  if (!isJustHoned(state, rules)) return [honeStep(state, blade, standing.zone, [bent], rules), stone]
  // honing it once more tells nothing that a test does not tell better
  return isJustChecked(state, rules) ? [stone] : [checkStep(state, blade, standing.zone, rules), stone]
}

const isJustChecked = (state: KnifeState, rules: VerdictRules): boolean =>
  isLookedAt(state) && state.checkedMs !== null && state.hoursSinceCheck < rules.checkHoldsHours

/** Minutes a look at a zone is expected to save above its own, before deciding whether it goes to the stone. */
function valueAt(
  state: KnifeState,
  blade: BladeGeometry,
  wornZone: Zone,
  rules: VerdictRules,
  look: { readonly logSd: number; readonly minutes: number },
): number {
  const zone = state.zones[wornZone]
  const session = stoneStep(state, blade, [], rules).cost
  return valueOfTest({
    forceGf: wornForce(zone, blade.dps),
    logSd: zone.wornLogSd,
    limitGf: rules.limitGf,
    testLogSd: look.logSd,
    stakes: {
      needlessSession: rules.earlyShare * session.minutes + rules.steelMinutesPerUm * session.steelUm,
      dullService: rules.dullServiceMinutes,
      test: look.minutes,
    },
  }).valueMinutes
}

/** A one-minute test before a session, when it is expected to save more than it costs. */
const testIsWorthIt = (state: KnifeState, blade: BladeGeometry, wornZone: Zone, rules: VerdictRules): boolean =>
  valueAt(state, blade, wornZone, rules, { logSd: rules.testLogSd, minutes: rules.testMinutes }) > 0

/** An everyday sign is seen in so many minutes (common practice). */
const SIGN_MINUTES = 0.5

/** Minutes of needless work and dull service that one everyday sign of an edge is expected to save, ≥ 0. */
export function valueOfSign(state: KnifeState, blade: BladeGeometry, rules: VerdictRules): number {
  const look = { logSd: LADDER_FORCE[settlingSign(rules.limitGf)].logSd, minutes: SIGN_MINUTES }
  return Math.max(0, ...ZONES.map((zone) => valueAt(state, blade, zone, rules, look)))
}

function checkStep(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Recommendation {
  const band = forceBand(state.zones[worst], blade.dps)
  const values = {
    zone: worst,
    lowGf: Math.round(band.lowGf),
    highGf: Math.round(band.highGf),
    limitGf: rules.limitGf,
    // for a house without a tester, and quicker in one that has it
    sign: settlingSign(rules.limitGf),
  }
  return {
    action: 'check',
    reasons: [isLookedAt(state) ? { code: 'straddles', values } : { code: 'never-read', values }],
    cost: { minutes: rules.testMinutes, strokesPerSide: 0, steelUm: 0 },
    startGrit: null,
    tool: null,
    dps: blade.dps,
  }
}

/** In limit, but honing alone would leave it tiring: a fine stone now saves a coarse one later. */
export function tiringEdgeSteps(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation[] {
  const worn = wornForce(state.zones[worst], blade.dps)
  // a look comes first where there never was one
  if (!isLookedAt(state) || worn <= rules.limitGf * rules.amberShare || worn > rules.limitGf) return []
  const tiring: Reason = {
    code: 'tiring',
    values: { zone: worst, forceGf: Math.round(worn), limitGf: rules.limitGf },
  }
  return [grindingStep('touch-up', state, blade, [tiring], rules)]
}

const isJustHoned = (state: KnifeState, rules: VerdictRules): boolean =>
  state.honedMs !== null && state.hoursSinceHone < rules.honeHoldsHours

/** In limit: the honing of every day, or a burr that was left. */
export function dailyHoningSteps(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation[] {
  const forceGf = Math.round(edgeForce(state.zones[worst], blade.dps))
  if (state.defects.burrLeft) {
    return [honeStep(state, blade, worst, [{ code: 'burr-left', values: { zone: worst } }], rules)]
  }
  if (state.zones[worst].roll < rules.honeFromRoll || isJustHoned(state, rules)) return []
  return [honeStep(state, blade, worst, [{ code: 'daily', values: { zone: worst, forceGf } }], rules)]
}

/** How an edge would be honed now, whatever else it wants; null where a rod would find nothing to bring back. */
export const honingNow = (
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation | null =>
  state.zones[worst].roll < rules.honeFromRoll || isJustHoned(state, rules)
    ? null
    : honeStep(state, blade, worst, [], rules)
