import type { PlannedSession, PlanView } from '../../contract/week'

/** One thing a person does: a session at a bench, or the rounds before a service. */
export type DayItem =
  | {
      readonly kind: 'session'
      readonly at: string
      readonly endsAt: string
      readonly benchId: string
      readonly knifeId: string
      readonly work: PlannedSession['kind']
    }
  | {
      readonly kind: 'rounds'
      readonly at: string
      readonly service: string
      readonly hone: readonly string[]
      readonly check: readonly string[]
    }

export interface PersonDay {
  readonly key: string
  readonly at: string
  readonly items: readonly DayItem[]
}

/** A person's days ahead: sessions of the accepted plan, and honing and checks as the rota has them now. */
export function personDays(
  { accepted, rounds, now }: PlanView,
  personId: string,
  dayKey: (instant: string) => string,
): PersonDay[] {
  const sessions = (accepted?.sessions ?? [])
    .filter((session) => session.personId === personId && session.endsAt > now)
    .map(({ startsAt, endsAt, benchId, knifeId, kind }): DayItem => ({
      kind: 'session',
      at: startsAt,
      endsAt,
      benchId,
      knifeId,
      work: kind,
    }))
  const byService = new Map<string, { service: string; hone: string[]; check: string[] }>()
  for (const round of rounds) {
    if (round.personId !== personId) continue
    const own = byService.get(round.startsAt) ?? { service: round.service, hone: [], check: [] }
    own[round.kind].push(round.knifeId)
    byService.set(round.startsAt, own)
  }
  const items = [...sessions, ...[...byService].map(([at, own]): DayItem => ({ kind: 'rounds', at, ...own }))].sort(
    (a, b) => a.at.localeCompare(b.at),
  )
  const days = new Map<string, DayItem[]>()
  for (const item of items) days.set(dayKey(item.at), [...(days.get(dayKey(item.at)) ?? []), item])
  return [...days].map(([key, own]) => ({ key, at: own[0]?.at ?? now, items: own }))
}
