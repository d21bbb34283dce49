import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES, type Zone } from '../../knife/zones'
import { radians } from '../../measure'
import { meanOf, predict, type Transition } from '../../statistics/gaussian'
import { logistic, logit } from '../../statistics/normal'
import type { HoneEffect, HoningStep } from '../model/hone'
import { ROLL_TIME_HOURS } from '../model/wear'
import {
  BLUNT,
  clampShape,
  FRESH,
  HABIT,
  HONE,
  ROLL,
  SHAPE,
  SHARPEST_UM,
  WEAR,
  wearRate,
  ZONE_PART,
  type EdgeBelief,
} from './belief'

/** The work at which the shape of wear is pinned: about a cycle's middle, hours on a soft board. */
export const SHAPE_PIVOT_HOURS = 20
/** Each service is longer or shorter than the rota says by about this share. */
const SERVICE_HOURS_SHARE_SD = 0.1
const SERVICE_WORK_HOURS = 2
/** Rolling is less lawful than wear. */
const ROLL_STEP_SHARE_SD = 0.1
const ABRADED_SHARE_SD = 0.3

const rateOf = (belief: EdgeBelief, spec: BladeSpec, zone: Zone): number =>
  wearRate(spec, zone) * Math.exp(meanOf(belief, WEAR) + meanOf(belief, ZONE_PART[zone]))

/** Work to the power 1 + shape, scaled so that the pivot stands for itself, and its derivative by shape. */
function shapeWork(work: number, shape: number): { readonly value: number; readonly byShape: number } {
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
export function applyUse(belief: EdgeBelief, spec: BladeSpec, work: number, workBefore: number): EdgeBelief {
  if (work <= 0) return belief
  const shape = clampShape(meanOf(belief, SHAPE))
  const [from, to] = [shapeWork(workBefore, shape), shapeWork(workBefore + work, shape)]
  const grown = to.value - from.value
  const perShape = to.byShape - from.byShape
  const kept = Math.exp(-work / ROLL_TIME_HOURS)
  const tangent = Math.tan(radians(spec.dps))
  const steps = ZONES.flatMap((zone): Transition[] => {
    const rate = rateOf(belief, spec, zone)
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
        gradient: [
          [WEAR, byWear],
          [ZONE_PART[zone], byWear],
          [SHAPE, (area * perShape) / (2 * after)],
          [BLUNT[zone], before / after],
        ],
        noise: areaSd ** 2,
      },
      {
        index: ROLL[zone],
        value: rolled,
        gradient: [[ROLL[zone], kept]],
        noise: ROLL_STEP_SHARE_SD ** 2 * (rolled - roll) * (1 - roll) * 0.2,
      },
    ]
  })
  return predict(belief, steps)
}

/** Honing efficiency of a tool on this knife: the table's, shifted by what has been learned. */
export function honeEfficiency(
  belief: EdgeBelief,
  effect: HoneEffect,
): { readonly value: number; readonly byHone: number } {
  if (effect.efficiency <= 0 || effect.reach <= 0) return { value: 0, byHone: 0 }
  const share = logistic(logit(effect.efficiency / effect.reach) + meanOf(belief, HONE))
  return { value: effect.reach * share, byHone: effect.reach * share * (1 - share) }
}

/** The edge after a honing that somebody wrote down. */
export function applyHoning(belief: EdgeBelief, spec: BladeSpec, effect: HoneEffect, step: HoningStep): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  const steps = ZONES.flatMap((zone): Transition[] => {
    const roll = meanOf(belief, ROLL[zone])
    const honed: Transition = {
      index: ROLL[zone],
      value: roll * (1 - efficiency),
      gradient: [
        [ROLL[zone], 1 - efficiency],
        [HONE, -roll * byHone],
      ],
      noise: 0,
    }
    return [honed, ...rodSteps(belief, spec, zone, step)]
  })
  return predict(belief, steps)
}

/**
 * The edge before a service for which no honing is on record: ρ ← ρ·(1 − uη), u the chance that it was
 * honed all the same, with the luck of it, u(1 − u)(ηρ)², in common to all zones.
 */
export function applyChanceOfHoning(
  belief: EdgeBelief,
  spec: BladeSpec,
  effect: HoneEffect,
  step: HoningStep,
): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  const chance = honingChance(belief)
  const perLogOdds = chance * (1 - chance)
  const luck = Math.sqrt(perLogOdds)
  const steps = ZONES.flatMap((zone): Transition[] => {
    const roll = meanOf(belief, ROLL[zone])
    const honed: Transition = {
      index: ROLL[zone],
      value: roll * (1 - chance * efficiency),
      gradient: [
        [ROLL[zone], 1 - chance * efficiency],
        [HONE, -roll * chance * byHone],
        [HABIT, -roll * efficiency * perLogOdds],
      ],
      noise: 0,
      shared: luck * efficiency * roll,
    }
    return [honed, ...rodSteps(belief, spec, zone, step)]
  })
  return predict(belief, steps)
}

/** Chance that the knife is honed before a service for which nobody writes it down, 0–1. */
export const honingChance = (belief: EdgeBelief): number => logistic(meanOf(belief, HABIT))

/** What a rod or strop does beyond bending back: takes worn steel, builds a micro-bevel. */
function rodSteps(belief: EdgeBelief, spec: BladeSpec, zone: Zone, step: HoningStep): Transition[] {
  const steps: Transition[] = []
  if (step.abradedUm2 > 0) steps.push(abradeZone(belief, zone, spec, step))
  if (step.freshForceRiseGf > 0) steps.push(addMicroBevel(belief, zone, step.freshForceRiseGf))
  return steps
}

function abradeZone(belief: EdgeBelief, zone: Zone, spec: BladeSpec, step: HoningStep): Transition {
  const before = meanOf(belief, BLUNT[zone])
  const floor = Math.max(SHARPEST_UM, step.keenestUm)
  const left = before * before - 4 * Math.tan(radians(spec.dps)) * step.abradedUm2
  const after = Math.min(before, Math.sqrt(Math.max(floor ** 2, left)))
  // near the apex the square root is steep, but nothing can be less blunt than sharp
  const slope = left > floor ** 2 ? Math.min(1.5, before / after) : before > floor ? 0.3 : 1
  return {
    index: BLUNT[zone],
    value: after,
    gradient: [[BLUNT[zone], slope]],
    noise: (ABRADED_SHARE_SD * (before - after)) ** 2,
  }
}

function addMicroBevel(belief: EdgeBelief, zone: Zone, riseGf: number): Transition {
  const fresh = Math.exp(meanOf(belief, FRESH[zone]))
  return {
    index: FRESH[zone],
    value: Math.log(fresh + riseGf),
    gradient: [[FRESH[zone], fresh / (fresh + riseGf)]],
    noise: ((0.5 * riseGf) / fresh) ** 2,
  }
}
