import { hasRight, type PersonRole } from '../../../core/house/rights'
import { worksAlone, type Skill, type SkillLevel } from '../../../core/house/skills'
import { rightForRecipe, type Recipe } from '../../../core/session/recipe'
import type { Action } from '../../../core/edge/verdict/verdict'
import { skillFor } from '../../../core/session/skillFor'
import type { Queryable } from '../../db/database'
import type { PresentKnife } from '../fleet/knifeView'
import { listPeople } from '../../db/queries/house/people'
import { listLevels } from '../../db/queries/week/crew'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'

/** The work of a session, as far as it decides who may do it. */
export interface WorkAsked {
  readonly recipe: Pick<Recipe, 'records' | 'skill' | 'worksOn' | 'actions'>
  readonly action: Action
  readonly knife: { readonly serrated: boolean; readonly ratioRight: number }
}

/** What a session asks of whoever begins it, takes it over or ends it. */
export interface Asked {
  /** null where everybody may */
  readonly skill: Skill | null
  readonly present: Pick<PresentKnife, 'policy' | 'state'>
}

/** Who may begin a session, and who may stand beside somebody that may not alone. */
export interface StartRights {
  readonly may: boolean
  /** what somebody has to be signed off for; null where everybody may */
  readonly skill: Skill | null
  readonly beside: readonly { readonly id: string; readonly name: string }[]
  /** the name of the one whose knife it is, where a rule of the house keeps it from everybody else's stone */
  readonly keptFor: string | null
}

/** What is no more than topping up: an edge that asks for it, or one that asks for less and gets no more. */
const isTouchUp = ({ actions }: WorkAsked['recipe'], action: Action): boolean =>
  action === 'touch-up' ||
  (['none', 'hone', 'check'].includes(action) &&
    actions.length > 0 &&
    actions.every((one) => one === 'touch-up' || one === 'hone'))

/** The skill a session asks for; null for honing, which everybody does. */
export function skillAsked({ recipe, action, knife }: WorkAsked): Skill | null {
  if (recipe.skill) return recipe.skill
  if (rightForRecipe(recipe) === 'log-hone') return null
  return skillFor(
    recipe.worksOn === 'face' || action === 'thin' ? 'thin' : isTouchUp(recipe, action) ? 'touch-up' : 'stone',
    knife,
  )
}

/**
 * What somebody's teachers say decides, in both directions; where they say nothing the role does, and nobody's role
 * brings a powered wheel.
 */
const isTrusted = (role: PersonRole, skill: Skill, level: SkillLevel | null): boolean =>
  level === null ? skill !== 'machine' && hasRight(role, 'log-sharpening') : worksAlone(level)

/** Who may begin a session: whoever is signed off for it, by role or by the chef's own word. */
export async function startRights(db: Queryable, caller: Caller, { skill, present }: Asked): Promise<StartRights> {
  if (skill === null) return { may: true, skill: null, beside: [], keptFor: null }
  const houseId = caller.house.id
  const levels = await listLevels(db, houseId)
  const levelOf = (personId: string): SkillLevel | null =>
    levels.find((one) => one.personId === personId && one.skill === skill)?.level ?? null
  const people = (await listPeople(db, houseId)).filter(({ active }) => active)
  const { policy, state } = present
  const owner =
    policy.ownHands && state.holderId !== caller.person.id ? people.find(({ id }) => id === state.holderId) : null
  if (owner) return { may: false, skill, beside: [], keptFor: owner.name }
  return {
    // a practice blade is there to be sharpened by whoever learns it; a powered wheel is not
    may:
      (state.status === 'practice' && skill !== 'machine') ||
      isTrusted(caller.person.role, skill, levelOf(caller.person.id)),
    skill,
    beside: people
      .filter(({ id, role }) => id !== caller.person.id && isTrusted(role, skill, levelOf(id)))
      .map(({ id, name }) => ({ id, name })),
    keptFor: null,
  }
}

/**
 * Lets a session begin, or refuses in words. Somebody who is not signed off may work beside somebody who is; not at a
 * powered wheel.
 *
 * @returns who stands beside, where somebody has to
 * @throws Fault `own-hands` for a knife that a rule of the house keeps in its holder's, `not-signed-off` for somebody alone, `not-beside` for a person beside who is not signed off either
 */
export async function assertMayStart(
  db: Queryable,
  caller: Caller,
  asked: Asked,
  besideId: string | undefined,
): Promise<string | null> {
  const { may, skill, beside, keptFor } = await startRights(db, caller, asked)
  if (keptFor !== null) throw new Fault('not-allowed', 'own-hands', { name: keptFor })
  if (may) return beside.some(({ id }) => id === besideId) ? (besideId ?? null) : null
  if (besideId === undefined || skill === 'machine')
    throw new Fault('not-allowed', 'not-signed-off', { skill: skill ?? '' })
  if (!beside.some(({ id }) => id === besideId)) throw new Fault('not-allowed', 'not-beside', { skill: skill ?? '' })
  return besideId
}
