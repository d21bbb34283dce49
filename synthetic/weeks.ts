import type { Skill } from '../core/house/skills'
import {
  EVEN_WEIGHTS,
  type JobRoute,
  type PlanJob,
  type PlanPerson,
  type PlanProblem,
  type PlanStone,
  type PlanWindow,
} from '../core/plan/problem'
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

/** A house's week of bench work: edges that go dull at their own time, hands with skills of their own. */
export function syntheticWeek(size: WeekSize, seed: number): PlanProblem {
  const luck = chance(seed)
  const length = size.windowMinutes ?? 90
  const windows = Array.from({ length: size.days }, (_, day): PlanWindow => {
    const startMs = START_MS + day * DAY_MS + OPENS_MS
    return {
      id: `w${day}`,
      name: 'afternoon',
      startMs,
      endMs: startMs + length * MINUTE_MS,
      soakFromMs: startMs - 60 * MINUTE_MS,
      overlapsService: luck.happens(0.1),
    }
  })
  const benches = Array.from({ length: size.benches }, (_, at) => ({ id: `b${at}`, name: `bench ${at + 1}` }))
  const people = Array.from({ length: size.cooks }, (_, at): PlanPerson => {
    const skills: Skill[] =
      at % 3 === 0
        ? ['hone', 'maintenance', 'full', 'thinning', 'asymmetric']
        : at % 3 === 1
          ? ['hone', 'maintenance', 'full']
          : ['hone']
    const present = Object.fromEntries(
      windows.flatMap((window): [string, { fromMs: number; toMs: number }][] => {
        if (!luck.happens(0.7)) return []
        const late = luck.happens(0.2) ? Math.round(luck.between(5, length / 3)) : 0
        return [[window.id, { fromMs: window.startMs + late * MINUTE_MS, toMs: window.endMs }]]
      }),
    )
    return { id: `p${at}`, skills, pace: luck.between(0.85, 1.3), present }
  })
  const services = size.days * SERVICES_A_DAY
  const jobs = Array.from({ length: size.knives }, (_, at): PlanJob => {
    const life = size.lifeServices ?? USUAL_LIFE_SERVICES
    const dullAt = luck.between(-2, life)
    const spread = luck.between(0.8, 3)
    const chances = Array.from(
      { length: services },
      (_one, service) => 1 / (1 + Math.exp(-(service - dullAt) / spread)),
    )
    const weight = luck.happens(0.2) ? 2 : 1
    // two services a day, lunch before the window and dinner after it
    const before = (day: number): number =>
      weight * SERVICE_HOURS * chances.slice(0, day * SERVICES_A_DAY + 1).reduce((sum, one) => sum + one, 0)
    const skill: Skill = luck.happens(0.1)
      ? 'thinning'
      : luck.happens(0.1)
        ? 'asymmetric'
        : luck.happens(0.4)
          ? 'maintenance'
          : 'full'
    const path = PATHS[Math.floor(luck.between(0, PATHS.length))] ?? ['fine']
    const stages = path.map((stoneId) => ({ stoneId, minutes: Math.round(luck.between(2, 8)) }))
    const route = (benchId: string): JobRoute => ({ benchId, openingMinutes: 4, stages, closingMinutes: 4 })
    const routes = benches.map(({ id }) => route(id))
    return {
      id: `j${at}`,
      knifeId: `k${at}`,
      kind: 'stone',
      skill,
      routes: routes,
      dullHours: windows.map((_window, day) => before(day)),
      dullHoursLeft: before(size.days),
      chanceAt: windows.map((_window, day) => chances[day * SERVICES_A_DAY] ?? 1),
      wastedUm: windows.map((_window, day) => 60 * (1 - (chances[day * SERVICES_A_DAY] ?? 1))),
      wanted: (chances.at(-1) ?? 1) > 0.5,
      dullBy: null,
      daysSinceStone: Math.max(0, (USUAL_LIFE_SERVICES - dullAt) / SERVICES_A_DAY),
      dueShare: chances.at(-1) ?? 1,
      lastHands: luck.happens(0.6) ? `p${Math.floor(luck.between(0, size.cooks))}` : null,
      group: `g${at % 7}`,
      mayBeAway: 1,
      follows: null,
      next:
        life >= services
          ? null
          : {
              skill,
              routes,
              steelUm: 60,
              services: chances.map((_chance, service) => ({
                name: service % SERVICES_A_DAY === 0 ? 'lunch' : 'dinner',
                startMs:
                  START_MS +
                  Math.floor(service / SERVICES_A_DAY) * DAY_MS +
                  (service % SERVICES_A_DAY === 0 ? LUNCH_MS : DINNER_MS),
                hours: weight * SERVICE_HOURS,
              })),
              freshChances: chances.map((_chance, service) => 1 / (1 + Math.exp(-(service - life) / spread))),
            },
    }
  })
  return { windows, people, benches, stones: STONES, jobs, weights: EVEN_WEIGHTS, locks: [] }
}
