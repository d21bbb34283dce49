import type { BladeGeometry } from '../../knife/bladeGeometry'
import type { BladeSpec } from '../../knife/bladeSpec'
import type { Known } from '../../statistics/normal'
import { Z_80 } from '../../statistics/normal'
import { DAY_MS } from '../../time'
import type { KnifeState } from '../log/state'
import { recessionOf, thicknessAfterRecession } from '../log/steelLeft'

/** A date in years to come with an 80 % band, ms since the epoch. */
export interface DateBand {
  readonly earlyMs: number
  readonly middleMs: number
  readonly lateMs: number
}

export interface SteelAhead {
  /** sessions on the stone a year, at the pace of the log */
  readonly sessionsPerYear: Known
  /** height a session takes, mm */
  readonly perSessionMm: Known
  /** when thickness behind the edge passes its limit; null when it already has, or not within the horizon */
  readonly thinningDue: DateBand | null
  /** when the blade is too low for its job; null when it already is, or not within the horizon */
  readonly wornOut: DateBand | null
}

const YEAR_DAYS = 365.25
/** Beyond this nobody plans knives. */
const HORIZON_YEARS = 25
/** Before a log says otherwise a knife sees the stone about every three weeks (assumed), worth one session of evidence. */
const USUAL_DAYS_BETWEEN_SESSIONS = 21
/** The session a knife is taken to have until its own were counted: kept up, over #1000 and #3000 (assumed). */
const USUAL_SESSION = { bluntUm: 8, grains: [11.5, 4] } as const

/** Pace of sessions: a gamma–Poisson posterior with the usual pace as one session seen. */
function pace(state: KnifeState): { readonly perDay: number; readonly shareSd: number } {
  const days = Math.max(0, (state.atMs - state.joinedMs) / DAY_MS)
  const count = state.steel.sessions + 1
  return { perDay: count / (days + USUAL_DAYS_BETWEEN_SESSIONS), shareSd: 1 / Math.sqrt(count) }
}

function band(nowMs: number, days: number, shareSd: number): DateBand | null {
  if (!(days > 0) || days > HORIZON_YEARS * YEAR_DAYS) return null
  const at = (factor: number): number =>
    Math.round(nowMs + Math.min(days * factor, 2 * HORIZON_YEARS * YEAR_DAYS) * DAY_MS)
  const factor = Math.exp(Z_80 * shareSd)
  return { earlyMs: at(1 / factor), middleMs: at(1), lateMs: at(factor) }
}

/**
 * When a blade will need thinning and when it will be worn out, if it goes on meeting the stone as it
 * has: what is left over what a day takes, the doubts of both added as shares.
 *
 * @param state the knife now
 * @param nature angle and make of the blade
 * @param geometry its present measures and its minimum height, mm
 * @param thickestMm thickness behind the edge at which thinning is due, mm
 */
export function steelAhead(
  state: KnifeState,
  spec: BladeSpec,
  geometry: BladeGeometry,
  thickestMm: number,
): SteelAhead {
  const { steel } = state
  const { perDay, shareSd } = pace(state)
  const perSession = (steel.sessionsMm + recessionOf(steel, spec, USUAL_SESSION)) / (steel.sessions + 1)
  const lossShareSd = Math.hypot(shareSd, steel.takes.sd)
  const perDayMm = perDay * perSession
  const heightLeft = steel.heightMm.mean - geometry.minimumHeightMm
  const thickeningPerMm = thicknessAfterRecession(spec, steel.bteMm.mean, 1) - steel.bteMm.mean
  const thicknessLeft = thickestMm - steel.bteMm.mean
  return {
    sessionsPerYear: { mean: perDay * YEAR_DAYS, sd: perDay * YEAR_DAYS * shareSd },
    perSessionMm: { mean: perSession, sd: perSession * steel.takes.sd },
    thinningDue: band(
      state.atMs,
      thicknessLeft / (thickeningPerMm * perDayMm),
      Math.hypot(lossShareSd, steel.bteMm.sd / Math.max(1e-6, thicknessLeft)),
    ),
    wornOut: band(
      state.atMs,
      heightLeft / perDayMm,
      Math.hypot(lossShareSd, steel.heightMm.sd / Math.max(1e-6, heightLeft)),
    ),
  }
}
