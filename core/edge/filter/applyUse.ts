import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES, type Zone } from '../../knife/zones'
import { clamp, radians } from '../../measure'
import { meanOf, predict, type Transition } from '../../statistics/gaussian'
import type { HoneEffect } from '../model/hone'
import { ROLL_TIME_HOURS } from '../model/wear'
import {
  BLUNT,
  FRESH,
  HONE,
  MAX_SHAPE,
  ROLL,
  SHAPE,
  SHARPEST_UM,
  WEAR,
  wearRate,
  ZONE_PART,
  type EdgeBelief,
} from './belief'

/** The work at which the shape of wear is pinned: about a cycle's middle, hours on a soft board. */
const SHAPE_PIVOT_HOURS = 20
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
  const shape = clamp(meanOf(belief, SHAPE), -MAX_SHAPE, MAX_SHAPE)
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
  const table = effect.efficiency / effect.reach
  const odds = Math.log(table / (1 - table)) + meanOf(belief, HONE)
  const share = 1 / (1 + Math.exp(-odds))
  return { value: effect.reach * share, byHone: effect.reach * share * (1 - share) }
}

/** The edge after a honing. */
export function applyHoning(belief: EdgeBelief, spec: BladeSpec, effect: HoneEffect): EdgeBelief {
  const { value: efficiency, byHone } = honeEfficiency(belief, effect)
  const taken = 4 * Math.tan(radians(spec.dps)) * effect.abradedUm2
  const steps = ZONES.flatMap((zone): Transition[] => {
    const roll = meanOf(belief, ROLL[zone])
    const all: Transition[] = [
      {
        index: ROLL[zone],
        value: roll * (1 - efficiency),
        gradient: [
          [ROLL[zone], 1 - efficiency],
          [HONE, -roll * byHone],
        ],
        noise: 0,
      },
    ]
    if (taken > 0) all.push(abradeZone(belief, zone, taken))
    if (effect.freshForceRiseGf > 0) all.push(addMicroBevel(belief, zone, effect.freshForceRiseGf))
    return all
  })
  return predict(belief, steps)
}

function abradeZone(belief: EdgeBelief, zone: Zone, takenUm2: number): Transition {
  const before = meanOf(belief, BLUNT[zone])
  const left = before * before - takenUm2
  const after = Math.sqrt(Math.max(SHARPEST_UM ** 2, left))
  // near the apex the square root is steep, but nothing can be less blunt than sharp
  const slope = left > 0 ? Math.min(1.5, before / after) : 0.3
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
