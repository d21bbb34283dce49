import { LEAVING_KINDS, type SafetyFile } from '../../../contract/papers'
import { startOfDay } from '../../../core/house/serviceClock'
import { DAY_MS } from '../../../core/time'
import type { Database } from '../../db/database'
import { knivesOnFile, checksOnFile, sessionsOnFile } from '../../db/queries/house/safetyFile'
import { linesOf } from '../../db/queries/house/report'
import type { Caller } from '../../signIn/sessions'

/** A list on paper is no longer than this. */
const MOST_LINES = 2000
const USUAL: ReadonlySet<string> = new Set(['glint', 'chip'])

/** Names of what a check found wrong. */
function defectsOf(defects: Readonly<Record<string, unknown>> | null): string[] {
  if (defects === null) return []
  const marks = Object.entries(defects).flatMap(([name, value]) => (value === true && !USUAL.has(name) ? [name] : []))
  return [...(defects['chip'] ? ['chip'] : []), ...marks]
}

/** What an inspector may ask for, between two days of the house's own zone, both included. */
export async function readSafetyFile(
  db: Database,
  { house }: Caller,
  { from, until }: { readonly from: string; readonly until: string },
): Promise<SafetyFile> {
  const noon = (day: string): number => Date.parse(`${day}T12:00:00Z`)
  const begin = new Date(startOfDay(noon(from), house.zone))
  const end = new Date(startOfDay(noon(until) + DAY_MS, house.zone))
  const checks = await checksOnFile(db, house.id, begin, end, MOST_LINES + 1)
  const sessions = await sessionsOnFile(db, house.id, begin, end, MOST_LINES + 1)
  const lines = await linesOf(db, house.id, begin, end, LEAVING_KINDS)
  return {
    from: begin.toISOString(),
    until: end.toISOString(),
    knives: (await knivesOnFile(db, house.id, end)).map(({ checkedAt, ...knife }) => ({
      ...knife,
      checkedAt: checkedAt?.toISOString() ?? null,
    })),
    checks: checks.slice(0, MOST_LINES).map(({ at, defects, ...check }) => ({
      ...check,
      at: at.toISOString(),
      defects: defectsOf(defects),
    })),
    sessions: sessions.slice(0, MOST_LINES).map(({ at, washedAt, ...session }) => ({
      ...session,
      at: at.toISOString(),
      washedAt: washedAt?.toISOString() ?? null,
    })),
    outOfService: lines.slice(0, MOST_LINES).map(({ at, kind, ...line }) => ({
      ...line,
      kind: kind as (typeof LEAVING_KINDS)[number],
      at: at.toISOString(),
    })),
    isCut: Math.max(checks.length, sessions.length, lines.length) > MOST_LINES,
  }
}
