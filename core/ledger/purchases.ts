import { normalCdf, Z_80 } from '../statistics/normal'
import { DAY_MS } from '../time'

/** When something has to be bought: most likely, and the 80 % band around it. */
export interface WearsOut {
  readonly earlyMs: number
  readonly middleMs: number
  readonly lateMs: number
}

/**
 * How likely something wears out before an instant, its date being taken as log-normal from now: bands of wear are wide on
 * the late side.
 *
 * @returns 0 to 1
 */
export function chanceBefore({ earlyMs, middleMs, lateMs }: WearsOut, byMs: number, nowMs: number): number {
  const ahead = (ms: number): number => Math.log(Math.max(DAY_MS, ms - nowMs))
  if (byMs <= nowMs) return middleMs <= nowMs ? 1 : 0
  const sd = Math.max(0.02, (ahead(lateMs) - ahead(earlyMs)) / (2 * Z_80))
  return normalCdf((ahead(byMs) - ahead(middleMs)) / sd)
}

/** Sum of purchases that happen or not, each with its own chance: mean and standard deviation (independent trials). */
export function expectedCost(purchases: readonly { readonly chance: number; readonly price: number | null }[]): {
  readonly sum: number
  readonly sd: number
  readonly unpriced: number
} {
  let [sum, variance, unpriced] = [0, 0, 0]
  for (const { chance, price } of purchases) {
    if (price === null) {
      unpriced += chance
      continue
    }
    sum += chance * price
    variance += chance * (1 - chance) * price ** 2
  }
  return { sum, sd: Math.sqrt(variance), unpriced }
}
