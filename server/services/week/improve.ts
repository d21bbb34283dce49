import { Worker } from 'node:worker_threads'
import type { Improvement } from '../../../contract/week'
import type { Database } from '../../db/database'
import { noteOutput } from '../../db/queries/house/jobs'

/** What the improving thread is told. */
export interface ImproveTask {
  readonly databaseUrl: string
  readonly houseId: string
  readonly jobId: string
  /** the moment the plan begins, by the server's clock, ms */
  readonly nowMs: number
}

/** What it says while it works: the solver holds its thread, so it can only speak, and read one flag. */
export type ImproveNews = Omit<Improvement, 'status'>

const THREAD = new URL('../../jobs/thread.mjs', import.meta.url)
const MODULE = new URL('./improveThread.ts', import.meta.url).href
const LOOK_EVERY_MS = 400

/**
 * Improves a plan in a thread of its own, keeping its news where any server can read them.
 *
 * @returns whether it went through to the end, rather than being stopped
 */
export function improveInThread(task: ImproveTask, db: Database): Promise<boolean> {
  return new Promise((settle, fail) => {
    const stop = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT))
    const thread = new Worker(THREAD, { workerData: { ...task, stop, module: MODULE }, execArgv: [] })
    let news: ImproveNews | null = null
    let noting: Promise<unknown> = Promise.resolve()
    const note = (): void => {
      const told = news
      news = null
      noting = noting
        .then(async () => {
          if (await noteOutput(db, task.houseId, task.jobId, told)) Atomics.store(stop, 0, 1)
        })
        .catch(fail)
    }
    const looking = setInterval(note, LOOK_EVERY_MS)
    thread.on('message', (told: ImproveNews) => {
      news = told
    })
    thread.once('error', (error) => {
      clearInterval(looking)
      fail(error)
    })
    thread.once('exit', (code) => {
      clearInterval(looking)
      if (code !== 0) {
        fail(new Error(`the worker thread ended with ${code}`))
        return
      }
      note()
      noting.then(() => {
        settle(Atomics.load(stop, 0) === 0)
      }, fail)
    })
  })
}
