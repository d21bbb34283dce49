/** What can be wrong with a number a person typed; the words for it live in the catalogue. */
export type MeasureFault =
  | 'not-a-number'
  | 'not-positive'
  | 'out-of-range'
  | 'angle-below-face'
  | 'stack-above-face-length'
  | 'no-pieces'
  | 'grade-outside-standard'
  | 'no-stones'
  | 'first-stone-too-fine'

/**
 * A measurement no formula can use. It carries a code and values instead of prose, because
 * screen, calendar and print each phrase it from the same catalogue.
 */
export class MeasureError extends Error {
  constructor(
    readonly code: MeasureFault,
    readonly quantity: string,
    readonly values: Readonly<Record<string, number | string>> = {},
  ) {
    super(`${quantity}: ${code}`)
    this.name = 'MeasureError'
  }
}

/** Throws {@link MeasureError} unless `value` is a finite number above zero. */
export function assertPositive(quantity: string, value: number): void {
  if (!Number.isFinite(value)) throw new MeasureError('not-a-number', quantity, { value })
  if (value <= 0) throw new MeasureError('not-positive', quantity, { value })
}

/** Throws {@link MeasureError} unless `low ≤ value ≤ high`. */
export function assertWithin(quantity: string, value: number, low: number, high: number): void {
  if (!Number.isFinite(value)) throw new MeasureError('not-a-number', quantity, { value })
  if (value < low || value > high) throw new MeasureError('out-of-range', quantity, { value, low, high })
}

export const radians = (degrees: number): number => (degrees * Math.PI) / 180
export const degrees = (radiansValue: number): number => (radiansValue * 180) / Math.PI
export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))
