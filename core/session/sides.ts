import { ZONES } from '../knife/zones'
import { combine, Z_80, type Known } from '../statistics/normal'
import { MINUTE_MS } from '../time'
import type { Hand, SessionPlan } from './plan'
import { stepState, type SessionState } from './session'

/** What one side of a blade took on the first stone, until its burr stood. */
export interface SideTime {
  readonly hand: Hand
  readonly strokes: number
  /** minutes it was planned to take, and took */
  readonly planned: number
  readonly minutes: number
}

/** A burr after less than this was felt for, not worked for, minutes. */
const SHORTEST_MINUTES = 0.25

/** Strokes and minutes of each side on the stone that takes the metal, where a burr was felt all along. */
export function sideTimes(plan: SessionPlan, state: SessionState): SideTime[] {
  return plan.steps.flatMap((step): SideTime[] => {
    if (step.kind !== 'side' || step.work !== 'edge' || step.stage !== 0 || step.hand === null) return []
    const { strokes, burrAfterMs } = stepState(state, step.id)
    if (burrAfterMs === null || burrAfterMs / MINUTE_MS < SHORTEST_MINUTES) return []
    const counted = ZONES.reduce((sum, zone) => sum + strokes[zone], 0)
    return [{ hand: step.hand, strokes: counted, planned: step.minutes, minutes: burrAfterMs / MINUTE_MS }]
  })
}

/** The side that takes somebody longer, and how much: a hand to be trained. */
export interface WeakSide {
  readonly hand: Hand
  /** minutes on this side for one on the other, by the plan of each */
  readonly times: number
  readonly low: number
  readonly high: number
  readonly sessions: number
}

/** Hands differ by so much from side to side, and one session from the next, in log (assumed). */
const HAND_LOG_SD = 0.25
const SESSION_LOG_SD = 0.35
/** From this on a difference is worth an exercise (assumed). */
const TELLING = 1.15

/**
 * Which side takes somebody longer than the other, by minutes to the burr against the plan; null while the sessions leave
 * it open (80 %).
 */
export function weakSide(times: readonly SideTime[]): WeakSide | null {
  const logOf = ({ minutes, planned }: SideTime): number => Math.log(minutes / planned)
  const of = (hand: Hand): Known =>
    times
      .filter((time) => time.hand === hand && time.planned > 0)
      .reduce<Known>((known, time) => combine(known, { mean: logOf(time), sd: SESSION_LOG_SD }), {
        mean: 0,
        sd: HAND_LOG_SD,
      })
  const [right, left] = [of('right'), of('left')]
  const sessions = Math.min(
    times.filter(({ hand }) => hand === 'left').length,
    times.filter(({ hand }) => hand === 'right').length,
  )
  const mean = left.mean - right.mean
  const sd = Math.hypot(left.sd, right.sd)
  const hand: Hand = mean > 0 ? 'left' : 'right'
  const longer = Math.abs(mean)
  if (sessions === 0 || longer < Math.log(TELLING) || longer - Z_80 * sd < 0) return null
  return {
    hand,
    times: Math.exp(longer),
    low: Math.exp(longer - Z_80 * sd),
    high: Math.exp(longer + Z_80 * sd),
    sessions,
  }
}
