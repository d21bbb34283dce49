import { NO_HONING } from './lessons'
import type { KnifeState } from './state'

/** Whose habit decides whether a knife is honed: its holder's, or its station's where nobody holds it. */
export const habitKey = (state: Pick<KnifeState, 'holderId' | 'stationId'>): string =>
  state.holderId ?? `station ${state.stationId ?? ''}`

/** Share of the holder's latest services with a honing on record, 0–1; 0 where none is known. */
export function recordedShare(state: Pick<KnifeState, 'holderId' | 'stationId' | 'lessons'>): number {
  const { services, recorded } = state.lessons.honing[habitKey(state)] ?? NO_HONING
  return recorded / (services + 1)
}
