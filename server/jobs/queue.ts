import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import PgBoss from 'pg-boss'
import type { Logger } from 'pino'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { endJob, findJob, openJobs, startJob } from '../db/queries/house/jobs'
import { improveInThread } from '../services/week/improve'
import { listKnives } from '../db/queries/fleet/knives'
import type { Share } from '../services/log/rebuild'

/** What a worker thread is told. */
export interface ThreadTask {
  readonly databaseUrl: string
  readonly houseId: string
  readonly jobId: string
  readonly share: Share
}

type Task = Pick<ThreadTask, 'houseId' | 'jobId'>

export interface Queue {
  /** hands a job to whichever server is free */
  send(task: Task): Promise<void>
  close(): Promise<void>
}

const QUEUE = 'house-work'
const THREAD = new URL('./thread.mjs', import.meta.url)
const REBUILD = new URL('../services/log/rebuildThread.ts', import.meta.url).href
const POLL_SECONDS = 0.5

/** Runs one share in a thread. @returns whether it went through to the end */
function runThread(task: ThreadTask): Promise<boolean> {
  return new Promise((settle, fail) => {
    const thread = new Worker(THREAD, { workerData: { ...task, module: REBUILD }, execArgv: [] })
    let finished = false
    thread.once('message', (told: unknown) => {
      finished = told === true
    })
    thread.once('error', fail)
    thread.once('exit', (code) => {
      if (code === 0) settle(finished)
      else fail(new Error(`the worker thread ended with ${code}`))
    })
  })
}

/** Threads of one job: the machine's cores, but never so many that the server is starved. */
const THREADS = Math.max(1, Math.min(4, availableParallelism()))

/**
 * Long work of all houses, queued in PostgreSQL (pg-boss) so that any server may take it, and done in a
 * worker thread. The queue is opened when there is something in it: most houses need it twice a year.
 */
export function openQueue(databaseUrl: string, db: Database, clock: Clock, log: Logger): Queue {
  let boss: Promise<PgBoss> | null = null
  const work = async (task: Task): Promise<void> => {
    try {
      const job = await findJob(db, task.houseId, task.jobId)
      if (job?.kind === 'improve-plan') {
        await startJob(db, task.houseId, task.jobId, 1)
        await endJob(
          db,
          task.houseId,
          task.jobId,
          (await improveInThread({ ...task, databaseUrl, nowMs: clock().getTime() }, db)) ? 'done' : 'cancelled',
        )
        return
      }
      await startJob(db, task.houseId, task.jobId, (await listKnives(db, task.houseId)).length)
      const parts = Array.from({ length: THREADS }, (_, part) =>
        runThread({ ...task, databaseUrl, share: { part, parts: THREADS } }),
      )
      const finished = await Promise.all(parts)
      await endJob(db, task.houseId, task.jobId, finished.every(Boolean) ? 'done' : 'cancelled')
    } catch (error) {
      log.error({ err: error, jobId: task.jobId }, 'long work failed')
      await endJob(db, task.houseId, task.jobId, 'failed')
    }
  }
  const open = async (): Promise<PgBoss> => {
    const opened = new PgBoss({ connectionString: databaseUrl, schema: 'queue', max: 2 })
    opened.on('error', (error) => {
      log.warn({ err: error }, 'the queue stumbled')
    })
    await opened.start()
    await opened.createQueue(QUEUE)
    await opened.work<Task>(QUEUE, { pollingIntervalSeconds: POLL_SECONDS }, async (tasks) => {
      for (const { data } of tasks) await work(data)
    })
    return opened
  }
  const send = async (task: Task): Promise<void> => {
    boss ??= open()
    await (await boss).send(QUEUE, task, { singletonKey: task.jobId, retryLimit: 0, expireInMinutes: 30 })
  }
  // work that was cut off with its server is taken up again
  openJobs(db)
    .then(async (jobs) => {
      for (const { houseId, id } of jobs) await send({ houseId, jobId: id })
    })
    .catch((error: unknown) => {
      log.warn({ err: error }, 'open work could not be looked up')
    })
  return {
    send,
    close: async () => {
      if (boss) await (await boss).stop({ graceful: true, timeout: 5000 })
    },
  }
}
