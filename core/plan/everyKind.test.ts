import { describe, expect, it } from 'vitest'
import { planBreaches } from '../../synthetic/breaches'
import { syntheticWeek, WEEK_KINDS } from '../../synthetic/weeks'
import { chance } from '../statistics/random'
import { MINUTE_MS } from '../time'
import { exactModel, startOf } from './exact'
import { leavingReason } from './explain'
import { everyWeeks, worstFirst } from './baselines'
import { indexPlan, isLimit, layOutPlan, type SessionSlot, type WindowLayout } from './layout'
import type { Placement, PlanJob, PlanProblem } from './problem'
import { searchPlan } from './search'
import { withSeconds } from './secondSessions'

interface Laid {
  readonly jobs: readonly PlanJob[]
  readonly windows: ReadonlyMap<string, WindowLayout>
}

function layOut(problem: PlanProblem, placements: readonly Placement[]): Laid {
  const whole = withSeconds(problem, placements)
  const windows = new Map<string, WindowLayout>()
  for (const [windowId, laid] of layOutPlan(indexPlan(whole), placements)) {
    if (isLimit(laid)) throw new Error(`${windowId} does not lay out: ${laid.limit} ${laid.id}`)
    windows.set(windowId, laid)
  }
  return { jobs: whole.jobs, windows }
}

/** Fewer knives where a hundred and fifty would only take longer. */
const KINDS = WEEK_KINDS.map(({ said, size }) => ({ said, size: { ...size, knives: Math.min(size.knives, 70) } }))

describe('a plan against the rules themselves', () => {
  it.each(KINDS)('breaks none in a house of this kind: $said', ({ size }) => {
    for (const seed of [4, 5]) {
      const problem = syntheticWeek(size, seed)
      const plan = searchPlan({ problem, random: chance(seed).next, spent: (step) => step / 600 })
      expect(plan.length).toBeGreaterThan(0)
      for (const placements of [plan, everyWeeks(problem, 2), worstFirst(problem)]) {
        // what kitchens do now knows of no locks
        const asked = placements === plan ? problem : { ...problem, locks: [] }
        const { jobs, windows } = layOut(asked, placements)
        expect(planBreaches(asked, jobs, placements, windows)).toEqual([])
      }
    }
  })
})

describe('a house nobody thought of', () => {
  it('has a window of thirty hours, and is planned in it as in any', () => {
    // of a week's windows the first alone: the others would overlap it, and are laid together before a plan is made
    const week = syntheticWeek({ knives: 30, cooks: 6, days: 7, benches: 2, windowMinutes: 30 * 60 }, 4)
    const jobs = week.jobs.map((job) => ({
      ...job,
      dullHours: job.dullHours.slice(0, 1),
      chanceAt: job.chanceAt.slice(0, 1),
      wastedUm: job.wastedUm.slice(0, 1),
    }))
    const problem = { ...week, windows: week.windows.slice(0, 1), jobs }
    const plan = searchPlan({ problem, random: chance(4).next, spent: (step) => step / 600 })
    expect(plan.length).toBeGreaterThan(5)
    const laid = layOut(problem, plan)
    expect(planBreaches(problem, laid.jobs, plan, laid.windows)).toEqual([])
  })

  it('asks for work that nobody has the hands for, and plans the rest', () => {
    const whole = syntheticWeek({ knives: 30, cooks: 6, days: 7, benches: 2, windowMinutes: 90 }, 4)
    const people = whole.people.map((person) => ({
      ...person,
      skills: person.skills.filter((skill) => skill !== 'full'),
    }))
    const problem = { ...whole, people }
    const plan = searchPlan({ problem, random: chance(4).next, spent: (step) => step / 600 })
    const skillOf = new Map(problem.jobs.map(({ id, skill }) => [id, skill]))
    expect(plan.length).toBeGreaterThan(0)
    expect(plan.filter(({ jobId }) => skillOf.get(jobId) === 'full')).toEqual([])
    const left = problem.jobs.find(({ skill, wanted }) => skill === 'full' && wanted)
    expect(leavingReason(problem, plan, left?.id ?? '')).toMatchObject({ code: 'no-skill' })
  })
})

describe('the model', () => {
  it.each(KINDS)('names each column once in a row, and holds the plan of a house of this kind: $said', ({ size }) => {
    const problem = syntheticWeek({ ...size, knives: Math.min(size.knives, 40) }, 6)
    const model = exactModel(problem)
    for (const { name, entries } of model.rows)
      expect([name, new Set(entries.map(([column]) => column)).size]).toEqual([name, entries.length])
    const plan = searchPlan({ problem, random: chance(6).next, spent: (step) => step / 300 })
    const { indices, values } = startOf(model, plan)
    const taken = new Map([...indices].map((column, at) => [column, values[at] ?? 0]))
    // rows of sessions alone: what is placed breaks none of them
    for (const { name, most, entries } of model.rows.filter((row) => row.name.startsWith('energy_'))) {
      const used = entries.reduce((sum, [column, value]) => sum + value * (taken.get(column) ?? 0), 0)
      expect([name, used <= most + 1e-6]).toEqual([name, true])
    }
  })
})

describe('the rules', () => {
  const problem = syntheticWeek(
    { ...(WEEK_KINDS[0]?.size ?? { knives: 60, cooks: 12, days: 7, benches: 2 }), locks: 1 },
    4,
  )
  const plan = searchPlan({ problem, random: chance(1).next, spent: (step) => step / 300 })
  const { jobs, windows } = layOut(problem, plan)
  const breaches = (
    change: (session: SessionSlot, at: number) => SessionSlot,
    asked: Partial<PlanProblem> = {},
  ): string[] =>
    planBreaches(
      { ...problem, ...asked },
      jobs,
      plan,
      new Map([...windows].map(([id, { sessions, ...laid }]) => [id, { ...laid, sessions: sessions.map(change) }])),
    )
  const shift =
    (minutes: number) =>
    (session: SessionSlot): SessionSlot => ({
      ...session,
      startMs: session.startMs + minutes * MINUTE_MS,
      endMs: session.endMs + minutes * MINUTE_MS,
      stages: session.stages.map((one) => ({
        ...one,
        fromMs: one.fromMs + minutes * MINUTE_MS,
        toMs: one.toMs + minutes * MINUTE_MS,
      })),
      flattening: session.flattening.map((one) => ({
        ...one,
        fromMs: one.fromMs + minutes * MINUTE_MS,
        toMs: one.toMs + minutes * MINUTE_MS,
      })),
    })
  const as = (change: (session: SessionSlot) => SessionSlot, number: number) => (session: SessionSlot, at: number) =>
    at === number ? change(session) : session

  it.each<readonly [string, () => string[], RegExp]>([
    ['nothing changed', () => breaches((one) => one), /^$/],
    ['a session begun before its bench is laid', () => breaches(as(shift(-2), 0)), /too early/],
    ['two at once at a bench', () => breaches(as(shift(4), 0)), /at once/],
    ['a session cut short', () => breaches(as((one) => ({ ...one, endMs: one.endMs - MINUTE_MS }), 0)), /another time/],
    ['a stone not flattened', () => breaches((one) => ({ ...one, flattening: [] })), /not flattened/],
    [
      'hands that have not learned it',
      () =>
        breaches((one) => one, { people: problem.people.map((person) => ({ ...person, skills: ['hone'] as const })) }),
      /without the skill/,
    ],
    [
      'nobody there to soak',
      () => breaches((one) => one, { windows: problem.windows.map((one) => ({ ...one, soakFromMs: one.startMs })) }),
      /not soaked/,
    ],
    [
      'a lock moved',
      () => breaches((one) => one, { locks: problem.locks.map((lock) => ({ ...lock, personId: 'nobody' })) }),
      /was locked/,
    ],
    [
      'all of a kind away from a service',
      () => {
        const busy = problem.windows.map((one) => ({ ...one, overlapsService: true }))
        const own = jobs.map((job) => ({ ...job, group: 'all', mayBeAway: 1 }))
        return planBreaches({ ...problem, windows: busy }, own, plan, windows)
      },
      /away from a service/,
    ],
    ['the same knife twice', () => planBreaches(problem, jobs, [...plan, ...plan.slice(0, 1)], windows), /twice/],
  ])('see %s', (_what, asked, said) => {
    const found = asked()
    expect(
      said.source === '^$' ? found.join() : (found.find((one) => said.test(one)) ?? `not seen: ${found.join()}`),
    ).toMatch(said)
  })
})
