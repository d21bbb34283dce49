import type { TrailPage } from '../../../contract/house'
import type { Database } from '../../db/database'
import { listTrail } from '../../db/queries/house/trail'
import type { Caller } from '../../signIn/sessions'

const A_PAGE = 60

/** A page of what was done to the house and by whom, newest first. */
export async function readTrail(db: Database, caller: Caller, before: number | null): Promise<TrailPage> {
  const entries = await listTrail(db, caller.house.id, before, A_PAGE + 1)
  return { entries: entries.slice(0, A_PAGE), more: entries.length > A_PAGE }
}
