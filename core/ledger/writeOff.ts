import { MeasureError } from '../measure'

/**
 * What a thing costs a year over its life, as equal payments that buy it again at the end: the annuity P·r / (1 − (1+r)^−n),
 * and P/n where money costs nothing (any textbook of engineering economics).
 *
 * @param price what it cost, 0 or more, in the house's money
 * @param years how long it lasts, above 0
 * @param rate what money costs a year, as a share; 0 or more
 * @throws MeasureError for a life of nothing, or a price or rate below 0
 */
export function yearlyCost(price: number, years: number, rate = 0): number {
  if (!(years > 0)) throw new MeasureError('not-positive', 'years', { value: years })
  if (!(price >= 0)) throw new MeasureError('out-of-range', 'price', { value: price, low: 0, high: Infinity })
  if (!(rate >= 0)) throw new MeasureError('out-of-range', 'rate', { value: rate, low: 0, high: Infinity })
  if (!Number.isFinite(years)) return price * rate
  return rate === 0 ? price / years : (price * rate) / (1 - (1 + rate) ** -years)
}

/**
 * What is left of a price after a share of its life, written off in a straight line.
 *
 * @param share of the life that is over, 0 to 1 and beyond
 */
export const bookValue = (price: number, share: number): number => price * (1 - Math.min(1, Math.max(0, share)))
