import loadHighs from 'highs'
import { v5 as idFrom } from 'uuid'
import { compare } from '../core/plan/baselines'
import { exactModel, placementsOf, startOf } from '../core/plan/exact'
import { planCost } from '../core/plan/objective'
import type { Placement, PlanProblem } from '../core/plan/problem'
import { searchPlan } from '../core/plan/search'
import { solveExact } from '../core/plan/solveExact'
import { seededRandom } from '../core/statistics/random'
import { GEAR } from '../demo/gear'
import type { Database } from '../server/db/database'
import { listPeople } from '../server/db/queries/house/people'
import { saveGear } from '../server/db/queries/shelf/gear'
import { replaceShifts, replaceSkills, saveBench } from '../server/db/queries/week/crew'
import { describeGear } from '../server/services/shelf/gear'
import { syntheticWeek, type WeekSize } from '../synthetic/weeks'

type Note = (what: string, measured: string, limit?: string) => void

/** Limits are promised for sixty knives; a hundred and fifty over two weeks have to be answered. */
const SIZES: readonly {
  readonly size: WeekSize
  readonly said: string
  readonly firstLimit: string
  readonly gapLimit: string
}[] = [
  {
    size: { knives: 60, cooks: 12, days: 7, benches: 2, windowMinutes: 120 },
    said: '60 knives × 12 cooks × 7 days, windows of 120 min',
    firstLimit: '1 s',
    gapLimit: '3 %',
  },
  {
    size: { knives: 60, cooks: 12, days: 7, benches: 2, windowMinutes: 70 },
    said: '60 knives × 12 cooks × 7 days, windows of 70 min',
    firstLimit: '1 s',
    gapLimit: '',
  },
  {
    size: { knives: 60, cooks: 12, days: 7, benches: 2, windowMinutes: 120, lifeServices: 8 },
    said: '60 knives × 12 cooks × 7 days, windows of 120 min, edges that last four days',
    firstLimit: '1 s',
    gapLimit: '',
  },
  {
    size: { knives: 150, cooks: 30, days: 14, benches: 2, windowMinutes: 120 },
    said: '150 knives × 30 cooks × 14 days, windows of 120 min',
    firstLimit: '',
    gapLimit: '',
  },
]
const FIRST_PLAN_MS = 700
const WEEKS = 2

function searchFor(problem: PlanProblem, milliseconds: number, startFrom: readonly Placement[]): Placement[] {
  const began = performance.now()
  return searchPlan({
    problem,
    random: seededRandom(1),
    startFrom,
    spent: () => (milliseconds === 0 ? 1 : (performance.now() - began) / milliseconds),
  })
}

/** Time to a plan, its distance from the proven bound, and what it leaves dull against both customs. */
export async function benchPlanner(note: Note): Promise<void> {
  for (const { size, said, firstLimit, gapLimit } of SIZES) {
    const problem = syntheticWeek(size, 4)
    const began = performance.now()
    const constructed = searchFor(problem, 0, [])
    note(
      `A first plan that could be gone by, ${said}`,
      `${Math.round(performance.now() - began)} ms, cost ${Math.round(planCost(problem, constructed))}`,
      firstLimit,
    )
    const first = searchFor(problem, FIRST_PLAN_MS, [])
    note(
      `The plan shown, after ${FIRST_PLAN_MS} ms of search, ${said}`,
      `cost ${Math.round(planCost(problem, first))}, ${first.length} sessions`,
      firstLimit,
    )
    for (const seconds of [5, 20]) {
      // as the worker thread does it: search, solve, search from the solver's answer
      const searched = searchFor(problem, 150 * seconds, first)
      const model = exactModel(problem)
      const { bound, values } = solveExact(await loadHighs(), model, {
        seconds: 0.7 * seconds,
        start: startOf(model, searched),
      })
      const again = values ? searchFor(problem, 150 * seconds, placementsOf(model, values)) : searched
      const best = [searched, again].sort((a, b) => planCost(problem, a) - planCost(problem, b))[0] ?? searched
      const cost = planCost(problem, best)
      note(
        `Gap to the proven bound after ${seconds} s, ${said}`,
        Number.isFinite(bound)
          ? `${((100 * (cost - bound)) / cost).toFixed(1)} % (cost ${Math.round(cost)}, bound ${Math.round(bound)})`
          : `cost ${Math.round(cost)}, no bound yet`,
        seconds === 20 ? gapLimit : '',
      )
      if (seconds === 20) {
        const { plan, everyWeeks, worstFirst, none } = compare(problem, best, WEEKS)
        note(
          `Hours of dull service, ${said}`,
          `${plan.dullHours.toFixed(1)} h for ${Math.round(plan.minutes)} min; every ${WEEKS} weeks ${everyWeeks.dullHours.toFixed(1)} h for ${Math.round(everyWeeks.minutes)} min; worst first ${worstFirst.dullHours.toFixed(1)} h for ${Math.round(worstFirst.minutes)} min; nothing ${none.dullHours.toFixed(1)} h`,
        )
      }
    }
  }
}

const SPACE = '4a5d7c1e-3f62-4a8e-9b0d-2c7e1f5a6b90'
const SHARPENERS = 8

/** Benches, stones, skills and shifts for the big house, so that its week can be asked for. */
export async function addBigCrew(db: Database, houseId: string): Promise<void> {
  const id = (...parts: readonly (string | number)[]): string => idFrom([houseId, ...parts].join('/'), SPACE)
  for (const name of ['Bench one', 'Bench two']) await saveBench(db, houseId, { id: id(name), name, active: true })
  for (const { knivesSince: _, flattenedDaysAgo: __, ...gear } of GEAR)
    await saveGear(db, houseId, describeGear({ id: id(gear.name), ...gear }))
  for (const [at, person] of (await listPeople(db, houseId)).entries()) {
    await replaceSkills(
      db,
      houseId,
      person.id,
      at < SHARPENERS ? ['hone', 'maintenance', 'full', 'thinning', 'serrated', 'asymmetric'] : ['hone'],
      null,
      new Date(0),
    )
    const weekdays = [1, 2, 3, 4, 5, 6, 7].filter((weekday) => (weekday + at) % 7 < 5)
    await replaceShifts(
      db,
      houseId,
      person.id,
      weekdays.map((weekday) => ({
        id: id('shift', person.id, weekday),
        personId: person.id,
        weekday,
        starts: at % 2 === 0 ? '08:00' : '13:00',
        ends: at % 2 === 0 ? '17:30' : '23:00',
      })),
    )
  }
}
