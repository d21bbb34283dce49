import loadHighs from 'highs'
import { parentPort, workerData } from 'node:worker_threads'
import { ImproveAsk } from '../../../contract/week'
import { planFoundations } from '../../../core/plan/changes'
import { exactModel, placementsOf, startOf } from '../../../core/plan/exact'
import { planCost } from '../../../core/plan/objective'
import type { Placement } from '../../../core/plan/problem'
import { searchPlan } from '../../../core/plan/search'
import { solveExact } from '../../../core/plan/solveExact'
import { seededRandom } from '../../../core/statistics/random'
import { openDatabase } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { findJob } from '../../db/queries/house/jobs'
import type { ImproveNews, ImproveTask } from './improveInThread'
import { PLAN_DAYS } from './plan'
import { daysAhead } from './planProblem'

const MS = 1000
/** Shares of the time: searching on from the plan there is, and after the solver from what it found. */
const SEARCH_SHARE = 0.15
const SEED = 1

/** Searches on, solves exactly for the bound, and searches once more from the solver's answer. */
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
    const secondsGone = (): number => (Date.now() - startMs) / MS
    const goesOn = (): boolean => Atomics.load(task.stop, 0) === 0
    let best: readonly Placement[] = ask.placements
    const foundations = planFoundations(problem)
    let bound = -Infinity
    const tell = (proven = false): void => {
      const told: ImproveNews = {
        seconds: Math.round(secondsGone() * 10) / 10,
        bound: Number.isFinite(bound) ? bound : null,
        cost: planCost(problem, best),
        placements: best.map((placement) => ({ ...placement })),
        proven,
        foundations,
      }
      parentPort?.postMessage(told)
    }
    const searchFor = (seconds: number, from: readonly Placement[]): void => {
      const until = Date.now() + seconds * MS
      const began = Date.now()
      const found = searchPlan({
        problem,
        random: seededRandom(SEED),
        startFrom: from,
        spent: () => (goesOn() ? (Date.now() - began) / (until - began) : 1),
      })
      if (planCost(problem, found) < planCost(problem, best)) best = found
      tell()
    }
    searchFor(SEARCH_SHARE * ask.seconds, best)
    if (!goesOn()) return
    const model = exactModel(problem)
    const answer = solveExact(await loadHighs(), model, {
      seconds: (1 - 2 * SEARCH_SHARE) * ask.seconds,
      start: startOf(model, best),
      goOn: goesOn,
      onProgress: (progress) => {
        bound = Math.max(bound, progress.bound)
        tell()
      },
    })
    bound = Math.max(bound, answer.bound)
    if (answer.values && goesOn()) searchFor(SEARCH_SHARE * ask.seconds, placementsOf(model, answer.values))
    tell(answer.proven)
  } finally {
    await db.close()
  }
}

await main(workerData as ImproveTask & { readonly stop: Int32Array })
