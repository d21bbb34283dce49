import type { Action } from '../edge/verdict/verdict'
import type { Skill } from '../house/skills'
import type { JobKind, JobRoute, NextSession, PlanJob, PlanWindow } from './problem'
import { chancesWith } from './risk'

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
  readonly routes: readonly JobRoute[]
  /** skill and ways of an ordinary session on the stones; null where the knife gets none by itself */
  readonly ordinary: Pick<NextSession, 'skill' | 'routes'> | null
  readonly services: readonly ServiceAhead[]
  /** chance of being dull so many services after a session */
  readonly freshChances: readonly number[]
  /** edge height a session takes, µm */
  readonly steelUm: number
  /** how much a dull service at its station counts; 1 is usual */
  readonly stationWeight: number
  readonly daysSinceStone: number | null
  readonly lastHands: string | null
  readonly onlyHands: string | null
  readonly group: string
  readonly mayBeAway: number
}

/** A chipped knife spoils every service it works in; a thick one wedges in some of them (assumed). */
const STANDING: Partial<Record<Action, number>> = { repair: 1, thin: 0.25 }
/** From here on a knife is likely dull. */
export const LIKELY = 0.5

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
  const starts = services.map(({ startMs }) => startMs)
  const left = services.map(chance)
  const hoursIfDone = (...doneMs: readonly number[]): number =>
    chancesWith(starts, { left, fresh: freshChances }, doneMs).reduce(
      (sum, one, at) => sum + stationWeight * (services[at]?.hours ?? 0) * one,
      0,
    )
  const chanceWhen = (atMs: number): number => {
    const passed = services.filter(({ startMs }) => startMs < atMs)
    return passed.at(-1)?.chanceDull ?? (services[0] ? Math.min(services[0].chanceDull, LIKELY) : 0)
  }
  const last = services.at(-1)
  const dull = services.find((service) => chance(service) > LIKELY)
  const needsWork = action !== 'none' && action !== 'hone' && action !== 'check' && action !== 'change-role'
  return {
    id: ahead.knifeId,
    knifeId: ahead.knifeId,
    kind: kindOf(action),
    skill: ahead.skill,
    routes: action === 'quarantine' ? [] : ahead.routes,
    dullHours: windows.map(({ endMs }) => hoursIfDone(endMs)),
    dullHoursLeft: hoursIfDone(),
    chanceAt: windows.map(({ startMs }) => chanceWhen(startMs)),
    wastedUm: windows.map(({ startMs }) => (standing > 0 ? 0 : ahead.steelUm * (1 - chanceWhen(startMs)))),
    dueShare: last ? chance(last) : 0,
    wanted: needsWork || (last !== undefined && chance(last) > LIKELY),
    dullBy: dull ? { name: dull.name, startMs: dull.startMs } : null,
    daysSinceStone: ahead.daysSinceStone,
    lastHands: ahead.lastHands,
    onlyHands: ahead.onlyHands,
    group: ahead.group,
    mayBeAway: ahead.mayBeAway,
    follows: null,
    next: ahead.ordinary && {
      ...ahead.ordinary,
      freshChances,
      steelUm: ahead.steelUm,
      services: services.map(({ name, startMs, hours }) => ({ name, startMs, hours: stationWeight * hours })),
    },
  }
}
