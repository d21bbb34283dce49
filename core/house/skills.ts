/** What somebody has to be signed off for before a knife is put into their hands (common practice). */
export const SKILLS = ['hone', 'maintenance', 'full', 'serrated', 'asymmetric', 'thinning', 'machine'] as const
export type Skill = (typeof SKILLS)[number]

/** How far somebody has come with a skill, as its teachers say: each holds what came before it. */
export const SKILL_LEVELS = ['shown', 'supervised', 'alone', 'teaches'] as const
export type SkillLevel = (typeof SKILL_LEVELS)[number]

/** Levels at which nobody has to stand beside, and at which one may stand beside others. */
export const ALONE_LEVELS = ['alone', 'teaches'] as const satisfies readonly SkillLevel[]
export const worksAlone = (level: SkillLevel): boolean => ALONE_LEVELS.some((one) => one === level)
