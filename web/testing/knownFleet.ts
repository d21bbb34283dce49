import { endpoints } from '../../contract/endpoints'
import type { Fleet } from '../../contract/fleet'
import { useLive } from '../live/live'
import { resourceKey } from '../live/resource'

/** Lets a screen under test know a fleet, as if the server had said it. */
export function knownFleet(fleet: unknown): void {
  useLive().client.setQueryData<Fleet>(resourceKey(endpoints.fleet), fleet as Fleet)
}
