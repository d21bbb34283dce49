import { DAY_MS } from '../time'
import type { WearsOut } from './purchases'

/** What a house keeps a stock of beside knives and stones. */
export const SUPPLY_KINDS = ['paste', 'oil', 'label', 'test-line', 'other'] as const
export type SupplyKind = (typeof SUPPLY_KINDS)[number]

/** Somebody looked at a stock: what was there, and what had been bought since the look before. */
export interface StockCount {
  readonly atMs: number
  readonly left: number
  readonly added: number
}

/** How fast a stock goes, and when it is gone. */
export interface StockAhead {
  /** what should be there now */
  readonly left: number
  /** used up a day; null where nobody can tell yet */
  readonly perDay: number | null
  /** by counts, or by what the log says was done with it */
  readonly by: 'counts' | 'uses' | 'nothing'
  readonly runsOut: WearsOut | null
}

/** A rate is known to no better than this factor (assumed): to a quarter by three counts and more, by uses to a half. */
const [COUNTED_FACTOR, TWICE_COUNTED_FACTOR, BY_USES_FACTOR] = [1.25, 1.6, 1.5]
const FURTHEST_MS = 20 * 365 * DAY_MS

/** Null for what lasts longer than anybody plans. */
const bandOf = (nowMs: number, aheadMs: number, factor: number): WearsOut | null => {
  if (aheadMs > FURTHEST_MS) return null
  const at = (ms: number): number => nowMs + ms
  return { earlyMs: at(aheadMs / factor), middleMs: at(aheadMs), lateMs: at(aheadMs * factor) }
}

/**
 * When a stock runs out: by what went between its counts, or, before there are two, by how often the log says it is used.
 *
 * @param counts oldest first, in the stock's own unit
 * @param usesPerDay how often it is used a day, from the log
 * @param usesEach how many uses one unit lasts; null where the house has not said
 */
export function stockAhead(
  counts: readonly StockCount[],
  nowMs: number,
  usesPerDay: number,
  usesEach: number | null,
): StockAhead | null {
  const last = counts.at(-1)
  if (!last) return null
  const pairs = counts.slice(1).map((count, at) => {
    const before = counts[at]
    return {
      used: Math.max(0, (before?.left ?? 0) + count.added - count.left),
      days: (count.atMs - (before?.atMs ?? 0)) / DAY_MS,
    }
  })
  const days = pairs.reduce((sum, pair) => sum + pair.days, 0)
  const used = pairs.reduce((sum, pair) => sum + pair.used, 0)
  const isCounted = days >= 1 && used > 0
  const byUses = usesEach === null || usesPerDay <= 0 ? null : usesPerDay / usesEach
  const perDay = isCounted ? used / days : byUses
  const left = Math.max(0, last.left - ((perDay ?? 0) * Math.max(0, nowMs - last.atMs)) / DAY_MS)
  if (perDay === null) return { left, perDay, by: 'nothing', runsOut: null }
  const factor = !isCounted ? BY_USES_FACTOR : pairs.length > 1 ? COUNTED_FACTOR : TWICE_COUNTED_FACTOR
  return {
    left,
    perDay,
    by: isCounted ? 'counts' : 'uses',
    runsOut: bandOf(nowMs, (left / perDay) * DAY_MS, factor),
  }
}

/** A stone measured: how thick it was, and how many knives had been over it by then. */
export interface StoneMeasure {
  readonly mm: number
  readonly knives: number
}

/** What a stone loses to a knife, flattening with it, mm, where nobody has measured it twice (assumed). */
export const ASSUMED_MM_A_KNIFE = 0.04
/** What a ruler across a stone can tell, mm (assumed), and what one knife differs from the next. */
const RULER_MM = 0.3
const KNIFE_SPREAD = 0.1
const ASSUMED_FACTOR = 2

export interface StoneWear {
  readonly mmAKnife: number
  /** how thick it should be now, mm */
  readonly nowMm: number
  /** knives it still takes */
  readonly knivesLeft: number
  readonly measured: boolean
  /** how well the wear is known: between itself divided by this and times this */
  readonly factor: number
}

/**
 * How a stone wears: by its first and last measure where they tell more than the ruler errs, or as stones do.
 *
 * @param measures oldest first
 * @param knives that have been over it by now
 * @param thinnestMm done with below this
 * @returns null for a stone that nobody has measured
 */
export function stoneWear(measures: readonly StoneMeasure[], knives: number, thinnestMm: number): StoneWear | null {
  const [first, last] = [measures[0], measures.at(-1)]
  if (!first || !last) return null
  const [lostMm, over] = [first.mm - last.mm, last.knives - first.knives]
  const measured = over > 0 && lostMm > RULER_MM
  const mmAKnife = measured ? lostMm / over : ASSUMED_MM_A_KNIFE
  const nowMm = Math.max(0, last.mm - mmAKnife * Math.max(0, knives - last.knives))
  return {
    mmAKnife,
    nowMm,
    knivesLeft: Math.max(0, nowMm - thinnestMm) / mmAKnife,
    measured,
    factor: measured ? 1 + Math.hypot((RULER_MM * Math.SQRT2) / lostMm, KNIFE_SPREAD) : ASSUMED_FACTOR,
  }
}

/** When a stone is done with, at so many knives a day; null where it is not used. */
export const stoneEnds = (wear: StoneWear, knivesPerDay: number, nowMs: number): WearsOut | null =>
  knivesPerDay <= 0 ? null : bandOf(nowMs, (wear.knivesLeft / knivesPerDay) * DAY_MS, wear.factor)
