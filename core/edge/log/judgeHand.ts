import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { zoneWear } from '../filter/belief'
import { observationsOf } from '../filter/observe'
import type { EventPayloads } from '../model/events'
import { edgeForce, freshForce } from '../model/force'
import { addHandResidual, type HandResidual, type Lessons } from './lessons'
import type { KnifeState, Sharpening } from './state'

/** A test this soon after a session is one off the stone, hours of use. */
export const OFF_STONE_HOURS = 0.5
/** A sharpening is judged after five to six hours of use (common practice); a check near that will do. */
export const JUDGED_FROM_HOURS = 4
export const JUDGED_UNTIL_HOURS = 8
/** Somebody is asked from here on: after five to six hours of use an edge shows what it is (common practice). */
const ASKED_FROM_HOURS = 5

/** Is it time for the verdict that counts, and has nobody given it? A sharpening is judged after hours of use, not off the stone. */
export const isJudgementDue = ({ sharpening, checkedMs, hoursSinceCheck }: KnifeState): boolean =>
  sharpening.personId !== null &&
  !sharpening.judged &&
  sharpening.hours >= ASKED_FROM_HOURS &&
  sharpening.hours <= JUDGED_UNTIL_HOURS &&
  (checkedMs === null || hoursSinceCheck > sharpening.hours - JUDGED_FROM_HOURS)

/** Knives and days differ by this much in log force whoever sharpens them (assumed). */
const KNIFE_LOG_SD = 0.08

/**
 * What a check says of the hand that sharpened last: readings against an ordinary fresh edge of that
 * finish, off the stone and once more after five to six hours of use. Null when it says nothing.
 */
export function judgeHand(
  state: KnifeState,
  check: EventPayloads['checked'],
  spec: BladeSpec,
): { readonly lessons: Lessons; readonly sharpening: Sharpening } | null {
  const { sharpening, lessons } = state
  if (sharpening.personId === null || check.readings.length === 0) return null
  const offStone = !sharpening.tested && sharpening.hours <= OFF_STONE_HOURS
  const afterUse = !sharpening.judged && sharpening.hours >= JUDGED_FROM_HOURS && sharpening.hours <= JUDGED_UNTIL_HOURS
  if (!offStone && !afterUse) return null
  const freshForceGf = freshForce({ finishMicron: sharpening.finishMicron, dps: spec.dps })
  const residuals = ZONES.flatMap((zone): HandResidual[] =>
    observationsOf(check, zone, spec.serrated)
      .filter((seen) => seen.rung === null)
      .map((seen) => {
        const expected = edgeForce({ ...zoneWear(state.belief, spec.dps, zone), freshForceGf }, spec.dps)
        return { zone, log: Math.log(seen.forceGf / expected), variance: seen.logSd ** 2 + KNIFE_LOG_SD ** 2 }
      }),
  )
  return {
    lessons: addHandResidual(lessons, sharpening.personId, offStone ? 'offStone' : 'afterUse', residuals),
    sharpening: offStone ? { ...sharpening, tested: true } : { ...sharpening, judged: true },
  }
}
