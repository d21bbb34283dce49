import { DAY_MS } from '../time'
import { LESSON_IDS, LESSONS, type LessonDrill, type LessonId } from './lessons'

/** A drill as far as it decides what to practise next. */
export interface PastDrill {
  readonly kind: LessonDrill
  /** null where no hand is in it */
  readonly hand: 'left' | 'right' | null
  readonly atMs: number
  readonly steady: boolean
  /** the figure that shows progress: nearer to nothing is better */
  readonly progress: number
}

/** What to do next, and why, so that one sentence can say it. */
export interface NextPractice {
  readonly kind: LessonDrill | null
  readonly lesson: LessonId | null
  readonly hand: 'left' | 'right' | null
  readonly why: 'never' | 'weak-side' | 'fault' | 'rested' | 'lesson' | 'keep'
}

/** A hand that has rested for so long is tried before it is trusted (assumed). */
const RESTED_MS = 28 * DAY_MS
/** The weak hand is so much worse than the other before it is named (assumed). */
const WEAKER = 1.5

/**
 * What somebody should practise next: the angle first, then the weaker hand, then whatever was off last time, the next
 * lesson, and what has rested longest.
 *
 * @param done lessons gone through
 * @param drills in any order
 */
export function nextPractice(done: readonly LessonId[], drills: readonly PastDrill[], nowMs: number): NextPractice {
  const latestOf = (kind: LessonDrill, hand: PastDrill['hand']): PastDrill | undefined =>
    drills
      .filter((one) => one.kind === kind && one.hand === hand)
      .reduce<PastDrill | undefined>((last, one) => (last && last.atMs > one.atMs ? last : one), undefined)
  const [right, left] = [latestOf('hold', 'right'), latestOf('hold', 'left')]
  const lesson = LESSON_IDS.find((id) => !done.includes(id)) ?? null
  if (lesson && !right && !left && LESSONS[lesson].drill !== 'hold')
    return { kind: null, lesson, hand: null, why: 'lesson' }
  if (!right && !left) return { kind: 'hold', lesson, hand: 'right', why: 'never' }
  if (!right || !left) return { kind: 'hold', lesson: null, hand: right ? 'left' : 'right', why: 'weak-side' }
  const [weak, strong] = right.progress > left.progress ? [right, left] : [left, right]
  if (!weak.steady && weak.progress > WEAKER * strong.progress)
    return { kind: 'hold', lesson: null, hand: weak.hand, why: 'weak-side' }
  const latest = drills.reduce((last, one) => (last.atMs > one.atMs ? last : one))
  if (!latest.steady) return { kind: latest.kind, lesson: null, hand: latest.hand, why: 'fault' }
  if (lesson) return { kind: null, lesson, hand: null, why: 'lesson' }
  const oldest = [...new Set(drills.map(({ kind }) => kind))]
    .map((kind) => drills.filter((one) => one.kind === kind).reduce((a, b) => (a.atMs > b.atMs ? a : b)))
    .reduce((a, b) => (a.atMs < b.atMs ? a : b))
  const why = nowMs - oldest.atMs > RESTED_MS ? 'rested' : 'keep'
  return { kind: oldest.kind, lesson: null, hand: oldest.hand, why }
}
