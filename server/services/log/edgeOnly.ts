import { isCountedOnly } from '../../../core/knife/knifeTypes'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { Fault } from '../../faults'

/** @throws Fault `counted-only` for what is counted and has no edge to test, hone or bring to a bench */
export function assertHasEdge({ type, code }: Pick<StoredKnife, 'type' | 'code'>): void {
  if (isCountedOnly(type)) throw new Fault('conflict', 'counted-only', { code })
}
