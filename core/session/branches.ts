import { ZONES, type Zone } from '../knife/zones'
import type { Hand, SessionPlan, SessionStep } from './plan'

/** What a quick test between stones said, and where. */
export const TRY_OUTCOMES = ['clean', 'drags', 'snags'] as const
export interface Tried {
  /** silent or loud but clean; drags in one spot; snags on a burr */
  readonly outcome: (typeof TRY_OUTCOMES)[number]
  readonly zone: Zone | null
  readonly hand: Hand | null
}

const isTaking = ({ kind, work }: SessionStep): boolean =>
  (kind === 'side' || kind === 'teeth' || kind === 'hone') && work !== 'burr'
const takesBurr = ({ kind, work }: SessionStep): boolean =>
  kind === 'deburr' || kind === 'strop' || (work === 'burr' && kind !== 'try')

/**
 * Where a session goes on after a quick test: what drags is a dull spot, back to the stone on that side; what snags is
 * a burr, off with it once more; neither, the next step (common practice).
 */
export function branchTarget(plan: SessionPlan, stepId: string, { outcome, hand }: Tried): string {
  const at = plan.steps.findIndex(({ id }) => id === stepId)
  const before = plan.steps.slice(0, at)
  if (outcome === 'clean') return plan.steps[at + 1]?.id ?? stepId
  if (outcome === 'snags') return (before.findLast(takesBurr) ?? before.findLast(isTaking))?.id ?? stepId
  const last = before.findLast(isTaking)
  const onThatStone = before.filter((step) => isTaking(step) && step.stage === last?.stage)
  return (onThatStone.find((step) => step.hand === hand) ?? onThatStone[0])?.id ?? stepId
}

/** One part of the edge is a third of the work, and is looked at more often (assumed). */
const ZONE_SHARE = 1 / ZONES.length
const LEAST_MINUTES = 0.5

/** Steps that would be laid in to go back to the coarse stone for one part of the edge, and come up to the present one again. */
function stepsBack(plan: SessionPlan, stepId: string, zone: Zone): SessionStep[] {
  const here = plan.steps.find(({ id }) => id === stepId)
  if (here?.stage === null || here?.stage === undefined || here.stage === 0) return []
  const turn = new Set(plan.steps.flatMap(({ id }) => id.split('@')[1] ?? [])).size + 1
  return plan.steps
    .filter(
      (step) =>
        step.kind === 'side' &&
        isTaking(step) &&
        step.only === null &&
        step.stage !== null &&
        step.stage <= (here.stage ?? 0),
    )
    .map((step) => ({
      ...step,
      id: `${step.id}@${turn}`,
      only: zone,
      strokes: Math.ceil(step.strokes * ZONE_SHARE),
      owed: 0,
      minutes: Math.max(LEAST_MINUTES, step.minutes * ZONE_SHARE),
    }))
}

/** Minutes it takes to go back to the coarse stone for one part of the edge; null where this is the coarse stone. */
export function minutesBack(plan: SessionPlan, stepId: string, zone: Zone): number | null {
  const steps = stepsBack(plan, stepId, zone)
  return steps.length === 0 ? null : steps.reduce((sum, { minutes }) => sum + minutes, 0)
}

/**
 * The session with a way back to the coarse stone laid in after a step: that part of the edge on the first stone, then on
 * each up to the present one. A deep scratch or a chip is never chased on a fine stone (common practice).
 *
 * @returns the plan, and the step to go on with; null where there is no coarser stone behind
 */
export function backToCoarse(
  plan: SessionPlan,
  stepId: string,
  zone: Zone,
): { readonly plan: SessionPlan; readonly stepId: string } | null {
  const back = stepsBack(plan, stepId, zone)
  const [first] = back
  if (!first) return null
  const at = plan.steps.findIndex(({ id }) => id === stepId)
  const steps = [...plan.steps.slice(0, at + 1), ...back, ...plan.steps.slice(at + 1)]
  const minutes = Math.ceil(plan.minutes + back.reduce((sum, step) => sum + step.minutes, 0))
  return { plan: { ...plan, steps, minutes }, stepId: first.id }
}
