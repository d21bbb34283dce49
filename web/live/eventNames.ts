import type { Names } from '../../words/event'
import type { useFleet } from './fleet'

/** What stations and people are called in sentences about what happened; nothing where nobody knows any more. */
export const eventNames = (fleet: Pick<ReturnType<typeof useFleet>, 'stations' | 'people'>): Names => ({
  // read when asked: the store has other maps once the house changed
  station: (id) => fleet.stations.get(id)?.name ?? '',
  person: (id) => fleet.people.get(id)?.name ?? '',
})
