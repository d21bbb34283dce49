import loadHighs from 'highs'
import { v5 as idFrom } from 'uuid'
import { compare } from '../core/plan/baselines'
import { improvePlan } from '../core/plan/improve'
import { planCost } from '../core/plan/objective'
import type { Placement, PlanProblem } from '../core/plan/problem'
import { searchPlan } from '../core/plan/search'
import { seededRandom } from '../core/statistics/random'
import { GEAR } from '../demo/gear'
import type { Database } from '../server/db/database'
import { listPeople } from '../server/db/queries/house/people'
import { saveGear } from '../server/db/queries/shelf/gear'
import { replaceShifts, replaceSkills, saveBench } from '../server/db/queries/week/crew'
import { describeGear } from '../server/services/shelf/gear'
import { syntheticWeek, WEEK_KINDS } from '../synthetic/weeks'

type Note = (what: string, measured: string, limit?: string) => void

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

const LONG_SECONDS = 20
const SHORT_SECONDS = 5

/** Time to a plan, its distance from the proven bound, and what it leaves dull against both customs. */
export async function benchPlanner(note: Note): Promise<void> {
  for (const [at, { said, size }] of WEEK_KINDS.entries()) {
    const problem = syntheticWeek(size, 4)
    const house = `${size.knives} knives × ${size.cooks} cooks × ${size.days} days: ${said}`
    const began = performance.now()
    const constructed = searchFor(problem, 0, [])
    note(
      `A first plan that could be gone by, ${house}`,
      `${Math.round(performance.now() - began)} ms, cost ${Math.round(planCost(problem, constructed))}`,
      '300 ms',
    )
    const first = searchFor(problem, FIRST_PLAN_MS, [])
    for (const seconds of [SHORT_SECONDS, LONG_SECONDS]) {
      const { placements: best, cost, bound } = await improvePlan({ problem, first, seconds, loadHighs })
      note(
        `Gap to the proven bound after ${seconds} s, ${house}`,
        `${((100 * (cost - bound)) / cost).toFixed(1)} % (cost ${Math.round(cost)}, bound ${Math.round(bound)})`,
        at === 0 ? (seconds === SHORT_SECONDS ? '1 %' : '') : seconds === LONG_SECONDS ? '5 %' : '',
      )
      if (seconds !== LONG_SECONDS) continue
      const { plan, everyWeeks, worstFirst, none } = compare(problem, best, WEEKS)
      note(
        `Hours of dull service, ${house}`,
        `${plan.dullHours.toFixed(1)} h for ${Math.round(plan.minutes)} min; every ${WEEKS} weeks ${everyWeeks.dullHours.toFixed(1)} h for ${Math.round(everyWeeks.minutes)} min; worst first ${worstFirst.dullHours.toFixed(1)} h for ${Math.round(worstFirst.minutes)} min; nothing ${none.dullHours.toFixed(1)} h`,
      )
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
    await saveGear(db, houseId, describeGear({ id: id(gear.name), ...gear }), new Date())
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
