import { v7 as newId } from 'uuid'
import type { NewEvent } from '../../contract/events'
import { Refusal } from '../api'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import { useOutbox } from './outbox'

/** What happened to a knife, before it has an id and a time. */
export type EventDraft = {
  [K in NewEvent['kind']]: {
    readonly kind: K
    readonly knifeId: string
    /** where something else has to name it; a new one unless given */
    readonly id?: string
    readonly payload: Extract<NewEvent, { kind: K }>['payload']
  }
}[NewEvent['kind']]

/** Records what happened, as the person signed in, dated by the server's clock. */
export function useRecords(): {
  /**
   * Records one event now.
   *
   * @returns the event's id, for taking it back
   * @throws Refusal when the server understood and refused; being offline is no refusal
   */
  readonly record: (draft: EventDraft) => Promise<string>
  /**
   * Records the same for several knives, for all of them or for none.
   *
   * @returns what takes all of it back
   * @throws Refusal of the first that was refused, the others being taken back
   */
  readonly recordAll: (drafts: readonly EventDraft[]) => Promise<() => Promise<void>>
  /** takes an event back; a record that still waits is sent before it */
  readonly undo: (knifeId: string, eventId: string, reason: string) => Promise<string>
} {
  const session = useSession()
  const outbox = useOutbox()
  async function record(draft: EventDraft): Promise<string> {
    const personId = session.person?.id
    if (!personId) throw new Refusal('not-signed-in', say('fault.not-signed-in'))
    const event = { ...draft, id: draft.id ?? newId(), at: session.now().toISOString() } as NewEvent
    await outbox.sendEvent(personId, event)
    return event.id
  }
  const undo = (knifeId: string, eventId: string, reason: string): Promise<string> =>
    record({ kind: 'voided', knifeId, payload: { eventId, reason } })
  return {
    record,
    undo,
    recordAll: async (drafts) => {
      const tried = await Promise.allSettled(
        drafts.map(async (draft) => ({ knifeId: draft.knifeId, eventId: await record(draft) })),
      )
      const undoAll = async (): Promise<void> => {
        for (const one of tried)
          if (one.status === 'fulfilled') await undo(one.value.knifeId, one.value.eventId, say('shell.undone'))
      }
      const refused = tried.find((one) => one.status === 'rejected')
      if (!refused) return undoAll
      await undoAll()
      throw refused.reason
    },
  }
}
