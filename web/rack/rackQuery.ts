import { computed, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { EDGE_WORDS } from '../../core/edge/model/scale'
import type { useFleet } from '../live/fleet'
import { inOrder } from '../spoken'
import { matchesQuery } from '../ui/findKnives'

export const SORTS = ['need', 'dull', 'code', 'force', 'holder', 'checked'] as const
export type Sort = (typeof SORTS)[number]
export type RackView = 'strips' | 'table'

export interface RackQuery {
  readonly text: string
  /** ids; none means all */
  readonly stations: readonly string[]
  readonly word: string
  readonly status: string
  readonly sort: Sort
  readonly view: RackView
}

const EMPTY = { text: '', stations: '', word: '', status: 'in-service', sort: 'need', view: 'strips' } as const
const isSort = (value: string): value is Sort => SORTS.some((sort) => sort === value)

/** One part of what the rack shows; it lives in the address bar, so a view can be sent to somebody. */
export function useRackQuery(): { [K in keyof RackQuery]: WritableComputedRef<RackQuery[K]> } {
  const route = useRoute()
  const router = useRouter()
  const read = (key: keyof RackQuery): string => {
    const value = route.query[key]
    return typeof value === 'string' ? value : EMPTY[key]
  }
  const write = (key: keyof RackQuery, value: string): void => {
    const others = Object.entries(route.query).filter(([name]) => name !== key)
    const query = value === EMPTY[key] ? others : [...others, [key, value] as const]
    void router.replace({ query: Object.fromEntries(query) })
  }
  const text = (key: 'text' | 'word' | 'status'): WritableComputedRef<string> =>
    computed({
      get: () => read(key),
      set: (value) => {
        write(key, value)
      },
    })
  return {
    text: text('text'),
    stations: computed({
      get: () => read('stations').split(',').filter(Boolean),
      set: (ids) => {
        write('stations', ids.join(','))
      },
    }),
    word: text('word'),
    status: text('status'),
    sort: computed({
      get: () => {
        const sort = read('sort')
        return isSort(sort) ? sort : 'need'
      },
      set: (value) => {
        write('sort', value)
      },
    }),
    view: computed({
      get: () => (read('view') === 'table' ? 'table' : 'strips'),
      set: (value) => {
        write('view', value)
      },
    }),
  }
}

const worstShare = (knife: KnifeView): number => knife.zones[knife.worstZone].forceGf / knife.limitGf

/** When a knife is first more likely dull than not: now for one that is, never for one that outlasts the outlook. */
const firstDull = (knife: KnifeView): number =>
  knife.word === 'dull' || knife.word === 'out'
    ? 0
    : knife.dullAhead
      ? new Date(knife.dullAhead.startsAt).getTime()
      : Infinity

/** Knives that pass the filters, in the order asked for. */
export function rackKnives(
  knives: readonly KnifeView[],
  query: RackQuery,
  fleet: ReturnType<typeof useFleet>,
): KnifeView[] {
  const holder = (knife: KnifeView): string => fleet.people.get(knife.holderId ?? '')?.name ?? ''
  const order: Readonly<Record<Sort, (a: KnifeView, b: KnifeView) => number>> = {
    need: (a, b) => worstShare(b) - worstShare(a),
    dull: (a, b) => firstDull(a) - firstDull(b) || worstShare(b) - worstShare(a),
    code: (a, b) => inOrder(a.code, b.code),
    force: (a, b) => b.zones[b.worstZone].forceGf - a.zones[a.worstZone].forceGf,
    holder: (a, b) => inOrder(holder(a), holder(b)) || inOrder(a.code, b.code),
    checked: (a, b) => (a.checkedAt ?? '').localeCompare(b.checkedAt ?? ''),
  }
  return knives
    .filter((knife) => query.status === 'all' || knife.status === query.status)
    .filter((knife) => query.stations.length === 0 || query.stations.includes(knife.stationId))
    .filter(
      (knife) =>
        query.word === '' ||
        EDGE_WORDS.findIndex((word) => word === knife.word) >= EDGE_WORDS.findIndex((word) => word === query.word),
    )
    .filter((knife) => matchesQuery(knife, query.text, fleet))
    .sort(order[query.sort])
}
