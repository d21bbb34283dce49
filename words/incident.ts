import type { NewIncident } from '../contract/incidents'
import type { Say } from './message'

/** What happened and where, as one message: languages join the two differently. */
export const incidentWords = ({ what, place }: Pick<NewIncident, 'what' | 'place'>, say: Say): string =>
  say('incident.at', { what: say(`incident.what.${what}`), place: say(`incident.place.${place}`) })
