import { TYPE_TEMPLATES } from '../../../core/knife/knifeTypes'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { Fault } from '../../faults'

/** @throws Fault `counted-only` for what is counted and has no edge to test, hone or bring to a bench */
export function assertHasEdge({ type, code }: Pick<StoredKnife, 'type' | 'code'>): void {
  if (TYPE_TEMPLATES[type].countedOnly) throw new Fault('conflict', 'counted-only', { code })
}
