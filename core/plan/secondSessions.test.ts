import { describe, expect, it } from 'vitest'
import { seededRandom } from '../statistics/random'
import { HOUR_MS } from '../time'
import { sessionsLeft } from './changes'
import { leavingReason, placementReasons, violationOf } from './explain'
import { costOfLeavingOut, costOfLeavingSecond, planCost, planTotals } from './objective'
import { EVEN_WEIGHTS, type NextSession, type Placement, type PlanJob, type PlanProblem } from './problem'
import { chancesWith, dullByService } from './risk'
import { searchPlan } from './search'
import {
  isSecond,
  knifeOfJob,
  renumberSessions,
  secondJobId,
  secondSession,
  validPlacements,
  withSeconds,
} from './secondSessions'

const DAY = 24 * HOUR_MS
/** Windows from three to five in the afternoon, a dinner of two hours' work after each. */
const window = (day: number): PlanProblem['windows'][number] => ({
  id: `w${day}`,
  name: 'afternoon',
  startMs: day * DAY + 15 * HOUR_MS,
  endMs: day * DAY + 17 * HOUR_MS,
  soakFromMs: day * DAY + 15 * HOUR_MS,
  overlapsService: false,
})
const DINNERS = [0, 1, 2, 3].map((day) => ({ name: 'dinner', startMs: day * DAY + 18 * HOUR_MS, hours: 2 }))
const route = { benchId: 'b', openingMinutes: 4, stages: [{ stoneId: 's', minutes: 10 }], closingMinutes: 6 }
/** An edge that is keen for a dinner, doubtful at the second and dull at the third. */
const NEXT: NextSession = { skill: 'full', routes: [route], services: DINNERS, freshChances: [0, 0.4, 1], steelUm: 50 }
const KNIFE: PlanJob = {
  id: 'k',
  knifeId: 'k',
  kind: 'repair',
  skill: 'full',
  routes: [route],
  dullHours: [2.8, 2.8, 4.8, 6],
  dullHoursLeft: 8,
  chanceAt: [1, 1, 1, 1],
  wastedUm: [0, 0, 0, 0],
  dueShare: 1,
  wanted: true,
  dullBy: null,
  daysSinceStone: 20,
  lastHands: 'oda',
  onlyHands: null,
  group: 'k',
  mayBeAway: 1,
  next: NEXT,
  follows: null,
}
const WEEK: PlanProblem = {
  windows: [0, 1, 2, 3].map(window),
  benches: [{ id: 'b', name: 'bench' }],
  stones: [{ id: 's', name: 'stone', micron: 11.5, soakMinutes: 0, flattenMinutes: 0, knivesBetween: 3 }],
  people: [
    {
      id: 'oda',
      skills: ['full'],
      pace: 1,
      present: Object.fromEntries(
        [0, 1, 2, 3].map((day) => [`w${day}`, { fromMs: window(day).startMs, toMs: window(day).endMs }]),
      ),
    },
  ],
  jobs: [KNIFE],
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
}
const at = (jobId: string, day: number): Placement => ({ jobId, windowId: `w${day}`, benchId: 'b', personId: 'oda' })
const second = (first: number): PlanJob => {
  const job = secondSession(WEEK, KNIFE, first)
  if (!job) throw new Error('no second session')
  return job
}

describe('how a knife goes dull again', () => {
  const chances = { left: [0.5, 0.6, 0.7, 0.8], fresh: [0, 0.4, 1] }
  const starts = DINNERS.map(({ startMs }) => startMs)

  it('is as it was before a session, and as a fresh edge after it, from the last session on', () => {
    expect(chancesWith(starts, chances, [])).toEqual([0.5, 0.6, 0.7, 0.8])
    expect(chancesWith(starts, chances, [window(1).endMs])).toEqual([0.5, 0, 0.4, 1])
    expect(chancesWith(starts, chances, [window(0).endMs, window(2).endMs])).toEqual([0, 0.4, 0, 0.4])
  })

  it('stays as dull as the last chance that was reckoned', () => {
    expect(chancesWith(starts, { left: [], fresh: [0, 0.9] }, [window(0).endMs])).toEqual([0, 0.9, 0.9, 0.9])
    expect(chancesWith(starts, { left: [0.3], fresh: [] }, [])).toEqual([0.3, 0, 0, 0])
  })

  it('is counted by service with both sessions of a knife', () => {
    const placements = [at('k', 0), at('k#2', 2)]
    const { before, after } = dullByService(
      withSeconds(WEEK, placements),
      [{ jobId: 'k', left: [1, 1, 1, 1], fresh: NEXT.freshChances }],
      placements,
      starts,
    )
    expect(before).toEqual([1, 1, 1, 1])
    expect(after).toEqual([0, 0.4, 0, 0.4])
  })
})

describe('a second session', () => {
  it('is worth the dull hours it takes away, reckoned from the first', () => {
    // alone, a first session on day 0 leaves dinners of 0, 0.8, 2 and 2 dull hours
    expect(second(0).dullHours).toEqual(
      [0, 0.8 - 0.8 + 0 + 0.8 + 2 - 4.8, 0.8 + 0 + 0.8 - 4.8, 0.8 + 2 + 0 - 4.8].map(
        (hours) => expect.closeTo(hours, 9) as number,
      ),
    )
    expect(second(0).dullHoursLeft).toBe(0)
    expect(second(2).dullHours.map((hours) => Math.round(hours * 10) / 10)).toEqual([0, 0, 0, -0.8])
  })

  it('takes little steel early where the edge is dull by then, and all of it the day after', () => {
    expect(second(0).wastedUm).toEqual([50, 50, 30, 0])
    expect(second(0).chanceAt).toEqual([0, 0, 0.4, 1])
  })

  it('is an ordinary one, whatever the first was, and its knife is not sent to the stone a third time', () => {
    expect(second(0)).toMatchObject({
      id: 'k#2',
      knifeId: 'k',
      kind: 'stone',
      next: null,
      lastHands: 'oda',
      onlyHands: null,
      dueShare: 1,
      wanted: true,
      dullBy: { name: 'dinner', startMs: DINNERS[2]?.startMs },
    })
    expect(second(3).wanted).toBe(false)
  })

  it('is nothing to a knife whose edge outlives the plan', () => {
    expect(secondSession(WEEK, { ...KNIFE, next: null }, 0)).toBeNull()
    expect(costOfLeavingSecond(WEEK, { ...KNIFE, next: null }, 0)).toBe(0)
    expect(costOfLeavingSecond(WEEK, KNIFE, 0)).toBe(costOfLeavingOut(second(0), EVEN_WEIGHTS))
  })

  it('has its name from its knife', () => {
    expect([secondJobId('k'), isSecond('k#2'), isSecond('k'), knifeOfJob('k#2'), knifeOfJob('k')]).toEqual([
      'k#2',
      true,
      false,
      'k',
      'k',
    ])
  })
})

describe('a plan with second sessions', () => {
  it('counts its hours as they come: what the first leaves, less what the second takes away', () => {
    expect(planTotals(WEEK, [at('k', 0)]).dullHours).toBeCloseTo(2.8, 9)
    // dinners of 0, 0.8, 0 and 0.8; the first session's own figure has those before it in it, here none
    expect(planTotals(WEEK, [at('k', 0), at('k#2', 2)]).dullHours).toBeCloseTo(2.8 + (1.6 - 4.8), 9)
    expect(planTotals(WEEK, [at('k', 0), at('k#2', 2)]).minutes).toBe(40)
  })

  it('puts the work off that a knife left out will want anyway, once for each session', () => {
    const [one, both] = [[at('k', 0)], [at('k', 0), at('k#2', 2)]]
    const work = (placements: readonly Placement[]): number =>
      planCost(WEEK, placements) - planCost({ ...WEEK, weights: { ...EVEN_WEIGHTS, labour: 0 } }, placements)
    expect([work([]), work(one), work(both)]).toEqual(
      [20, 40, 40].map((minutes) => expect.closeTo(minutes, 9) as number),
    )
  })

  it('is found by the search, which brings the first forward so that the second can follow', () => {
    const plan = searchPlan({ problem: WEEK, random: seededRandom(1), spent: (step) => step / 300 })
    expect(plan.map(({ jobId }) => jobId).sort()).toEqual(['k', 'k#2'])
    expect(
      violationOf(
        withSeconds(WEEK, plan),
        plan.filter(({ jobId }) => jobId === 'k'),
        plan.find(({ jobId }) => jobId === 'k#2') ?? at('k', 0),
      ),
    ).toBeNull()
  })

  it('says why a second session is there, why it cannot be earlier, and what stands against it', () => {
    const placements = [at('k', 1), at('k#2', 3)]
    const week = withSeconds(WEEK, placements)
    expect(placementReasons(week, at('k#2', 3)).map(({ code }) => code)).toEqual(
      expect.arrayContaining(['again', 'same-hands']),
    )
    expect(violationOf(week, placements, at('k#2', 1))).toEqual({ code: 'too-soon', values: { windowId: 'w1' } })
    expect(violationOf(week, placements, at('k#2', 0))).toEqual({ code: 'too-soon', values: { windowId: 'w1' } })
    expect(violationOf(week, placements, at('k#2', 2))).toBeNull()
    expect(leavingReason(week, [at('k', 1)], 'k#2')?.code).toBe('not-yet')
  })

  it('takes a second session off that would come before its first', () => {
    expect(validPlacements(WEEK, [at('k', 1), at('k#2', 2)])).toHaveLength(2)
    expect(validPlacements(WEEK, [at('k', 2), at('k#2', 2)])).toEqual([at('k', 2)])
    expect(validPlacements(WEEK, [at('k#2', 2)])).toEqual([])
    expect(validPlacements(WEEK, [at('k', 9), at('x', 1)])).toEqual([])
  })

  it('calls the second session the first once that is behind', () => {
    const later = { ...WEEK, windows: WEEK.windows.slice(1) }
    expect(renumberSessions(WEEK, [at('k#2', 2), at('k', 0)])).toEqual([at('k', 0), at('k#2', 2)])
    expect(renumberSessions(later, [at('k', 0), at('k#2', 2)])).toEqual([at('k', 2)])
  })
})

describe('what of a plan is still to be done', () => {
  const session = (knifeId: string, day: number): { knifeId: string; startsAt: string } => ({
    knifeId,
    startsAt: new Date(day * DAY + 15 * HOUR_MS).toISOString(),
  })
  const plan = [session('k', 0), session('x', 0), session('k', 2)]
  const wanting = new Set<string>()
  const left = (sharpened: Record<string, number>): { knifeId: string; startsAt: string }[] =>
    sessionsLeft(plan, 0, new Map(Object.entries(sharpened)), ({ knifeId }) => wanting.has(knifeId))

  it('is all of it for a knife not sharpened since', () => {
    expect(left({})).toEqual(plan)
    expect(left({ k: -5, x: 0 })).toEqual(plan)
  })

  it('is the rest for one that was, in its window, ahead of it or after it', () => {
    const rest = [session('x', 0), session('k', 2)]
    expect(left({ k: 15.5 * HOUR_MS })).toEqual(rest)
    expect(left({ k: HOUR_MS })).toEqual(rest)
    expect(left({ k: DAY })).toEqual(rest)
  })

  it('is all of it for one that wants the same work as before: sharpening is not thinning', () => {
    wanting.add('k')
    expect(left({ k: 15.5 * HOUR_MS })).toEqual(plan)
    wanting.clear()
  })

  it('is nothing once both are done, or the second was done and the first never', () => {
    expect(left({ k: 2 * DAY + 16 * HOUR_MS })).toEqual([session('x', 0)])
  })
})
