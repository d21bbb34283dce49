import type { PlannedSession, PlanView } from '../../contract/week'
import { writtenSittings } from '../../core/plan/sittings'

/** One thing a person does: a sitting at a bench with its knives, or the rounds before a service. */
export type DayItem =
  | {
      readonly kind: 'sitting'
      readonly at: string
      readonly endsAt: string
      readonly benchId: string
      readonly knives: readonly {
        readonly knifeId: string
        readonly work: PlannedSession['kind']
        readonly startsAt: string
        readonly endsAt: string
      }[]
    }
  | {
      readonly kind: 'rounds'
      readonly at: string
      readonly service: string
      readonly hone: readonly string[]
      readonly check: readonly string[]
      readonly after: readonly string[]
    }

export interface PersonDay {
  readonly key: string
  readonly at: string
  readonly items: readonly DayItem[]
}

/** A person's days ahead: sessions of the accepted plan, and honing and checks as the rota has them now. */
export function personDays(
  { accepted, rounds, now, problem }: PlanView,
  personId: string,
  dayKey: (instant: string) => string,
): PersonDay[] {
  const ahead = (accepted?.sessions ?? []).filter((session) => session.personId === personId && session.endsAt > now)
  const sittings = writtenSittings(ahead, problem.sitting).map(({ benchId, startMs, endMs, sessions }): DayItem => ({
    kind: 'sitting',
    at: new Date(startMs).toISOString(),
    endsAt: new Date(endMs).toISOString(),
    benchId,
    knives: sessions.map(({ knifeId, kind, startsAt, endsAt }) => ({ knifeId, work: kind, startsAt, endsAt })),
  }))
  const byService = new Map<string, { service: string; hone: string[]; check: string[]; after: string[] }>()
  for (const round of rounds) {
    if (round.personId !== personId) continue
    const own = byService.get(round.startsAt) ?? { service: round.service, hone: [], check: [], after: [] }
    own[round.kind].push(round.knifeId)
    byService.set(round.startsAt, own)
  }
  const items = [...sittings, ...[...byService].map(([at, own]): DayItem => ({ kind: 'rounds', at, ...own }))].sort(
    (a, b) => a.at.localeCompare(b.at),
  )
  const days = new Map<string, DayItem[]>()
  for (const item of items) days.set(dayKey(item.at), [...(days.get(dayKey(item.at)) ?? []), item])
  return [...days].map(([key, own]) => ({ key, at: own[0]?.at ?? now, items: own }))
}
