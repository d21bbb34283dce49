import PgBoss from 'pg-boss'
import { pino } from 'pino'
import { v4 as newId } from 'uuid'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { openImprovement } from '../db/queries/house/jobs'
import { startApp, type TestApp, type TestHouse } from '../testing/harness'
import { openQueue, type Queue, type QueueOptions } from './queue'

let test: TestApp
let house: TestHouse
const open: Queue[] = []
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterEach(async () => {
  for (const queue of open.splice(0)) await queue.close()
})
afterAll(() => test.close())

const queueWith = (run: () => Promise<boolean>, more: Partial<QueueOptions> = {}): Queue => {
  const queue = openQueue({
    databaseUrl: test.databaseUrl,
    db: test.app.db,
    log: pino({ level: 'silent' }),
    run: { rebuild: run, import: run, 'improve-plan': run },
    ...more,
  })
  open.push(queue)
  return queue
}
const aJob = async (): Promise<{ houseId: string; jobId: string }> => {
  const job = { id: newId(), askedBy: house.people.chef.id, input: { question: newId() } }
  return { houseId: house.houseId, jobId: (await openImprovement(test.app.db, house.houseId, job)).id }
}
const statusOf = async (jobId: string): Promise<string> =>
  (await test.app.db.one<{ status: string }>('select status from jobs where id = $1', [jobId])).status

describe('the queue', () => {
  it('that could not be opened is opened at the next need', async () => {
    let openings = 0
    const queue = queueWith(() => Promise.resolve(true), {
      makeBoss: (url) => {
        if (++openings === 1) throw new Error('the database was just starting')
        return new PgBoss({ connectionString: url, schema: 'queue', max: 2 })
      },
    })
    const first = await aJob()
    await expect(queue.send(first)).rejects.toThrow('just starting')
    await queue.send(first)
    await expect.poll(() => statusOf(first.jobId), { timeout: 10_000 }).toBe('done')
  })

  it('does a job once, however many servers know of it', async () => {
    let runs = 0
    let finish: () => void = () => undefined
    const long = new Promise<void>((settle) => {
      finish = settle
    })
    const run = async (): Promise<boolean> => {
      runs++
      await long
      return true
    }
    const job = await aJob()
    await queueWith(run).send(job)
    await expect.poll(() => runs, { timeout: 10_000 }).toBe(1)
    // a second server starts, and takes up whatever nobody is at; somebody also sends the job again
    const second = queueWith(run)
    await second.send(job)
    await second.send(job)
    const other = await aJob()
    await second.send(other)
    await expect.poll(() => runs, { timeout: 10_000 }).toBe(2)
    finish()
    await expect.poll(() => statusOf(other.jobId), { timeout: 10_000 }).toBe('done')
    expect(await statusOf(job.jobId)).toBe('done')
    expect(runs).toBe(2)
  })

  it('takes up what was cut off with its server, and not before its claim has run out', async () => {
    const job = await aJob()
    const claimedUntil = (interval: string): Promise<unknown> =>
      test.app.db.query(`update jobs set status = 'running', claimed_until = now() + $2::interval where id = $1`, [
        job.jobId,
        interval,
      ])
    await claimedUntil('1 hour')
    let runs = 0
    const run = (): Promise<boolean> => {
      runs++
      return Promise.resolve(true)
    }
    const marker = await aJob()
    await queueWith(run).send(marker)
    await expect.poll(() => statusOf(marker.jobId), { timeout: 10_000 }).toBe('done')
    expect(runs).toBe(1)
    await claimedUntil('-1 second')
    queueWith(run)
    await expect.poll(() => statusOf(job.jobId), { timeout: 10_000 }).toBe('done')
  })
})
