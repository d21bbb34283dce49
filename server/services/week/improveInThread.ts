import type { Improvement } from '../../../contract/week'
import type { Database } from '../../db/database'
import { noteOutput } from '../../db/queries/house/jobs'
import type { JobTask } from '../../jobs/queue'
import { startThread, threadEnd } from '../../jobs/runThread'

/** What the improving thread is told. */
export interface ImproveTask extends JobTask {
  readonly databaseUrl: string
  /** the moment the plan begins, by the server's clock, ms */
  readonly nowMs: number
}

/** What it says while it works: the solver holds its thread, so it can only speak, and read one flag. */
export type ImproveNews = Omit<Improvement, 'status'> & {
  /** what the problem stood on: a bound holds for that problem and no other */
  readonly foundations: readonly string[]
}

const MODULE = new URL('./improveThread.ts', import.meta.url)
const LOOK_EVERY_MS = 400

/**
 * Improves a plan in a thread of its own, keeping its news where any server can read them.
 *
 * @returns whether it went through to the end, rather than being stopped
 */
export async function improveInThread(task: ImproveTask, db: Database): Promise<boolean> {
  const stop = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT))
  const thread = startThread(MODULE, { ...task, stop })
  let news: ImproveNews | null = null
  let noting: Promise<unknown> = Promise.resolve()
  let failure: unknown = null
  const note = (): void => {
    const told = news
    news = null
    noting = noting.then(async () => {
      if (await noteOutput(db, task.houseId, task.jobId, told)) Atomics.store(stop, 0, 1)
    })
    noting = noting.catch((error: unknown) => {
      failure = error
    })
  }
  const looking = setInterval(note, LOOK_EVERY_MS)
  thread.on('message', (told: ImproveNews) => {
    news = told
  })
  try {
    await threadEnd(thread)
  } finally {
    clearInterval(looking)
  }
  note()
  await noting
  if (failure) throw failure
  return Atomics.load(stop, 0) === 0
}
