import type { PlannedSession } from '../../../contract/week'
import type { KnifeState } from '../../../core/edge/log/state'
import { sessionsLeft } from '../../../core/plan/changes'
import type { Queryable } from '../../db/database'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { listWorkOrders } from '../../db/queries/fleet/workOrders'
import type { KeptPlan } from '../../db/queries/week/plans'
import { nextStep, presentKnife, type HouseSnapshot } from './knifeView'
import { actionOf, workOrderFor } from './workOrders'

/** A reading of the house with its knives in it. */
type KnivesRead = HouseSnapshot & {
  readonly knives: readonly StoredKnife[]
  readonly states: ReadonlyMap<string, KnifeState>
}

/** Work that is not done by sharpening the knife: it stays on the plan for as long as the knife wants it. */
const OWN_WORK: ReadonlySet<PlannedSession['kind']> = new Set(['thin', 'repair'])

/** Sessions of the accepted plan that nobody has done yet. */
export async function standingSessions(
  db: Queryable,
  plan: KeptPlan | null,
  snapshot: KnivesRead,
): Promise<PlannedSession[]> {
  if (plan === null) return []
  const saved = await listWorkOrders(db, snapshot.house.id)
  const knives = new Map(snapshot.knives.map((knife) => [knife.id, knife]))
  const stillWants = ({ knifeId, kind }: PlannedSession): boolean => {
    const [knife, stored] = [knives.get(knifeId), snapshot.states.get(knifeId)]
    if (!OWN_WORK.has(kind) || !knife || !stored) return false
    const present = presentKnife(knife, stored, snapshot, 'until-dull')
    const job = workOrderFor(saved, knifeId, present.state)
    const step = nextStep(present, snapshot.nowMs)
    return (
      (job !== null && !job.waits && actionOf(job.operation) === kind) ||
      step.action === kind ||
      step.runnerUp?.action === kind
    )
  }
  // what is out of use, whatever for, comes to no bench by the plan
  const inUse = plan.sessions.filter(({ knifeId }) => snapshot.states.get(knifeId)?.status === 'in-service')
  const sharpenedMs = new Map([...snapshot.states].map(([knifeId, state]) => [knifeId, state.sharpenedMs ?? -Infinity]))
  return sessionsLeft(inUse, Date.parse(plan.acceptedAt), sharpenedMs, stillWants)
}
