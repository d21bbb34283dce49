import type { KnifeView } from '../../contract/knives'
import { profile, type Profile } from '../../core/geometry/profile'

type Outlined = Pick<KnifeView, 'type' | 'lengthMm' | 'heelHeightMm' | 'serrated'>
const drawn = new Map<string, Profile>()

/** A knife's silhouette; a fleet has many knives of few shapes, and each shape is worked out once. */
export function profileOf(knife: Outlined): Profile {
  const shape = [knife.type, knife.lengthMm, knife.heelHeightMm, knife.serrated].join(' ')
  const known = drawn.get(shape) ?? profile(knife)
  drawn.set(shape, known)
  return known
}
