// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { PlanView } from '../../contract/week'
import { EVEN_WEIGHTS, type NextSession, type Placement, type PlanJob, type PlanProblem } from '../../core/plan/problem'
import { MINUTE_MS } from '../../core/time'
import { useSession } from '../stores/session'
import type { PlanTask } from '../workers/planWorker'
import { useKeptDraft } from './keptDraft'
import { useWeekPlan, type WeekPlan } from './useWeekPlan'

const DAY = 24 * 60 * MINUTE_MS
const window_ = (day: number): PlanProblem['windows'][number] => ({
  id: `w${day}`,
  name: 'afternoon',
  startMs: day * DAY,
  endMs: day * DAY + 60 * MINUTE_MS,
  soakFromMs: day * DAY,
  overlapsService: false,
})
const route = { benchId: 'back', openingMinutes: 4, stages: [{ stoneId: 's', minutes: 10 }], closingMinutes: 6 }
/** Dull at the third dinner after the stone. */
const NEXT: NextSession = {
  skill: 'full',
  routes: [route],
  services: [0, 1, 2, 3].map((day) => ({ name: 'dinner', startMs: day * DAY + 4 * 60 * MINUTE_MS, hours: 2 })),
  freshChances: [0, 0.4, 1],
  steelUm: 50,
}
const job = (id: string, next: NextSession | null = null): PlanJob => ({
  id,
  knifeId: id,
  kind: 'stone',
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
  lastHands: null,
  onlyHands: null,
  group: id,
  mayBeAway: 9,
  next,
  follows: null,
})
const there = Object.fromEntries(
  [0, 1, 2, 3].map((day) => [`w${day}`, { fromMs: window_(day).startMs, toMs: window_(day).endMs }]),
)
const problem: PlanProblem = {
  windows: [0, 1, 2, 3].map(window_),
  benches: [{ id: 'back', name: 'back' }],
  stones: [{ id: 's', name: 's', micron: 11.5, soakMinutes: 0, flattenMinutes: 0, knivesBetween: 9 }],
  people: [
    { id: 'oda', skills: ['full'], pace: 1, present: there },
    { id: 'kit', skills: ['hone'], pace: 1, present: there },
  ],
  jobs: [job('k', NEXT), job('x')],
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
}
const at = (jobId: string, day: number, personId = 'oda'): Placement => ({
  jobId,
  windowId: `w${day}`,
  benchId: 'back',
  personId,
})
const session = (jobId: string, day: number): object => ({
  ...at(jobId, day),
  knifeId: jobId.slice(0, 1),
  kind: 'stone',
  startsAt: new Date(day * DAY).toISOString(),
  endsAt: new Date(day * DAY + 20 * MINUTE_MS).toISOString(),
})
const view = (sessions: readonly object[] | null, version = 3): PlanView => ({
  now: '1970-01-01T00:00:00Z',
  problem: structuredClone(problem) as PlanView['problem'],
  moved: { gone: [], fresh: [] },
  services: [],
  chances: [],
  byRule: [],
  rounds: [],
  unheld: [],
  accepted:
    sessions &&
    ({
      version,
      acceptedAt: '1970-01-01T00:00:00Z',
      acceptedBy: null,
      weights: EVEN_WEIGHTS,
      sitting: { beforeMinutes: 0, afterMinutes: 0 },
      locks: [],
      sessions,
      cost: 10,
      bound: 9,
      rounds: [],
    } as unknown as PlanView['accepted']),
})

/** A searching thread that only keeps what it was asked, and answers when told to. */
class FakeWorker {
  static last: FakeWorker | null = null
  onmessage: ((event: { data: unknown }) => void) | null = null
  onerror: (() => void) | null = null
  readonly tasks: PlanTask[] = []
  constructor() {
    FakeWorker.last = this
  }
  postMessage(task: PlanTask): void {
    this.tasks.push(task)
  }
  terminate(): void {
    this.onmessage = null
  }
  answer(placements: readonly Placement[], ask = this.tasks.at(-1)?.ask): void {
    this.onmessage?.({ data: { ask, placements } })
  }
}

let server: PlanView
let sent: { method: string; path: string; body: unknown }[]
let refuse: { status: number; body: object } | null
/** what the server answers at an address, in place of the plan */
let answers: Record<string, object>
let scope: EffectScope
beforeEach(() => {
  sent = []
  refuse = null
  answers = {}
  setActivePinia(createPinia())
  useSession().enter({
    person: { id: 'p', name: 'Maren Voss', role: 'chef' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '1970-01-01T00:00:00Z',
  } as never)
  scope = effectScope()
  FakeWorker.last = null
  vi.stubGlobal('Worker', FakeWorker)
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET'
    sent.push({ method, path, body: init.body ? JSON.parse(String(init.body)) : null })
    if (refuse && method !== 'GET')
      return Promise.resolve(new Response(JSON.stringify(refuse.body), { status: refuse.status }))
    const told = answers[path]
    if (told) return Promise.resolve(new Response(JSON.stringify(told)))
    return Promise.resolve(
      new Response(JSON.stringify(method === 'GET' ? server : { ...server.accepted, version: 4 }), { status: 200 }),
    )
  })
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})
async function loaded(sessions: readonly object[] | null): Promise<WeekPlan> {
  server = view(sessions)
  const week = scope.run(useWeekPlan)
  if (!week) throw new Error('no week')
  await week.load()
  return week
}

describe('the week on this device', () => {
  it('searches for a plan where none holds yet, and takes only the answer to its last question', async () => {
    const week = await loaded(null)
    const worker = FakeWorker.last
    expect(week.searching.value).toBe(true)
    expect(worker?.tasks).toHaveLength(1)
    week.plan(false)
    worker?.answer([at('x', 3)], worker.tasks[0]?.ask)
    expect(week.placements.value).toEqual([])
    worker?.answer([at('x', 0)])
    expect(week.placements.value).toEqual([at('x', 0)])
    expect(week.searching.value).toBe(false)
  })

  it('shows the plan that holds, its sessions numbered as they come', async () => {
    const week = await loaded([session('k#2', 2), session('k', 0)])
    expect(week.placements.value).toEqual([at('k', 0), at('k#2', 2)])
    expect(week.isAccepted.value).toBe(true)
    expect(FakeWorker.last).toBeNull()
    // once the first is done only the second is left, and it is the first now
    server = view([session('k#2', 2)])
    await week.load()
    expect(week.placements.value).toEqual([at('k', 2)])
    expect(week.isAccepted.value).toBe(true)
  })

  it('tells what a move by hand costs, and that the plan has changed', async () => {
    const week = await loaded([session('x', 0)])
    expect(week.place(at('x', 3))).toBe(true)
    expect(week.handMade.value).toMatchObject({
      jobId: 'x',
      breaks: null,
      change: { dullHours: expect.closeTo(3.2, 6) as number, minutes: 0 },
    })
    expect(week.isAccepted.value).toBe(false)
    expect(week.changes.value.map(({ jobId, before, after }) => [jobId, before?.windowId, after?.windowId])).toEqual([
      ['x', 'w0', 'w3'],
    ])
    expect(week.bound.value).toBeNull()
  })

  it('keeps a draft and its search while another page is open, for the one signed in', async () => {
    const week = await loaded([session('x', 0)])
    week.place(at('x', 3))
    week.toggleLock('x')
    answers['/api/plan/improvements'] = { id: 'job' }
    await week.improve()
    scope.stop()

    scope = effectScope()
    const again = await loaded([session('x', 0)])
    expect(again.placements.value).toEqual([at('x', 3)])
    expect(again.isLocked('x')).toBe(true)
    expect(again.improving.value?.status).toBe('waiting')
    scope.stop()

    // a plan accepted meanwhile is newer than the draft
    scope = effectScope()
    server = view([session('x', 1)], 4)
    const newer = scope.run(useWeekPlan)
    await newer?.load()
    expect(newer?.placements.value).toEqual([at('x', 1)])
    newer?.place(at('x', 2))
    useSession().leave()
    scope.stop()
    expect(useKeptDraft().draft).toBeNull()
  })

  it('leaves a session where it is when it cannot go there, and says why', async () => {
    const week = await loaded([session('x', 0)])
    expect(week.place(at('x', 1, 'kit'))).toBe(false)
    expect(week.handMade.value?.breaks).toMatchObject({ code: 'no-skill' })
    expect(week.placements.value).toEqual([at('x', 0)])
  })

  it('takes a second session off with its first, or when the first would come after it', async () => {
    const week = await loaded([session('k', 0), session('k#2', 2)])
    week.place(at('k', 1))
    expect(week.placements.value).toHaveLength(2)
    week.place(at('k', 3))
    expect(week.placements.value).toEqual([at('k', 3)])
    const other = await loaded([session('k', 0), session('k#2', 2)])
    other.unplace('k')
    expect(other.placements.value).toEqual([])
  })

  it('locks a second session with its first, and frees the second with the first', async () => {
    const week = await loaded([session('k', 0), session('k#2', 2), session('x', 1)])
    week.toggleLock('k#2')
    expect([week.isLocked('k'), week.isLocked('k#2'), week.isLocked('x')]).toEqual([true, true, false])
    week.toggleLock('k#2')
    expect([week.isLocked('k'), week.isLocked('k#2')]).toEqual([true, false])
    week.toggleLock('k#2')
    week.toggleLock('k')
    expect([week.isLocked('k'), week.isLocked('k#2')]).toEqual([false, false])
    week.toggleLock('gone')
    expect(week.isAccepted.value).toBe(true)
  })

  it('lets go of a lock when its session is moved', async () => {
    const week = await loaded([session('x', 0)])
    week.toggleLock('x')
    week.place(at('x', 1))
    expect(week.isLocked('x')).toBe(false)
  })

  it('plans again close to the plan that holds, or from nothing', async () => {
    const week = await loaded([session('x', 0)])
    week.plan(true)
    expect(FakeWorker.last?.tasks.at(-1)).toMatchObject({
      startFrom: [at('x', 0)],
      anchors: { placements: [at('x', 0)] },
    })
    week.plan(false)
    expect(FakeWorker.last?.tasks.at(-1)).toMatchObject({ startFrom: [], anchors: null })
  })

  it('searches on with what the chef minds now, from where it stands', async () => {
    const week = await loaded([session('x', 0)])
    week.weigh({ ...EVEN_WEIGHTS, dull: 3 })
    expect(FakeWorker.last?.tasks.at(-1)).toMatchObject({ startFrom: [at('x', 0)], problem: { weights: { dull: 3 } } })
    expect(week.isAccepted.value).toBe(false)
  })

  it('is accepted by version, with its locks, and read anew', async () => {
    const week = await loaded([session('x', 0)])
    week.place(at('x', 1))
    week.toggleLock('x')
    expect(await week.accept()).toBe(true)
    expect(sent.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      basedOn: 3,
      locks: [at('x', 1)],
      placements: [at('x', 1)],
      improvementId: null,
    })
    expect(sent.filter(({ method }) => method === 'GET')).toHaveLength(2)
  })

  it('keeps everything done by hand when the server refuses, and says what it said', async () => {
    const week = await loaded([session('x', 0)])
    week.place(at('x', 1))
    refuse = {
      status: 409,
      body: { error: { code: 'plan-moved', sentence: 'Somebody accepted another plan meanwhile.' } },
    }
    expect(await week.accept()).toBe(false)
    expect(week.refusal.value).toBe('Somebody accepted another plan meanwhile.')
    expect(week.placements.value).toEqual([at('x', 1)])
  })

  describe('being improved', () => {
    const improving = async (told: object): Promise<void> => {
      answers['/api/plan/improvements/job'] = {
        status: 'running',
        seconds: 1,
        bound: 3,
        cost: 1,
        proven: false,
        ...told,
      }
      await vi.advanceTimersByTimeAsync(600)
    }
    beforeEach(() => {
      vi.useFakeTimers()
      answers['/api/plan/improvements'] = { id: 'job' }
    })
    afterEach(() => {
      vi.useRealTimers()
    })

    it('takes a better plan as it comes', async () => {
      const week = await loaded([session('x', 0)])
      await week.improve()
      await improving({ cost: week.cost.value - 5, placements: [at('x', 1)] })
      expect(week.placements.value).toEqual([at('x', 1)])
      expect(week.bound.value).toBe(3)
    })

    it('never puts an answer that comes late over what was moved by hand meanwhile', async () => {
      const week = await loaded([session('x', 0)])
      await week.improve()
      week.place(at('x', 1))
      await improving({ cost: -1000, placements: [at('x', 0)] })
      expect(week.placements.value).toEqual([at('x', 1)])
      expect(week.bound.value).toBeNull()
      expect(week.improving.value).toBeNull()
    })

    it('compares no costs under other weights than were asked for', async () => {
      const week = await loaded([session('x', 0)])
      await week.improve()
      week.weigh({ ...(week.problem.value?.weights ?? EVEN_WEIGHTS), dull: 5 })
      await improving({ cost: -1000, placements: [] })
      expect(week.placements.value).toEqual([at('x', 0)])
      expect(week.improving.value).toBeNull()
    })
  })

  it('says when its thread dies, and lets somebody try again', async () => {
    const week = await loaded(null)
    FakeWorker.last?.onerror?.()
    await flushPromises()
    expect(week.searching.value).toBe(false)
    expect(week.refusal.value).not.toBe('')
  })
})
