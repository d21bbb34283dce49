import { verdict } from '../../../core/edge/verdict/verdict'
import type { Queryable } from '../../db/database'
import { burrTimesOf } from '../../db/queries/bench/burrTimes'
import { findKnife } from '../../db/queries/fleet/knives'
import { listWays } from '../../db/queries/shelf/ways'
import { notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife, type PresentKnife } from '../fleet/knifeView'
import { assertHasEdge } from '../log/edgeOnly'
import type { BenchKnife, Hands } from '../shelf/layOutSession'

/** A knife brought to the bench by somebody. */
export interface AtBench extends BenchKnife {
  readonly present: PresentKnife
  readonly snapshot: FleetSnapshot
  readonly hands: Hands
}

export async function bringToBench(db: Queryable, caller: Caller, knifeId: string, now: Date): Promise<AtBench> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  assertHasEdge(knife)
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const stored = snapshot.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { action } = verdict(present.state, present.blade.geometry, present.blade.role, present.rules)
  const [burrTimes, { own }] = [
    await burrTimesOf(db, caller.house.id, caller.person.id),
    await listWays(db, caller.house.id, caller.person.id),
  ]
  return { knife, present, action, snapshot, hands: { burrTimes, ways: own } }
}
