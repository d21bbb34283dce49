import { READING_LOG_SD, SERRATED_LOG_SD } from '../filter/observe'
import type { KnifeEvent } from '../model/events'
import type { Lessons } from './lessons'

type Check = Extract<KnifeEvent, { kind: 'checked' }>

/** Who read, and with what: each has a scatter of their own. */
export const readerKey = ({ personId, payload }: Pick<Check, 'personId' | 'payload'>): string =>
  [personId ?? 'nobody', ...(payload.tester ? [payload.tester] : [])].join(' ')

/** The table's scatter counts as so many repeats (assumed). */
const PRIOR_REPEATS = 12
const [LEAST_LOG_SD, MOST_LOG_SD] = [0.04, 0.4]

/**
 * Scatter of a single reading by this hand and tester on this knife, as log standard deviation: the table's 10 %,
 * 22 % on teeth, moved by how repeats at one spot really scattered (scaled inverse χ², its mean of the variance).
 */
export function readingLogSd(lessons: Lessons, reader: string, serrated: boolean): number {
  const table = serrated ? SERRATED_LOG_SD : READING_LOG_SD
  const { freedom, squares } = lessons.scatter[reader] ?? { freedom: 0, squares: 0 }
  const variance = (PRIOR_REPEATS * table ** 2 + squares) / (PRIOR_REPEATS + freedom)
  return Math.min(MOST_LOG_SD, Math.max(LEAST_LOG_SD, Math.sqrt(variance)))
}

/** Lessons with the repeats of a check added. */
export function addScatter(lessons: Lessons, check: Check): Lessons {
  let [freedom, squares] = [0, 0]
  for (const { forcesGf } of check.payload.readings) {
    const logs = forcesGf.map((force) => Math.log(force))
    const middle = logs.reduce((sum, log) => sum + log, 0) / logs.length
    freedom += logs.length - 1
    squares += logs.reduce((sum, log) => sum + (log - middle) ** 2, 0)
  }
  if (freedom === 0) return lessons
  const key = readerKey(check)
  const before = lessons.scatter[key] ?? { freedom: 0, squares: 0 }
  return {
    ...lessons,
    scatter: {
      ...lessons.scatter,
      [key]: { freedom: before.freedom + freedom, squares: before.squares + squares },
    },
  }
}

/** Repeats below which nobody's scatter is told. */
const TELLING_REPEATS = 6

/** How one person's repeats scatter over many knives and testers, as log standard deviation; null while they are few. */
export function pooledScatter(lessons: readonly Lessons[], personId: string): number | null {
  let [freedom, squares] = [0, 0]
  for (const { scatter } of lessons) {
    for (const [key, one] of Object.entries(scatter)) {
      if (key !== personId && !key.startsWith(`${personId} `)) continue
      freedom += one.freedom
      squares += one.squares
    }
  }
  return freedom >= TELLING_REPEATS ? Math.sqrt(squares / freedom) : null
}
