import type { Skill } from '../core/house/skills'
import { indexPlan, isLimit, layOutWindow } from '../core/plan/layout'
import {
  EVEN_WEIGHTS,
  USUAL_SITTING,
  type JobRoute,
  type Placement,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanStone,
  type PlanWindow,
} from '../core/plan/problem'
import { chancesWith, type JobChances } from '../core/plan/risk'
import { chance } from '../core/statistics/random'
import { DAY_MS, MINUTE_MS } from '../core/time'

/** The size of an invented house and the days to plan. */
export interface WeekSize {
  readonly knives: number
  readonly cooks: number
  readonly days: number
  readonly benches: number
  readonly windowMinutes?: number
  /** services from a fresh edge to a dull one; each knife is somewhere in that life when the plan begins */
  readonly lifeServices?: number
  /** minutes by which every other window is shorter */
  readonly uneven?: number
  /** share of people who are away on a day; 0.3 unless said */
  readonly away?: number
  /** of the cooks, one in so many may use the stones; two of three unless said */
  readonly oneInSo?: number
  /** whoever may, may do everything */
  readonly manySkills?: boolean
  /** two of three knives start on the one coarse stone */
  readonly scarceCoarse?: boolean
  /** every window overlaps a service, and knives have few that stand in for them */
  readonly noStandIns?: boolean
  /** nobody is in the house before a window to put stones under water */
  readonly lateSoaking?: boolean
  readonly flattenEach?: boolean
  /** each knife has its stones at one bench only */
  readonly tied?: boolean
  /** sessions the chef has locked */
  readonly locks?: number
}

const START_MS = Date.UTC(2026, 10, 23)
/** Windows open at three in the afternoon; dinner follows. */
const OPENS_MS = 15 * 60 * MINUTE_MS
const LUNCH_MS = 12 * 60 * MINUTE_MS
const DINNER_MS = 18 * 60 * MINUTE_MS
const SERVICE_HOURS = 1.2
const SERVICES_A_DAY = 2
/** Three weeks of two services a day. */
const USUAL_LIFE_SERVICES = 42

const STONES: readonly PlanStone[] = [
  { id: 'coarse', name: 'coarse', micron: 40, soakMinutes: 30, flattenMinutes: 4, knivesBetween: 3 },
  { id: 'diamond', name: 'diamond', micron: 30, soakMinutes: 0, flattenMinutes: 0, knivesBetween: 99 },
  { id: 'middle', name: 'middle', micron: 11.5, soakMinutes: 20, flattenMinutes: 4, knivesBetween: 3 },
  { id: 'middle-two', name: 'middle two', micron: 11.5, soakMinutes: 20, flattenMinutes: 4, knivesBetween: 3 },
  { id: 'fine', name: 'fine', micron: 4, soakMinutes: 0, flattenMinutes: 4, knivesBetween: 3 },
]
const PATHS: readonly (readonly string[])[] = [
  ['coarse', 'middle', 'fine'],
  ['diamond', 'middle-two', 'fine'],
  ['middle', 'fine'],
  ['fine'],
]

const EVERYTHING: readonly Skill[] = ['hone', 'maintenance', 'full', 'thinning', 'asymmetric']

/** Some thin and do one-sided edges, some sharpen, the rest hone. */
function skillsOf(at: number, { oneInSo, manySkills }: WeekSize): Skill[] {
  if (oneInSo !== undefined && at % oneInSo !== 0) return ['hone']
  if (manySkills || at % 3 === 0) return [...EVERYTHING]
  return oneInSo !== undefined || at % 3 === 1 ? ['hone', 'maintenance', 'full'] : ['hone']
}

/** An invented week with what it was made of: the chance of each knife's working dull, service by service. */
export interface SyntheticWeek {
  readonly problem: PlanProblem
  readonly chances: readonly JobChances[]
  readonly serviceStarts: readonly number[]
  /** hours each knife works in a service, weight of its station in, by job */
  readonly hours: ReadonlyMap<string, number>
}

/** A house's week of bench work: edges that go dull at their own time, hands with skills of their own. */
export const syntheticWeek = (size: WeekSize, seed: number): PlanProblem => makeWeek(size, seed).problem

/** The same with what it was made of. */
export function makeWeek(size: WeekSize, seed: number): SyntheticWeek {
  const luck = chance(seed)
  const length = size.windowMinutes ?? 90
  const windows = Array.from({ length: size.days }, (_, day): PlanWindow => {
    const startMs = START_MS + day * DAY_MS + OPENS_MS
    const minutes = length - (day % 2 === 1 ? (size.uneven ?? 0) : 0)
    return {
      id: `w${day}`,
      name: 'afternoon',
      startMs,
      endMs: startMs + minutes * MINUTE_MS,
      soakFromMs: startMs - (size.lateSoaking ? 0 : 60) * MINUTE_MS,
      overlapsService: luck.happens(0.1) || size.noStandIns === true,
    }
  })
  const benches = Array.from({ length: size.benches }, (_, at) => ({ id: `b${at}`, name: `bench ${at + 1}` }))
  const people = Array.from({ length: size.cooks }, (_, at): PlanPerson => {
    const skills = skillsOf(at, size)
    const present = Object.fromEntries(
      windows.flatMap((window): [string, { fromMs: number; toMs: number }][] => {
        if (!luck.happens(1 - (size.away ?? 0.3))) return []
        const late = luck.happens(0.2) ? Math.round(luck.between(5, length / 3)) : 0
        return [[window.id, { fromMs: window.startMs + late * MINUTE_MS, toMs: window.endMs }]]
      }),
    )
    return { id: `p${at}`, skills, pace: luck.between(0.85, 1.3), present }
  })
  const services = size.days * SERVICES_A_DAY
  const serviceStarts = Array.from(
    { length: services },
    (_, service) =>
      START_MS +
      Math.floor(service / SERVICES_A_DAY) * DAY_MS +
      (service % SERVICES_A_DAY === 0 ? LUNCH_MS : DINNER_MS),
  )
  const known: JobChances[] = []
  const hoursOf = new Map<string, number>()
  const jobs = Array.from({ length: size.knives }, (_, at): PlanJob => {
    const life = size.lifeServices ?? USUAL_LIFE_SERVICES
    const dullAt = luck.between(-2, life)
    const spread = luck.between(0.8, 3)
    const chances = Array.from(
      { length: services },
      (_one, service) => 1 / (1 + Math.exp(-(service - dullAt) / spread)),
    )
    const weight = luck.happens(0.2) ? 2 : 1
    const fresh = chances.map((_chance, service) => 1 / (1 + Math.exp(-(service - life) / spread)))
    known.push({ jobId: `j${at}`, left: chances, fresh })
    hoursOf.set(`j${at}`, weight * SERVICE_HOURS)
    // over the whole week, the services after a session too, as a house reckons them
    const hoursIfDone = (...doneMs: readonly number[]): number =>
      weight *
      SERVICE_HOURS *
      chancesWith(serviceStarts, { left: chances, fresh }, doneMs).reduce((sum, one) => sum + one, 0)
    const skill: Skill = luck.happens(0.1)
      ? 'thinning'
      : luck.happens(0.1)
        ? 'asymmetric'
        : luck.happens(0.4)
          ? 'maintenance'
          : 'full'
    const chosen = PATHS[Math.floor(luck.between(0, PATHS.length))] ?? ['fine']
    const path = size.scarceCoarse && at % 3 !== 2 ? ['coarse', 'middle', 'fine'] : chosen
    const stages = path.map((stoneId) => ({ stoneId, minutes: Math.round(luck.between(2, 8)) }))
    const route = (benchId: string): JobRoute => ({ benchId, openingMinutes: 4, stages, closingMinutes: 4 })
    const own = size.tied ? benches.slice(at % benches.length, (at % benches.length) + 1) : benches
    const routes = own.map(({ id }) => route(id))
    return {
      id: `j${at}`,
      knifeId: `k${at}`,
      kind: 'stone',
      skill,
      routes: routes,
      dullHours: windows.map(({ endMs }) => hoursIfDone(endMs)),
      dullHoursLeft: hoursIfDone(),
      chanceAt: windows.map((_window, day) => chances[day * SERVICES_A_DAY] ?? 1),
      wastedUm: windows.map((_window, day) => 60 * (1 - (chances[day * SERVICES_A_DAY] ?? 1))),
      wanted: (chances.at(-1) ?? 1) > 0.5,
      dullBy: null,
      daysSinceStone: Math.max(0, (USUAL_LIFE_SERVICES - dullAt) / SERVICES_A_DAY),
      dueShare: chances.at(-1) ?? 1,
      lastHands: luck.happens(0.6) ? `p${Math.floor(luck.between(0, size.cooks))}` : null,
      onlyHands: null,
      group: `g${at % (size.noStandIns ? 25 : 7)}`,
      mayBeAway: 1,
      follows: null,
      next:
        life >= services
          ? null
          : {
              skill,
              routes,
              steelUm: 60,
              services: serviceStarts.map((startMs, service) => ({
                name: service % SERVICES_A_DAY === 0 ? 'lunch' : 'dinner',
                startMs,
                hours: weight * SERVICE_HOURS,
              })),
              freshChances: fresh,
            },
    }
  })
  const stones = size.flattenEach
    ? STONES.map((stone) => (stone.flattenMinutes > 0 ? { ...stone, knivesBetween: 1 } : stone))
    : STONES
  const free = { windows, people, benches, stones, jobs, weights: EVEN_WEIGHTS, sitting: USUAL_SITTING, locks: [] }
  const problem = { ...free, locks: lockedByChance(free, luck, size.locks ?? 0) }
  return { problem, chances: known, serviceStarts, hours: hoursOf }
}

/** Sessions somebody has locked without asking what they cost: any place that the rules allow together. */
function lockedByChance(problem: PlanProblem, luck: ReturnType<typeof chance>, most: number): Placement[] {
  const index = indexPlan(problem)
  const locks: Placement[] = []
  const jobs = problem.jobs.filter(({ wanted }) => wanted)
  for (let tries = 0; locks.length < most && tries < 100 * most; tries++) {
    const job = jobs[Math.floor(luck.between(0, jobs.length))]
    const window = problem.windows[Math.floor(luck.between(0, problem.windows.length))]
    const person = problem.people[Math.floor(luck.between(0, problem.people.length))]
    const route = job?.routes[Math.floor(luck.between(0, job.routes.length))]
    if (!job || !window || !person?.present[window.id] || !route || !person.skills.includes(job.skill)) continue
    if (locks.some(({ jobId }) => jobId === job.id)) continue
    const lock = { jobId: job.id, windowId: window.id, benchId: route.benchId, personId: person.id }
    const here = locks.filter(({ windowId }) => windowId === window.id)
    if (!isLimit(layOutWindow(index, window.id, [...here, lock]))) locks.push(lock)
  }
  return locks
}

/** Houses unlike each other, for plans and their bounds: the plain one first. */
export const WEEK_KINDS: readonly { readonly said: string; readonly size: WeekSize }[] = [
  { said: 'plain', size: {} },
  { said: 'windows of 70 min, so full that the order decides', size: { windowMinutes: 70 } },
  { said: 'edges that last four days', size: { lifeServices: 8 } },
  { said: '150 knives, 30 cooks', size: { knives: 150, cooks: 30 } },
  { said: '150 knives, 30 cooks, 14 days', size: { knives: 150, cooks: 30, days: 14 } },
  { said: 'few hands, many skills', size: { cooks: 6, oneInSo: 3, manySkills: true } },
  { said: 'one bench', size: { benches: 1, windowMinutes: 90 } },
  { said: 'scarce coarse stone', size: { scarceCoarse: true, windowMinutes: 70 } },
  { said: 'no stand-ins', size: { noStandIns: true } },
  { said: 'fifteen locks', size: { locks: 15 } },
  { said: 'holidays', size: { away: 0.65 } },
  { said: 'uneven windows', size: { windowMinutes: 110, uneven: 65 } },
  { said: 'late soaking', size: { lateSoaking: true, windowMinutes: 90 } },
  { said: 'stones flattened for each knife', size: { flattenEach: true, windowMinutes: 90 } },
  { said: 'tied benches', size: { tied: true, windowMinutes: 70 } },
].map(({ said, size }) => ({
  said,
  size: { knives: 60, cooks: 12, days: 7, benches: 2, windowMinutes: 120, ...size },
}))
