import { combine, Z_80, type Known } from '../statistics/normal'

/** One first stone: minutes it was planned to take to the burr, and minutes it took. */
export interface BurrTime {
  readonly planned: number
  readonly minutes: number
}

/** How much stones and hands differ from the table, and one session from the next, in log (assumed). */
const RATE_LOG_SD = 0.4
const SESSION_LOG_SD = 0.45
/** A burr after less than this was felt for, not timed, minutes. */
const SHORTEST_MINUTES = 0.25

export interface LearnedRate {
  /** removal against the table; 1 while nothing was learned */
  readonly rate: number
  /** 80 % interval */
  readonly low: number
  readonly high: number
  readonly sessions: number
}

/**
 * What a stone really removes in somebody's hands, from minutes to the burr (Preston 1927: time goes as
 * one over the rate): the mean of log planned over log taken, shrunk towards the table.
 */
export function learnedRate(times: readonly BurrTime[]): LearnedRate {
  const usable = times.filter(({ planned, minutes }) => planned > 0 && minutes >= SHORTEST_MINUTES)
  const { mean, sd } = usable.reduce<Known>(
    (known, { planned, minutes }) => combine(known, { mean: Math.log(planned / minutes), sd: SESSION_LOG_SD }),
    { mean: 0, sd: RATE_LOG_SD },
  )
  return {
    rate: Math.exp(mean),
    low: Math.exp(mean - Z_80 * sd),
    high: Math.exp(mean + Z_80 * sd),
    sessions: usable.length,
  }
}
