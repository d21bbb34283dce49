import { AsyncLocalStorage } from 'node:async_hooks'

/** Who a request acts for; the database writes it beside whatever the request changes. */
export interface Acting {
  readonly personId: string
  readonly deviceId: string | null
}

const acting = new AsyncLocalStorage<Acting>()

/** Runs some work for a person: every transaction in it says so to the database. */
export const actFor = <T>(who: Acting, work: () => T): T => acting.run(who, work)

export const whoActs = (): Acting | null => acting.getStore() ?? null
