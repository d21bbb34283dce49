import type { Action } from '../edge/verdict/verdict'

/** What somebody has to be signed off for before a knife is put into their hands (common practice). */
export const SKILLS = ['hone', 'maintenance', 'full', 'serrated', 'asymmetric', 'thinning', 'machine'] as const
export type Skill = (typeof SKILLS)[number]

/** The skill that work on a knife asks for: serrated and asymmetric edges ask for their own, whatever is done to them. */
export function skillFor(action: Action, knife: { readonly serrated: boolean; readonly ratioRight: number }): Skill {
  const EVEN = 50
  if (action === 'hone' || action === 'check') return 'hone'
  if (action === 'thin') return 'thinning'
  if (knife.serrated) return 'serrated'
  if (knife.ratioRight !== EVEN) return 'asymmetric'
  return action === 'touch-up' ? 'maintenance' : 'full'
}
