import type { Presence } from '../house/rota'
import { isPresent } from '../house/rota'

/** A knife that is honed before services, and checked where that can change what is done with it. */
export interface RoundKnife {
  readonly knifeId: string
  readonly stationId: string
  readonly holderId: string | null
  /** a rod or strop is taken to it before services; not where the house never hones */
  readonly isHoned: boolean
  /** it goes to the stone after every job, by a rule of the house */
  readonly afterEach: boolean
  /** a check is asked for now */
  readonly checkNow: boolean
  /** from when on it may be past its limit, so that a check may save a dull service or a session; null while it cannot */
  readonly usefulFromMs: number | null
}

export interface RoundService {
  readonly name: string
  readonly startMs: number
}

/** Somebody's work on a knife before one service, or after it, at the station and in no window. */
export interface Round {
  readonly kind: 'hone' | 'check' | 'after'
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

/**
 * Honing before each service by whoever holds the knife then: its holder, or, when they are off, somebody
 * who is there and holds knives at the same station. Checks go to the same hands, a few a shift and each knife
 * once: those asked for first, then those that may have been past their limit the longest.
 */
export function shiftRounds(
  knives: readonly RoundKnife[],
  services: readonly RoundService[],
  present: readonly Presence[],
): { readonly rounds: Round[]; readonly unheld: UnheldKnife[] } {
  const rounds: Round[] = []
  const unheld: UnheldKnife[] = []
  const checked = new Set<string>()
  for (const { name, startMs } of services) {
    const there = (personId: string): boolean => isPresent(present, personId, startMs)
    const checks = new Map<string, number>()
    const asked: { knife: RoundKnife; personId: string; sinceMs: number }[] = []
    for (const knife of knives) {
      const hands = handsFor(knife, knives, there)
      if (hands === null) {
        unheld.push({ knifeId: knife.knifeId, service: name, startMs })
        continue
      }
      const round = { knifeId: knife.knifeId, personId: hands, service: name, startMs }
      if (knife.isHoned) rounds.push({ kind: 'hone', ...round })
      if (knife.afterEach) rounds.push({ kind: 'after', ...round })
      const sinceMs = knife.checkNow ? -Infinity : (knife.usefulFromMs ?? Infinity)
      if (sinceMs <= startMs && !checked.has(knife.knifeId)) asked.push({ knife, personId: hands, sinceMs })
    }
    for (const { knife, personId } of asked.sort(
      (a, b) => compare(a.sinceMs, b.sinceMs) || (a.knife.knifeId < b.knife.knifeId ? -1 : 1),
    )) {
      const had = checks.get(personId) ?? 0
      if (had >= CHECKS_A_SHIFT) continue
      checks.set(personId, had + 1)
      checked.add(knife.knifeId)
      rounds.push({ kind: 'check', knifeId: knife.knifeId, personId, service: name, startMs })
    }
  }
  return { rounds, unheld }
}

/** Order of two moments, of which both may be for ever ago. */
const compare = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1)

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
