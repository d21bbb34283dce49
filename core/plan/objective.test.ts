import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOUR_MS } from '../time'
import { costOfLeavingOut, fairShares, placedMinutes, placementCost, planCost, planTotals, WORTH } from './objective'
import {
  EVEN_WEIGHTS,
  type Placement,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanWeights,
} from './problem'

const window = (id: string, at: number): PlanProblem['windows'][number] => ({
  id,
  name: 'afternoon',
  startMs: at * 24 * HOUR_MS,
  endMs: at * 24 * HOUR_MS + 2 * HOUR_MS,
  soakFromMs: at * 24 * HOUR_MS,
  overlapsService: false,
})
const there = (...windows: readonly string[]): PlanPerson['present'] =>
  Object.fromEntries(
    windows.map((id) => [
      id,
      { fromMs: Number(id.slice(1)) * 24 * HOUR_MS, toMs: Number(id.slice(1)) * 24 * HOUR_MS + 2 * HOUR_MS },
    ]),
  )
const job = (id: string, more: Partial<PlanJob> = {}): PlanJob => ({
  id,
  knifeId: id,
  kind: 'stone',
  skill: 'full',
  routes: [{ benchId: 'b', openingMinutes: 4, stages: [{ stoneId: 's', minutes: 10 }], closingMinutes: 6 }],
  dullHours: [0.5, 2],
  dullHoursLeft: 6,
  chanceAt: [0.2, 0.8],
  wastedUm: [40, 10],
  dueShare: 0.5,
  wanted: true,
  dullBy: null,
  daysSinceStone: 20,
  lastHands: null,
  onlyHands: null,
  group: id,
  mayBeAway: 1,
  next: null,
  follows: null,
  ...more,
})
const problem = (jobs: readonly PlanJob[], weights: PlanWeights = EVEN_WEIGHTS): PlanProblem => ({
  windows: [window('w0', 0), window('w1', 1)],
  benches: [{ id: 'b', name: 'bench' }],
  stones: [{ id: 's', name: 'stone', micron: 11.5, soakMinutes: 0, flattenMinutes: 0, knivesBetween: 3 }],
  people: [
    { id: 'oda', skills: ['full'], pace: 1, present: there('w0', 'w1') },
    { id: 'finn', skills: ['full'], pace: 1.5, present: there('w0') },
    { id: 'kit', skills: ['hone'], pace: 1, present: there('w0', 'w1') },
  ],
  jobs,
  weights,
  sitting: { beforeMinutes: 3, afterMinutes: 6 },
  locks: [],
})
const at = (jobId: string, windowId: string, personId: string): Placement => ({
  jobId,
  windowId,
  benchId: 'b',
  personId,
})

describe('what a plan costs', () => {
  it('is on paper: dull hours at 20 minutes, work, steel at a twentieth, other hands at 6, a sitting at 9', () => {
    const one = problem([job('k1', { lastHands: 'finn' })])
    // 20 × 0.5 + 20 + 0.05 × 40 + 6 + 9, and nobody does more than a fair share: Oda is there twice as long, but has all of it
    const fair = fairShares(one).get('oda') ?? NaN
    expect(planCost(one, [at('k1', 'w0', 'oda')])).toBeCloseTo(10 + 20 + 2 + 6 + 9 + 0.3 * (20 - fair), 9)
  })

  it('of leaving everything is its dull hours and the work as far as it comes due anyway', () => {
    const one = problem([job('k1'), job('k2', { dullHoursLeft: 1, dueShare: 0 })])
    expect(planCost(one, [])).toBeCloseTo(20 * 6 + 0.5 * 20 + 20 * 1, 9)
    expect(costOfLeavingOut(one.jobs[0] as PlanJob, EVEN_WEIGHTS)).toBeCloseTo(130, 9)
  })

  it('of work nobody can do is its dull hours alone', () => {
    expect(costOfLeavingOut(job('k1', { routes: [], dullHoursLeft: 2 }), EVEN_WEIGHTS)).toBe(40)
  })

  it('leaves out what the chef does not mind, and doubles what the chef minds twice', () => {
    const jobs = [job('k1', { lastHands: 'finn' })]
    const placed = [at('k1', 'w1', 'oda')]
    const cost = (weights: Partial<PlanWeights>): number =>
      planCost(problem(jobs, { ...EVEN_WEIGHTS, ...weights }), placed)
    expect(cost({}) - cost({ dull: 0 })).toBeCloseTo(WORTH.dullHour * 2, 9)
    expect(cost({ dull: 2 }) - cost({})).toBeCloseTo(WORTH.dullHour * 2, 9)
    // the session and its sitting
    expect(cost({}) - cost({ labour: 0 })).toBeCloseTo(20 + 9, 9)
    expect(cost({}) - cost({ steel: 0 })).toBeCloseTo(WORTH.steelUm * 10, 9)
    expect(cost({}) - cost({ hands: 0 })).toBeCloseTo(WORTH.otherHands, 9)
  })

  it('is the sum of its placements, its set-ups, its unfair minutes and what was left, whatever the plan', () => {
    const jobs = ['k1', 'k2', 'k3', 'k4'].map((id, index) =>
      job(id, { dullHours: [index, 2 * index], wastedUm: [10 * index, 0], lastHands: index % 2 === 0 ? 'oda' : null }),
    )
    const whole = problem(jobs)
    const places = fc.constantFrom<readonly [string, string] | null>(null, ['w0', 'oda'], ['w1', 'oda'], ['w0', 'finn'])
    fc.assert(
      fc.property(fc.tuple(places, places, places, places), (chosen) => {
        const placements = chosen.flatMap((place, index) => (place ? [at(`k${index + 1}`, place[0], place[1])] : []))
        const totals = planTotals(whole, placements)
        const own = placements.reduce(
          (sum, placement) =>
            sum +
            placementCost(
              jobs.find(({ id }) => id === placement.jobId) as PlanJob,
              placement.windowId === 'w0' ? 0 : 1,
              placedMinutes(whole, placement),
              placement.personId,
              EVEN_WEIGHTS,
            ),
          0,
        )
        const left = jobs
          .filter(({ id }) => placements.every(({ jobId }) => jobId !== id))
          .reduce((sum, one) => sum + costOfLeavingOut(one, EVEN_WEIGHTS), 0)
        expect(planCost(whole, placements)).toBeCloseTo(
          own + left + 9 * totals.sittings + WORTH.unfairMinute * totals.unfairMinutes,
          6,
        )
      }),
    )
  })
})

describe('a person’s share', () => {
  it('goes by the time each is there, among those who can do any of the work', () => {
    const shares = fairShares(problem([job('k1'), job('k2')]))
    expect(shares.get('oda')).toBeCloseTo(40 * (4 / 6), 9)
    expect(shares.get('finn')).toBeCloseTo(40 * (2 / 6), 9)
    expect(shares.has('kit')).toBe(false)
  })

  it('is nothing where nobody is there', () => {
    const nobody = { ...problem([job('k1')]), people: [] }
    expect([...fairShares(nobody).values()]).toEqual([])
  })

  it('of minutes is longer in slower hands', () => {
    const whole = problem([job('k1')])
    expect(placedMinutes(whole, at('k1', 'w0', 'oda'))).toBe(20)
    expect(placedMinutes(whole, at('k1', 'w0', 'finn'))).toBe(30)
    expect(placedMinutes(whole, { ...at('k1', 'w0', 'oda'), benchId: 'elsewhere' })).toBe(0)
  })
})

describe('totals', () => {
  it('count each sitting once, however many knives it takes, with its setting up and clearing away', () => {
    const whole = problem([job('k1'), job('k2'), job('k3')])
    const together = planTotals(whole, [at('k1', 'w0', 'oda'), at('k2', 'w0', 'oda'), at('k3', 'w0', 'oda')])
    const apart = planTotals(whole, [at('k1', 'w0', 'oda'), at('k2', 'w0', 'oda'), at('k3', 'w1', 'oda')])
    expect([together.sittings, apart.sittings]).toEqual([1, 2])
    expect(apart.minutes - together.minutes).toBe(9)
  })

  it('take a placement in a window that is gone for no placement', () => {
    const whole = problem([job('k1')])
    expect(planTotals(whole, [at('k1', 'w9', 'oda')])).toEqual(planTotals(whole, []))
  })
})
