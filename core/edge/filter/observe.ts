import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES, type ByZone, type Zone } from '../../knife/zones'
import { momentsAfterReading, momentsAfterSign } from '../../statistics/evidence'
import { update, type Moments } from '../../statistics/gaussian'
import type { EventPayloads } from '../model/events'
import { LADDER_FORCE, ladderInterval, type LadderRung } from '../model/ladder'
import { clampToValid, resetUnapexed, resetZone, type EdgeBelief } from './belief'
import { logForce, logForceAround } from './updateOnForce'

/** Scatter of one reading of the force test, as log standard deviation (common practice: 8–15 %). */
export const READING_LOG_SD = 0.1
/** A tooth or a gullet under the line: serrated edges scatter twice as much (assumed). */
export const SERRATED_LOG_SD = 0.22
/** Repeats share the line, the tare and the hand, so averaging stops helping here. */
const REPEAT_FLOOR_LOG_SD = 0.05
/** How often a reading is a slip of the finger or the wrong knife, and how far such a slip scatters (assumed). */
const SLIP_CHANCE = 0.02
const SLIP_LOG_SD = 1
/** A reading further off than this many standard deviations is either a slip or news. */
const SURPRISE_LIMIT = 3.5
/** A sign of the whole edge speaks of three zones at once, so it says somewhat less of each (assumed). */
const WHOLE_EDGE_SPREAD = 1.3

/** One thing seen of one zone. */
export interface Observation {
  readonly zone: Zone
  /** best guess of the force, gf */
  readonly forceGf: number
  readonly logSd: number
  /** said more than once, or chosen from words: no slip of the finger */
  readonly deliberate: boolean
  readonly rung: LadderRung | null
}

export const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** Every reading and ladder rung of a check that says something about one zone. */
export function observationsOf(
  check: EventPayloads['checked'],
  zone: Zone,
  serrated: boolean,
  readingLogSd = serrated ? SERRATED_LOG_SD : READING_LOG_SD,
  signShare = 1,
): Observation[] {
  const single = readingLogSd
  const readings = check.readings
    .filter((reading) => reading.zone === zone && reading.forcesGf.length > 0)
    .map((reading): Observation => ({
      zone,
      forceGf: mean(reading.forcesGf),
      logSd: Math.hypot(
        single / Math.sqrt(reading.forcesGf.length),
        reading.forcesGf.length > 1 ? REPEAT_FLOOR_LOG_SD : 0,
      ),
      deliberate: reading.forcesGf.length > 1,
      rung: null,
    }))
  const rungs = check.ladder
    .filter((step) => step.zone === zone || step.zone === 'whole')
    .map(({ zone: where, rung }): Observation => {
      const { forceGf, logSd } = LADDER_FORCE[rung]
      return {
        zone,
        forceGf,
        logSd: logSd * signShare * (where === 'whole' ? WHOLE_EDGE_SPREAD : 1),
        deliberate: true,
        rung,
      }
    })
  return [...readings, ...rungs]
}

/** How far a sighting is from the reckoning, in log force and in standard deviations of the two together. */
function innovation(belief: EdgeBelief, seen: Observation): { readonly log: number; readonly isWild: boolean } {
  const before = logForce(belief, seen.zone)
  const log = Math.log(seen.forceGf) - before.mean
  return { log, isWild: Math.abs(log) > SURPRISE_LIMIT * Math.sqrt(before.variance + seen.logSd ** 2) }
}

function momentsAfterObservation(before: Moments, seen: Observation, trusted: boolean): Moments {
  if (seen.rung !== null) {
    const { low, high } = ladderInterval(seen.rung)
    return momentsAfterSign(before, low, high, seen.logSd)
  }
  return momentsAfterReading(before, {
    value: Math.log(seen.forceGf),
    sd: seen.logSd,
    slipChance: trusted ? 0 : SLIP_CHANCE,
    slipSd: SLIP_LOG_SD,
  })
}

/** Steps after which an iterated update has settled, or never will; and how near two of them are then, in log force. */
const MOST_STEPS = 6
const SETTLED_LOG = 1e-3
/** A sighting nearer than this to what was expected, in log force, is met by one straight step. */
const NEAR_LOG = 0.12

/**
 * The belief after one sighting of a zone's force. A trusted one cannot be a slip. The force bends with the
 * parameters, so the step is linearised anew where it ended until it ends where it began (iterated extended Kalman
 * filter, Bell and Cathey 1993): a reading far off is met, not approached.
 */
export function observeForce(belief: EdgeBelief, seen: Observation, trusted: boolean): EdgeBelief {
  let around = belief
  for (let step = 0; step < MOST_STEPS; step++) {
    const { gradient, before } = logForceAround(belief, seen.zone, around)
    const next = clampToValid(update(belief, gradient, before, momentsAfterObservation(before, seen, trusted)))
    const moved = Math.abs(logForce(next, seen.zone).mean - logForce(around, seen.zone).mean)
    around = next
    if (moved < SETTLED_LOG || (step === 0 && Math.abs(Math.log(seen.forceGf) - before.mean) < NEAR_LOG)) break
  }
  return around
}

/** What a check leaves: the belief, the readings nobody believed, and whether somebody had been at the stone unasked. */
export interface CheckUpdate {
  readonly belief: EdgeBelief
  readonly doubted: ByZone<number>
  readonly workedOn: boolean
}

/**
 * Belief after a check. A wild reading standing alone is most likely a slip and moves little. It is
 * news when it was repeated, when another zone surprises the same way, or when the last reading there
 * was doubted for the same reason: then the reckoning of that zone is given up, not the wear rate.
 *
 * @param look.offStone whether the edge has hardly worked since it was last stoned
 * @param look.readingLogSd scatter of a single reading by whoever read; the table's unless given
 * @param look.signShare scatter of the signs this person sees, as a factor on the table's
 */
export function observeCheck(
  belief: EdgeBelief,
  check: EventPayloads['checked'],
  spec: BladeSpec,
  doubted: ByZone<number>,
  look: { readonly offStone?: boolean; readonly readingLogSd?: number; readonly signShare?: number } = {},
): CheckUpdate {
  const seen = ZONES.flatMap((zone) => observationsOf(check, zone, spec.serrated, look.readingLogSd, look.signShare))
  const surprises = seen.map((one) => ({ one, ...innovation(belief, one) }))
  const wildZones = (sign: number): Set<Zone> =>
    new Set(surprises.filter(({ isWild, log }) => isWild && Math.sign(log) === sign).map(({ one }) => one.zone))
  const doubts: Record<Zone, number> = { ...doubted }
  const abandoned = new Set<Zone>()
  let next = belief
  for (const { one, log, isWild } of surprises) {
    const sign = Math.sign(log)
    const isNews = isWild && (one.deliberate || wildZones(sign).size > 1 || doubted[one.zone] === sign)
    if (isNews && !abandoned.has(one.zone)) {
      next = look.offStone && sign > 0 ? resetUnapexed(next, one.zone) : resetZone(next, one.zone, sign < 0)
      abandoned.add(one.zone)
    }
    next = observeForce(next, one, one.deliberate || isNews || abandoned.has(one.zone))
    doubts[one.zone] = isWild && !isNews ? sign : 0
  }
  return { belief: next, doubted: doubts, workedOn: abandoned.size > 1 && wildZones(-1).size > 1 }
}

/**
 * Zones that glint after a check: a bright line under the lamp is blunt metal, whatever had been reckoned,
 * and stays so until a stone or another look at that zone says otherwise.
 */
export function glintsAfter(check: EventPayloads['checked'], before: readonly Zone[]): Zone[] {
  const speaksOf = (rungs: (rung: LadderRung) => boolean, zone: Zone): boolean =>
    check.ladder.some((step) => rungs(step.rung) && (step.zone === 'whole' || step.zone === zone))
  return ZONES.filter((zone) => {
    if (speaksOf((rung) => rung === 'glints', zone)) return true
    if (speaksOf(() => true, zone)) return false
    return (check.defects?.glint ?? before).includes(zone)
  })
}
