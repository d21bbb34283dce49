import { FACTORY_FINISH_MICRON, type BladeSpec } from '../../knife/bladeSpec'
import { eachZone, ZONES, type ByZone, type Zone } from '../../knife/zones'
import { clamp } from '../../measure'
import {
  covariance,
  formVariance,
  independent,
  meanOf,
  predict,
  reset,
  withMean,
  type Gaussian,
  type Transition,
} from '../../statistics/gaussian'
import type { Known } from '../../statistics/normal'
import { freshForce } from '../model/force'
import { priorWearRate, wornAreaFromBluntWidth, ZONE_WEAR, type Wear } from '../model/wear'

/**
 * What is believed of one knife: how fast it wears (log κ against the table, and each zone's own part of
 * it), how the wear speeds up through a cycle, how well honing works on it, and where the three zones
 * stand. One joint normal distribution, so that a reading at the tip also says something of the heel.
 */
export type EdgeBelief = Gaussian

/** Places of the parameters. */
export const WEAR = 0
export const ZONE_PART: ByZone<number> = { heel: 1, belly: 2, tip: 3 }
export const SHAPE = 4
export const HONE = 5
export const FRESH: ByZone<number> = { heel: 6, belly: 7, tip: 8 }
export const BLUNT: ByZone<number> = { heel: 9, belly: 10, tip: 11 }
export const ROLL: ByZone<number> = { heel: 12, belly: 13, tip: 14 }
/** Log odds that the knife is honed before a service for which no honing is on record. */
export const HABIT = 15
export const PARAMETERS = 16

/** Prior of what a knife carries from cycle to cycle, as means and standard deviations. */
export interface EdgePrior {
  /** log κ against the table's κ of its steel */
  readonly wear: Known
  /** each zone's own part of log κ */
  readonly zone: { readonly sd: number }
  /** worn area grows as (work)^(1 + shape); 0 is Archard's law */
  readonly shape: Known
  /** honing efficiency against the table's, in log odds */
  readonly hone: Known
  /** chance of a honing nobody wrote down, in log odds */
  readonly habit: Known
}

/**
 * Spread of κ between kitchens' knives of one steel: log-sd 0.5 (model); the rest assumed, and chosen on
 * the synthetic fleets of `npm run bench` so that an 80 % interval holds what it promises.
 */
export const DEFAULT_PRIOR: EdgePrior = {
  wear: { mean: 0, sd: 0.5 },
  zone: { sd: 0.17 },
  shape: { mean: 0, sd: 0.36 },
  hone: { mean: 0, sd: 0.4 },
  // a knife is honed every time it is drawn (common practice), or ought to be: two services in three, and very unsure
  habit: { mean: 0.8, sd: 2 },
}

/** Fresh edges of one finish differ by what the hand left along the edge and by what it left at each spot. */
export const FRESH_SHARED_LOG_SD = 0.1
export const FRESH_ZONE_LOG_SD = 0.1
const FRESH_BLUNT_UM = { mean: 0.4, sd: 0.4 }
const FRESH_ROLL = { mean: 0.02, sd: 0.02 }
/** An edge nobody has read is taken as halfway through its life (assumed). */
const UNKNOWN_BLUNT_UM = { mean: 8, sd: 6 }
const UNKNOWN_ROLL = { mean: 0.4, sd: 0.25 }
/** A new finish on a new hand wears a little differently. */
const WEAR_DRIFT_SD = 0.02
/** Below this blunt width derivatives run wild; nothing cuts with a sharper apex anyway. */
export const SHARPEST_UM = 0.2
/** Wear only grows with work, so its shape stays above −1; what is read steeper or flatter than this is something else. */
const [LEAST_SHAPE, MOST_SHAPE] = [-0.9, 1.5]
export const clampShape = (shape: number): number => clamp(shape, LEAST_SHAPE, MOST_SHAPE)

const priorRates = new WeakMap<BladeSpec, number>()

/** Table κ of one zone, µm²/h on the reference board, before anything is learned of the knife. */
export function wearRate(spec: BladeSpec, zone: Zone): number {
  const rate = priorRates.get(spec) ?? priorWearRate(spec)
  priorRates.set(spec, rate)
  return rate * ZONE_WEAR[zone]
}

/** Belief about a knife that joins the fleet: a factory edge, or one that nobody knows yet. */
export function firstBelief(spec: BladeSpec, condition: 'new' | 'in-use', prior: EdgePrior): EdgeBelief {
  const means = new Array<number>(PARAMETERS).fill(0)
  const sds = new Array<number>(PARAMETERS).fill(0)
  const put = (index: number, value: Known): void => {
    means[index] = value.mean
    sds[index] = value.sd
  }
  put(WEAR, prior.wear)
  put(SHAPE, prior.shape)
  put(HONE, prior.hone)
  put(HABIT, prior.habit)
  for (const zone of ZONES) put(ZONE_PART[zone], { mean: 0, sd: prior.zone.sd })
  const start = independent(means, sds)
  return condition === 'new'
    ? resetToFresh(start, spec.dps, FACTORY_FINISH_MICRON)
    : resetEdge(
        start,
        freshForce({ finishMicron: FACTORY_FINISH_MICRON, dps: spec.dps }),
        UNKNOWN_BLUNT_UM,
        UNKNOWN_ROLL,
      )
}

/** All three zones renewed together; what the fresh force has in common ties them. */
function resetEdge(belief: EdgeBelief, freshGf: number, blunt: Known, roll: Known): EdgeBelief {
  const log = Math.log(freshGf)
  const apart = reset(
    belief,
    ZONES.flatMap((zone) => [
      { index: FRESH[zone], mean: log, sd: FRESH_ZONE_LOG_SD },
      { index: BLUNT[zone], ...blunt },
      { index: ROLL[zone], ...roll },
    ]),
  )
  return addSharedVariance(apart)
}

/** Adds the part of fresh-edge scatter that all zones share. */
function addSharedVariance(belief: EdgeBelief): EdgeBelief {
  const cov = [...belief.cov]
  for (const [row, one] of ZONES.entries()) {
    for (const other of ZONES.slice(0, row + 1)) {
      const [i, j] = [FRESH[one], FRESH[other]]
      const at = (i * (i + 1)) / 2 + j
      cov[at] = (cov[at] ?? 0) + FRESH_SHARED_LOG_SD ** 2
    }
  }
  return { mean: belief.mean, cov }
}

/** The edge fresh off a stone of a finish, µm of median grain; what was learned of its wear stays. */
export function resetToFresh(belief: EdgeBelief, dps: number, finishMicron: number): EdgeBelief {
  const drift: Transition = {
    index: WEAR,
    value: meanOf(belief, WEAR),
    gradient: [[WEAR, 1]],
    noise: WEAR_DRIFT_SD ** 2,
  }
  return resetEdge(predict(belief, [drift]), freshForce({ finishMicron, dps }), FRESH_BLUNT_UM, FRESH_ROLL)
}

/** The edge after a session of which nothing was shown: as little known as one nobody has read. */
export const resetToClaimed = (belief: EdgeBelief, dps: number, finishMicron: number): EdgeBelief =>
  resetEdge(belief, freshForce({ finishMicron, dps }), UNKNOWN_BLUNT_UM, UNKNOWN_ROLL)

/** A zone right off the stone that reads high: it did not come to the apex, or a burr stands on it; nothing is bent. */
export const resetUnapexed = (belief: EdgeBelief, zone: Zone): EdgeBelief =>
  reset(belief, [
    { index: BLUNT[zone], mean: meanOf(belief, BLUNT[zone]) + 3, sd: 8 },
    { index: ROLL[zone], ...FRESH_ROLL },
  ])

/** A zone whose reckoning has been given up, because something happened that nobody wrote down. */
export function resetZone(belief: EdgeBelief, zone: Zone, sharper: boolean): EdgeBelief {
  return reset(belief, [
    { index: BLUNT[zone], ...(sharper ? { mean: 2, sd: 3 } : { mean: meanOf(belief, BLUNT[zone]) + 3, sd: 8 }) },
    { index: ROLL[zone], ...(sharper ? { mean: 0.15, sd: 0.2 } : { mean: 0.5, sd: 0.3 }) },
  ])
}

/** What a zone is taken to be: the means of the belief. */
export function zoneWear(belief: EdgeBelief, dps: number, zone: Zone): Wear & { readonly freshForceGf: number } {
  return {
    roll: clamp(meanOf(belief, ROLL[zone]), 0, 1),
    wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: Math.max(0, meanOf(belief, BLUNT[zone])), dps }),
    freshForceGf: Math.exp(meanOf(belief, FRESH[zone])),
  }
}

/** Means pulled back to where an edge can be: no roll below nothing or above one, no negative bluntness. */
export function clampToValid(belief: EdgeBelief): EdgeBelief {
  return ZONES.reduce(
    (kept, zone) => {
      const rolled = withMean(kept, ROLL[zone], clamp(meanOf(kept, ROLL[zone]), 0, 1))
      return withMean(rolled, BLUNT[zone], Math.max(SHARPEST_UM, meanOf(rolled, BLUNT[zone])))
    },
    withMean(belief, SHAPE, clampShape(meanOf(belief, SHAPE))),
  )
}

/** What is believed of a knife's wear, for people: κ and honing against the table, with standard deviations. */
export interface WearParameters {
  readonly wear: Known
  readonly zone: ByZone<Known>
  readonly shape: Known
  readonly hone: Known
  readonly habit: Known
}

/** One parameter with its standard deviation. */
export const knownParameter = (belief: EdgeBelief, index: number): Known => ({
  mean: meanOf(belief, index),
  sd: Math.sqrt(covariance(belief, index, index)),
})

export const parametersOf = (belief: EdgeBelief): WearParameters => ({
  wear: knownParameter(belief, WEAR),
  zone: eachZone((zone) => ({
    mean: meanOf(belief, WEAR) + meanOf(belief, ZONE_PART[zone]),
    sd: Math.sqrt(
      formVariance(belief, [
        [WEAR, 1],
        [ZONE_PART[zone], 1],
      ]),
    ),
  })),
  shape: knownParameter(belief, SHAPE),
  hone: knownParameter(belief, HONE),
  habit: knownParameter(belief, HABIT),
})
