import { ZONES, type Zone } from '../../knife/zones'
import { momentsAfterSign } from '../../statistics/evidence'
import { formVariance, meanOf, update, type Gradient, type Moments } from '../../statistics/gaussian'
import { BLUNT_FORCE_GF_PER_UM, ROLL_FORCE_GF } from '../model/force'
import type { HoneEffect } from '../model/hone'
import { honeEfficiency } from './applyUse'
import { BLUNT, clampToValid, FRESH, HONE, ROLL, type EdgeBelief } from './belief'

/** Force of a zone, gf: F = F₀ + R·ρ + G·b at the means of the belief. */
const meanForce = (belief: EdgeBelief, zone: Zone): number =>
  Math.exp(meanOf(belief, FRESH[zone])) +
  ROLL_FORCE_GF * meanOf(belief, ROLL[zone]) +
  BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])

/** How the logarithm of a zone's force hangs on the parameters. */
function logForceGradient(belief: EdgeBelief, zone: Zone, forceGf: number): Gradient {
  return [
    [FRESH[zone], Math.exp(meanOf(belief, FRESH[zone])) / forceGf],
    [ROLL[zone], ROLL_FORCE_GF / forceGf],
    [BLUNT[zone], BLUNT_FORCE_GF_PER_UM / forceGf],
  ]
}

/** Entry of a packed lower triangle, row not before column. */
const covarianceAt = (cov: readonly number[], row: number, column: number): number =>
  cov[(row * (row + 1)) / 2 + column] ?? 0

/**
 * Variance of the logarithm of a force made up of a zone's fresh, blunt and rolled part. Written out
 * instead of going through {@link formVariance}, because every line of every log asks for it six times.
 */
function logVariance({ cov }: EdgeBelief, zone: Zone, fresh: number, blunt: number, roll: number): number {
  const [f, b, r] = [FRESH[zone], BLUNT[zone], ROLL[zone]]
  return Math.max(
    0,
    fresh * fresh * covarianceAt(cov, f, f) +
      blunt * blunt * covarianceAt(cov, b, b) +
      roll * roll * covarianceAt(cov, r, r) +
      2 *
        (fresh * blunt * covarianceAt(cov, b, f) +
          fresh * roll * covarianceAt(cov, r, f) +
          blunt * roll * covarianceAt(cov, r, b)),
  )
}

/** Mean and variance of the logarithm of a zone's force in gf. */
export function logForce(belief: EdgeBelief, zone: Zone): Moments {
  const force = meanForce(belief, zone)
  const fresh = Math.exp(meanOf(belief, FRESH[zone])) / force
  return {
    mean: Math.log(force),
    variance: logVariance(belief, zone, fresh, BLUNT_FORCE_GF_PER_UM / force, ROLL_FORCE_GF / force),
  }
}

/** Standard deviation of the logarithm of the force a zone would have with all its roll brought back. */
export function wornForceLogSd(belief: EdgeBelief, zone: Zone): number {
  const fresh = Math.exp(meanOf(belief, FRESH[zone]))
  const force = fresh + BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])
  return Math.sqrt(logVariance(belief, zone, fresh / force, BLUNT_FORCE_GF_PER_UM / force, 0))
}

/**
 * The logarithm of a zone's force as it looks from another point of the belief: its gradient there, and what the
 * belief says of it along that gradient.
 */
export function logForceAround(
  belief: EdgeBelief,
  zone: Zone,
  around: EdgeBelief,
): { readonly gradient: Gradient; readonly before: Moments } {
  const force = meanForce(around, zone)
  const gradient = logForceGradient(around, zone, force)
  const mean = gradient.reduce(
    (sum, [index, slope]) => sum + slope * (meanOf(belief, index) - meanOf(around, index)),
    Math.log(force),
  )
  return { gradient, before: { mean, variance: formVariance(belief, gradient) } }
}

/** Shares of the excess over a fresh edge that honing brought back, for each thing a cook may say (assumed). */
const CAME_BACK: Readonly<Record<'fully' | 'partly', { readonly share: number; readonly sd: number }>> = {
  fully: { share: 0.9, sd: 0.3 },
  partly: { share: 0.5, sd: 0.25 },
}
/** Too little was lost to tell what came back, gf. */
const TELLING_EXCESS_GF = 30

/** What a cook said of a honing, after how many such reports since the edge was last tested. */
export interface HoningReport {
  readonly said: 'fully' | 'partly' | 'not'
  readonly before: number
  /** service limit of the knife, gf: an edge that did not come back is near or past it */
  readonly limitGf: number
  /** the belief already holds the honing; otherwise it is the one from before it */
  readonly isAfter?: boolean
}

/** Who says that an edge did not come back has it near its limit at least: share of the limit, and spread of it (assumed). */
const NOT_BACK = { limitShare: 0.9, logSd: 0.15 }

/**
 * Belief before a honing, given what the cook then said of it: evidence on roll against wear. The same words
 * every morning are one witness: the n-th counts 1/n² of the first. "Not" says more, that what is left after
 * honing is near the limit or past it.
 */
export function updateOnHoningReport(belief: EdgeBelief, effect: HoneEffect, report: HoningReport): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  // what there was of roll before a honing that has been reckoned in already
  const before = report.isAfter && efficiency < 1 ? 1 / (1 - efficiency) : 1
  const parts = ZONES.map((zone) => {
    const roll = before * ROLL_FORCE_GF * meanOf(belief, ROLL[zone])
    const blunt = BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[zone])
    return { zone, roll, blunt, excess: roll + blunt }
  })
  const telling = parts.filter(({ excess }) => excess > TELLING_EXCESS_GF)
  if (report.said === 'not') return observeNotBack(belief, report.limitGf)
  if (telling.length === 0 || efficiency === 0) return belief
  const each = 1 / telling.length
  const share = telling.reduce((sum, { roll, excess }) => sum + (each * efficiency * roll) / excess, 0)
  const gradient: Gradient = telling.flatMap(({ zone, roll, blunt, excess }): Gradient => [
    [ROLL[zone], (before * each * efficiency * ROLL_FORCE_GF * blunt) / excess ** 2],
    [BLUNT[zone], (-each * efficiency * BLUNT_FORCE_GF_PER_UM * roll) / excess ** 2],
    [HONE, (each * byHone * roll) / excess],
  ])
  const variance = formVariance(belief, gradient)
  const { share: value, sd } = CAME_BACK[report.said]
  const spread = sd * (1 + report.before)
  const gain = variance / (variance + spread * spread)
  return clampToValid(
    update(
      belief,
      gradient,
      { mean: share, variance },
      { mean: share + gain * (value - share), variance: (1 - gain) * variance },
    ),
  )
}

/** At its worst zone the edge is near its limit even with all roll brought back. */
function observeNotBack(belief: EdgeBelief, limitGf: number): EdgeBelief {
  const worst = ZONES.reduce((a, b) => (meanOf(belief, BLUNT[b]) > meanOf(belief, BLUNT[a]) ? b : a))
  const fresh = Math.exp(meanOf(belief, FRESH[worst]))
  const force = fresh + BLUNT_FORCE_GF_PER_UM * meanOf(belief, BLUNT[worst])
  const gradient: Gradient = [
    [FRESH[worst], fresh / force],
    [BLUNT[worst], BLUNT_FORCE_GF_PER_UM / force],
  ]
  const before = { mean: Math.log(force), variance: formVariance(belief, gradient) }
  const after = momentsAfterSign(before, Math.log(NOT_BACK.limitShare * limitGf), Infinity, NOT_BACK.logSd)
  return clampToValid(update(belief, gradient, before, after))
}
