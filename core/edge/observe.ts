import type { EventPayloads } from './events'
import { edgeForce, explainForce } from './force'
import { LADDER_FORCE } from './ladder'
import { anchored, forceSd, type BladeNature, type ZoneEdge } from './state'
import { ZONES, type ByZone, type Zone } from './zones'

/** Scatter of one reading of the force test, as log standard deviation (common practice: 8–15 %). */
const READING_LOG_SD = 0.12
/** A tooth or a gullet under the line: serrated edges scatter twice as much (assumed). */
const SERRATED_LOG_SD = 0.25
/** Repeats share the line, the tare and the hand, so averaging stops helping here. */
const REPEAT_FLOOR_LOG_SD = 0.06
/** Surprise beyond this many standard deviations loosens trust in the reading instead of the edge. */
const SURPRISE_LIMIT = 3

interface Observation {
  readonly forceGf: number
  readonly logSd: number
}

export const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** Every reading and ladder rung of a check that says something about one zone. */
export function observationsOf(check: EventPayloads['checked'], zone: Zone, serrated: boolean): Observation[] {
  const single = serrated ? SERRATED_LOG_SD : READING_LOG_SD
  const readings = check.readings
    .filter((reading) => reading.zone === zone && reading.forcesGf.length > 0)
    .map((reading) => ({
      forceGf: mean(reading.forcesGf),
      logSd: Math.hypot(single / Math.sqrt(reading.forcesGf.length), REPEAT_FLOOR_LOG_SD),
    }))
  const rungs = check.ladder
    .filter((step) => step.zone === zone || step.zone === 'whole')
    .map((step) => LADDER_FORCE[step.rung])
  return [...readings, ...rungs]
}

/**
 * The edge after one observation of its force: reckoning and reading averaged in the logarithm, each
 * weighted by how well it is known (a scalar Kalman update).
 *
 * This is the place the learning estimator takes over: it sees the same observations.
 */
export function observeForce(zone: ZoneEdge, seen: Observation, dps: number): ZoneEdge {
  const reckonedGf = edgeForce(zone, dps)
  const priorSd = forceSd(zone, dps) / reckonedGf
  const surprise = Math.log(seen.forceGf / reckonedGf)
  const expected = Math.hypot(priorSd, seen.logSd)
  const wildness = Math.max(1, Math.abs(surprise) / (SURPRISE_LIMIT * expected))
  const readingSd = seen.logSd * wildness
  const gain = priorSd ** 2 / (priorSd ** 2 + readingSd ** 2)
  const forceGf = reckonedGf * Math.exp(gain * surprise)
  const logSd = Math.sqrt(1 - gain) * priorSd
  return anchored(explainForce(zone, forceGf, dps), dps, logSd * forceGf)
}

/** All zones after a check. */
export function observeCheck(
  zones: ByZone<ZoneEdge>,
  check: EventPayloads['checked'],
  nature: BladeNature,
): ByZone<ZoneEdge> {
  const next = { ...zones }
  for (const zone of ZONES) {
    for (const seen of observationsOf(check, zone, nature.serrated)) {
      next[zone] = observeForce(next[zone], seen, nature.dps)
    }
  }
  return next
}
