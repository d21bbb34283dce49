import type { Database } from '../db/database'
import { endJob, noteProgress, openImport } from '../db/queries/house/jobs'
import { Fault } from '../faults'
import type { Caller } from '../signIn/sessions'

/** Longer than any file takes; past it the server that was at it is taken to be gone. */
const WORK_SECONDS = 600

/**
 * Brings a file in as a job of the house that can be followed and stopped; without a name for it, just brings it in.
 *
 * @param work gives null where nothing came of it
 * @throws Fault `import-stopped` when somebody asked to stop, and whatever the work throws
 */
export async function withProgress<T>(
  db: Database,
  caller: Caller,
  jobId: string | undefined,
  total: number,
  work: (step: (more: number) => Promise<void>) => Promise<T>,
  cameOfIt: (result: T) => boolean = () => true,
): Promise<T> {
  const houseId = caller.house.id
  if (jobId === undefined) return await work(() => Promise.resolve())
  await openImport(db, houseId, { id: jobId, askedBy: caller.person.id, total, seconds: WORK_SECONDS })
  try {
    // what is noted of the job stands outside the change, so that others see it before the change is done
    const result = await work(async (more) => {
      if (await noteProgress(db, houseId, jobId, more)) throw new Fault('conflict', 'import-stopped')
    })
    await endJob(db, houseId, jobId, cameOfIt(result) ? 'done' : 'cancelled')
    return result
  } catch (error) {
    await endJob(db, houseId, jobId, error instanceof Fault && error.key === 'import-stopped' ? 'cancelled' : 'failed')
    throw error
  }
}
