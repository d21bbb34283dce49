import type { Operation, WorkOrder } from '../../../contract/workshop'
import type { KnifeState } from '../../../core/edge/log/state'
import type { Action } from '../../../core/edge/verdict/verdict'
import { WORKS_FACES } from '../../../core/workshop/operation'

/** What is saved for a knife next; the rest of a chip is as deep as the chip still is, and gone when the chip is. */
export function workOrderFor(
  jobs: ReadonlyMap<string, readonly WorkOrder[]>,
  knifeId: string,
  { defects: { chip } }: Pick<KnifeState, 'defects'>,
): WorkOrder | null {
  const standing = (jobs.get(knifeId) ?? []).flatMap((job): WorkOrder[] => {
    if (!job.waits || job.operation.kind !== 'chip') return [job]
    return chip?.rests ? [{ ...job, operation: { ...job.operation, depthMm: chip.depthMm } }] : []
  })
  return standing[0] ?? null
}

/** Kinds of saved work, as verdict and planner tell them apart. */
export const actionOf = (saved: Operation): Action =>
  saved.kind === 'chip' || saved.kind === 'tip' ? 'repair' : WORKS_FACES.has(saved.kind) ? 'thin' : 'stone'
