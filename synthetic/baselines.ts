import type { KnifeEvent } from '../core/edge/model/events'
import { LADDER_FORCE } from '../core/edge/model/ladder'
import type { Zone } from '../core/knife/zones'
import { normalCdf } from '../core/statistics/normal'
import type { Look, SyntheticKnife } from './fleet'

/** What people do without Yorvik, asked the same questions. */

/** A knife, or one zone of it. */
export type Where = Zone | 'knife'

interface Point {
  readonly hours: number
  readonly forceGf: number
}

function readAt(event: KnifeEvent | undefined, where: Where): number {
  if (event?.kind !== 'checked') return NaN
  const forces = [
    ...event.payload.readings.map(({ zone, forcesGf }) => ({ zone, forceGf: forcesGf[0] ?? NaN })),
    ...event.payload.ladder.map(({ zone, rung }) => ({ zone, forceGf: LADDER_FORCE[rung].forceGf })),
  ]
  return Math.max(...forces.filter(({ zone }) => where === 'knife' || zone === where).map(({ forceGf }) => forceGf))
}

/** The readings of a knife as somebody with a notebook has them, oldest first. */
export function notebook(knife: SyntheticKnife, where: Where): Point[] {
  const checks = new Map(knife.events.filter(({ kind }) => kind === 'checked').map((event) => [event.atMs, event]))
  return knife.looks.map((look) => ({ hours: look.hours, forceGf: readAt(checks.get(look.atMs), where) }))
}

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? (sorted[middle] ?? NaN) : ((sorted[middle - 1] ?? NaN) + (sorted[middle] ?? NaN)) / 2
}

/** What a careful person with a notebook does: a straight line through the last two readings, up to the limit. */
export function lastSlope(points: readonly Point[], at: number, limitGf: number, fallback: number): number {
  const [now, previous] = [points[at], points[at - 1]]
  if (!now || !previous) return fallback
  // just off the stone: the slope of the life before, from its first to its last reading
  const from = now.hours > 0 ? previous : points.slice(0, at).findLast(({ hours }) => hours === 0)
  const to = now.hours > 0 ? now : previous
  if (!from || to.hours <= from.hours) return fallback
  const slope = (to.forceGf - from.forceGf) / (to.hours - from.hours)
  return slope > 0 ? Math.max(0, (limitGf - now.forceGf) / slope) : fallback
}

/** A line through the logarithms of all readings so far against hours since the stone. */
export interface LogLine {
  readonly start: number
  readonly slope: number
  readonly sd: number
}

/** Least squares of log force on hours, over all lives so far; null from fewer than four readings. */
export function logRegression(points: readonly Point[], at: number): LogLine | null {
  const known = points.slice(0, at + 1)
  if (known.length < 4) return null
  const mean = (of: (point: Point) => number): number => known.reduce((sum, one) => sum + of(one), 0) / known.length
  const [hours, log] = [mean((one) => one.hours), mean((one) => Math.log(one.forceGf))]
  const spread = mean((one) => (one.hours - hours) ** 2)
  if (spread === 0) return null
  const slope = mean((one) => (one.hours - hours) * (Math.log(one.forceGf) - log)) / spread
  const start = log - slope * hours
  const sd = Math.sqrt(mean((one) => (Math.log(one.forceGf) - start - slope * one.hours) ** 2))
  return { start, slope, sd }
}

export const hoursByRegression = (line: LogLine | null, look: Look, limitGf: number, fallback: number): number =>
  line && line.slope > 0 ? Math.max(0, (Math.log(limitGf) - line.start) / line.slope - look.hours) : fallback

export const riskByRegression = (line: LogLine | null, hours: number, limitGf: number, fallback: number): number =>
  line ? normalCdf((line.start + line.slope * hours - Math.log(limitGf)) / Math.max(0.02, line.sd)) : fallback
