import { BURR_ALLOWANCE_UM } from '../abrasive/removal'
import type { KnifeRole } from '../house/knifeTypes'
import {
  COARSE_GRIT, COARSEST_USUAL_GRIT, FINE_GRIT, MIDDLE_GRIT, recessionToApexUm, stoneCost, THINNING_GRIT, thinningCost,
  type BladeGeometry, type Cost,
} from './cost'
import { edgeForce, wornForce } from './force'
import { honeStrokes, usualHoneTool, type HoneTool } from './hone'
import { AMBER_SHARE, DEFAULT_SERVICE_LIMITS, THICKNESS_GROWTH_LIMIT, THICKNESS_LIMIT_MM } from './limits'
import { forceBand, type KnifeState } from './state'
import { bluntWidth } from './wear'
import { worthOfTest } from './worthOfTest'
import { ZONES, type Zone } from './zones'

export const ACTIONS = [
  'quarantine', 'repair', 'check', 'stone', 'thin', 'change-role', 'touch-up', 'hone', 'none',
] as const
export type Action = (typeof ACTIONS)[number]

/** Why, as a code with values: sentences are made from the catalogue. */
export interface Reason {
  readonly code:
    | 'handle-loose' | 'cracked' | 'tip-gone' | 'tip-bent' | 'burr-left'
    | 'chip' | 'bent' | 'worn' | 'hone-failed' | 'glint'
    | 'thick' | 'thickened' | 'wedges' | 'short' | 'straddles' | 'never-read'
    | 'tiring' | 'daily' | 'keen' | 'brittle'
  readonly values: Readonly<Record<string, number | string>>
}

export interface Step {
  readonly action: Action
  readonly reasons: readonly Reason[]
  readonly cost: Cost
  /** JIS grit to begin with, where a stone is involved */
  readonly startGrit: number | null
  readonly tool: HoneTool | null
  readonly dps: number
}

export interface Verdict extends Step {
  readonly runnerUp: Step | null
  readonly worstZone: Zone
}

export interface VerdictRules {
  readonly limitGf: number
  readonly amberShare: number
  readonly thicknessLimitMm: number
  readonly thicknessGrowth: number
  /** chips at least this deep start on a coarse stone, mm */
  readonly coarseChipMm: number
  /** blunt width from which the first stone is coarse, µm */
  readonly coarseBluntUm: number
  /** roll below which a daily hone is not worth the strokes */
  readonly honeFromRoll: number
  /** hours of use during which nobody is asked to hone again */
  readonly honeHoldsHours: number
  /** what a service with a dull knife costs, in minutes of work */
  readonly dullServiceMinutes: number
  /** what each µm of edge height is worth, in minutes of work */
  readonly steelMinutesPerUm: number
  /** share of a session's minutes that is lost when the edge was still fit: its life was not over */
  readonly earlyShare: number
  /** minutes of a force test, and its scatter as log standard deviation */
  readonly testMinutes: number
  readonly testLogSd: number
}

export function defaultRules(role: KnifeRole, limits: Readonly<Record<KnifeRole, number>> = DEFAULT_SERVICE_LIMITS): VerdictRules {
  return {
    limitGf: limits[role],
    amberShare: AMBER_SHARE,
    thicknessLimitMm: THICKNESS_LIMIT_MM[role],
    thicknessGrowth: THICKNESS_GROWTH_LIMIT,
    coarseChipMm: 0.2,
    coarseBluntUm: 15,
    honeFromRoll: 0.12,
    honeHoldsHours: 0.5,
    // assumed, like all below: a house that minds its steel or its services more says so
    dullServiceMinutes: 20,
    steelMinutesPerUm: 0.05,
    earlyShare: 0.4,
    testMinutes: 1,
    testLogSd: 0.1,
  }
}

const NO_COST: Cost = { minutes: 0, strokesPerSide: 0, steelUm: 0 }

function honeStep(state: KnifeState, blade: BladeGeometry, worst: Zone, reasons: readonly Reason[]): Step {
  const tool = usualHoneTool(blade.hrc)
  const brittle: Reason[] = tool === 'strop' ? [{ code: 'brittle', values: { hrc: blade.hrc } }] : []
  return {
    action: 'hone',
    reasons: [...reasons, ...brittle],
    cost: { minutes: 1, strokesPerSide: honeStrokes(state.zones[worst].roll), steelUm: 0 },
    startGrit: null,
    tool,
    dps: blade.dps,
  }
}

function stoneStep(state: KnifeState, blade: BladeGeometry, reasons: readonly Reason[], coarse: boolean): Step {
  const startGrit = coarse ? COARSE_GRIT : MIDDLE_GRIT
  const blunt = Math.max(...ZONES.map((zone) => bluntWidth({ ...state.zones[zone], dps: blade.dps })))
  return {
    action: 'stone',
    reasons,
    cost: stoneCost(blade, recessionToApexUm(blunt, blade.dps), startGrit),
    startGrit,
    tool: null,
    dps: blade.dps,
  }
}

/**
 * One next action for a knife, with reasons and the runner-up, in this order: unsafe → quarantine;
 * chip → repair; dull and bent → hone; honing did not help, or worn past the limit → stone (check
 * first when the reckoning alone cannot tell); too thick → thin; too short → another role; worn but
 * in limit → touch-up; otherwise the daily hone, or nothing.
 *
 * @param state the knife now, wear carried up to this moment
 * @param geometry measurements in mm, angle in dps, hardness in HRC
 * @param role what the knife is for, which sets its limits
 * @param rules the house's own; {@link defaultRules} of the role unless given
 */
export function verdict(
  state: KnifeState,
  geometry: BladeGeometry,
  role: KnifeRole,
  rules: VerdictRules = defaultRules(role),
): Verdict {
  const steps = candidates(state, geometry, role, rules)
  const [first, second] = steps
  const none: Step = { action: 'none', reasons: [], cost: NO_COST, startGrit: null, tool: null, dps: geometry.dps }
  return { ...(first ?? none), runnerUp: second ?? null, worstZone: worstZone(state, geometry.dps) }
}

export function worstZone(state: KnifeState, dps: number): Zone {
  return [...ZONES].sort((a, b) => edgeForce(state.zones[b], dps) - edgeForce(state.zones[a], dps))[0] ?? 'belly'
}

/** Every action that has a reason, most pressing first. */
function candidates(state: KnifeState, blade: BladeGeometry, role: KnifeRole, rules: VerdictRules): Step[] {
  const worst = worstZone(state, blade.dps)
  return [
    ...unsafe(state, blade),
    ...chipped(state, blade, rules),
    ...dull(state, blade, worst, rules),
    ...thick(state, blade, rules),
    ...short(blade, role),
    ...tiring(state, blade, worst, rules),
    ...daily(state, blade, worst, rules),
  ]
}

function unsafe({ defects }: KnifeState, blade: BladeGeometry): Step[] {
  const reasons: Reason[] = []
  if (defects.handleLoose) reasons.push({ code: 'handle-loose', values: {} })
  if (defects.cracked) reasons.push({ code: 'cracked', values: {} })
  if (defects.tipGone) reasons.push({ code: 'tip-gone', values: {} })
  if (reasons.length === 0) return []
  return [{ action: 'quarantine', reasons, cost: NO_COST, startGrit: null, tool: null, dps: blade.dps }]
}

function chipped({ defects }: KnifeState, blade: BladeGeometry, rules: VerdictRules): Step[] {
  const steps: Step[] = []
  // what was left on purpose goes with the next sessions
  if (defects.chip && !defects.chip.rests) {
    const { zone, depthMm } = defects.chip
    const startGrit = depthMm >= rules.coarseChipMm ? COARSEST_USUAL_GRIT : COARSE_GRIT
    steps.push({
      action: 'repair',
      reasons: [{ code: 'chip', values: { zone, depthMm } }],
      cost: stoneCost(blade, depthMm * 1000 + BURR_ALLOWANCE_UM, startGrit),
      startGrit,
      tool: null,
      dps: blade.dps,
    })
  }
  if (defects.tipBent) {
    steps.push({
      action: 'repair',
      reasons: [{ code: 'tip-bent', values: {} }],
      cost: { minutes: 10, strokesPerSide: 0, steelUm: 0 },
      startGrit: COARSE_GRIT,
      tool: null,
      dps: blade.dps,
    })
  }
  return steps
}

function dull(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Step[] {
  const zone = state.zones[worst]
  const forceGf = Math.round(edgeForce(zone, blade.dps))
  const values = { zone: worst, forceGf, limitGf: rules.limitGf }
  const glints = state.defects.glint
  const over = edgeForce(zone, blade.dps) > rules.limitGf
  const wornOver = wornForce(zone, blade.dps) > rules.limitGf
  const honeFailed = over && state.lastHone === 'not'
  const coarse = glints.length > 0 || bluntWidth({ ...zone, dps: blade.dps }) >= rules.coarseBluntUm
  const reasons: Reason[] = []
  if (glints.length > 0) reasons.push({ code: 'glint', values: { zone: glints.join(' ') } })
  if (honeFailed) reasons.push({ code: 'hone-failed', values })
  if (wornOver) reasons.push({ code: 'worn', values })
  const honeIsNext = over && reasons.length === 0
  const bent: Reason = { code: 'bent', values }
  const stone = stoneStep(state, blade, honeIsNext ? [bent] : reasons, coarse)
  // honing it once more tells nothing that a test does not tell better
  if (honeIsNext && justHoned(state, rules)) return [checkStep(state, blade, worst, rules), stone]
  if (honeIsNext) return [honeStep(state, blade, worst, [bent]), stone]
  const unsure = glints.length === 0 ? unsureStep(state, blade, worst, rules) : null
  if (unsure) return reasons.length > 0 ? [unsure, stone] : [unsure]
  return reasons.length > 0 ? [stone] : []
}

/**
 * A one-minute test before a session, when it is expected to save more than it costs. Neither a fresh
 * reading nor a certain edge makes it worth doing.
 */
function unsureStep(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Step | null {
  const zone = state.zones[worst]
  const session = stoneStep(state, blade, [], false).cost
  const { worthMinutes } = worthOfTest({
    forceGf: edgeForce(zone, blade.dps),
    logSd: zone.logSd,
    limitGf: rules.limitGf,
    testLogSd: rules.testLogSd,
    stakes: {
      needlessSession: rules.earlyShare * session.minutes + rules.steelMinutesPerUm * session.steelUm,
      dullService: rules.dullServiceMinutes,
      test: rules.testMinutes,
    },
  })
  return worthMinutes > 0 ? checkStep(state, blade, worst, rules) : null
}

function checkStep(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Step {
  const band = forceBand(state.zones[worst], blade.dps)
  const values = { zone: worst, lowGf: Math.round(band.lowGf), highGf: Math.round(band.highGf), limitGf: rules.limitGf }
  return {
    action: 'check',
    reasons: [{ code: state.readingCount === 0 ? 'never-read' : 'straddles', values }],
    cost: { minutes: rules.testMinutes, strokesPerSide: 0, steelUm: 0 },
    startGrit: null,
    tool: null,
    dps: blade.dps,
  }
}

function thick({ defects }: KnifeState, blade: BladeGeometry, rules: VerdictRules): Step[] {
  const overLimit = blade.bteMm > rules.thicknessLimitMm
  const grown = blade.bteMm > blade.bteWhenNewMm * (1 + rules.thicknessGrowth)
  const wedges = defects.wedges === true
  if (!overLimit && !grown && !wedges) return []
  const reason: Reason = {
    code: overLimit ? 'thick' : grown ? 'thickened' : 'wedges',
    values: { bteMm: blade.bteMm, limitMm: rules.thicknessLimitMm, newMm: blade.bteWhenNewMm },
  }
  return [
    {
      action: 'thin',
      reasons: [reason],
      // what wedges without being thick by the table is thinned by a tenth
      cost: thinningCost(overLimit || grown ? blade : { ...blade, bteWhenNewMm: 0.9 * blade.bteMm }),
      startGrit: THINNING_GRIT,
      tool: null,
      dps: blade.dps,
    },
  ]
}

function short(blade: BladeGeometry, role: KnifeRole): Step[] {
  if (blade.heelHeightMm >= blade.minimumHeightMm) return []
  return [
    {
      action: 'change-role',
      reasons: [{ code: 'short', values: { heightMm: blade.heelHeightMm, minimumMm: blade.minimumHeightMm, role } }],
      cost: NO_COST,
      startGrit: null,
      tool: null,
      dps: blade.dps,
    },
  ]
}

/** In limit, but honing alone would leave it tiring: a fine stone now saves a coarse one later. */
function tiring(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Step[] {
  const worn = wornForce(state.zones[worst], blade.dps)
  if (worn <= rules.limitGf * rules.amberShare || worn > rules.limitGf) return []
  const blunt = bluntWidth({ ...state.zones[worst], dps: blade.dps })
  return [
    {
      action: 'touch-up',
      reasons: [{ code: 'tiring', values: { zone: worst, forceGf: Math.round(worn), limitGf: rules.limitGf } }],
      cost: stoneCost(blade, recessionToApexUm(blunt, blade.dps) / 2, FINE_GRIT),
      startGrit: FINE_GRIT,
      tool: null,
      dps: blade.dps,
    },
  ]
}

const justHoned = (state: KnifeState, rules: VerdictRules): boolean =>
  state.honedMs !== null && state.hoursSinceHone < rules.honeHoldsHours

function daily(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Step[] {
  const forceGf = Math.round(edgeForce(state.zones[worst], blade.dps))
  if (state.defects.burrLeft) {
    return [honeStep(state, blade, worst, [{ code: 'burr-left', values: { zone: worst } }])]
  }
  if (state.zones[worst].roll < rules.honeFromRoll || justHoned(state, rules)) return []
  return [honeStep(state, blade, worst, [{ code: 'daily', values: { zone: worst, forceGf } }])]
}
