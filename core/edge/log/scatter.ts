import { mean, READING_LOG_SD, SERRATED_LOG_SD } from '../filter/observe'
import { ladderInterval, LADDER_FORCE, type LadderRung } from '../model/ladder'
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

/** The table's trust in signs counts as so many signs that were measured as well (assumed). */
const PRIOR_SIGNS = 12
const [LEAST_SIGN_SHARE, MOST_SIGN_SHARE] = [0.6, 2.5]

/** How far a sign was from the force read at the same spot: nothing where the force lies between its neighbours. */
function signMiss(rung: LadderRung, forceGf: number): number {
  const { low, high } = ladderInterval(rung)
  const log = Math.log(forceGf)
  const beyond = log < low ? low - log : log > high ? log - high : 0
  return beyond / LADDER_FORCE[rung].logSd
}

/**
 * How far this person's signs scatter against the table's, as a factor on its log standard deviation: moved by signs
 * that were measured as well (scaled inverse χ², its mean of the variance).
 */
export function signShare(lessons: Lessons, personId: string | null): number {
  const { freedom, squares } = lessons.eyes[personId ?? 'nobody'] ?? { freedom: 0, squares: 0 }
  const share = Math.sqrt((PRIOR_SIGNS + squares) / (PRIOR_SIGNS + freedom))
  return Math.min(MOST_SIGN_SHARE, Math.max(LEAST_SIGN_SHARE, share))
}

/** Lessons with what a check says of an eye added: spots where a sign was seen and a force was read. */
export function addEye(lessons: Lessons, { personId, payload }: Check): Lessons {
  const misses = payload.ladder.flatMap(({ zone, rung }) =>
    payload.readings
      .filter((reading) => reading.zone === zone && reading.forcesGf.length > 0)
      .map(({ forcesGf }) => signMiss(rung, mean(forcesGf))),
  )
  if (misses.length === 0) return lessons
  const key = personId ?? 'nobody'
  const before = lessons.eyes[key] ?? { freedom: 0, squares: 0 }
  const squares = misses.reduce((sum, miss) => sum + miss ** 2, 0)
  return {
    ...lessons,
    eyes: { ...lessons.eyes, [key]: { freedom: before.freedom + misses.length, squares: before.squares + squares } },
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
