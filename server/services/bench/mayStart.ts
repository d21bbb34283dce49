import { hasRight, type PersonRole } from '../../../core/house/rights'
import type { Skill } from '../../../core/house/skills'
import { rightForRecipe, type Recipe } from '../../../core/session/recipe'
import type { Action } from '../../../core/edge/verdict/verdict'
import { skillFor } from '../../../core/session/skillFor'
import type { Queryable } from '../../db/database'
import { listPeople } from '../../db/queries/house/people'
import { listSkills } from '../../db/queries/week/crew'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'

/** What a session asks of whoever begins it. */
export interface WorkAsked {
  readonly recipe: Pick<Recipe, 'records' | 'skill' | 'worksOn'>
  readonly action: Action
  readonly knife: { readonly serrated: boolean; readonly ratioRight: number }
}

/** Who may begin a session, and who may stand beside somebody that may not alone. */
export interface StartRights {
  readonly may: boolean
  /** what somebody has to be signed off for; null where everybody may */
  readonly skill: Skill | null
  readonly beside: readonly { readonly id: string; readonly name: string }[]
}

/** The skill a session asks for; null for honing, which everybody does. */
function skillAsked({ recipe, action, knife }: WorkAsked): Skill | null {
  if (recipe.skill) return recipe.skill
  if (rightForRecipe(recipe) === 'log-hone') return null
  return skillFor(
    recipe.worksOn === 'face' || action === 'thin' ? 'thin' : action === 'touch-up' ? 'touch-up' : 'stone',
    knife,
  )
}

/** A powered wheel asks for its own sign-off of everybody; all else of those whose role does not bring it. */
const isTrusted = (role: PersonRole, skill: Skill, signedOff: ReadonlySet<string>): boolean =>
  signedOff.has(skill) || (skill !== 'machine' && hasRight(role, 'log-sharpening'))

/** Who may begin a session: whoever is signed off for it, by role or by the chef's own word. */
export async function startRights(db: Queryable, caller: Caller, work: WorkAsked): Promise<StartRights> {
  const skill = skillAsked(work)
  if (skill === null) return { may: true, skill, beside: [] }
  const houseId = caller.house.id
  const skills = await listSkills(db, houseId)
  const signedOff = (personId: string): ReadonlySet<string> =>
    new Set(skills.filter((one) => one.personId === personId).map((one) => one.skill))
  const people = (await listPeople(db, houseId)).filter(({ active }) => active)
  return {
    may: isTrusted(caller.person.role, skill, signedOff(caller.person.id)),
    skill,
    beside: people
      .filter(({ id, role }) => id !== caller.person.id && isTrusted(role, skill, signedOff(id)))
      .map(({ id, name }) => ({ id, name })),
  }
}

/**
 * Lets a session begin, or refuses in words. Somebody who is not signed off may work beside somebody who is; not at a
 * powered wheel.
 *
 * @returns who stands beside, where somebody has to
 * @throws Fault `not-signed-off` for somebody alone, `not-beside` for a person beside who is not signed off either
 */
export async function assertMayStart(
  db: Queryable,
  caller: Caller,
  work: WorkAsked,
  besideId: string | undefined,
): Promise<string | null> {
  const { may, skill, beside } = await startRights(db, caller, work)
  if (may) return beside.some(({ id }) => id === besideId) ? (besideId ?? null) : null
  if (besideId === undefined || skill === 'machine')
    throw new Fault('not-allowed', 'not-signed-off', { skill: skill ?? '' })
  if (!beside.some(({ id }) => id === besideId)) throw new Fault('not-allowed', 'not-beside', { skill: skill ?? '' })
  return besideId
}
