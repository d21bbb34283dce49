import { WEEK_MS } from '../time'

/** What of a knife's log a week counts: a check with its dullest spot and limit, or a session with its minutes. */
export interface WeekEvent {
  readonly atMs: number
  readonly knifeId: string
  readonly stationId: string
  /** gf; null for a check without a force, and for a session */
  readonly dullestGf: number | null
  readonly limitGf: number
  /** null for a check */
  readonly minutes: number | null
}

export interface WeekTold {
  readonly fromMs: number
  /** checks that measured a force, and those of them within the limit */
  readonly measured: number
  readonly within: number
  readonly sessions: number
  readonly minutes: number
  readonly knifeIds: readonly string[]
}

/**
 * Weeks in a row, the last one ending at an instant, each with what happened in it.
 *
 * @param weeks how many, at least one
 */
export function toldByWeek(events: readonly WeekEvent[], untilMs: number, weeks: number): WeekTold[] {
  return Array.from({ length: weeks }, (_, at) => {
    const fromMs = untilMs - (weeks - at) * WEEK_MS
    const own = events.filter(({ atMs }) => atMs >= fromMs && atMs < fromMs + WEEK_MS)
    const measured = own.filter(({ dullestGf }) => dullestGf !== null)
    const sessions = own.filter(({ minutes }) => minutes !== null)
    return {
      fromMs,
      measured: measured.length,
      within: measured.filter(({ dullestGf, limitGf }) => (dullestGf ?? 0) <= limitGf).length,
      sessions: sessions.length,
      minutes: sessions.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
      knifeIds: [...new Set(own.map(({ knifeId }) => knifeId))],
    }
  })
}
