import { TZDate } from '@date-fns/tz'
import ICAL from 'ical.js'
import { findIana } from 'windows-iana'

/** Wall time of a zone as the instant it is there. */
export interface Zone {
  readonly instantOf: (wall: ICAL.Time) => number
}

const isIana = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}

const ofIana = (name: string): Zone => ({
  instantOf: ({ year, month, day, hour, minute, second }) =>
    new TZDate(year, month - 1, day, hour, minute, second, name).getTime(),
})

/** A zone the file describes itself, under a name that nobody else knows. */
function ofDescription(description: ICAL.Component): Zone {
  const zone = new ICAL.Timezone(description)
  return {
    instantOf: (wall) => {
      const there = wall.clone()
      there.zone = zone
      return there.toUnixTime() * 1000
    },
  }
}

/** Endings of a name with slashes before it, longest first: `/vendor/20200101/Europe/Berlin` ends in a name of IANA. */
const endings = (name: string): string[] => {
  const parts = name.split('/').filter(Boolean)
  return parts.map((_, at) => parts.slice(at).join('/'))
}

/**
 * The zone of a TZID: a name of IANA, also at the end of a path; a name of Windows (CLDR's table of windowsZones); or
 * one that the file describes. Null where nobody knows it.
 */
export function zoneNamed(tzid: string, described: ReadonlyMap<string, ICAL.Component>): Zone | null {
  const name = tzid.trim().replace(/^"|"$/g, '')
  const iana = endings(name).find(isIana) ?? findIana(name as never)[0]
  if (iana) return ofIana(iana)
  const description = described.get(tzid)
  const location = description?.getFirstPropertyValue('x-lic-location')
  if (typeof location === 'string' && isIana(location)) return ofIana(location)
  return description ? ofDescription(description) : null
}

export const UTC_ZONE = ofIana('UTC')
export const zoneOfHouse = (name: string): Zone => ofIana(name)
