import type { Action } from '../edge/verdict/recommendation'
import type { Skill } from '../house/skills'

/** The skill that work on a knife asks for: serrated and asymmetric edges ask for their own, whatever is done to them. */
export function skillFor(
  action: Action,
  knife: { readonly serrated: boolean; readonly ratioRight: number },
  own?: Skill | undefined,
): Skill {
  if (own) return own
  const EVEN = 50
  if (action === 'hone' || action === 'check') return 'hone'
  if (action === 'thin') return 'thinning'
  if (knife.serrated) return 'serrated'
  if (knife.ratioRight !== EVEN) return 'asymmetric'
  return action === 'touch-up' ? 'maintenance' : 'full'
}
