import { eachZone, type ByZone, type Zone } from '../../knife/zones'

/** Readings boiled down to what a mean and its doubt need: how many, their weights, and their weighted sum. */
export interface Tally {
  readonly count: number
  readonly weight: number
  readonly sum: number
}

/** How a hand's edges stood against what was expected, in log force: off the stone, and after hours of use. */
export interface HandLessons {
  readonly offStone: ByZone<Tally>
  readonly afterUse: ByZone<Tally>
}

/** What one knife's log can teach about the house: kept with the knife, added up over the fleet. */
export interface Lessons {
  /** work done at each station */
  readonly workAt: Readonly<Record<string, number>>
  /** honings with each tool */
  readonly honesWith: Readonly<Record<string, number>>
  readonly hands: Readonly<Record<string, HandLessons>>
  readonly readings: number
}

export const NO_LESSONS: Lessons = { workAt: {}, honesWith: {}, hands: {}, readings: 0 }
export const NO_TALLY: Tally = { count: 0, weight: 0, sum: 0 }
const NO_HAND: HandLessons = { offStone: eachZone(() => NO_TALLY), afterUse: eachZone(() => NO_TALLY) }

export const addToTally = (tally: Tally, value: number, variance: number): Tally => ({
  count: tally.count + 1,
  weight: tally.weight + 1 / variance,
  sum: tally.sum + value / variance,
})

export const sumTallies = (one: Tally, other: Tally): Tally => ({
  count: one.count + other.count,
  weight: one.weight + other.weight,
  sum: one.sum + other.sum,
})

export const addCount = (
  counts: Readonly<Record<string, number>>,
  key: string,
  by: number,
): Readonly<Record<string, number>> => ({
  ...counts,
  [key]: (counts[key] ?? 0) + by,
})

/** One residual of a hand's work. */
export interface HandResidual {
  readonly zone: Zone
  readonly log: number
  readonly variance: number
}

/** Lessons with residuals of one hand added. */
export function addHandResidual(
  lessons: Lessons,
  personId: string,
  when: keyof HandLessons,
  residuals: readonly HandResidual[],
): Lessons {
  const hand = lessons.hands[personId] ?? NO_HAND
  const grown = { ...hand[when] }
  for (const { zone, log, variance } of residuals) grown[zone] = addToTally(grown[zone], log, variance)
  return { ...lessons, hands: { ...lessons.hands, [personId]: { ...hand, [when]: grown } } }
}
