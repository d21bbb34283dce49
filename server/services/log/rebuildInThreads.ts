import { availableParallelism } from 'node:os'
import type { Database } from '../../db/database'
import { listKnives } from '../../db/queries/fleet/knives'
import { noteTotal } from '../../db/queries/house/jobs'
import type { JobTask } from '../../jobs/queue'
import { startThread, threadEnd } from '../../jobs/runThread'
import type { Share } from './rebuild'

/** What a thread is told. */
export interface RebuildTask extends JobTask {
  readonly databaseUrl: string
  readonly share: Share
}

const MODULE = new URL('./rebuildThread.ts', import.meta.url)
/** Threads of one job: the machine's cores, but never so many that the server is starved. */
const THREADS = Math.max(1, Math.min(4, availableParallelism()))

/** Runs one share in a thread. @returns whether it went through to the end */
async function runShare(task: RebuildTask): Promise<boolean> {
  const thread = startThread(MODULE, task)
  let finished = false
  thread.once('message', (told: unknown) => {
    finished = told === true
  })
  await threadEnd(thread)
  return finished
}

/** Reckons all knives of a house anew, shared among threads. @returns whether it went through to the end */
export async function rebuildInThreads(databaseUrl: string, db: Database, task: JobTask): Promise<boolean> {
  await noteTotal(db, task.houseId, task.jobId, (await listKnives(db, task.houseId)).length)
  const shares = Array.from({ length: THREADS }, (_, part) =>
    runShare({ ...task, databaseUrl, share: { part, parts: THREADS } }),
  )
  return (await Promise.all(shares)).every(Boolean)
}
