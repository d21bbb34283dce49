/** What somebody has to be signed off for before a knife is put into their hands (common practice). */
export const SKILLS = ['hone', 'maintenance', 'full', 'serrated', 'asymmetric', 'thinning', 'machine'] as const
export type Skill = (typeof SKILLS)[number]
