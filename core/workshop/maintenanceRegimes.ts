import { burrUm } from '../abrasive/sessionRemoval'
import { wearBudget, type WearAsk } from './budget'

/** How a house may keep its edges: how often a blade meets an abrasive, and on what. */
export const MAINTENANCE_REGIMES = ['as-now', 'weekly', 'after-each-job', 'few-a-year', 'abrasive-rod'] as const
export type MaintenanceRegime = (typeof MAINTENANCE_REGIMES)[number]

/** What a regime does to a blade in a year. */
export interface RegimeLife {
  readonly regime: MaintenanceRegime
  /** sessions on stone or abrasive rod a year */
  readonly sessionsPerYear: number
  readonly steelPerYearMm: number
  readonly years: number
  /** months between two sessions, against those the edge lasts as it is kept now: above 1 it is worked with dull meanwhile */
  readonly stretch: number
}

/** Steel that making a burr takes on #400, on #1000 and on an abrasive rod, mm; the rod's is assumed. */
const BURR_MM = { coarse: burrUm(30) / 1000, fine: burrUm(11.5) / 1000, rod: 0.0015 } as const
/** Sessions a year: after every job, once a week, and "two or three times a year" (common practice). */
const A_YEAR = { everyJob: 250, weekly: 52, few: 2.5 } as const
/** An abrasive rod comes out as soon as the edge won't slice fruit cleanly, and replaces most stone work (common practice): so often as stones would, and one stone in this many. */
const ROD = { timesAsOften: 4, stonesReplaced: 4 } as const

/**
 * Edge height a session takes, mm, when so many share a year's wear. Wear is an area that grows with work
 * (Archard 1953) and lies across a wedge, so the height that has to go grows with its root; the burr costs
 * the same each time.
 */
function perSessionMm({ perSessionMm: { middle }, sessionsPerYear }: WearAsk, aYear: number, burrMm: number): number {
  const worn = Math.max(0, middle - BURR_MM.coarse)
  return burrMm + worn * Math.sqrt(sessionsPerYear / aYear)
}

/** The same life with other sessions, at the same spread of what one takes. */
function keptWithinLimit(ask: WearAsk, regime: MaintenanceRegime, sessionsPerYear: number, eachMm: number): RegimeLife {
  const share = eachMm / ask.perSessionMm.middle
  const { low, middle, high } = ask.perSessionMm
  const { years } = wearBudget({
    ...ask,
    sessionsPerYear,
    perSessionMm: { low: low * share, middle: middle * share, high: high * share },
  })
  return {
    regime,
    sessionsPerYear,
    steelPerYearMm: sessionsPerYear * eachMm,
    years,
    stretch: ask.sessionsPerYear / sessionsPerYear,
  }
}

/** What each regime of keeping an edge would make of a blade's life, the present one first. */
export function regimeLives(ask: WearAsk): RegimeLife[] {
  const [weekly, everyJob, few] = [A_YEAR.weekly, A_YEAR.everyJob, A_YEAR.few]
  const rods = Math.min(everyJob, ROD.timesAsOften * ask.sessionsPerYear)
  const stones = ask.sessionsPerYear / ROD.stonesReplaced
  // the rod takes the wear between stones, and the stone that is left to do has its own burr
  const rodMm = perSessionMm(ask, rods, BURR_MM.rod) + (BURR_MM.coarse * stones) / rods
  return [
    keptWithinLimit(ask, 'as-now', ask.sessionsPerYear, ask.perSessionMm.middle),
    keptWithinLimit(ask, 'weekly', weekly, perSessionMm(ask, weekly, BURR_MM.fine)),
    keptWithinLimit(ask, 'after-each-job', everyJob, perSessionMm(ask, everyJob, BURR_MM.fine)),
    keptWithinLimit(ask, 'abrasive-rod', rods, rodMm),
    keptWithinLimit(ask, 'few-a-year', few, perSessionMm(ask, few, BURR_MM.coarse)),
  ]
}
