import type { NewEvent } from '../../contract/events'
import type { KeptRecord } from '../../contract/marks'

/** Something done on this device that the server has not confirmed, with the person who did it. */
export type OutboxEntry = KeptRecord & {
  readonly personId: string
  /** that this person was signed in here when it was made; the key it was made with leaves with them */
  readonly mark?: string
}

/** What a mark stands for, to the letter. */
export function markedText({ personId: _, mark: __, ...record }: OutboxEntry): string {
  return JSON.stringify(record)
}

const PREFIX = 'yorvik.outbox.'
/** How earlier releases kept what waited; touches of a session had no person, and nobody can be named for them now. */
const FORMER = { events: 'yorvik.waiting', session: 'yorvik.bench.' }

const keyOf = (id: string): string => PREFIX + id

/** One key an entry, so that two windows of one browser never write over each other. */
export const outboxStorage = {
  /** @returns false when the device has no room left: the entry then lives as long as the page */
  keep(entry: OutboxEntry): boolean {
    try {
      localStorage.setItem(keyOf(entry.id), JSON.stringify(entry))
      return true
    } catch {
      return false
    }
  },

  drop(id: string): void {
    localStorage.removeItem(keyOf(id))
  },

  /** Everything kept, in the order it was done: ids begin with their time (UUID version 7, RFC 9562). */
  all(): OutboxEntry[] {
    adoptFormer()
    return keys(PREFIX)
      .sort()
      .flatMap((key): OutboxEntry[] => {
        const entry = readEntry(localStorage.getItem(key))
        return entry === null ? [] : [entry]
      })
  },
}

/** An entry as it was kept; null for what is none, which must not keep the page from opening. */
function readEntry(text: string | null): OutboxEntry | null {
  try {
    const entry = JSON.parse(text ?? 'null') as OutboxEntry | null
    return entry?.id && entry.personId ? entry : null
  } catch {
    return null
  }
}

const keys = (prefix: string): string[] =>
  Array.from({ length: localStorage.length }, (_, at) => localStorage.key(at) ?? '').filter((key) =>
    key.startsWith(prefix),
  )

/** Takes over what an earlier release left waiting, and clears the copies of sessions it never cleared. */
function adoptFormer(): void {
  const waiting = localStorage.getItem(FORMER.events)
  if (waiting !== null) {
    for (const { personId, event } of JSON.parse(waiting) as { personId: string; event: NewEvent }[]) {
      if (!outboxStorage.keep({ id: event.id, personId, kind: 'event', event })) return
    }
    localStorage.removeItem(FORMER.events)
  }
  for (const key of keys(FORMER.session)) localStorage.removeItem(key)
}
