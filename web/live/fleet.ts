import { useQuery } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { MINUTE_MS } from '../../core/time'
import { call } from '../api'
import { byName, inOrder } from '../spoken'
import { openChangeFeed } from './changeFeed'
import { useLive } from './live'
import { resourceKey } from './resource'

const REFRESH_MS = MINUTE_MS
const KEY = resourceKey(endpoints.fleet)

/** The whole fleet as the server last told it, kept fresh by its change feed. */
export const useFleet = defineStore('fleet', () => {
  const { client } = useLive()
  const watching = ref(false)
  /** counts what the house has told: something changed */
  const revision = ref(0)
  const query = useQuery(
    {
      queryKey: KEY,
      queryFn: () => call(endpoints.fleet),
      enabled: watching,
      refetchInterval: () => (watching.value ? REFRESH_MS : false),
      structuralSharing: false,
      // thousands of values: taken as a whole, never followed one by one
      shallow: true,
    },
    client,
  )
  const fleet = computed((): Fleet | null => query.data.value ?? null)
  let feed: ReturnType<typeof openChangeFeed> | null = null

  /**
   * Fetches the fleet; asked for twice at once, it is fetched once. What is known stays when that fails.
   *
   * @throws Refusal when there is nothing to show
   */
  async function load(): Promise<void> {
    try {
      await client.fetchQuery({ queryKey: KEY, queryFn: () => call(endpoints.fleet), staleTime: 0 })
    } catch (error) {
      if (!fleet.value) throw error
    }
  }

  /** Asks again for everything on the screen: what was on its way when the change was heard is out of date. */
  async function follow(): Promise<void> {
    revision.value++
    // what is asked for the first time is let through, and asked for once more
    const firstTime = client.getQueryCache().findAll({
      fetchStatus: 'fetching',
      predicate: ({ state }) => state.data === undefined,
    })
    await client.invalidateQueries(undefined, { cancelRefetch: true })
    await Promise.all(firstTime.map(({ queryKey }) => client.invalidateQueries({ queryKey, exact: true })))
  }

  /** Puts knives that a write returned in place of the ones known. */
  function accept(views: readonly KnifeView[]): void {
    client.setQueryData<Fleet>(KEY, (known) => {
      if (!known) return known
      const byId = new Map(views.map((view) => [view.id, view]))
      const kept = known.knives.map((knife) => byId.get(knife.id) ?? knife)
      const added = views.filter((view) => !known.knives.some((knife) => knife.id === view.id))
      return { ...known, knives: [...kept, ...added].sort((a, b) => inOrder(a.code, b.code)) }
    })
  }

  const named = <T extends { readonly id: string; readonly name: string }>(all: readonly T[]): Map<string, T> =>
    new Map([...all].sort(byName).map((one) => [one.id, one]))
  const people = computed(() => named(fleet.value?.people ?? []))
  const stations = computed(() => named(fleet.value?.stations ?? []))
  /** each knife's next session: they come in order, and the first is to stand */
  const planned = computed(
    () => new Map([...(fleet.value?.planned ?? [])].reverse().map((session) => [session.knifeId, session])),
  )
  return {
    fleet,
    /** the house could not be reached the last time: what is shown is old */
    stale: computed(() => query.isError.value && fleet.value !== null),
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
      watching.value = true
      feed ??= openChangeFeed(follow)
    },
    forget: (): void => {
      feed?.close()
      feed = null
      watching.value = false
      client.clear()
    },
  }
})
