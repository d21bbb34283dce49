import { recessionToApexUm } from '../../abrasive/removal'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import { ZONES, type Zone } from '../../knife/zones'
import { forceBand, type KnifeState } from '../log/state'
import { edgeForce, wornForce } from '../model/force'
import { honeStrokes, usualHoneTool } from '../model/hone'
import { bluntWidth } from '../model/wear'
import { COARSE_GRIT, FINE_GRIT, MIDDLE_GRIT, stoneCost } from './cost'
import type { Reason, Recommendation, VerdictRules } from './recommendation'
import { valueOfTest } from './valueOfTest'

function honeStep(state: KnifeState, blade: BladeGeometry, worst: Zone, reasons: readonly Reason[]): Recommendation {
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

function stoneStep(
  state: KnifeState,
  blade: BladeGeometry,
  reasons: readonly Reason[],
  coarse: boolean,
): Recommendation {
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

/** Past the limit, or glinting: hone what is bent, stone what is worn, test first where the reckoning cannot tell. */
export function dullEdgeSteps(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation[] {
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
  if (honeIsNext && isJustHoned(state, rules)) return [checkStep(state, blade, worst, rules), stone]
  if (honeIsNext) return [honeStep(state, blade, worst, [bent]), stone]
  const unsure = glints.length === 0 ? unsureStep(state, blade, worst, rules) : null
  if (unsure) return reasons.length > 0 ? [unsure, stone] : [unsure]
  return reasons.length > 0 ? [stone] : []
}

/**
 * A one-minute test before a session, when it is expected to save more than it costs. Neither a fresh
 * reading nor a certain edge makes it worth doing.
 */
function unsureStep(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Recommendation | null {
  const zone = state.zones[worst]
  const session = stoneStep(state, blade, [], false).cost
  const { valueMinutes } = valueOfTest({
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
  return valueMinutes > 0 ? checkStep(state, blade, worst, rules) : null
}

function checkStep(state: KnifeState, blade: BladeGeometry, worst: Zone, rules: VerdictRules): Recommendation {
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

/** In limit, but honing alone would leave it tiring: a fine stone now saves a coarse one later. */
export function tiringEdgeSteps(
  state: KnifeState,
  blade: BladeGeometry,
  worst: Zone,
  rules: VerdictRules,
): Recommendation[] {
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
    return [honeStep(state, blade, worst, [{ code: 'burr-left', values: { zone: worst } }])]
  }
  if (state.zones[worst].roll < rules.honeFromRoll || isJustHoned(state, rules)) return []
  return [honeStep(state, blade, worst, [{ code: 'daily', values: { zone: worst, forceGf } }])]
}
