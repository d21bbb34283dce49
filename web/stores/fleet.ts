import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { call } from '../api'
import { MINUTE_MS } from '../../core/time'
import type { Fleet } from '../../contract/fleet'

const REFRESH_MS = MINUTE_MS

/** The whole fleet as the server last told it, kept fresh by its change feed. */
export const useFleet = defineStore('fleet', () => {
  const fleet = shallowRef<Fleet | null>(null)
  const stale = ref(false)
  /** counts what the house has told: something changed */
  const revision = ref(0)
  let feed: EventSource | null = null
  let timer: ReturnType<typeof setInterval> | null = null

  let loading: Promise<void> | null = null

  /** Fetches the fleet; asked for twice at once, it is fetched once. */
  function load(): Promise<void> {
    loading ??= fetchFleet().finally(() => {
      loading = null
    })
    return loading
  }
  async function fetchFleet(): Promise<void> {
    try {
      const fresh = await call(endpoints.fleet)
      fleet.value = fresh
      stale.value = false
    } catch (error) {
      stale.value = true
      if (!fleet.value) throw error
    }
  }
  const reload = (): void => {
    load().catch(() => undefined)
  }

  /** Puts knives that a write returned in place of the ones known. */
  function accept(views: readonly KnifeView[]): void {
    if (!fleet.value) return
    const byId = new Map(views.map((view) => [view.id, view]))
    const known = fleet.value.knives.map((knife) => byId.get(knife.id) ?? knife)
    const added = views.filter((view) => !fleet.value?.knives.some((knife) => knife.id === view.id))
    fleet.value = { ...fleet.value, knives: [...known, ...added].sort((a, b) => (a.code < b.code ? -1 : 1)) }
  }

  const people = computed(() => new Map((fleet.value?.people ?? []).map((person) => [person.id, person])))
  const stations = computed(() => new Map((fleet.value?.stations ?? []).map((station) => [station.id, station])))

  /** each knife's next session: they come in order, and the first is to stand */
  const planned = computed(
    () => new Map([...(fleet.value?.planned ?? [])].reverse().map((session) => [session.knifeId, session])),
  )

  return {
    fleet,
    stale,
    revision,
    planned,
    people,
    stations,
    load,
    accept,
    knives: computed(() => fleet.value?.knives ?? []),
    byCode: (code: string): KnifeView | undefined =>
      fleet.value?.knives.find((knife) => knife.code === code.toUpperCase()),
    byId: (id: string): KnifeView | undefined => fleet.value?.knives.find((knife) => knife.id === id),
    watch: (): void => {
      if (feed) return
      feed = new EventSource('/api/changes')
      feed.addEventListener('changed', () => {
        revision.value++
        reload()
      })
      timer = setInterval(reload, REFRESH_MS)
    },
    forget: (): void => {
      feed?.close()
      feed = null
      if (timer) clearInterval(timer)
      timer = null
      fleet.value = null
    },
  }
})
