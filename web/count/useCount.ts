import { useLocalStorage } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { computed } from 'vue'
import type { CountOf } from '../../contract/counts'
import type { KnifeView } from '../../contract/knives'
import { useFleet } from '../live/fleet'
import { useOutbox } from '../live/outbox'
import { useSession } from '../stores/session'

interface CountUnderWay {
  readonly id: string
  readonly whose: CountOf
  readonly startedMs: number
  readonly here: readonly string[]
}
const NONE: { readonly count: CountUnderWay | null } = { count: null }

/** What was counted, as it is told to whoever counted it. */
export interface Counted {
  readonly here: number
  readonly missing: readonly KnifeView[]
  readonly found: readonly KnifeView[]
  readonly seconds: number
}

/** Knives a count looks for: all that should be in the house, and those that are missed already; not what is for practice. */
export function knivesOf(knives: readonly KnifeView[], whose: CountOf): KnifeView[] {
  const isOfThese = (knife: KnifeView): boolean =>
    whose.of === 'all' || (whose.of === 'station' ? knife.stationId : knife.holderId) === whose.id
  return knives.filter((knife) => !['retired', 'practice', 'away'].includes(knife.status) && isOfThese(knife))
}

/** One count, kept on the device as it goes: a page that closes in its middle opens there again. */
export function useCount() {
  const fleet = useFleet()
  const session = useSession()
  const outbox = useOutbox()
  const kept = useLocalStorage(`yorvik.count.${session.person?.id ?? ''}`, NONE)
  const count = computed(() => kept.value.count)
  const knives = computed(() => (count.value ? knivesOf(fleet.knives, count.value.whose) : []))
  const here = computed(() => new Set(count.value?.here))
  const away = computed(() => knives.value.filter(({ id }) => !here.value.has(id)))

  function setHere(ids: readonly string[]): void {
    if (count.value) kept.value = { count: { ...count.value, here: ids } }
  }

  return {
    count,
    knives,
    here,
    away,
    begin: (whose: CountOf): void => {
      kept.value = { count: { id: newId(), whose, startedMs: session.now().getTime(), here: [] } }
    },
    stop: (): void => {
      kept.value = NONE
    },
    /** ticks a knife, or takes its tick away */
    turn: ({ id }: KnifeView): void => {
      setHere(here.value.has(id) ? [...here.value].filter((one) => one !== id) : [...here.value, id])
    },
    /** a knife that was scanned is here, however often; false where it is not among those counted */
    see: ({ id }: KnifeView): boolean => {
      const isCounted = knives.value.some((knife) => knife.id === id)
      if (isCounted && !here.value.has(id)) setHere([...here.value, id])
      return isCounted
    },
    allHere: (): void => {
      setHere(knives.value.map(({ id }) => id))
    },
    /**
     * Records the count.
     *
     * @throws Refusal when the server understood and refused; being offline is no refusal
     */
    record: async (): Promise<Counted | null> => {
      const [now, personId, under] = [session.now(), session.person?.id, count.value]
      if (!personId || !under) return null
      const present = knives.value.filter(({ id }) => here.value.has(id))
      const told: Counted = {
        here: present.length,
        missing: [...away.value],
        found: present.filter(({ status }) => status === 'missing'),
        seconds: Math.round((now.getTime() - under.startedMs) / 1000),
      }
      await outbox.sendCount(personId, {
        id: under.id,
        startedAt: new Date(under.startedMs).toISOString(),
        endedAt: now.toISOString(),
        whose: under.whose,
        present: present.map(({ id }) => id),
        missing: told.missing.map(({ id }) => id),
      })
      kept.value = NONE
      return told
    },
  }
}
