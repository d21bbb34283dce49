import loadHighs from 'highs'
import { parentPort, workerData } from 'node:worker_threads'
import { ImproveAsk } from '../../../contract/week'
import { planFoundations } from '../../../core/plan/changes'
import { improvePlan, type Improvement } from '../../../core/plan/improve'
import { openDatabase } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { findJob } from '../../db/queries/house/jobs'
import type { ImproveNews, ImproveTask } from './improveInThread'
import { PLAN_DAYS } from './plan'
import { daysAhead } from './planProblem'

/** Reads the week as it is now, makes its plan better, and tells how far it has come. */
async function main(task: ImproveTask & { readonly stop: Int32Array }): Promise<void> {
  const db = openDatabase(task.databaseUrl, () => undefined)
  try {
    const house = await findHouse(db, task.houseId)
    const job = await findJob(db, task.houseId, task.jobId)
    if (!house || !job) return
    const ask = ImproveAsk.parse(job.input)
    const { problem: read } = await daysAhead(db, house, new Date(task.nowMs), PLAN_DAYS)
    const problem = { ...read, weights: ask.weights, locks: ask.locks }
    const startMs = Date.now()
    const foundations = planFoundations(problem)
    const goesOn = (): boolean => Atomics.load(task.stop, 0) === 0
    const tell = ({ placements, cost, bound, proven }: Improvement): void => {
      const told: ImproveNews = {
        seconds: Math.round((Date.now() - startMs) / 100) / 10,
        bound: Number.isFinite(bound) ? bound : null,
        cost,
        placements: placements.map((placement) => ({ ...placement })),
        proven,
        foundations,
      }
      parentPort?.postMessage(told)
    }
    await improvePlan({ problem, first: ask.placements, seconds: ask.seconds, loadHighs, goesOn, onNews: tell })
  } finally {
    await db.close()
  }
}

await main(workerData as ImproveTask & { readonly stop: Int32Array })
