import { clamp, radians } from '../measure'
import {
  covariance, formVariance, independent, learned, meanOf, moved, renewed, withMean,
  type Gaussian, type Gradient, type Moments, type Step,
} from '../statistics/gaussian'
import type { Known } from '../statistics/normal'
import { BLUNT_FORCE_GF_PER_UM, freshForce, ROLL_FORCE_GF } from './force'
import type { HoneEffect } from './hone'
import type { BladeNature } from './nature'
import { priorWearRate, ROLL_TIME_HOURS, wornAreaFromBluntWidth, ZONE_WEAR, type Wear } from './wear'
import { ZONES, type ByZone, type Zone, eachZone } from './zones'

/**
 * What is believed of one knife: how fast it wears (log κ against the table, and each zone's own part of
 * it), how the wear speeds up through a cycle, how well honing works on it, and where the three zones
 * stand. One joint normal distribution, so that a reading at the tip also says something of the heel.
 */
export type EdgeBelief = Gaussian

/** Places of the parameters. */
export const WEAR = 0
const ZONE_PART: ByZone<number> = { heel: 1, belly: 2, tip: 3 }
export const SHAPE = 4
export const HONE = 5
export const FRESH: ByZone<number> = { heel: 6, belly: 7, tip: 8 }
const BLUNT: ByZone<number> = { heel: 9, belly: 10, tip: 11 }
const ROLL: ByZone<number> = { heel: 12, belly: 13, tip: 14 }
const PARAMETERS = 15

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
}

/**
 * Spread of κ between kitchens' knives of one steel: log-sd 0.5 (model); the rest assumed, and chosen on
 * the synthetic fleets of `npm run bench` so that an 80 % interval holds what it promises.
 */
export const DEFAULT_PRIOR: EdgePrior = {
  wear: { mean: 0, sd: 0.5 },
  zone: { sd: 0.1 },
  shape: { mean: 0, sd: 0.25 },
  hone: { mean: 0, sd: 0.4 },
}

/** Fresh edges of one finish differ by what the hand left along the edge and by what it left at each spot. */
export const FRESH_SHARED_LOG_SD = 0.1
export const FRESH_ZONE_LOG_SD = 0.1
const FRESH_BLUNT_UM = { mean: 0.4, sd: 0.4 }
const FRESH_ROLL = { mean: 0.02, sd: 0.02 }
/** An edge nobody has read is taken as halfway through its life (assumed). */
const UNKNOWN_BLUNT_UM = { mean: 8, sd: 6 }
const UNKNOWN_ROLL = { mean: 0.4, sd: 0.25 }
const FACTORY_FINISH_MICRON = 6.7
/** The work at which the shape of wear is pinned: about a cycle's middle, hours on a soft board. */
const SHAPE_PIVOT_HOURS = 20
/** Each service is longer or shorter than the rota says by about this share. */
const SERVICE_HOURS_SHARE_SD = 0.1
const SERVICE_WORK_HOURS = 2
/** Rolling is less lawful than wear. */
const ROLL_STEP_SHARE_SD = 0.1
const ABRADED_SHARE_SD = 0.3
/** A new finish on a new hand wears a little differently. */
const WEAR_DRIFT_SD = 0.02
/** Below this blunt width derivatives run wild; nothing cuts with a sharper apex anyway. */
const SHARPEST_UM = 0.2
const MAX_SHAPE = 1.5

const priorRates = new WeakMap<BladeNature, number>()

/** Table κ of one zone, µm²/h on the reference board, before anything is learned of the knife. */
export function wearRate(nature: BladeNature, zone: Zone): number {
  const rate = priorRates.get(nature) ?? priorWearRate(nature)
  priorRates.set(nature, rate)
  return rate * ZONE_WEAR[zone]
}

/** Belief about a knife that joins the fleet: a factory edge, or one that nobody knows yet. */
export function firstBelief(nature: BladeNature, condition: 'new' | 'in-use', prior: EdgePrior): EdgeBelief {
  const means = new Array<number>(PARAMETERS).fill(0)
  const sds = new Array<number>(PARAMETERS).fill(0)
  const put = (index: number, value: Known): void => {
    means[index] = value.mean
    sds[index] = value.sd
  }
  put(WEAR, prior.wear)
  put(SHAPE, prior.shape)
  put(HONE, prior.hone)
  for (const zone of ZONES) put(ZONE_PART[zone], { mean: 0, sd: prior.zone.sd })
  const start = independent(means, sds)
  return condition === 'new'
    ? freshened(start, nature.dps, FACTORY_FINISH_MICRON)
    : renewedEdge(start, freshForce({ finishMicron: FACTORY_FINISH_MICRON, dps: nature.dps }), UNKNOWN_BLUNT_UM, UNKNOWN_ROLL)
}

/** All three zones renewed together; what the fresh force has in common ties them. */
function renewedEdge(
  belief: EdgeBelief,
  freshGf: number,
  blunt: Known,
  roll: Known,
): EdgeBelief {
  const log = Math.log(freshGf)
  const apart = renewed(
    belief,
    ZONES.flatMap((zone) => [
      { index: FRESH[zone], mean: log, sd: FRESH_ZONE_LOG_SD },
      { index: BLUNT[zone], ...blunt },
      { index: ROLL[zone], ...roll },
    ]),
  )
  return tied(apart)
}

/** Adds the part of fresh-edge scatter that all zones share. */
function tied(belief: EdgeBelief): EdgeBelief {
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
export function freshened(belief: EdgeBelief, dps: number, finishMicron: number): EdgeBelief {
  const drift: Step = { index: WEAR, value: meanOf(belief, WEAR), gradient: [[WEAR, 1]], noise: WEAR_DRIFT_SD ** 2 }
  return renewedEdge(moved(belief, [drift]), freshForce({ finishMicron, dps }), FRESH_BLUNT_UM, FRESH_ROLL)
}

/** A zone whose reckoning has been given up, because something happened that nobody wrote down. */
export function given(belief: EdgeBelief, zone: Zone, sharper: boolean): EdgeBelief {
  return renewed(belief, [
    { index: BLUNT[zone], ...(sharper ? { mean: 2, sd: 3 } : { mean: meanOf(belief, BLUNT[zone]) + 3, sd: 8 }) },
    { index: ROLL[zone], ...(sharper ? { mean: 0.15, sd: 0.2 } : { mean: 0.5, sd: 0.3 }) },
  ])
}

const rateOf = (belief: EdgeBelief, nature: BladeNature, zone: Zone): number =>
  wearRate(nature, zone) * Math.exp(meanOf(belief, WEAR) + meanOf(belief, ZONE_PART[zone]))

/** Work to the power 1 + shape, scaled so that the pivot stands for itself, and its derivative by shape. */
function shaped(work: number, shape: number): { readonly value: number; readonly byShape: number } {
  if (work <= 0) return { value: 0, byShape: 0 }
  const value = work * (work / SHAPE_PIVOT_HOURS) ** shape
  return { value, byShape: value * Math.log(work / SHAPE_PIVOT_HOURS) }
}

/**
 * The edge after some work: a += κ·w^(1+s) (Archard 1953 at s = 0), ρ = 1 − (1−ρ)·e^(−w/τ).
 *
 * @param work hours on the board times board and product factor
 * @param workBefore the same since the last sharpening, before this
 */
export function worked(belief: EdgeBelief, nature: BladeNature, work: number, workBefore: number): EdgeBelief {
  if (work <= 0) return belief
  const shape = clamp(meanOf(belief, SHAPE), -MAX_SHAPE, MAX_SHAPE)
  const [from, to] = [shaped(workBefore, shape), shaped(workBefore + work, shape)]
  const grown = to.value - from.value
  const perShape = to.byShape - from.byShape
  const kept = Math.exp(-work / ROLL_TIME_HOURS)
  const tangent = Math.tan(radians(nature.dps))
  const steps = ZONES.flatMap((zone): Step[] => {
    const rate = rateOf(belief, nature, zone)
    const before = meanOf(belief, BLUNT[zone])
    const area = 4 * tangent * rate
    const after = Math.sqrt(before * before + area * grown)
    const byWear = (area * grown) / (2 * after)
    const areaSd = (2 * tangent * rate * SERVICE_HOURS_SHARE_SD * Math.sqrt(SERVICE_WORK_HOURS * grown)) / after
    const roll = meanOf(belief, ROLL[zone])
    const rolled = 1 - (1 - roll) * kept
    return [
      {
        index: BLUNT[zone],
        value: after,
        gradient: [[WEAR, byWear], [ZONE_PART[zone], byWear], [SHAPE, (area * perShape) / (2 * after)], [BLUNT[zone], before / after]],
        noise: areaSd ** 2,
      },
      { index: ROLL[zone], value: rolled, gradient: [[ROLL[zone], kept]], noise: ROLL_STEP_SHARE_SD ** 2 * (rolled - roll) * (1 - roll) * 0.2 },
    ]
  })
  return moved(belief, steps)
}

/** Honing efficiency of a tool on this knife: the table's, shifted by what has been learned. */
export function honeEfficiency(belief: EdgeBelief, effect: HoneEffect): { readonly value: number; readonly byHone: number } {
  if (effect.efficiency <= 0 || effect.reach <= 0) return { value: 0, byHone: 0 }
  const table = effect.efficiency / effect.reach
  const odds = Math.log(table / (1 - table)) + meanOf(belief, HONE)
  const share = 1 / (1 + Math.exp(-odds))
  return { value: effect.reach * share, byHone: effect.reach * share * (1 - share) }
}

/** The edge after a honing. */
export function honed(belief: EdgeBelief, nature: BladeNature, effect: HoneEffect): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  const taken = 4 * Math.tan(radians(nature.dps)) * effect.abradedUm2
  const steps = ZONES.flatMap((zone): Step[] => {
    const roll = meanOf(belief, ROLL[zone])
    const all: Step[] = [
      { index: ROLL[zone], value: roll * (1 - efficiency), gradient: [[ROLL[zone], 1 - efficiency], [HONE, -roll * byHone]], noise: 0 },
    ]
    if (taken > 0) all.push(abraded(belief, zone, taken))
    if (effect.freshForceRiseGf > 0) all.push(fattened(belief, zone, effect.freshForceRiseGf))
    return all
  })
  return moved(belief, steps)
}

function abraded(belief: EdgeBelief, zone: Zone, takenUm2: number): Step {
  const before = meanOf(belief, BLUNT[zone])
  const left = before * before - takenUm2
  const after = Math.sqrt(Math.max(SHARPEST_UM ** 2, left))
  // near the apex the square root is steep, but nothing can be less blunt than sharp
  const slope = left > 0 ? Math.min(1.5, before / after) : 0.3
  return { index: BLUNT[zone], value: after, gradient: [[BLUNT[zone], slope]], noise: (ABRADED_SHARE_SD * (before - after)) ** 2 }
}

function fattened(belief: EdgeBelief, zone: Zone, riseGf: number): Step {
  const fresh = Math.exp(meanOf(belief, FRESH[zone]))
  return { index: FRESH[zone], value: Math.log(fresh + riseGf), gradient: [[FRESH[zone], fresh / (fresh + riseGf)]], noise: (0.5 * riseGf / fresh) ** 2 }
}

/** What a zone is taken to be: the means of the belief. */
export function zoneWear(belief: EdgeBelief, dps: number, zone: Zone): Wear & { readonly freshForceGf: number } {
  return {
    roll: clamp(meanOf(belief, ROLL[zone]), 0, 1),
    wornAreaUm2: wornAreaFromBluntWidth({ bluntWidthUm: Math.max(0, meanOf(belief, BLUNT[zone])), dps }),
    freshForceGf: Math.exp(meanOf(belief, FRESH[zone])),
  }
}

/** Force of a zone, gf: F = F₀ + R·ρ + G·b at the means of the belief. */
const meanForce = (belief: EdgeBelief, zone: Zone): number =>
  Math.exp(meanOf(belief, FRESH[zone])) + ROLL_FORCE_GF * meanOf(belief, ROLL[zone]) + BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])

/** How the logarithm of a zone's force hangs on the parameters. */
function logForceGradient(belief: EdgeBelief, zone: Zone, forceGf: number): Gradient {
  return [
    [FRESH[zone], Math.exp(meanOf(belief, FRESH[zone])) / forceGf],
    [ROLL[zone], ROLL_FORCE_GF / forceGf],
    [BLUNT[zone], BLUNT_FORCE_GF_PER_UM / forceGf],
  ]
}

/** Entry of a packed lower triangle, row not before column. */
const lower = (cov: readonly number[], row: number, column: number): number => cov[(row * (row + 1)) / 2 + column] ?? 0

/**
 * Variance of the logarithm of a force made up of a zone's fresh, blunt and rolled part. Written out
 * instead of going through {@link formVariance}, because every line of every log asks for it six times.
 */
function logVariance({ cov }: EdgeBelief, zone: Zone, fresh: number, blunt: number, roll: number): number {
  const [f, b, r] = [FRESH[zone], BLUNT[zone], ROLL[zone]]
  return Math.max(
    0,
    fresh * fresh * lower(cov, f, f) + blunt * blunt * lower(cov, b, b) + roll * roll * lower(cov, r, r) +
      2 * (fresh * blunt * lower(cov, b, f) + fresh * roll * lower(cov, r, f) + blunt * roll * lower(cov, r, b)),
  )
}

/** Mean and variance of the logarithm of a zone's force in gf. */
export function logForce(belief: EdgeBelief, zone: Zone): Moments {
  const force = meanForce(belief, zone)
  const fresh = Math.exp(meanOf(belief, FRESH[zone])) / force
  return { mean: Math.log(force), variance: logVariance(belief, zone, fresh, BLUNT_FORCE_GF_PER_UM / force, ROLL_FORCE_GF / force) }
}

/** Standard deviation of the logarithm of the force a zone would have with all its roll brought back. */
export function wornForceLogSd(belief: EdgeBelief, zone: Zone): number {
  const fresh = Math.exp(meanOf(belief, FRESH[zone]))
  const force = fresh + BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])
  return Math.sqrt(logVariance(belief, zone, fresh / force, BLUNT_FORCE_GF_PER_UM / force, 0))
}

/** The belief after the logarithm of one zone's force was narrowed down. */
export function heard(belief: EdgeBelief, zone: Zone, before: Moments, after: Moments): EdgeBelief {
  return lawful(learned(belief, logForceGradient(belief, zone, meanForce(belief, zone)), before, after))
}

/** Shares of the excess over a fresh edge that honing brought back, for each thing a cook may say (assumed). */
const CAME_BACK: Readonly<Record<'fully' | 'partly' | 'not', { readonly share: number; readonly sd: number }>> = {
  fully: { share: 0.9, sd: 0.15 },
  partly: { share: 0.5, sd: 0.2 },
  not: { share: 0.08, sd: 0.12 },
}
/** Too little was lost to tell what came back, gf. */
const TELLING_EXCESS_GF = 30

/** Belief before a honing, given what the cook then said of it: evidence on roll against wear. */
export function toldByHoning(
  belief: EdgeBelief, effect: HoneEffect, said: 'fully' | 'partly' | 'not',
): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  const parts = ZONES.map((zone) => {
    const roll = ROLL_FORCE_GF * meanOf(belief, ROLL[zone])
    const blunt = BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])
    return { zone, roll, blunt, excess: roll + blunt }
  })
  const telling = parts.filter(({ excess }) => excess > TELLING_EXCESS_GF)
  if (telling.length === 0 || efficiency === 0) return belief
  const each = 1 / telling.length
  const share = telling.reduce((sum, { roll, excess }) => sum + (each * efficiency * roll) / excess, 0)
  const gradient: Gradient = telling.flatMap(({ zone, roll, blunt, excess }): Gradient => [
    [ROLL[zone], (each * efficiency * ROLL_FORCE_GF * blunt) / excess ** 2],
    [BLUNT[zone], (-each * efficiency * BLUNT_FORCE_GF_PER_UM * roll) / excess ** 2],
    [HONE, (each * byHone * roll) / excess],
  ])
  const variance = formVariance(belief, gradient)
  const { share: value, sd } = CAME_BACK[said]
  const gain = variance / (variance + sd * sd)
  return lawful(learned(belief, gradient, { mean: share, variance }, { mean: share + gain * (value - share), variance: (1 - gain) * variance }))
}

/** Means pulled back to where an edge can be: no roll below nothing or above one, no negative bluntness. */
function lawful(belief: EdgeBelief): EdgeBelief {
  return ZONES.reduce((kept, zone) => {
    const rolled = withMean(kept, ROLL[zone], clamp(meanOf(kept, ROLL[zone]), 0, 1))
    return withMean(rolled, BLUNT[zone], Math.max(SHARPEST_UM, meanOf(rolled, BLUNT[zone])))
  }, withMean(belief, SHAPE, clamp(meanOf(belief, SHAPE), -MAX_SHAPE, MAX_SHAPE)))
}

/** What is believed of a knife's wear, for people: κ and honing against the table, with standard deviations. */
export interface WearParameters {
  readonly wear: Known
  readonly zone: ByZone<Known>
  readonly shape: Known
  readonly hone: Known
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
    sd: Math.sqrt(formVariance(belief, [[WEAR, 1], [ZONE_PART[zone], 1]])),
  })),
  shape: knownParameter(belief, SHAPE),
  hone: knownParameter(belief, HONE),
})
