import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { LadderRung } from '../../core/edge/model/ladder'
import { knifeDefaults, type KnifeType } from '../../core/knife/knifeTypes'
import { call, Refusal } from '../api'
import { useFleet } from '../live/fleet'
import { useRecords } from '../live/records'
import { useSession } from '../stores/session'

/** One knife of the walk; it is made here first and sent as soon as that can be. */
export interface WalkedKnife {
  readonly id: string
  readonly type: KnifeType
  readonly lengthMm: number
  readonly stationId: string
  readonly holderId: string | null
  readonly sign: LadderRung | null
  /** null until the house has taken it */
  readonly code: string | null
  /** why the house did not take it */
  readonly refusal: string | null
}
type Draft = Pick<WalkedKnife, 'stationId' | 'holderId' | 'sign'> & {
  readonly type: KnifeType | null
  readonly lengthMm: number
}
interface Walk {
  readonly startedMs: number
  readonly knives: readonly WalkedKnife[]
  readonly draft: Draft
  /** the length last given to each type: a rack has its knives in few sizes */
  readonly lengths: Readonly<Partial<Record<KnifeType, number>>>
}

const USUAL_MM = 240
const NEW_WALK: Walk = {
  startedMs: 0,
  knives: [],
  draft: { type: null, lengthMm: USUAL_MM, stationId: '', holderId: null, sign: null },
  lengths: {},
}
const RETRY_MS = 4000

/**
 * A walk along the rack, one knife after another. All of it is kept on the device as it goes: a tablet that dies, or
 * a network that is gone, costs nothing; what was not sent is sent when it can be, once.
 */
export function useRackWalk() {
  const fleet = useFleet()
  const session = useSession()
  const records = useRecords()
  const walk = useLocalStorage<Walk>(`yorvik.walk.${session.person?.id ?? ''}`, NEW_WALK, { mergeDefaults: true })
  const sending = ref(false)
  const draft = computed(() => walk.value.draft)

  const change = (more: Partial<Draft>): void => {
    walk.value = { ...walk.value, draft: { ...walk.value.draft, ...more } }
  }
  function choose(type: KnifeType | null): void {
    const usual = type ? (walk.value.lengths[type] ?? knifeDefaults(type, USUAL_MM).typicalLengthMm) : USUAL_MM
    change({ type, lengthMm: usual, sign: null })
    if (walk.value.startedMs === 0) walk.value = { ...walk.value, startedMs: session.now().getTime() }
  }

  function replace(id: string, more: Partial<WalkedKnife>): void {
    walk.value = {
      ...walk.value,
      knives: walk.value.knives.map((one) => (one.id === id ? { ...one, ...more } : one)),
    }
  }
  async function send(one: WalkedKnife): Promise<void> {
    const { id, type, lengthMm, stationId, holderId, sign } = one
    const view = await call(endpoints.addKnife, {
      body: { id, type, lengthMm, stationId, holderId, condition: 'in-use' },
    })
    replace(id, { code: view.code })
    fleet.accept([view])
    if (sign)
      await records.record({
        kind: 'checked',
        knifeId: id,
        payload: { readings: [], ladder: [{ zone: 'whole', rung: sign }] },
      })
  }
  const isWaiting = (one: WalkedKnife): boolean => one.code === null && one.refusal === null
  async function sendAll(): Promise<void> {
    if (sending.value) return
    sending.value = true
    try {
      for (let next = walk.value.knives.find(isWaiting); next; next = walk.value.knives.find(isWaiting)) {
        try {
          await send(next)
        } catch (error) {
          // without a network it is tried again; what was refused stays in sight
          if (!(error instanceof Refusal) || error.code === 'offline' || error.code === 'unavailable') return
          replace(next.id, { refusal: error.sentence })
        }
      }
    } finally {
      sending.value = false
    }
  }
  useIntervalFn(() => void sendAll(), RETRY_MS, { immediateCallback: true })
  useEventListener(window, 'online', () => void sendAll())

  /** The knife that is described is done; the next one lies in the same place and hands. */
  function next(): void {
    const { type, lengthMm, stationId, holderId, sign } = walk.value.draft
    if (!type || stationId === '') return
    const done: WalkedKnife = { id: newId(), type, lengthMm, stationId, holderId, sign, code: null, refusal: null }
    walk.value = {
      ...walk.value,
      knives: [...walk.value.knives, done],
      lengths: { ...walk.value.lengths, [type]: lengthMm },
      draft: { ...walk.value.draft, type: null, sign: null },
    }
    void sendAll()
  }
  const drop = (id: string): void => {
    walk.value = { ...walk.value, knives: walk.value.knives.filter((one) => one.id !== id) }
  }
  const begin = (): void => {
    const { stationId, holderId } = walk.value.draft
    walk.value = { ...NEW_WALK, lengths: walk.value.lengths, draft: { ...NEW_WALK.draft, stationId, holderId } }
  }
  return {
    walk,
    draft,
    knives: computed(() => walk.value.knives),
    waiting: computed(() => walk.value.knives.filter(isWaiting).length),
    change,
    choose,
    next,
    drop,
    begin,
  }
}
