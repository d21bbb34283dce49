import { foldHistory, type KnifeHistory } from '../edge/log/history'
import type { KnifeState } from '../edge/log/state'
import { declaredUse, workAt } from '../edge/log/usage'
import { edgeForce } from '../edge/model/force'
import { ZONES } from '../knife/zones'
import { WEEK_MS } from '../time'

/** What a knife did in a week at one station, as far as its log tells. */
export interface KnifeWeek {
  /** which week, from 0 for the first */
  readonly week: number
  readonly stationId: string
  /** hours that it worked in services, and those of them that it ended over its limit */
  hours: number
  dullHours: number
  /** sessions on the stones and their minutes */
  sessions: number
  minutes: number
  /** height that these sessions took, mm */
  steelMm: number
}

/** One knife at the end of one service that it worked in. */
export interface ServedKnife {
  readonly startMs: number
  readonly stationId: string
  readonly dull: boolean
}

export interface KnifeWeeks {
  readonly weeks: readonly KnifeWeek[]
  readonly served: readonly ServedKnife[]
}

/** The week of a row that an instant falls into; null outside of it. */
export function weekAt(atMs: number, fromMs: number, weeks: number): number | null {
  const week = Math.floor((atMs - fromMs) / WEEK_MS)
  return week < 0 || week >= weeks ? null : week
}

/**
 * What a knife did week by week: its whole log is folded, and each service that it worked in asked how its dullest spot
 * stood at the end, by the most likely force.
 *
 * @param history with services that reach from its first event to its end
 * @param fromMs begin of the first week
 */
export function knifeWeeks(history: KnifeHistory, fromMs: number, weeks: number): KnifeWeeks {
  const { spec, usage, limitGf } = history
  const declared = declaredUse(history.events, usage.services)
  const found = new Map<string, KnifeWeek>()
  const served: ServedKnife[] = []
  const weekOf = (atMs: number, { stationId }: Pick<KnifeState, 'stationId'>): KnifeWeek | null => {
    const week = weekAt(atMs, fromMs, weeks)
    if (week === null || stationId === null) return null
    const key = `${week} ${stationId}`
    const known = found.get(key) ?? { week, stationId, hours: 0, dullHours: 0, sessions: 0, minutes: 0, steelMm: 0 }
    found.set(key, known)
    return known
  }
  foldHistory({
    ...history,
    onService: ({ startMs, endMs }, after) => {
      const work = after.stationId === null ? undefined : usage.stations.get(after.stationId)
      const hours = declared.get(startMs) ?? (work && workAt(work, startMs))?.hoursPerService ?? 0
      if (after.status !== 'in-service' || hours <= 0) return
      const own = weekOf(endMs, after)
      if (!own) return
      const dull = Math.max(...ZONES.map((zone) => edgeForce(after.zones[zone], spec.dps))) > limitGf
      own.hours += hours
      own.dullHours += dull ? hours : 0
      served.push({ startMs, stationId: own.stationId, dull })
    },
    onEvent: (event, before, after) => {
      if (event.kind !== 'sharpened') return
      const own = weekOf(event.atMs, after)
      if (!own) return
      own.sessions++
      own.minutes += event.payload.minutes ?? 0
      own.steelMm += Math.max(0, before.steel.heightMm.mean - after.steel.heightMm.mean)
    },
  })
  return { weeks: [...found.values()], served }
}

/** Services of a week, and those of them that every knife at work ended within its limit. */
export interface ServiceShare {
  readonly services: number
  readonly within: number
}

/** Share of services with every edge in its limit, week by week, of the knives that are given. */
export function serviceShares(served: readonly ServedKnife[], fromMs: number, weeks: number): ServiceShare[] {
  const dullAt = new Map<number, boolean>()
  for (const { startMs, dull } of served) dullAt.set(startMs, dull || dullAt.get(startMs) === true)
  const shares = Array.from({ length: weeks }, () => ({ services: 0, within: 0 }))
  for (const [startMs, dull] of dullAt) {
    const own = shares[weekAt(startMs, fromMs, weeks) ?? -1]
    if (!own) continue
    own.services++
    own.within += dull ? 0 : 1
  }
  return shares
}
