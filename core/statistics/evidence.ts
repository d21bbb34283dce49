import type { Moments } from './gaussian'
import { normalCdf, normalPdf } from './normal'

/** A statement about a quantity: its value, its scatter, and how likely it is to be a slip that says nothing. */
export interface Reading {
  readonly value: number
  readonly sd: number
  readonly slipChance: number
  /** scatter of a slip, in the units of the value */
  readonly slipSd: number
}

function momentsOf(before: Moments, value: number, variance: number): Moments {
  const gain = before.variance / (before.variance + variance)
  return { mean: before.mean + gain * (value - before.mean), variance: gain * variance }
}

const density = (distance: number, variance: number): number =>
  normalPdf(distance / Math.sqrt(variance)) / Math.sqrt(variance)

/**
 * What a reading leaves of a quantity, when with some chance it is a slip: the two-component mixture
 * matched by its first two moments (the assumed-density filter of Minka 2001). Far from the
 * expectation the slip explains it, and the quantity stays where it was.
 */
export function momentsAfterReading(before: Moments, reading: Reading): Moments {
  const trusted = momentsOf(before, reading.value, reading.sd ** 2)
  if (reading.slipChance <= 0) return trusted
  const slipped = momentsOf(before, reading.value, reading.slipSd ** 2)
  const distance = reading.value - before.mean
  const good = (1 - reading.slipChance) * density(distance, before.variance + reading.sd ** 2)
  const bad = reading.slipChance * density(distance, before.variance + reading.slipSd ** 2)
  const share = good + bad > 0 ? good / (good + bad) : 0
  const mean = share * trusted.mean + (1 - share) * slipped.mean
  return {
    mean,
    variance:
      share * (trusted.variance + (trusted.mean - mean) ** 2) +
      (1 - share) * (slipped.variance + (slipped.mean - mean) ** 2),
  }
}

/** Below this chance of what was seen, the interval is read as its nearest end instead: no division by nothing. */
const SURPRISE_FLOOR = 1e-6

/**
 * What an ordinal sign leaves of a quantity: it lies between two thresholds, each scattering by `sd`
 * (an ordered probit; moments of the truncated normal, Johnson, Kotz and Balakrishnan 1994).
 * An open end is ±Infinity.
 */
export function momentsAfterSign(before: Moments, low: number, high: number, sd: number): Moments {
  const spread = Math.sqrt(before.variance + sd * sd)
  const [from, to] = [(low - before.mean) / spread, (high - before.mean) / spread]
  const chance = normalCdf(to) - normalCdf(from)
  if (chance < SURPRISE_FLOOR) return momentsOf(before, before.mean < low ? low : high, sd * sd)
  const [atLow, atHigh] = [normalPdf(from), normalPdf(to)]
  const pull = (atLow - atHigh) / chance
  const bend = ((Number.isFinite(to) ? to * atHigh : 0) - (Number.isFinite(from) ? from * atLow : 0)) / chance
  const gain = before.variance / spread
  return {
    mean: before.mean + gain * pull,
    variance: Math.max(1e-12, before.variance - gain * gain * (pull * pull + bend)),
  }
}
