import type { Action } from '../edge/verdict'
import type { Skill } from '../house/skills'
import type { JobKind, JobWay, PlanJob, PlanWindow } from './problem'

/** A service ahead of a knife, with the chance that its edge is past the limit by the end. */
export interface ServiceAhead {
  readonly name: string
  readonly startMs: number
  readonly endMs: number
  readonly hours: number
  readonly chanceDull: number
}

/** A knife as its forecast sees it over the days to plan. */
export interface KnifeAhead {
  readonly knifeId: string
  readonly action: Action
  readonly skill: Skill
  readonly ways: readonly JobWay[]
  readonly services: readonly ServiceAhead[]
  /** chance of being dull so many services after a session */
  readonly freshChances: readonly number[]
  /** edge height a session takes, µm */
  readonly steelUm: number
  /** how much a dull service at its station counts; 1 is usual */
  readonly stationWeight: number
  readonly daysSinceStone: number | null
  readonly lastHands: string | null
  readonly group: string
  readonly mayBeAway: number
}

/** A chipped knife spoils every service it works in; a thick one wedges in some of them (assumed). */
const STANDING: Partial<Record<Action, number>> = { repair: 1, thin: 0.25 }
/** From here on a knife is likely dull. */
const LIKELY = 0.5

const kindOf = (action: Action): JobKind => {
  if (action === 'quarantine') return 'send-out'
  return action === 'repair' || action === 'thin' || action === 'touch-up' ? action : 'stone'
}

/**
 * What a knife wants over the days to plan, window by window: how many hours of service it would work dull
 * if it were done there, and how much of its edge would go before its time. Too early wastes steel, too
 * late costs dull services.
 */
export function jobOf(ahead: KnifeAhead, windows: readonly PlanWindow[]): PlanJob {
  const { services, freshChances, stationWeight, action } = ahead
  const standing = STANDING[action] ?? 0
  const chance = (service: ServiceAhead): number => Math.max(standing, service.chanceDull)
  const hoursIfDoneAt = (doneMs: number): number => {
    let sum = 0
    let since = 0
    for (const service of services) {
      const before = service.startMs < doneMs
      sum += service.hours * (before ? chance(service) : (freshChances[since] ?? freshChances.at(-1) ?? 0))
      if (!before) since++
    }
    return stationWeight * sum
  }
  const chanceWhen = (atMs: number): number => {
    const passed = services.filter(({ startMs }) => startMs < atMs)
    return passed.at(-1)?.chanceDull ?? (services[0] ? Math.min(services[0].chanceDull, LIKELY) : 0)
  }
  const last = services.at(-1)
  const dull = services.find((service) => chance(service) > LIKELY)
  const needsWork = action !== 'none' && action !== 'hone' && action !== 'check' && action !== 'change-role'
  return {
    id: ahead.knifeId, knifeId: ahead.knifeId, kind: kindOf(action), skill: ahead.skill,
    ways: action === 'quarantine' ? [] : ahead.ways,
    dullHours: windows.map(({ endMs }) => hoursIfDoneAt(endMs)),
    dullHoursLeft: hoursIfDoneAt(Infinity),
    chanceAt: windows.map(({ startMs }) => chanceWhen(startMs)),
    wastedUm: windows.map(({ startMs }) => (standing > 0 ? 0 : ahead.steelUm * (1 - chanceWhen(startMs)))),
    dueShare: last ? chance(last) : 0,
    wanted: needsWork || (last !== undefined && chance(last) > LIKELY),
    dullBy: dull ? { name: dull.name, startMs: dull.startMs } : null,
    daysSinceStone: ahead.daysSinceStone,
    lastHands: ahead.lastHands, group: ahead.group, mayBeAway: ahead.mayBeAway,
  }
}
