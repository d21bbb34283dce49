export { isSecond, knifeOfJob, renumberSessions, secondSession, validPlacements, withSeconds } from './secondSessions'
export { planChanges, planFoundations, changedFoundations, sessionsLeft, type PlanChange } from './changes'
export { compare, everyWeeks, worstFirst, type Comparison } from './baselines'
export { exactModel, placementsOf, startOf, type ExactModel, type LinearModel } from './exact'
export { violationOf, leavingReason, placementReasons, type PlanReason } from './explain'
export { jobOf, type KnifeAhead, type ServiceAhead } from './jobs'
export {
  indexPlan,
  isLimit,
  layOutPlan,
  layOutWindow,
  type SessionSlot,
  type LayoutLimit,
  type WindowLayout,
} from './layout'
export { fairShares, costOfLeavingOut, placementCost, planCost, planTotals, WORTH, type PlanTotals } from './objective'
export * from './problem'
export { shiftRounds, type Round, type RoundKnife, type UnheldKnife } from './rounds'
export { searchPlan, type Anchors } from './search'
