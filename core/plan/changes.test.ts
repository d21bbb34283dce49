import { describe, expect, it } from 'vitest'
import { syntheticWeek } from '../../synthetic/weeks'
import { changedFoundations, planChanges, planFoundations } from './changes'
import type { Placement, PlanProblem } from './problem'

const week = syntheticWeek({ knives: 6, cooks: 4, days: 3, benches: 2 }, 3)
const [job, other] = week.jobs
if (!job || !other) throw new Error('the week has jobs')
const able = week.people.find(({ skills, present }) => skills.includes(job.skill) && Object.keys(present).length > 0)
const [windowId = ''] = Object.keys(able?.present ?? {})
const before: Placement = { jobId: job.id, windowId, benchId: job.routes[0]?.benchId ?? '', personId: able?.id ?? '' }
const known = new Set(week.jobs.map(({ id }) => id))
const why = (problem: PlanProblem, after: readonly Placement[] = []): string | undefined =>
  planChanges(problem, [before], after, known)[0]?.why
const wanting: PlanProblem = { ...week, jobs: week.jobs.map((one) => ({ ...one, wanted: true })) }

describe('why a session is not where it was', () => {
  it('the knife wants it no longer', () => {
    expect(why({ ...wanting, jobs: wanting.jobs.filter(({ id }) => id !== job.id) })).toBe('no-longer-wanted')
    expect(
      why({ ...wanting, jobs: wanting.jobs.map((one) => (one.id === job.id ? { ...one, wanted: false } : one)) }),
    ).toBe('no-longer-wanted')
  })

  it('the window is gone', () => {
    expect(why({ ...wanting, windows: wanting.windows.filter(({ id }) => id !== windowId) })).toBe('window-gone')
  })

  it('the person is away, or may not do it any more', () => {
    expect(
      why({
        ...wanting,
        people: wanting.people.map((one) => (one.id === before.personId ? { ...one, present: {} } : one)),
      }),
    ).toBe('person-away')
    expect(
      why({
        ...wanting,
        people: wanting.people.map((one) => (one.id === before.personId ? { ...one, skills: [] } : one)),
      }),
    ).toBe('skill-gone')
  })

  it('the bench is gone, or its stones', () => {
    expect(why({ ...wanting, benches: wanting.benches.filter(({ id }) => id !== before.benchId) })).toBe('bench-gone')
    expect(
      why({ ...wanting, jobs: wanting.jobs.map((one) => (one.id === job.id ? { ...one, routes: [] } : one)) }),
    ).toBe('stones-gone')
  })

  it('it made room for others, where nothing else stands against it', () => {
    expect(why(wanting)).toBe('made-room')
  })

  it('it is new, where nobody knew of it', () => {
    const fresh: Placement = { ...before, jobId: other.id }
    expect(planChanges(wanting, [], [fresh], new Set()).map((one) => one.why)).toEqual(['new-work'])
    expect(planChanges(wanting, [], [fresh], known).map((one) => one.why)).toEqual(['made-room'])
  })

  it('nothing is said of what stayed', () => {
    expect(planChanges(wanting, [before], [before], known)).toEqual([])
  })
})

describe('what a plan stands on', () => {
  it('is the same for the same week, and differs by exactly what moved', () => {
    const now = planFoundations(week)
    expect(changedFoundations(now, planFoundations(week), new Set())).toEqual({ gone: [], fresh: [] })
    const brokenStone = planFoundations({ ...week, stones: week.stones.filter(({ id }) => id !== 'fine') })
    expect(changedFoundations(now, brokenStone, new Set())).toEqual({ gone: ['stone fine'], fresh: [] })
    const newSkill = planFoundations({
      ...week,
      people: week.people.map((one, at) => (at === 2 ? { ...one, skills: [...one.skills, 'serrated' as const] } : one)),
    })
    expect(changedFoundations(now, newSkill, new Set())).toEqual({ gone: [], fresh: ['skill p2 serrated'] })
  })

  it('does not count a window that has simply passed', () => {
    const [first, ...rest] = week.windows
    const later = planFoundations({
      ...week,
      windows: rest,
      people: week.people.map((one) => ({
        ...one,
        present: Object.fromEntries(Object.entries(one.present).filter(([id]) => id !== first?.id)),
      })),
    })
    expect(changedFoundations(planFoundations(week), later, new Set([first?.id ?? '']))).toEqual({
      gone: [],
      fresh: [],
    })
    expect(changedFoundations(planFoundations(week), later, new Set()).gone).toContain(`window ${first?.id ?? ''}`)
  })
})
