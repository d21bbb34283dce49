import type { Known } from '../../statistics/normal'
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
  /** the same by how fine the edge was finished before it */
  readonly workAfter: Readonly<Record<string, Readonly<Record<FinishClass, number>>>>
  /** honings with each tool */
  readonly honesWith: Readonly<Record<string, number>>
  readonly hands: Readonly<Record<string, HandLessons>>
  /** services worked and honings on record for them, by who held the knife; the older, the less they count */
  readonly honing: Readonly<Record<string, HoningCount>>
  /** what earlier holders' edges said of their unrecorded honings, in log odds */
  readonly habits: Readonly<Record<string, Known>>
  /** how repeated readings at one spot scatter, by who read and with what */
  readonly scatter: Readonly<Record<string, Scatter>>
  /** how signs that a person saw differ from the force read at the same spot, in standard deviations of the table */
  readonly eyes: Readonly<Record<string, Scatter>>
  readonly readings: number
}

/** Squares of log deviations of repeats from their own mean, and how many of them were free to vary. */
export interface Scatter {
  readonly freedom: number
  readonly squares: number
}

/** How fine an edge came off its last stone: polished, as usual, or left toothy. */
export const FINISH_CLASSES = ['polished', 'usual', 'toothy'] as const
export type FinishClass = (typeof FINISH_CLASSES)[number]
const POLISHED_MICRON = 2.5
const TOOTHY_MICRON = 8

/** µm of median grain: #6000 and finer polishes, #1000 and coarser leaves teeth (common practice). */
export const finishClass = (finishMicron: number): FinishClass =>
  finishMicron <= POLISHED_MICRON ? 'polished' : finishMicron >= TOOTHY_MICRON ? 'toothy' : 'usual'

const NO_FINISH: Readonly<Record<FinishClass, number>> = { polished: 0, usual: 0, toothy: 0 }

/** Work at a station added to its count and to that of the finish it was done with. */
export function addWork(lessons: Lessons, stationId: string, finishMicron: number, work: number): Lessons {
  const after = lessons.workAfter[stationId] ?? NO_FINISH
  const finish = finishClass(finishMicron)
  return {
    ...lessons,
    workAt: addCount(lessons.workAt, stationId, work),
    workAfter: { ...lessons.workAfter, [stationId]: { ...after, [finish]: after[finish] + work } },
  }
}

/** Services a knife worked in, and those of them with a honing on record. */
export interface HoningCount {
  readonly services: number
  readonly recorded: number
}

export const NO_HONING: HoningCount = { services: 0, recorded: 0 }
/** Half the weight of a service is gone after about seven weeks of two a day: habits change. */
const SERVICE_KEEPS = 0.993

/** One more service, with or without a honing on record. */
export const addService = ({ services, recorded }: HoningCount, honed: boolean): HoningCount => ({
  services: SERVICE_KEEPS * services + 1,
  recorded: SERVICE_KEEPS * recorded + (honed ? 1 : 0),
})

export const NO_LESSONS: Lessons = {
  workAt: {},
  workAfter: {},
  honesWith: {},
  hands: {},
  honing: {},
  habits: {},
  scatter: {},
  eyes: {},
  readings: 0,
}
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
