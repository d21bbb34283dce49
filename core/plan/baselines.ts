import { DAY_MS } from '../time'
import { indexPlan, isLimit, layOutWindow, type PlanIndex } from './layout'
import { planTotals, type PlanTotals } from './objective'
import { mayDo, isAllowedIn, type Placement, type PlanJob, type PlanProblem } from './problem'
import { everySession, withSeconds } from './secondSessions'

/** Puts a job into a window with the first bench and hands that have room, as people do it without a plan. */
function firstRoom(index: PlanIndex, job: PlanJob, windowId: string, here: readonly Placement[]): Placement | null {
  for (const { benchId } of job.routes) {
    for (const person of index.problem.people) {
      if (!mayDo(person, job) || !person.present[windowId]) continue
      const placement = { jobId: job.id, windowId, benchId, personId: person.id }
      if (!isLimit(layOutWindow(index, windowId, [...here, placement]))) return placement
    }
  }
  return null
}

/** Fills the windows in order: each takes what the custom puts first until nothing more fits. */
function fill(problem: PlanProblem, rank: (job: PlanJob, window: number) => number | null): Placement[] {
  const index = indexPlan({ ...problem, jobs: everySession(problem) })
  const placements: Placement[] = []
  const done = new Set<string>()
  for (const [at, window] of problem.windows.entries()) {
    const ranked = withSeconds(problem, placements)
      .jobs.flatMap((job) => {
        const rankOf = done.has(job.id) || job.routes.length === 0 || !isAllowedIn(job, at) ? null : rank(job, at)
        return rankOf === null ? [] : [{ job, rankOf }]
      })
      .sort((a, b) => b.rankOf - a.rankOf || (a.job.id < b.job.id ? -1 : 1))
    const here: Placement[] = []
    for (const { job } of ranked) {
      const placement = firstRoom(index, job, window.id, here)
      if (!placement) continue
      here.push(placement)
      done.add(job.id)
    }
    placements.push(...here)
  }
  return placements
}

/** What kitchens do now, first: every knife goes to the stone every so many weeks, needed or not. */
export function everyWeeks(problem: PlanProblem, weeks: number): Placement[] {
  const startMs = problem.windows[0]?.startMs ?? 0
  return fill(problem, ({ daysSinceStone }, at) => {
    const days = (daysSinceStone ?? Infinity) + ((problem.windows[at]?.startMs ?? startMs) - startMs) / DAY_MS
    return days >= 7 * weeks ? days : null
  })
}

/** From this chance on somebody complains. */
const COMPLAINED_OF = 0.5

/** What kitchens do now, second: whoever stands at the bench takes the worst knife first. */
export const worstFirst = (problem: PlanProblem): Placement[] =>
  fill(problem, (job, at) => {
    const chance = job.kind === 'repair' ? 1 : (job.chanceAt[at] ?? 0)
    return chance >= COMPLAINED_OF ? chance : null
  })

export interface Comparison {
  readonly none: PlanTotals
  readonly plan: PlanTotals
  readonly everyWeeks: PlanTotals
  readonly worstFirst: PlanTotals
}

/** The plan beside both customs and beside doing nothing, on the same knives, hands and windows. */
export const compare = (problem: PlanProblem, placements: readonly Placement[], weeks: number): Comparison => ({
  none: planTotals(problem, []),
  plan: planTotals(problem, placements),
  everyWeeks: planTotals(problem, everyWeeks(problem, weeks)),
  worstFirst: planTotals(problem, worstFirst(problem)),
})
