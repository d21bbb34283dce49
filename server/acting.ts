import { AsyncLocalStorage } from 'node:async_hooks'

/** Who a request acts for: the database shows it one house alone, and writes the person beside whatever changes. */
export interface Acting {
  /** null where the server itself has to look over the wall between houses, for this person */
  readonly houseId: string | null
  readonly personId: string
  readonly deviceId: string | null
}

const acting = new AsyncLocalStorage<Acting>()

/** Runs some work for a person: every transaction in it says so to the database. */
export const actFor = <T>(who: Acting, work: () => T): T => acting.run(who, work)

export const whoActs = (): Acting | null => acting.getStore() ?? null

/** Runs some work that concerns more than one house, still in the name of whoever asked. */
export function actAcrossHouses<T>(work: () => T): T {
  const who = acting.getStore()
  return who ? acting.run({ ...who, houseId: null }, work) : work()
}

/** Runs some work that only happens to begin in a request, for every house and in nobody's name. */
export const actForNobody = <T>(work: () => T): T => acting.exit(work)
