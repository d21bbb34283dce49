import type { LastHand } from '../../contract/counts'
import type { KnifeView } from '../../contract/knives'
import type { Formats } from '../../words/format'
import { say } from '../i18n'
import type { useFleet } from '../live/fleet'

/**
 * Whom to ask for a knife, and where: whoever last had it in hand by the log, or else its holder, and its place.
 *
 * @param last what the log knows of each knife, where it has been asked
 */
export function whoHad(
  { id, holderId, stationId }: Pick<KnifeView, 'id' | 'holderId' | 'stationId'>,
  { people, stations }: Pick<ReturnType<typeof useFleet>, 'people' | 'stations'>,
  formats: Pick<Formats, 'moment'>,
  last: readonly LastHand[] = [],
): string {
  const nameOf = (personId: string | null): string | undefined => {
    const person = people.get(personId ?? '')
    // whoever has left cannot be asked
    return person?.active ? person.name : undefined
  }
  const station = stations.get(stationId)?.name ?? ''
  const hand = last.find(({ knifeId }) => knifeId === id)
  const name = nameOf(hand?.personId ?? null)
  return hand && name
    ? say('count.lastHand', { name, when: formats.moment(hand.at), station })
    : say('count.lastWith', { name: nameOf(holderId) ?? say('rack.nobody'), station })
}
