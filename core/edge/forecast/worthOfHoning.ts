import type { BladeSpec } from '../../knife/bladeSpec'
import type { KnifeState } from '../log/state'
import { forecastEdge, stateAfterStoning, usualUse } from './forecast'
import type { PlannedService } from './plannedUse'

/** A knife with what it is used for, a day of the house at a time. */
export interface KnifeInUse {
  readonly state: KnifeState
  readonly spec: BladeSpec
  readonly limitGf: number
  /** hours on the board a day, on average over the week, > 0, and board factor times product factor */
  readonly hoursADay: number
  readonly factor: number
}

/** Far enough to see almost any edge to its end, days. */
const FURTHEST_DAYS = 120

const daysAhead = ({ state, hoursADay, factor }: KnifeInUse): PlannedService[] =>
  Array.from({ length: FURTHEST_DAYS }, (_, index): PlannedService => ({
    name: '',
    startMs: state.atMs + index,
    endMs: state.atMs + index + 1,
    hours: hoursADay,
    factor,
  }))

/** Days from a fresh edge until it is more likely dull than not: honed before each service, and never honed. */
export function worthOfHoning(knife: KnifeInUse): { readonly daysHoned: number; readonly daysUnhoned: number } {
  const { spec, limitGf, hoursADay, state } = knife
  const use = usualUse(spec, limitGf, daysAhead(knife))
  const days = (share: number): number => {
    const hone = use.hone && { ...use.hone, share }
    const { middle } = forecastEdge(stateAfterStoning(state, spec), { ...use, hone, untilSure: 'knife' }).toLimit
    return middle ? middle.hours / hoursADay : FURTHEST_DAYS
  }
  return { daysHoned: days(1), daysUnhoned: days(0) }
}
