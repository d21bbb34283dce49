import { describe, expect, it } from 'vitest'
import { MINUTE_MS } from '../time'
import { compare, everyWeeks, worstFirst } from './baselines'
import { changedFoundations, planChanges, planFoundations } from './changes'
import { leavingReason, placementReasons, violationOf } from './explain'
import { jobOf, type KnifeAhead } from './jobs'
import { planCost, planTotals } from './objective'
import { EVEN_WEIGHTS, type PlanPerson, type PlanProblem, type PlanWindow } from './problem'
import { dullByService } from './risk'
import { shiftRounds } from './rounds'

const DAY = 24 * 60 * MINUTE_MS
const START = Date.UTC(2026, 2, 9, 15)
const window = (day: number, minutes = 60): PlanWindow => ({
  id: `w${day}`,
  name: 'afternoon',
  startMs: START + day * DAY,
  endMs: START + day * DAY + minutes * MINUTE_MS,
  soakFromMs: START + day * DAY,
  overlapsService: false,
})
/** Lunch at noon and dinner at six, each day; dull from a service on. */
const services = (dullFrom: number): KnifeAhead['services'] =>
  Array.from({ length: 8 }, (_, at) => {
    const startMs = START + Math.floor(at / 2) * DAY + (at % 2 === 0 ? -3 : 3) * 60 * MINUTE_MS
    return {
      name: at % 2 === 0 ? 'lunch' : 'dinner',
      startMs,
      endMs: startMs + 120 * MINUTE_MS,
      hours: 1,
      chanceDull: at >= dullFrom ? 0.9 : 0.1,
    }
  })
const ahead = (knifeId: string, dullFrom: number, more: Partial<KnifeAhead> = {}): KnifeAhead => ({
  knifeId,
  action: 'none',
  skill: 'full',
  routes: [{ benchId: 'bench', openingMinutes: 4, stages: [{ stoneId: 'middle', minutes: 12 }], closingMinutes: 4 }],
  services: services(dullFrom),
  freshChances: [0, 0, 0, 0, 0, 0, 0, 0],
  steelUm: 60,
  stationWeight: 1,
  daysSinceStone: 9,
  lastHands: 'oda',
  onlyHands: null,
  group: 'sauté',
  mayBeAway: 1,
  ordinary: null,
  ...more,
})
const WINDOWS = [window(0), window(1), window(2), window(3)]
const person = (id: string, skills: PlanPerson['skills'], windows = WINDOWS): PlanPerson => ({
  id,
  skills,
  pace: 1,
  present: Object.fromEntries(windows.map((one) => [one.id, { fromMs: one.startMs, toMs: one.endMs }])),
})
const problemOf = (knives: readonly KnifeAhead[], more: Partial<PlanProblem> = {}): PlanProblem => ({
  windows: WINDOWS,
  people: [person('oda', ['full', 'maintenance'])],
  benches: [{ id: 'bench', name: 'bench' }],
  stones: [{ id: 'middle', name: 'Middle', micron: 11.5, soakMinutes: 0, flattenMinutes: 0, knivesBetween: 9 }],
  jobs: knives.map((knife) => jobOf(knife, more.windows ?? WINDOWS)),
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
  ...more,
})
const at = (
  jobId: string,
  day: number,
  personId = 'oda',
): { jobId: string; windowId: string; benchId: string; personId: string } => ({
  jobId,
  windowId: `w${day}`,
  benchId: 'bench',
  personId,
})

describe('what a knife wants of the days ahead', () => {
  it('is dearer in dull hours the later, and dearer in steel the earlier', () => {
    const job = jobOf(ahead('a', 3), WINDOWS)
    expect(job.dullHours.every((hours, day) => day === 0 || hours >= (job.dullHours[day - 1] ?? 0))).toBe(true)
    expect(job.wastedUm.every((um, day) => day === 0 || um <= (job.wastedUm[day - 1] ?? 0))).toBe(true)
    expect(job.dullHoursLeft).toBeCloseTo(3 * 0.1 + 5 * 0.9)
    // done in the first window: one lunch behind it, a fresh edge after
    expect(job.dullHours[0]).toBeCloseTo(0.1)
    expect(job).toMatchObject({ wanted: true, kind: 'stone', dullBy: { name: 'dinner' } })
  })

  it('counts a weighty station for more, and a chip for every service', () => {
    expect(jobOf(ahead('a', 3, { stationWeight: 2 }), WINDOWS).dullHoursLeft).toBeCloseTo(
      2 * jobOf(ahead('a', 3), WINDOWS).dullHoursLeft,
    )
    const chipped = jobOf(ahead('a', 99, { action: 'repair' }), WINDOWS)
    expect(chipped).toMatchObject({ kind: 'repair', wanted: true, dueShare: 1 })
    expect(chipped.dullHoursLeft).toBeCloseTo(8)
    expect(chipped.wastedUm).toEqual([0, 0, 0, 0])
  })

  it('leaves a keen knife alone, and sends an unsafe one out', () => {
    expect(jobOf(ahead('a', 99), WINDOWS).wanted).toBe(false)
    expect(jobOf(ahead('a', 99, { action: 'quarantine' }), WINDOWS)).toMatchObject({ kind: 'send-out', routes: [] })
  })
})

describe('what stopped a job, and what would free it', () => {
  const dull = ahead('a', 0)
  const reason = (more: Partial<PlanProblem>, knives = [dull]): unknown =>
    leavingReason(problemOf(knives, more), [], 'a')

  it('is said: no skill, nobody there, no window, a window too short, no stones, not yet', () => {
    expect(reason({ people: [person('oda', ['hone'])] })).toEqual({ code: 'no-skill', values: { skill: 'full' } })
    expect(reason({ people: [person('oda', ['full'], [])] })).toEqual({
      code: 'no-hands-then',
      values: { skill: 'full' },
    })
    expect(reason({ windows: [] })).toEqual({ code: 'no-window', values: {} })
    const short = [window(0, 15)]
    expect(reason({ windows: short, people: [person('oda', ['full'], short)] })).toEqual({
      code: 'too-long',
      values: { minutes: 20, longest: 15 },
    })
    expect(reason({}, [ahead('a', 0, { routes: [] })])).toEqual({ code: 'no-stones', values: {} })
    expect(reason({}, [ahead('a', 0, { action: 'quarantine' })])).toEqual({ code: 'send-out', values: {} })
    expect(reason({}, [ahead('a', 99)])).toMatchObject({ code: 'not-yet', values: { percent: 10 } })
  })

  it('names the bench or the hands that are full, and by how many minutes', () => {
    const problem = problemOf(
      ['a', 'b', 'c', 'd'].map((id) => ahead(id, 0)),
      { windows: [window(0)], people: [person('oda', ['full'], [window(0)])] },
    )
    const full = leavingReason(
      problem,
      ['b', 'c', 'd'].map((id) => at(id, 0)),
      'a',
    )
    expect(full).toEqual({ code: 'no-room', values: { limit: 'bench', id: 'bench', windowId: 'w0', minutes: 20 } })
  })

  it('is the same for a move made by hand', () => {
    const problem = problemOf([dull, ahead('b', 0)], { people: [person('oda', ['full']), person('kit', ['hone'])] })
    expect(violationOf(problem, [], at('a', 0))).toBeNull()
    expect(violationOf(problem, [], at('a', 0, 'kit'))).toEqual({
      code: 'no-skill',
      values: { skill: 'full', personId: 'kit' },
    })
    expect(violationOf(problem, [], { ...at('a', 0), benchId: 'elsewhere' })).toEqual({ code: 'no-stones', values: {} })
  })

  it('a knife leaves its station in a service only where another stands in', () => {
    const busy = [{ ...window(0), overlapsService: true }]
    const problem = problemOf([ahead('a', 0), ahead('b', 0)], {
      windows: busy,
      people: [person('oda', ['full'], busy)],
    })
    expect(violationOf(problem, [at('b', 0)], at('a', 0))).toMatchObject({
      code: 'no-room',
      values: { limit: 'away', id: 'sauté' },
    })
  })
})

describe('why a job is where it is', () => {
  it('names the service it is in time for, the hands it knows, and what leaving it would cost', () => {
    const codes = placementReasons(problemOf([ahead('a', 3)]), at('a', 0)).map(({ code }) => code)
    expect(codes).toEqual(['before-dull', 'same-hands', 'only-hands', 'saves'])
    expect(placementReasons(problemOf([ahead('a', 0)]), at('a', 2)).map(({ code }) => code)).toContain('already-dull')
  })
})

describe('against custom', () => {
  const knives = [
    ahead('keen', 99, { daysSinceStone: 20 }),
    ahead('dull', 0, { daysSinceStone: 3 }),
    ahead('soon', 3, { daysSinceStone: 16 }),
  ]
  const problem = problemOf(knives)

  it('everything every two weeks stones the keen one and leaves the dull one', () => {
    expect(everyWeeks(problem, 2).map(({ jobId }) => jobId)).toEqual(['keen', 'soon'])
  })

  it('worst first waits until somebody complains', () => {
    expect(worstFirst(problem).map(({ jobId, windowId }) => `${jobId} ${windowId}`)).toEqual(['dull w0', 'soon w2'])
  })

  it('a plan that sharpens what goes dull before it does leaves fewer dull hours than either', () => {
    const comparison = compare(problem, [at('dull', 0), at('soon', 1)], 2)
    expect(comparison.plan.dullHours).toBeLessThan(comparison.everyWeeks.dullHours)
    expect(comparison.plan.dullHours).toBeLessThan(comparison.worstFirst.dullHours)
    expect(comparison.none.minutes).toBe(0)
  })
})

describe('totals and cost', () => {
  it('count other hands, set-ups and unfair shares', () => {
    const problem = problemOf([ahead('a', 0), ahead('b', 0)], {
      people: [person('oda', ['full']), person('teun', ['full'])],
    })
    const totals = planTotals(problem, [at('a', 0, 'teun'), at('b', 1, 'teun')])
    expect(totals).toMatchObject({ otherHands: 2, sittings: 2, minutes: 40, unfairMinutes: 20 })
    expect(planCost(problem, [at('a', 0), at('b', 0, 'oda')])).toBeLessThan(
      planCost(problem, [at('a', 0, 'teun'), at('b', 1, 'teun')]),
    )
  })
})

describe('the risk of a dull service', () => {
  it('falls after the window a knife is done in, and not before', () => {
    const problem = problemOf([ahead('a', 0)])
    const starts = services(0).map(({ startMs }) => startMs)
    const { before, after } = dullByService(
      problem,
      [{ jobId: 'a', left: services(0).map(({ chanceDull }) => chanceDull), fresh: [0.05, 0.1] }],
      [at('a', 1)],
      starts,
    )
    expect(before).toEqual(Array.from({ length: 8 }, () => 0.9))
    expect(after).toEqual([0.9, 0.9, 0.9, 0.05, 0.1, 0.1, 0.1, 0.1])
  })
})

describe('what a new plan changes', () => {
  const problem = problemOf([ahead('a', 0), ahead('b', 0), ahead('keen', 99)], {
    people: [person('oda', ['full'], WINDOWS.slice(1)), person('teun', ['full'])],
  })
  const changes = planChanges(
    problem,
    [at('a', 0), at('keen', 1), at('b', 1)],
    [at('a', 0, 'teun'), at('b', 1)],
    new Set(['a', 'b', 'keen']),
  )

  it('is listed with its reason, and nothing that stayed', () => {
    expect(changes.map(({ jobId, why }) => [jobId, why])).toEqual([
      ['a', 'person-away'],
      ['keen', 'no-longer-wanted'],
    ])
  })

  it('foundations that moved are told apart from windows that have passed', () => {
    const before = planFoundations(problemOf([ahead('a', 0)]))
    const now = planFoundations(
      problemOf([ahead('a', 0), ahead('b', 0)], {
        windows: WINDOWS.slice(1),
        people: [person('oda', ['full', 'maintenance'], WINDOWS.slice(2))],
      }),
    )
    const { gone, fresh } = changedFoundations(before, now, new Set(['w0']))
    expect(gone).toEqual(['there oda w1'])
    expect(fresh).toEqual(['job b stone'])
  })
})

describe('rounds at the stations', () => {
  const knife = (
    knifeId: string,
    holderId: string | null,
    usefulFromMs: number | null = null,
  ): Parameters<typeof shiftRounds>[0][number] => ({
    knifeId,
    stationId: 'sauté',
    holderId,
    isHoned: true,
    afterEach: false,
    checkNow: false,
    usefulFromMs,
  })
  const dinner = { name: 'dinner', startMs: START + 3 * 60 * MINUTE_MS }
  const there = (personId: string): Parameters<typeof shiftRounds>[2][number] => ({
    personId,
    startMs: START,
    endMs: START + 8 * 60 * MINUTE_MS,
  })

  it('go to the holder, to a mate of the station when the holder is off, and are said when nobody is there', () => {
    const { rounds, unheld } = shiftRounds(
      [knife('a', 'ilse'), knife('b', 'milo'), { ...knife('c', 'leif'), stationId: 'grill' }],
      [dinner],
      [there('ilse')],
    )
    expect(
      rounds.filter(({ kind }) => kind === 'hone').map(({ knifeId, personId }) => `${knifeId} ${personId}`),
    ).toEqual(['a ilse', 'b ilse'])
    expect(unheld).toEqual([{ knifeId: 'c', service: 'dinner', startMs: dinner.startMs }])
  })

  it('ask for a check where one can change what is done: three a shift at most, the likeliest dull first, each once', () => {
    const knives = [
      knife('never', 'ilse', null),
      knife('later', 'ilse', dinner.startMs + DAY),
      knife('b', 'ilse', START - DAY),
      knife('c', 'ilse', START),
      knife('d', 'ilse', dinner.startMs),
      { ...knife('asked', 'ilse'), checkNow: true },
    ]
    const next = { name: 'dinner', startMs: dinner.startMs + 2 * DAY }
    const all = [
      there('ilse'),
      { ...there('ilse'), startMs: START + 2 * DAY, endMs: START + 2 * DAY + 8 * 60 * MINUTE_MS },
    ]
    const { rounds } = shiftRounds(knives, [dinner, next], all)
    const checks = (startMs: number): string[] =>
      rounds.filter((one) => one.kind === 'check' && one.startMs === startMs).map(({ knifeId }) => knifeId)
    expect(checks(dinner.startMs)).toEqual(['asked', 'b', 'c'])
    expect(checks(next.startMs)).toEqual(['d', 'later'])
  })
})
