import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { KnifeRole } from '../../knife/knifeTypes'
import { ZONES, type Zone } from '../../knife/zones'
import type { KnifeState } from '../log/state'
import { edgeForce } from '../model/force'
import { neededDps } from '../model/strain'
import { quarantineSteps, repairSteps, roleChangeSteps, thinningSteps } from './bladeSteps'
import { dailyHoningSteps, dullEdgeSteps, tiringEdgeSteps } from './edgeSteps'
import {
  defaultRules,
  NO_COST,
  type Action,
  type Reason,
  type Recommendation,
  type VerdictRules,
} from './recommendation'

export {
  ACTIONS,
  defaultRules,
  type Action,
  type Reason,
  type Recommendation,
  type VerdictRules,
} from './recommendation'

export interface Verdict extends Recommendation {
  readonly runnerUp: Recommendation | null
  readonly worstZone: Zone
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
  const [first, ...others] = steps
  const none: Recommendation = {
    action: 'none',
    reasons: [],
    cost: NO_COST,
    startGrit: null,
    tool: null,
    dps: geometry.dps,
  }
  const next = first ?? none
  return {
    ...next,
    reasons: [...next.reasons, ...careReasons(geometry, next.action)],
    runnerUp: others.find((other) => !contradicts(next, other)) ?? null,
    worstZone: worstZone(state, geometry.dps),
  }
}

/** Honing is no other way where honing is what no longer helps, nor a touch-up where the stone is needed. */
const contradicts = (first: Recommendation, second: Recommendation): boolean =>
  (second.action === 'touch-up' && first.action === 'stone') ||
  (second.action === 'hone' &&
    first.reasons.some(({ code }) =>
      ['worn', 'hone-failed', 'rod-spent', 'glint', 'not-at-apex', 'straddles', 'past-a-hone'].includes(code),
    ))

/** What to mind with this blade, whatever is done: steel that rusts, and an edge too thin for bone. */
function careReasons(blade: BladeGeometry, action: Action): Reason[] {
  if (action === 'none' || action === 'quarantine') return []
  const care: Reason[] = []
  if (blade.reactive === true) care.push({ code: 'reactive', values: {} })
  if (blade.onBone === true && blade.dps < neededDps(blade.hrc, 'meat-on-bone')) {
    care.push({
      code: 'thin-for-bone',
      values: { dps: blade.dps, neededDps: neededDps(blade.hrc, 'meat-on-bone'), hrc: blade.hrc },
    })
  }
  return care
}

export function worstZone(state: KnifeState, dps: number): Zone {
  return [...ZONES].sort((a, b) => edgeForce(state.zones[b], dps) - edgeForce(state.zones[a], dps))[0] ?? 'belly'
}

/** Every action that has a reason, most pressing first. */
function candidates(state: KnifeState, blade: BladeGeometry, role: KnifeRole, rules: VerdictRules): Recommendation[] {
  const worst = worstZone(state, blade.dps)
  return [
    ...quarantineSteps(state, blade),
    ...repairSteps(state, blade, rules),
    ...dullEdgeSteps(state, blade, worst, rules),
    ...thinningSteps(state, blade, rules),
    ...roleChangeSteps(blade, role),
    ...tiringEdgeSteps(state, blade, worst, rules),
    ...dailyHoningSteps(state, blade, worst, rules),
  ]
}
