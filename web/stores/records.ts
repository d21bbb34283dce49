import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { NewEvent } from '../../contract/events'
import { call, Refusal } from '../api'
import { useFleet } from './fleet'
import { useSession } from './session'

interface Waiting {
  readonly personId: string
  readonly event: NewEvent
}

const RETRY_MS = 5000

type Draft = {
  [K in NewEvent['kind']]: {
    readonly kind: K
    readonly knifeId: string
    readonly payload: Extract<NewEvent, { kind: K }>['payload']
  }
}[NewEvent['kind']]

/**
 * Records what happened. What cannot be sent now waits on this device under its own id and is sent
 * when the server answers again, as the person who did it.
 */
export const useRecords = defineStore('records', () => {
  const session = useSession()
  const fleet = useFleet()
  const waiting = useLocalStorage<Waiting[]>('yorvik.waiting', [])
  const refusal = ref<string | null>(null)
  let sending = false

  const mine = computed(() => waiting.value.filter((one) => one.personId === session.person?.id))

  async function deliver(events: readonly NewEvent[]): Promise<void> {
    const { knives } = await call(endpoints.sendEvents, { body: { events: [...events] } })
    fleet.accept(knives)
  }

  /** Sends what waits; what the server refuses is dropped with its sentence, what it cannot hear stays. */
  async function flush(): Promise<void> {
    if (sending || mine.value.length === 0) return
    sending = true
    try {
      for (const { event } of [...mine.value]) {
        try {
          await deliver([event])
        } catch (error) {
          if (
            !(error instanceof Refusal) ||
            ['offline', 'unavailable', 'not-signed-in', 'unexpected'].includes(error.code)
          )
            return
          refusal.value = error.sentence
        }
        waiting.value = waiting.value.filter((one) => one.event.id !== event.id)
      }
    } finally {
      sending = false
    }
  }
  setInterval(() => {
    flush().catch(() => undefined)
  }, RETRY_MS)

  /**
   * Records one event now.
   *
   * @returns the event's id, for taking it back
   * @throws Refusal when the server understood and refused; being offline is no refusal
   */
  async function record(draft: Draft): Promise<string> {
    const event = { ...draft, id: newId(), at: session.now().toISOString() } as NewEvent
    const personId = session.person?.id
    try {
      await deliver([event])
    } catch (error) {
      const canWait = error instanceof Refusal && (error.code === 'offline' || error.code === 'unavailable')
      if (!canWait || !personId) throw error
      waiting.value = [...waiting.value, { personId, event }]
    }
    return event.id
  }

  return {
    refusal,
    waitingCount: computed(() => mine.value.length),
    record,
    flush,
    undo: (knifeId: string, eventId: string, reason: string): Promise<string> =>
      record({ kind: 'voided', knifeId, payload: { eventId, reason } }),
  }
})
