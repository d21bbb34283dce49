import type { BenchAction } from '../../../contract/bench'
import type { Queryable } from '../../db/database'
import type { StoredSession } from '../../db/queries/bench/sessions'
import { findPerson } from '../../db/queries/house/people'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { bringToBench } from './bringToBench'
import { assertMayStart } from './mayStart'

/** A session somebody acts in: whose hands it is in, and what is new of what they send. */
export interface ActedIn {
  readonly session: StoredSession
  readonly hands: string | null
  readonly fresh: readonly BenchAction[]
}

/**
 * Nobody works in a session that is another's, and whoever takes one over or ends it may do what beginning it asks for:
 * the knife's log names them.
 *
 * @throws Fault `not-your-session` for somebody who did not take it over, and those of {@link assertMayStart}
 */
export async function assertOwnHands(
  db: Queryable,
  caller: Caller,
  { session, hands, fresh }: ActedIn,
  now: Date,
): Promise<void> {
  const takesOver = fresh[0]?.kind === 'take-over'
  if (fresh.length > 0 && hands !== null && hands !== caller.person.id && !takesOver) {
    const name = (await findPerson(db, caller.house.id, hands))?.name ?? ''
    throw new Fault('conflict', 'not-your-session', { name })
  }
  if (!takesOver && !fresh.some(({ kind }) => kind === 'finish')) return
  const { present } = await bringToBench(db, caller, session.knifeId, now)
  await assertMayStart(db, caller, { skill: session.skill, present }, session.besideId ?? undefined)
}
