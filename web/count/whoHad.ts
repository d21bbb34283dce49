import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import type { useFleet } from '../live/fleet'

/** Who had a knife last, and where: whom to ask for it. */
export const whoHad = (
  { holderId, stationId }: KnifeView,
  { people, stations }: Pick<ReturnType<typeof useFleet>, 'people' | 'stations'>,
): string =>
  say('count.lastWith', {
    name: (holderId === null ? undefined : people.get(holderId)?.name) ?? say('rack.nobody'),
    station: stations.get(stationId)?.name ?? '',
  })
