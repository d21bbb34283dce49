import { MINUTE_MS } from '../time'
import { sittingKey, type Placement, type SittingTimes } from './problem'

/** One person's turn at one bench: set up, knives one after another, cleared away. */
export interface SittingOf<S> {
  readonly windowId: string
  readonly benchId: string
  readonly personId: string
  /** from setting up */
  readonly startMs: number
  /** until it is cleared away */
  readonly endMs: number
  /** in order of time */
  readonly sessions: readonly S[]
}

/** Where a session is, and when its own work begins and ends. */
export interface SessionTimes extends Omit<Placement, 'jobId'> {
  readonly startMs: number
  readonly endMs: number
}

/** Sessions as the sittings they make, in order of time, whatever order they come in. */
export function gatherSittings<S>(
  sessions: readonly S[],
  { beforeMinutes, afterMinutes }: SittingTimes,
  timesOf: (session: S) => SessionTimes,
): SittingOf<S>[] {
  const found = new Map<string, { session: S; times: SessionTimes }[]>()
  for (const session of sessions) {
    const times = timesOf(session)
    found.set(sittingKey(times), [...(found.get(sittingKey(times)) ?? []), { session, times }])
  }
  return [...found.values()]
    .flatMap((own): SittingOf<S>[] => {
      const inOrder = [...own].sort((a, b) => a.times.startMs - b.times.startMs)
      const [first] = inOrder
      if (!first) return []
      const { windowId, benchId, personId, startMs } = first.times
      return [
        {
          windowId,
          benchId,
          personId,
          startMs: startMs - beforeMinutes * MINUTE_MS,
          endMs: Math.max(...own.map(({ times }) => times.endMs)) + afterMinutes * MINUTE_MS,
          sessions: inOrder.map(({ session }) => session),
        },
      ]
    })
    .sort((a, b) => a.startMs - b.startMs)
}

/** A session of an accepted plan: its moments are written out. */
type Written = Omit<Placement, 'jobId'> & { readonly startsAt: string; readonly endsAt: string }

/** Sessions of an accepted plan as sittings. */
export const writtenSittings = <S extends Written>(sessions: readonly S[], times: SittingTimes): SittingOf<S>[] =>
  gatherSittings(sessions, times, ({ windowId, benchId, personId, startsAt, endsAt }) => ({
    windowId,
    benchId,
    personId,
    startMs: Date.parse(startsAt),
    endMs: Date.parse(endsAt),
  }))
