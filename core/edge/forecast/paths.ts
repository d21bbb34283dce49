import type { BladeSpec } from '../../knife/bladeSpec'
import { eachZone, ZONES, type ByZone, type Zone } from '../../knife/zones'
import { clamp, radians } from '../../measure'
import { makeEnsemble } from '../../statistics/ensemble'
import { logistic, logit } from '../../statistics/normal'
import { SHAPE_PIVOT_HOURS } from '../filter/applyUse'
import {
  BLUNT,
  clampShape,
  FRESH,
  HABIT,
  HONE,
  PARAMETERS,
  ROLL,
  SHAPE,
  SHARPEST_UM,
  WEAR,
  wearRate,
  ZONE_PART,
} from '../filter/belief'
import { recordedShare } from '../log/habitKey'
import type { KnifeState } from '../log/state'
import { BLUNT_FORCE_GF_PER_UM, ROLL_FORCE_GF } from '../model/force'
import { honeEffect, nextHoning, type HoneEffect, type HoningStep, type RodWork } from '../model/hone'
import { strain } from '../model/strain'
import { ROLL_TIME_HOURS } from '../model/wear'
import type { PlannedService, PlannedUse } from './plannedUse'

const MEMBERS = 128
const ENSEMBLE = makeEnsemble(MEMBERS, PARAMETERS + 1)
/**
 * Doubt about the law itself, as log standard deviation of the wear ahead: some at all times, and more the further
 * the learned shape is from Archard's (assumed, and held against other laws in the benchmark).
 */
const LAW_LOG_SD = { always: 0.09, perShape: 0.22 }

/** Every member of the ensemble on its way through the services ahead. One number a member in each column. */
export interface Paths {
  readonly spec: BladeSpec
  readonly limitGf: number
  readonly tangent: number
  /** κ at each zone, µm² an hour of work */
  readonly rate: ByZone<Float64Array>
  readonly shape: Float64Array
  readonly fresh: ByZone<Float64Array>
  readonly blunt: ByZone<Float64Array>
  readonly roll: ByZone<Float64Array>
  /** share of the roll a honing brings back, and share of services before which there is one */
  readonly efficiency: Float64Array
  readonly honed: Float64Array
  readonly effect: HoneEffect | null
  /** work since the last stone, hours; the same bent by each member's shape, and what the last service added to it */
  work: number
  readonly shaped: Float64Array
  readonly grown: Float64Array
  rod: RodWork
  /** force at the end of the last service, by zone and at the worst, gf */
  readonly forces: ByZone<Float64Array>
  readonly worst: Float64Array
  /** the same at its start, and that of the zone at hand */
  readonly worstStart: Float64Array
  readonly starts: Float64Array
  /** where each member first passed the limit: rank of the service and share of it; Infinity while it has not */
  readonly passed: ByZone<Float64Array> & { readonly knife: Float64Array }
}

const column = (fill = 0): Float64Array => new Float64Array(MEMBERS).fill(fill)
const at = (values: Float64Array, member: number): number => values[member] ?? 0

/** The ensemble of a knife as it stands. */
export function startPaths(state: KnifeState, { spec, limitGf, hone }: PlannedUse): Paths {
  const lawSd = LAW_LOG_SD.always + LAW_LOG_SD.perShape * Math.abs(state.belief.mean[SHAPE] ?? 0)
  const size = state.belief.mean.length
  const drawn = ENSEMBLE.drawFrom({
    mean: [...state.belief.mean, 0],
    cov: [...state.belief.cov, ...Array.from({ length: size }, () => 0), lawSd ** 2],
  })
  const of = (index: number): Float64Array => drawn[index] ?? column()
  const effect = hone && honeEffect({ ...hone, hrc: spec.hrc })
  const table = effect && effect.reach > 0 ? logit(effect.efficiency / effect.reach) : null
  const recorded = recordedShare(state)
  const share = hone?.share
  const { work } = state.sharpening
  const shape = of(SHAPE).map((value) => clampShape(value))
  return {
    spec,
    limitGf,
    tangent: Math.tan(radians(spec.dps)),
    rate: eachZone((zone) => {
      const [wear, part] = [of(WEAR), of(ZONE_PART[zone])]
      return wear.map((log, member) => wearRate(spec, zone) * Math.exp(log + at(part, member) + at(of(size), member)))
    }),
    shape,
    fresh: eachZone((zone) => of(FRESH[zone]).map(Math.exp)),
    blunt: eachZone((zone) => of(BLUNT[zone]).map((value) => Math.max(SHARPEST_UM, value))),
    roll: eachZone((zone) => of(ROLL[zone]).map((value) => clamp(value, 0, 1))),
    efficiency: of(HONE).map((shift) => (effect && table !== null ? effect.reach * logistic(table + shift) : 0)),
    honed: of(HABIT).map((odds) => share ?? recorded + (1 - recorded) * logistic(odds)),
    effect,
    work: state.sharpening.work,
    shaped: shape.map((bent) => (work > 0 ? work * (work / SHAPE_PIVOT_HOURS) ** bent : 0)),
    grown: column(),
    rod: state.rod,
    forces: eachZone(() => column()),
    worst: column(),
    worstStart: column(),
    starts: column(),
    passed: { ...eachZone(() => column(Infinity)), knife: column(Infinity) },
  }
}

export function shareOver(forces: Float64Array, limitGf: number): number {
  let over = 0
  for (let member = 0; member < forces.length; member++) if (at(forces, member) > limitGf) over++
  return over / forces.length
}

/** Which members are honed before a service, and what the rod has done by then. */
function honeMembers(paths: Paths, rank: number): void {
  const { effect, spec, honed } = paths
  if (!effect) return
  const luck = ENSEMBLE.luck(rank)
  const step = nextHoning(paths.rod, effect, spec.dps)
  let share = 0
  for (let member = 0; member < MEMBERS; member++) share += at(honed, member) / MEMBERS
  for (const zone of ZONES) honeZone(paths, zone, luck, step)
  paths.rod = nextHoning(paths.rod, effect, spec.dps, share).rod
}

function honeZone(
  { roll, blunt, fresh, honed, efficiency, tangent }: Paths,
  zone: Zone,
  luck: Float64Array,
  step: HoningStep,
): void {
  const [rolled, wide, keen] = [roll[zone], blunt[zone], fresh[zone]]
  const taken = 4 * tangent * step.abradedUm2
  const floor = Math.max(SHARPEST_UM, step.keenestUm) ** 2
  for (let member = 0; member < MEMBERS; member++) {
    if (at(luck, member) >= at(honed, member)) continue
    rolled[member] = at(rolled, member) * (1 - at(efficiency, member))
    if (taken > 0) {
      const before = at(wide, member)
      wide[member] = Math.min(before, Math.sqrt(Math.max(floor, before * before - taken)))
    }
    if (step.freshForceRiseGf > 0) keen[member] = at(keen, member) + step.freshForceRiseGf
  }
}

/** Work to the power 1 + shape, the pivot standing for itself: what each member has grown by in this service. */
function growMembers({ shape, shaped, grown }: Paths, work: number): void {
  const ratio = Math.log(work / SHAPE_PIVOT_HOURS)
  for (let member = 0; member < MEMBERS; member++) {
    const to = work * Math.exp(at(shape, member) * ratio)
    grown[member] = to - at(shaped, member)
    shaped[member] = to
  }
}

/**
 * Carries all members through one service.
 *
 * @param rank place of the service among those ahead
 * @param begins whether it has yet to begin, so that it may be honed for
 */
export function passService(paths: Paths, service: PlannedService, rank: number, begins: boolean): void {
  if (begins) honeMembers(paths, rank)
  const work = service.hours * service.factor * (service.product ? strain(paths.spec, service.product) : 1)
  paths.work += work
  if (work > 0) growMembers(paths, paths.work)
  else paths.grown.fill(0)
  paths.worstStart.fill(0)
  paths.worst.fill(0)
  for (const zone of ZONES) wearZone(paths, zone, Math.exp(-work / ROLL_TIME_HOURS), rank)
  notePassing(paths.passed.knife, paths.worstStart, paths.worst, rank, paths.limitGf)
}

function wearZone(paths: Paths, zone: Zone, kept: number, rank: number): void {
  const { tangent, grown, starts, worstStart, worst } = paths
  const [rate, keen, wide, rolled] = [paths.rate[zone], paths.fresh[zone], paths.blunt[zone], paths.roll[zone]]
  const ends = paths.forces[zone]
  for (let member = 0; member < MEMBERS; member++) {
    const [fresh, before, roll] = [at(keen, member), at(wide, member), at(rolled, member)]
    const after = Math.sqrt(before * before + 4 * tangent * at(rate, member) * at(grown, member))
    const bent = 1 - (1 - roll) * kept
    const start = fresh + ROLL_FORCE_GF * roll + BLUNT_FORCE_GF_PER_UM * before
    const end = fresh + ROLL_FORCE_GF * bent + BLUNT_FORCE_GF_PER_UM * after
    wide[member] = after
    rolled[member] = bent
    starts[member] = start
    ends[member] = end
    if (start > at(worstStart, member)) worstStart[member] = start
    if (end > at(worst, member)) worst[member] = end
  }
  notePassing(paths.passed[zone], starts, ends, rank, paths.limitGf)
}

/** Notes where members passed the limit for the first time, straight between the start and the end of the service. */
function notePassing(
  passed: Float64Array,
  starts: Float64Array,
  ends: Float64Array,
  rank: number,
  limit: number,
): void {
  for (let member = 0; member < MEMBERS; member++) {
    const [start, end] = [at(starts, member), at(ends, member)]
    if (end <= limit || at(passed, member) !== Infinity) continue
    passed[member] = rank + (start >= limit ? 0 : (limit - start) / (end - start))
  }
}
