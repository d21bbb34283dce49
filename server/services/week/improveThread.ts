import loadHighs from 'highs'
import { parentPort, workerData } from 'node:worker_threads'
import { ImproveAsk } from '../../../contract/week'
import { planFoundations } from '../../../core/plan/changes'
import { exactModel, placementsOf, startOf } from '../../../core/plan/exact'
import { planCost } from '../../../core/plan/objective'
import type { Placement } from '../../../core/plan/problem'
import { searchPlan } from '../../../core/plan/search'
import { boundBySittings } from '../../../core/plan/sittingBound'
import { solveExact } from '../../../core/plan/solveExact'
import { seededRandom } from '../../../core/statistics/random'
import { openDatabase } from '../../db/database'
import { findHouse } from '../../db/queries/house/houses'
import { findJob } from '../../db/queries/house/jobs'
import type { ImproveNews, ImproveTask } from './improveInThread'
import { PLAN_DAYS } from './plan'
import { daysAhead } from './planProblem'

const MS = 1000
/**
 * Shares of the time: searching on from the plan there is, quickly and then at leisure, the bound from whole sittings, and
 * searching from what the solver found, which has the rest.
 */
const SHARES = { soon: 0.08, search: 0.22, sittings: 0.5, again: 0.1 } as const
const SEED = 1

/** Searches on, proves a bound from whole sittings, solves exactly for a better one, and searches once more from the solver's answer. */
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
    searchFor(SHARES.soon * ask.seconds, best)
    if (goesOn()) searchFor(SHARES.search * ask.seconds, best)
    if (!goesOn()) return
    const model = exactModel(problem)
    const highs = await loadHighs()
    const raise = (progress: { readonly bound: number }): void => {
      bound = Math.max(bound, progress.bound)
      tell()
    }
    raise(
      boundBySittings(highs, model, {
        seconds: SHARES.sittings * ask.seconds,
        start: best,
        goOn: goesOn,
        onProgress: raise,
      }),
    )
    const answer = solveExact(highs, model, {
      // what proving a bound left over is the solver's
      seconds: Math.max(0.1, (1 - SHARES.again) * ask.seconds - secondsGone()),
      start: startOf(model, best),
      goOn: goesOn,
      onProgress: raise,
    })
    bound = Math.max(bound, answer.bound)
    if (answer.values && goesOn()) searchFor(SHARES.again * ask.seconds, placementsOf(problem, model, answer.values))
    tell(answer.proven)
  } finally {
    await db.close()
  }
}

await main(workerData as ImproveTask & { readonly stop: Int32Array })
