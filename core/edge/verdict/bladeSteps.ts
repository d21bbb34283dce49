import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { KnifeRole } from '../../knife/knifeTypes'
import type { KnifeState } from '../log/state'
import { grindingStep } from './grindingStep'
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

/** A bent tip is ground by eye, on a stone that does not run away with it (assumed). */
const TIP_GRIT = 320

/** A chip, or a bent tip: ground past its deepest point before the edge exists again. */
export function repairSteps(state: KnifeState, blade: BladeGeometry, rules: VerdictRules): Recommendation[] {
  const { defects } = state
  const steps: Recommendation[] = []
  // what was left on purpose goes with the next sessions
  // and a nick is gone with any session on the stone
  if (defects.chip && !defects.chip.rests && defects.chip.depthMm >= rules.nickMm) {
    const { zone, depthMm } = defects.chip
    steps.push(grindingStep('repair', state, blade, [{ code: 'chip', values: { zone, depthMm } }], rules))
  }
  if (defects.tipBent) {
    steps.push({
      action: 'repair',
      reasons: [{ code: 'tip-bent', values: {} }],
      cost: { minutes: 10, strokesPerSide: 0, steelUm: 0 },
      startGrit: TIP_GRIT,
      tool: null,
      dps: blade.dps,
    })
  }
  return steps
}

/** Too thick behind the edge by its role, grown since new, or wedging in food. */
export function thinningSteps(state: KnifeState, blade: BladeGeometry, rules: VerdictRules): Recommendation[] {
  const { defects } = state
  const overLimit = blade.bteMm > rules.thicknessLimitMm
  const grown = blade.bteMm > blade.bteWhenNewMm * (1 + rules.thicknessGrowth)
  const wedges = defects.wedges === true
  if (!overLimit && !grown && !wedges) return []
  const reason: Reason = {
    code: overLimit ? 'thick' : grown ? 'thickened' : 'wedges',
    values: { bteMm: blade.bteMm, limitMm: rules.thicknessLimitMm, newMm: blade.bteWhenNewMm },
  }
  return [grindingStep('thin', state, blade, [reason], rules)]
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
