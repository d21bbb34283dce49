import { verdict } from '../../../core/edge/verdict/verdict'
import type { Queryable } from '../../db/database'
import { burrTimesOf } from '../../db/queries/bench/burrTimes'
import { findKnife } from '../../db/queries/fleet/knives'
import { notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife } from '../fleet/knifeView'
import type { BenchKnife, BurrTimes } from '../shelf/layOutSession'

/** A knife brought to the bench by somebody. */
export interface AtBench extends BenchKnife {
  readonly snapshot: FleetSnapshot
  readonly burrTimes: BurrTimes
}

export async function bringToBench(db: Queryable, caller: Caller, knifeId: string, now: Date): Promise<AtBench> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const stored = snapshot.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { action } = verdict(present.state, present.blade.geometry, present.blade.role, present.rules)
  return { knife, present, action, snapshot, burrTimes: await burrTimesOf(db, caller.house.id, caller.person.id) }
}
