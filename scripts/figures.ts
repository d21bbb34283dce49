/** A time as a table has it. */
export const ms = (value: number): string => `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`
/** Of a few figures the one that a share of them lie below. */
export const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0
