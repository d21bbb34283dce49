import { clamp } from '../../measure'
import { evidenceBeyond, logistic, logit, Z_80, type Known } from '../../statistics/normal'
import { regress, sumOf, type EffectObservation, type Regression, type Terms } from '../../statistics/regression'
import { DEFAULT_PRIOR, HABIT, knownParameter } from '../filter/belief'
import { habitKey } from '../log/habitKey'
import type { HoningCount } from '../log/lessons'
import type { KnifeState } from '../log/state'

/** How a house says its knives are honed. */
export const STATED_HABITS = ['each-time', 'most-days', 'now-and-then', 'hardly-ever'] as const
export type StatedHabit = (typeof STATED_HABITS)[number]

/** Share of services before which each of them means a honing (assumed). */
const STATED_SHARE: Readonly<Record<StatedHabit, number>> = {
  'each-time': 0.95,
  'most-days': 0.7,
  'now-and-then': 0.3,
  'hardly-ever': 0.05,
}

/** How often somebody was found with the steel out and the knives in order on a walk through the kitchen. */
export interface WalkCount {
  readonly inOrder: number
  readonly notInOrder: number
}

/** What a house says of honing, and what its chef saw; by person where that differs. */
export interface HabitStatements {
  readonly house: StatedHabit | null
  readonly people: ReadonlyMap<string, StatedHabit>
  readonly walks: ReadonlyMap<string, WalkCount>
}

export const NO_STATEMENTS: HabitStatements = { house: null, people: new Map(), walks: new Map() }

/** A statement counts as so many walks, silence as fewer (assumed). */
const STATEMENT_WALKS = 4
const SILENCE_WALKS = 1
/** Nobody hones always or never, as far as anybody can state. */
const LEAST_CHANCE = 0.03

/** Spread of unrecorded honings in log odds between houses, between the people of one, and between one's knives (assumed). */
const SPREAD = {
  stated: { house: 0.8, holder: 0.8, knife: 0.3 },
  unstated: { house: 1.7, holder: 1, knife: 0.3 },
}

/** What a house's edges say of honings nobody wrote down. */
export interface HabitLessons {
  readonly regression: Regression
  /** log odds expected of a holder before any edge has spoken */
  readonly expected: (key: string) => number
  /** services and honings on record, by holder, over all knives */
  readonly counts: ReadonlyMap<string, HoningCount>
}

interface Held {
  readonly id: string
  readonly state: KnifeState
}

const HOUSE = 'house'
const terms = (key: string): Terms => [
  [HOUSE, 1],
  [`holder ${key}`, 1],
]

function honingCounts(knives: readonly Held[]): Map<string, HoningCount> {
  const counts = new Map<string, HoningCount>()
  for (const { state } of knives) {
    for (const [key, { services, recorded }] of Object.entries(state.lessons.honing)) {
      const known = counts.get(key)
      counts.set(key, { services: (known?.services ?? 0) + services, recorded: (known?.recorded ?? 0) + recorded })
    }
  }
  return counts
}

const recordedShareOf = (count: HoningCount | undefined): number => (count ? count.recorded / (count.services + 1) : 0)

/** Log odds of an unrecorded honing, from what was stated, seen on walks, and is on record anyway. */
function expectedOdds(key: string, counts: ReadonlyMap<string, HoningCount>, said: HabitStatements): number {
  const stated = said.people.get(key) ?? said.house
  const walks = said.walks.get(key) ?? { inOrder: 0, notInOrder: 0 }
  const looks = walks.inOrder + walks.notInOrder
  if (stated === null && looks === 0) return DEFAULT_PRIOR.habit.mean
  const weight = stated === null ? SILENCE_WALKS : STATEMENT_WALKS
  const honed = ((stated === null ? 0.5 : STATED_SHARE[stated]) * weight + walks.inOrder) / (weight + looks)
  const recorded = Math.min(1 - LEAST_CHANCE, recordedShareOf(counts.get(key)))
  return logit(clamp((honed - recorded) / (1 - recorded), LEAST_CHANCE, 1 - LEAST_CHANCE))
}

/** What edges say of honings nobody wrote down, holder by holder: those who hold a knife now, and those who did. */
export function learnHabits(knives: readonly Held[], said: HabitStatements): HabitLessons {
  const counts = honingCounts(knives)
  const expected = (key: string): number => expectedOdds(key, counts, said)
  const sd = said.house === null ? SPREAD.unstated : SPREAD.stated
  const evidence = knives.flatMap(({ id, state }) => {
    const key = habitKey(state)
    const own = evidenceBeyond(DEFAULT_PRIOR.habit, knownParameter(state.belief, HABIT))
    const before = Object.entries(state.lessons.habits).map(([past, known]) => ({
      id: `${id} ${past}`,
      key: past,
      known,
    }))
    return own ? [{ id, key, known: own }, ...before] : before
  })
  const keys = [...new Set([...knives.map(({ state }) => habitKey(state)), ...evidence.map(({ key }) => key)])].sort()
  const regression = regress(
    new Map([[HOUSE, sd.house], ...keys.map((key): [string, number] => [`holder ${key}`, sd.holder])]),
    evidence.map(({ id, key, known }): EffectObservation => ({
      id,
      terms: terms(key),
      value: known.mean - expected(key),
      variance: known.sd ** 2 + sd.knife ** 2,
    })),
  )
  return { regression, expected, counts }
}

/** What others say of a knife's unrecorded honings, its own edge left out. */
export function habitFromOthers(lessons: HabitLessons, { id, state }: Held): Known {
  const key = habitKey(state)
  const { mean, sd } = sumOf(lessons.regression, terms(key), id)
  return { mean: lessons.expected(key) + mean, sd: Math.hypot(sd, SPREAD.unstated.knife) }
}

/** How a holder's knives are honed, as far as it is known. */
export interface Habit {
  /** share of services before which they are honed, 0–1, with an 80 % interval */
  readonly honed: number
  readonly low: number
  readonly high: number
  /** share of those honings that are on record, 0–1 */
  readonly logged: number
  readonly services: number
}

/** Habit of a holder: what is on record, and what edges, statements and walks say of the rest. */
export function habitOf(lessons: HabitLessons, key: string): Habit {
  const { mean, sd } = sumOf(lessons.regression, terms(key))
  const count = lessons.counts.get(key)
  const recorded = recordedShareOf(count)
  const at = (shift: number): number =>
    recorded + (1 - recorded) * logistic(lessons.expected(key) + mean + shift * Z_80 * sd)
  const honed = at(0)
  return {
    honed,
    low: at(-1),
    high: at(1),
    logged: honed > 0 ? Math.min(1, recorded / honed) : 0,
    services: count?.services ?? 0,
  }
}
