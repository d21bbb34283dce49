import type { ExchangeOutcome } from '../../contract/exchange'
import type { Station } from '../../contract/house'
import type { KnifeStatus } from '../../core/edge/log/state'
import type { KnifeType } from '../../core/knife/knifeTypes'
import type { StoredKnife } from '../db/queries/fleet/knives'
import type { StoredPerson } from '../db/queries/house/people'
import type { FLEET_COLUMNS } from './columns'
import type { Named } from './names'
import type { Change, Present } from './plan'
import type { RowValues } from './readTable'

export type NewStation = ExchangeOutcome['stations'][number]
export type NewPerson = ExchangeOutcome['people'][number]

/** A row with what it says in words sorted out; rows of several knives stand here once for each. */
export interface Entry {
  readonly row: number
  readonly values: RowValues<typeof FLEET_COLUMNS>
  /** null where the file has no label for this knife */
  readonly code: string | null
  readonly type: KnifeType
  readonly lengthMm: number
  readonly name: string | undefined
  readonly station: Named<Station, NewStation>
  readonly holder: Named<StoredPerson, NewPerson> | null
}

/** One knife come to a decision. */
export interface Decision extends Entry {
  readonly before: StoredKnife | null
  readonly knife: StoredKnife
  readonly changes: readonly Change[]
}

/** Changes of a knife that is there; the label a file does not have is none. */
export const realChanges = ({ changes }: Decision): readonly Change[] =>
  changes.filter(({ column }) => column !== 'code')

export const nameOf = (named: Named<{ name: string }, { name: string }> | null): string =>
  named === null || typeof named === 'string' ? '' : 'known' in named ? named.known.name : named.fresh.name

/** What a file can say of a knife's state. */
export type Leaving = Exclude<KnifeStatus, 'counted' | 'practice' | 'away'>
/** A state as lists have it: they know nothing of counting or of practice, which is out of the fleet. */
export function listedStatus(status: KnifeStatus): Leaving {
  if (status === 'practice') return 'retired'
  if (status === 'away') return 'in-service'
  return status === 'counted' ? 'in-service' : status
}
export const statusNow = (before: StoredKnife | null, present: Present): Leaving =>
  listedStatus((before && present.states.get(before.id)?.status) ?? 'in-service')

/** State a file gives a knife, where it differs from what the knife is. */
export function leavesAs({ values, before }: Decision, present: Present): Leaving | null {
  return values.state === undefined || values.state === statusNow(before, present) ? null : values.state
}
