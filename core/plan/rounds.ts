import type { Presence } from '../house/rota'
import { isPresent } from '../house/rota'
import { DAY_MS } from '../time'

/** A knife that is honed before services, and now and then checked. */
export interface RoundKnife {
  readonly knifeId: string
  readonly stationId: string
  readonly holderId: string | null
  /** a check is asked for now */
  readonly checkNow: boolean
  readonly daysSinceCheck: number | null
}

export interface RoundService {
  readonly name: string
  readonly startMs: number
}

/** Somebody's work on a knife before one service, at the station, not at the bench. */
export interface Round {
  readonly kind: 'hone' | 'check'
  readonly knifeId: string
  readonly personId: string
  readonly service: string
  readonly startMs: number
}

/** A knife nobody is there to hone before a service. */
export interface UnheldKnife {
  readonly knifeId: string
  readonly service: string
  readonly startMs: number
}

/** Checks asked of one person before one service: more are not done (assumed). */
const CHECKS_A_SHIFT = 3
/** A knife unread for so long is read again (assumed; readings every few days teach most). */
const DAYS_BETWEEN_CHECKS = 4

/**
 * Honing before each service by whoever holds the knife then: its holder, or, when they are off, somebody
 * who is there and holds knives at the same station. Checks go to the same hands, a few a shift, those
 * asked for first and then the longest unread.
 */
export function shiftRounds(
  knives: readonly RoundKnife[],
  services: readonly RoundService[],
  present: readonly Presence[],
  fromMs: number,
): { readonly rounds: Round[]; readonly unheld: UnheldKnife[] } {
  const rounds: Round[] = []
  const unheld: UnheldKnife[] = []
  const checkedAt = new Map<string, number>()
  for (const { name, startMs } of services) {
    const there = (personId: string): boolean => isPresent(present, personId, startMs)
    const checks = new Map<string, number>()
    const asked: { knife: RoundKnife; personId: string; dueDays: number }[] = []
    for (const knife of knives) {
      const hands = handsFor(knife, knives, there)
      if (hands === null) {
        unheld.push({ knifeId: knife.knifeId, service: name, startMs })
        continue
      }
      rounds.push({ kind: 'hone', knifeId: knife.knifeId, personId: hands, service: name, startMs })
      const last = checkedAt.get(knife.knifeId)
      const days =
        last === undefined
          ? (knife.daysSinceCheck ?? Infinity) + (startMs - fromMs) / DAY_MS
          : (startMs - last) / DAY_MS
      const asksNow = knife.checkNow && last === undefined
      if (asksNow || days >= DAYS_BETWEEN_CHECKS)
        asked.push({ knife, personId: hands, dueDays: asksNow ? Infinity : days })
    }
    for (const { knife, personId } of asked.sort(
      (a, b) => b.dueDays - a.dueDays || (a.knife.knifeId < b.knife.knifeId ? -1 : 1),
    )) {
      const had = checks.get(personId) ?? 0
      if (had >= CHECKS_A_SHIFT) continue
      checks.set(personId, had + 1)
      checkedAt.set(knife.knifeId, startMs)
      rounds.push({ kind: 'check', knifeId: knife.knifeId, personId, service: name, startMs })
    }
  }
  return { rounds, unheld }
}

/** Who holds a knife in a shift: its holder when there, else the one of the station who has the fewest knives there. */
function handsFor(
  knife: RoundKnife,
  knives: readonly RoundKnife[],
  there: (personId: string) => boolean,
): string | null {
  if (knife.holderId !== null && there(knife.holderId)) return knife.holderId
  const held = new Map<string, number>()
  for (const { stationId, holderId } of knives) {
    if (stationId === knife.stationId && holderId !== null && there(holderId))
      held.set(holderId, (held.get(holderId) ?? 0) + 1)
  }
  return [...held].sort((a, b) => a[1] - b[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0] ?? null
}
