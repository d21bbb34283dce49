import { BURR_ALLOWANCE_UM } from '../../abrasive/removal'
import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { KnifeRole } from '../../knife/knifeTypes'
import type { KnifeState } from '../log/state'
import { COARSE_GRIT, COARSEST_USUAL_GRIT, stoneCost, THINNING_GRIT, thinningCost } from './cost'
import { NO_COST, type Reason, type Recommendation, type VerdictRules } from './recommendation'

/** What may not be in service at all: a loose handle, a crack, a tip gone. */
export function quarantineSteps({ defects }: KnifeState, blade: BladeGeometry): Recommendation[] {
  const reasons: Reason[] = []
  if (defects.handleLoose) reasons.push({ code: 'handle-loose', values: {} })
  if (defects.cracked) reasons.push({ code: 'cracked', values: {} })
  if (defects.tipGone) reasons.push({ code: 'tip-gone', values: {} })
  if (reasons.length === 0) return []
  return [{ action: 'quarantine', reasons, cost: NO_COST, startGrit: null, tool: null, dps: blade.dps }]
}

/** A chip, or a bent tip: ground past its deepest point before the edge exists again. */
export function repairSteps({ defects }: KnifeState, blade: BladeGeometry, rules: VerdictRules): Recommendation[] {
  const steps: Recommendation[] = []
  // what was left on purpose goes with the next sessions
  // and a nick is gone with any session on the stone
  if (defects.chip && !defects.chip.rests && defects.chip.depthMm >= rules.nickMm) {
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

/** Too thick behind the edge by its role, grown since new, or wedging in food. */
export function thinningSteps({ defects }: KnifeState, blade: BladeGeometry, rules: VerdictRules): Recommendation[] {
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

/** Too low for its own job. */
export function roleChangeSteps(blade: BladeGeometry, role: KnifeRole): Recommendation[] {
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
