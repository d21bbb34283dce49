/** People of the house, from most to least trusted with its steel. */
export const PERSON_ROLES = ['chef', 'sharpener', 'cook', 'apprentice'] as const
export type PersonRole = (typeof PERSON_ROLES)[number]

/** Everything a person may be allowed to do; the server asks before it acts. */
export const RIGHTS = [
  'see',
  'log-hone',
  'log-check',
  'log-use',
  'log-sharpening',
  'quarantine',
  'count',
  'release',
  'move-knife',
  'edit-knife',
  'retire-knife',
  'void-own',
  'void-any',
  'import',
  'manage-gear',
  'manage-house',
] as const
export type Right = (typeof RIGHTS)[number]

const apprentice: readonly Right[] = ['see', 'log-hone', 'log-check', 'log-use', 'quarantine', 'count', 'void-own']
const cook: readonly Right[] = [...apprentice, 'move-knife']
const sharpener: readonly Right[] = [...cook, 'log-sharpening', 'release', 'edit-knife', 'manage-gear']

/** Anybody may take an unsafe knife out of service; putting it back takes trained hands. */
export const ROLE_RIGHTS: Readonly<Record<PersonRole, readonly Right[]>> = {
  apprentice,
  cook,
  sharpener,
  chef: RIGHTS,
}

export const hasRight = (role: PersonRole, right: Right): boolean => ROLE_RIGHTS[role].includes(right)
