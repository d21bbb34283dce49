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
/** A reading further off than this many standard deviations is either a slip or news. */
const SURPRISE_LIMIT = 3

interface Observation {
  readonly forceGf: number
  readonly logSd: number
  /** said more than once, or chosen from words: no slip of the finger */
  readonly deliberate: boolean
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
      deliberate: reading.forcesGf.length > 1,
    }))
  const rungs = check.ladder
    .filter((step) => step.zone === zone || step.zone === 'whole')
    .map((step) => ({ ...LADDER_FORCE[step.rung], deliberate: true }))
  return [...readings, ...rungs]
}

/** How surprising an observation is: the logarithm of read over reckoned, and its expected scatter. */
function surpriseOf(zone: ZoneEdge, seen: Observation, dps: number): { log: number; priorSd: number; isWild: boolean } {
  const reckonedGf = edgeForce(zone, dps)
  const priorSd = forceSd(zone, dps) / reckonedGf
  const log = Math.log(seen.forceGf / reckonedGf)
  return { log, priorSd, isWild: Math.abs(log) > SURPRISE_LIMIT * Math.hypot(priorSd, seen.logSd) }
}

/**
 * The edge after one observation of its force: reckoning and reading averaged in the logarithm, each
 * weighted by how well it is known (a scalar Kalman update). A wild reading loosens trust in the
 * reading when it stands alone, and in the reckoning when it is confirmed.
 *
 * This is the place the learning estimator takes over: it sees the same observations.
 */
export function observeForce(zone: ZoneEdge, seen: Observation, dps: number, confirmed: boolean): ZoneEdge {
  const surprise = surpriseOf(zone, seen, dps)
  const loosened = Math.abs(surprise.log) / SURPRISE_LIMIT
  const priorSd = surprise.isWild && confirmed ? Math.max(surprise.priorSd, loosened) : surprise.priorSd
  const wildness = loosened / Math.hypot(surprise.priorSd, seen.logSd)
  const readingSd = surprise.isWild && !confirmed ? seen.logSd * wildness ** 2 : seen.logSd
  const gain = priorSd ** 2 / (priorSd ** 2 + readingSd ** 2)
  const forceGf = edgeForce(zone, dps) * Math.exp(gain * surprise.log)
  return anchored(explainForce(zone, forceGf, dps), dps, Math.sqrt(1 - gain) * priorSd * forceGf)
}

/**
 * All zones after a check. Two zones surprising the same way confirm each other: somebody worked on
 * the knife and did not write it down.
 */
export function observeCheck(
  zones: ByZone<ZoneEdge>,
  check: EventPayloads['checked'],
  nature: BladeNature,
): ByZone<ZoneEdge> {
  const seen = ZONES.flatMap((zone) => observationsOf(check, zone, nature.serrated).map((one) => ({ zone, one })))
  const wild = seen.map(({ zone, one }) => surpriseOf(zones[zone], one, nature.dps)).filter((surprise) => surprise.isWild)
  const next = { ...zones }
  for (const { zone, one } of seen) {
    const { log } = surpriseOf(zones[zone], one, nature.dps)
    const fellows = wild.filter((surprise) => Math.sign(surprise.log) === Math.sign(log)).length
    next[zone] = observeForce(next[zone], one, nature.dps, one.deliberate || fellows > 1)
  }
  return next
}
