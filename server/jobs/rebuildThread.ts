import { workerData } from 'node:worker_threads'
import { openDatabase } from '../db/database'
import { findHouse } from '../db/queries/houses'
import { endJob, noteProgress } from '../db/queries/jobs'
import { rebuildHouse } from '../services/rebuild'
import type { ThreadTask } from './queue'

/** Between two looks at whether somebody asked to stop, ms. */
const NOTE_EVERY_MS = 250

/** A rebuild in a thread of its own, so that the server goes on answering. */
async function main({ databaseUrl, houseId, jobId }: ThreadTask): Promise<void> {
  const db = openDatabase(databaseUrl, () => undefined)
  try {
    const house = await findHouse(db, houseId)
    if (!house) return
    let notedMs = 0
    const finished = await rebuildHouse(db, house, async (done, total) => {
      if (Date.now() - notedMs < NOTE_EVERY_MS && done < total) return true
      notedMs = Date.now()
      return !(await noteProgress(db, houseId, jobId, done, total))
    })
    await endJob(db, houseId, jobId, finished ? 'done' : 'cancelled')
  } finally {
    await db.close()
  }
}

await main(workerData as ThreadTask)
