import { parentPort, workerData } from 'node:worker_threads'
import { openDatabase } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { noteProgress } from '../../db/queries/house/jobs'
import { rebuildHouse } from './rebuild'
import type { RebuildTask } from './rebuildInThreads'

/** One share of a rebuild, in a thread of its own, so that the server goes on answering. */
async function main({ databaseUrl, houseId, jobId, share }: RebuildTask): Promise<void> {
  const db = openDatabase(databaseUrl, () => undefined)
  try {
    const house = await findHouse(db, houseId)
    const finished =
      house !== null &&
      (await rebuildHouse(db, house, share, async (more) => !(await noteProgress(db, houseId, jobId, more))))
    parentPort?.postMessage(finished)
  } finally {
    await db.close()
  }
}

await main(workerData as RebuildTask)
