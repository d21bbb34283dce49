import { DAY_MS } from '../core/time'
import type { Database } from './db/database'
import { keptPhotos } from './db/queries/bench/photos'
import { deleteExpiredChainLinks } from './db/queries/house/chains'
import { deleteExpiredDoorCodes } from './db/queries/house/doorCodes'
import { deleteEndedJobs } from './db/queries/house/jobs'
import { deleteExpiredAttempts, deleteExpiredSessions } from './db/queries/house/signIn'
import { deleteOldPlans } from './db/queries/week/plans'
import type { PhotoStore } from './photoStore'

/** Long work is listed for a month after it ended; a plan can be looked up for half a year after it was replaced. */
const JOBS_KEPT_MS = 30 * DAY_MS
const PLANS_KEPT_MS = 180 * DAY_MS

/** Forgets, of all houses, what nobody will ask for again. What happened to knives is never forgotten. */
export async function sweep(db: Database, now: Date, photos: PhotoStore): Promise<void> {
  await deleteExpiredSessions(db, now)
  await deleteExpiredAttempts(db, now)
  await deleteExpiredDoorCodes(db, now)
  await deleteExpiredChainLinks(db, now)
  await deleteEndedJobs(db, new Date(now.getTime() - JOBS_KEPT_MS))
  await deleteOldPlans(db, new Date(now.getTime() - PLANS_KEPT_MS))
  await photos.sweep((houseId, ids) => keptPhotos(db, houseId, ids), Date.now())
}
