import PgBoss from 'pg-boss'
import type { Logger } from 'pino'
import type { Job } from '../../contract/learning'
import { actForNobody } from '../acting'
import type { Database } from '../db/database'
import { leadingUrl } from '../db/hosts'
import { claimJob, endJob, renewClaim, unclaimedJobs } from '../db/queries/house/jobs'

/** A job of a house, by its row. */
export interface JobTask {
  readonly houseId: string
  readonly jobId: string
}

/** Does a job. @returns whether it went through to the end, rather than being stopped */
export type RunJob = (task: JobTask) => Promise<boolean>

export interface Queue {
  /** hands a job to whichever server is free */
  send(task: JobTask): Promise<void>
  /** how it stands: not opened yet, open, or failing since its last try */
  state(): 'idle' | 'open' | 'stumbled'
  close(): Promise<void>
}

export interface QueueOptions {
  readonly databaseUrl: string
  readonly db: Database
  readonly log: Logger
  readonly run: Readonly<Record<Job['kind'], RunJob>>
  /** for tests: something like a queue that fails to open */
  readonly makeBoss?: (databaseUrl: string) => PgBoss
}

const QUEUE = 'house-work'
const POLL_SECONDS = 0.5
/** A server that has not spoken for so long is taken to be gone, and its work is taken up again. */
const CLAIM_SECONDS = 30
const RENEW_MS = 8000
const TAKE_UP_MS = 20_000

const usualBoss = (databaseUrl: string): PgBoss =>
  new PgBoss({ connectionString: databaseUrl, schema: 'queue', max: 2 })

/**
 * Long work of all houses, queued in PostgreSQL (pg-boss) so that any server may take it. Which server does a job is
 * settled by a claim on the job's own row, so that a job sent twice is done once, and one cut off with its server is
 * done by another. The queue is opened when there is something in it: most houses need it twice a year.
 */
export function openQueue({ databaseUrl, db, log, run, makeBoss = usualBoss }: QueueOptions): Queue {
  let boss: Promise<PgBoss> | null = null
  let state: ReturnType<Queue['state']> = 'idle'
  /** One line at the first trouble, and none for as long as it lasts. */
  const stumble = (error: unknown, what: string): void => {
    if (state !== 'stumbled') log.warn({ err: error }, what)
    state = 'stumbled'
  }

  const work = async ({ houseId, jobId }: JobTask): Promise<void> => {
    const job = await claimJob(db, houseId, jobId, CLAIM_SECONDS)
    if (!job) return
    const renewing = setInterval(() => {
      renewClaim(db, houseId, jobId, CLAIM_SECONDS).catch((error: unknown) => {
        log.warn({ err: error, jobId }, 'a claim could not be renewed')
      })
    }, RENEW_MS)
    try {
      const finished = !job.cancelAsked && (await run[job.kind]({ houseId, jobId }))
      await endJob(db, houseId, jobId, finished ? 'done' : 'cancelled')
    } catch (error) {
      log.error({ err: error, jobId }, 'long work failed')
      await endJob(db, houseId, jobId, 'failed')
    } finally {
      clearInterval(renewing)
    }
  }

  const open = async (): Promise<PgBoss> => {
    const leading = await leadingUrl(databaseUrl)
    const opened = makeBoss(leading)
    opened.on('error', (error) => {
      stumble(error, 'the queue stumbled')
      // where another host leads now, it is opened there at the next need
      leadingUrl(databaseUrl).then(
        (now) => {
          if (now === leading || boss === null) return
          boss = null
          void opened.stop({ graceful: false }).catch(() => undefined)
        },
        () => undefined,
      )
    })
    await opened.start()
    await opened.createQueue(QUEUE)
    await opened.work<JobTask>(QUEUE, { pollingIntervalSeconds: POLL_SECONDS }, async (tasks) => {
      for (const { data } of tasks) await work(data)
    })
    state = 'open'
    return opened
  }

  /** The queue, opened at the first need; an opening that failed is tried again at the next. */
  const opened = (): Promise<PgBoss> => {
    // what fetches work goes on after the request that opened it, and for every house
    boss ??= actForNobody(open).catch((error: unknown) => {
      boss = null
      throw error
    })
    return boss
  }

  const send = async (task: JobTask): Promise<void> => {
    await (await opened()).send(QUEUE, task, { retryLimit: 0, expireInMinutes: 30 })
  }

  const takeUp = (): void => {
    unclaimedJobs(db)
      .then(async (tasks) => {
        for (const task of tasks) await send(task)
        if (state === 'stumbled') {
          state = boss ? 'open' : 'idle'
          log.info('the queue goes on')
        }
      })
      .catch((error: unknown) => {
        stumble(error, 'work that nobody does could not be taken up')
      })
  }
  takeUp()
  const takingUp = setInterval(takeUp, TAKE_UP_MS)
  takingUp.unref()

  return {
    send,
    state: () => state,
    close: async () => {
      clearInterval(takingUp)
      const open = await boss?.catch(() => null)
      await open?.stop({ graceful: true, timeout: 5000 })
    },
  }
}
