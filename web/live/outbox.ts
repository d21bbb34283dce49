import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import type { BenchAction } from '../../contract/bench'
import type { NewCount } from '../../contract/counts'
import { endpoints } from '../../contract/endpoints'
import type { NewEvent } from '../../contract/events'
import { call, Refusal } from '../api'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import { useFleet } from './fleet'
import { useLive } from './live'
import { markText } from './marks'
import { markedText, outboxStorage, type OutboxEntry } from './outboxStorage'
import { resourceKey } from './resource'

type Touch = Extract<OutboxEntry, { kind: 'touch' }>
type Begin = Extract<OutboxEntry, { kind: 'begin' }>

const RETRY_MS = 5000
const LARGEST_BATCH = 500
/** An answer that something went wrong at the other end is tried again so often, so that one record cannot hold up all. */
const MOST_FAILURES = 3
/** Refusals that say nothing about what was sent: it waits, in its place. */
const WAITS: ReadonlySet<Refusal['code']> = new Set(['offline', 'unavailable', 'not-signed-in', 'other-person'])

/** Thrown inside an entry whose person is no longer signed in here: it stays kept, and is sent when they are back. */
class Superseded extends Error {}

const mayWait = (error: unknown): boolean => error instanceof Refusal && WAITS.has(error.code)
const isTriedAgain = (failures: number, error: unknown): boolean =>
  mayWait(error) || (error instanceof Refusal && error.code === 'unexpected' && failures < MOST_FAILURES)

/**
 * What was done here and has not reached the server: one ordered queue a person (a mutation scope), kept on the device and
 * sent in the order it was done, so that an undo never overtakes what it undoes. It goes out while that person is signed
 * in; from somebody else's session only what bears its maker's mark, in the maker's name, and up to the first that does not.
 */
export const useOutbox = defineStore('outbox', () => {
  const { client } = useLive()
  const session = useSession()
  const fleet = useFleet()
  /** everything kept on this device, of everybody, in order */
  const entries = shallowRef<readonly OutboxEntry[]>(outboxStorage.all())
  /** whether the server did not hear the last attempt */
  const heldUp = ref(false)
  /** the last refusal of something that had been waiting; nobody stood beside it any more */
  const refusal = ref<string | null>(null)
  /** refused touches, by session */
  const touchRefusals = reactive(new Map<string, string>())
  /** sessions that the server would not have begun, with what it said: nothing in them can be sent */
  const neverBegun = new Map<string, Refusal>()
  /** touches that went out with an earlier one, and wait for their turn to be struck off */
  const sentAlong = new Set<string>()
  /** people whose first record has to wait for them: the rest of theirs stays behind it */
  const stayingFor = new Set<string>()
  let turn = 0
  /** who stands there until theirs is sent, or it is clear that it waits */
  const standing = new Set<() => void>()
  const holdUp = (): void => {
    heldUp.value = true
    standing.forEach((wait) => {
      wait()
    })
    standing.clear()
  }

  const drop = (id: string): void => {
    outboxStorage.drop(id)
    entries.value = entries.value.filter((entry) => entry.id !== id)
  }

  /** A touch with those that directly follow it in the same session, by the same person. */
  function batchFrom(first: Touch): Touch[] {
    const own = entries.value.filter(({ personId }) => personId === first.personId)
    const batch: Touch[] = []
    for (const entry of own.slice(own.findIndex(({ id }) => id === first.id))) {
      if (entry.kind !== 'touch' || entry.sessionId !== first.sessionId || batch.length === LARGEST_BATCH) break
      batch.push(entry)
    }
    return batch
  }

  async function sendTouches(batch: readonly Touch[]): Promise<void> {
    const [first] = batch
    if (!first) return
    const answer = await call(endpoints.actInSession, {
      params: { id: first.sessionId },
      body: { actions: batch.map(({ action }) => action) },
      personId: first.personId,
    })
    client.setQueryData(resourceKey(endpoints.benchSession, { params: { id: first.sessionId } }), answer)
    for (const { id } of batch.slice(1)) sentAlong.add(id)
  }

  /** Begins on the server what was begun here without it. */
  async function sendBegin({ id, personId, knifeId, besideId, begunAway }: Begin): Promise<void> {
    try {
      const session = await call(endpoints.startSession, {
        body: { id, knifeId, choices: {}, begunAway, ...(besideId ? { besideId } : {}) },
        personId,
      })
      client.setQueryData(resourceKey(endpoints.benchSession, { params: { id } }), session)
    } catch (error) {
      if (error instanceof Refusal && !mayWait(error)) neverBegun.set(id, error)
      throw error
    }
  }

  /** Brings what somebody left here. What the server refuses is kept for them to hear of. */
  async function deliverForAnother(entry: OutboxEntry): Promise<void> {
    const { personId, mark } = entry
    if (mark === undefined) stayingFor.add(personId)
    if (mark === undefined || stayingFor.has(personId)) throw new Superseded()
    try {
      await call(endpoints.sendMarked, { body: { personId, text: markedText(entry), mark } })
    } catch (error) {
      if (error instanceof Refusal && mayWait(error) && error.code !== 'other-person') throw error
      stayingFor.add(personId)
      throw new Superseded()
    }
  }

  async function deliver(entry: OutboxEntry, ofTurn: number): Promise<void> {
    if (ofTurn !== turn) throw new Superseded()
    if (entry.personId !== session.person?.id) {
      await deliverForAnother(entry)
      return
    }
    if (entry.kind === 'begin') {
      await sendBegin(entry)
      return
    }
    if (entry.kind === 'event') {
      const { personId } = entry
      const { knives } = await call(endpoints.sendEvents, { body: { events: [entry.event] }, personId })
      fleet.accept(knives)
      return
    }
    if (entry.kind === 'count') {
      const { knives } = await call(endpoints.sendCount, { body: entry.count, personId: entry.personId })
      fleet.accept(knives)
      return
    }
    if (sentAlong.delete(entry.id)) return
    const refused = neverBegun.get(entry.sessionId)
    if (refused) throw refused
    const batch = batchFrom(entry)
    try {
      await sendTouches(batch)
    } catch (error) {
      if (batch.length === 1 || mayWait(error)) throw error
      // one of them is refused: each is asked for by itself, and the others are kept
      await sendTouches([entry])
    }
  }

  /**
   * Sends an entry in its turn. Resolves when it was sent, or when it is clear that it waits.
   *
   * @throws Refusal when the server understood and refused
   */
  function send(entry: OutboxEntry): Promise<void> {
    const ofTurn = turn
    return new Promise((settle, fail) => {
      let isWaiting = false
      const wait = (): void => {
        isWaiting = true
        settle()
      }
      if (heldUp.value) wait()
      // whatever stands before it may be what is held up
      else standing.add(wait)
      const mutation = client.getMutationCache().build(client, {
        mutationKey: ['outbox', entry.id],
        scope: { id: `outbox ${entry.personId}` },
        mutationFn: () => deliver(entry, ofTurn),
        retry: (failures, error) => {
          if (!isTriedAgain(failures, error)) return false
          wait()
          holdUp()
          return true
        },
        retryDelay: RETRY_MS,
      })
      mutation.execute(undefined).then(
        () => {
          standing.delete(wait)
          heldUp.value = false
          drop(entry.id)
          settle()
        },
        (error: unknown) => {
          standing.delete(wait)
          if (error instanceof Superseded) {
            settle()
            return
          }
          drop(entry.id)
          const sentence = error instanceof Refusal ? error.sentence : null
          if (entry.kind === 'touch' && sentence !== null) touchRefusals.set(entry.sessionId, sentence)
          if (!isWaiting) fail(error)
          else if (entry.kind !== 'touch') refusal.value = sentence
        },
      )
    })
  }

  async function add(entry: OutboxEntry): Promise<void> {
    // without room it lives as long as the page: whoever stands there must know before they close it
    if (!outboxStorage.keep(entry)) refusal.value = say('shell.noRoom')
    entries.value = [...entries.value, entry]
    void sign(entry)
    await send(entry)
  }

  /** Marks what is kept, while its person is here. */
  async function sign(entry: OutboxEntry): Promise<void> {
    const marking = session.signedIn?.marking
    const mark = marking ? await markText(marking, markedText(entry)).catch(() => null) : null
    if (mark === null || !entries.value.some(({ id }) => id === entry.id)) return
    const marked = { ...entry, mark }
    outboxStorage.keep(marked)
    entries.value = entries.value.map((one) => (one.id === entry.id ? marked : one))
  }

  watch(
    () => session.person?.id,
    (personId) => {
      turn++
      heldUp.value = false
      sentAlong.clear()
      stayingFor.clear()
      if (personId === undefined) return
      for (const entry of entries.value) send(entry).catch(() => undefined)
    },
    { immediate: true, flush: 'sync' },
  )

  const mine = computed(() => entries.value.filter(({ personId }) => personId === session.person?.id))
  return {
    entries,
    heldUp,
    refusal,
    touchRefusals,
    /** records of this person that the server has not heard, while it does not answer */
    waitingCount: computed(() => (heldUp.value ? mine.value.length : 0)),
    sendEvent: (personId: string, event: NewEvent): Promise<void> =>
      add({ id: event.id, personId, kind: 'event', event }),
    /** A session that begins here while the server cannot be asked. */
    sendBegin: (
      personId: string,
      id: string,
      begin: Pick<Begin, 'knifeId' | 'besideId' | 'begunAway'>,
    ): Promise<void> => add({ id, personId, kind: 'begin', ...begin }),
    sendCount: (personId: string, count: NewCount): Promise<void> =>
      add({ id: count.id, personId, kind: 'count', count }),
    sendTouch: (personId: string, sessionId: string, action: BenchAction): Promise<void> =>
      add({ id: action.id, personId, kind: 'touch', sessionId, action }),
  }
})
