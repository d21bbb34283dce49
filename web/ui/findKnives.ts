import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import type { useFleet } from '../live/fleet'
import { folded } from './folded'

/** Whether every word typed is found in a knife's code, name, type, holder, station or condition. */
export function matchesQuery(knife: KnifeView, query: string, fleet: ReturnType<typeof useFleet>): boolean {
  const words = folded(query)
    .split(/\s+/)
    .filter((word) => word !== '')
  if (words.length === 0) return true
  const known = folded(
    [
      knife.code,
      knife.code.replace('-', ''),
      knife.name,
      say(`type.${knife.type}`),
      fleet.people.get(knife.holderId ?? '')?.name ?? say('rack.nobody'),
      fleet.stations.get(knife.stationId)?.name ?? '',
      say(`edge.${knife.word}`),
      knife.status,
    ].join(' '),
  )
  return words.every((word) => known.includes(word))
}
