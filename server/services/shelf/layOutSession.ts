import type { Gear, RecipePreference } from '../../../contract/bench'
import { isDiamond, isStone } from '../../../core/abrasive/gear'
import { learnedRate, type BurrTime } from '../../../core/abrasive/learnedRate'
import type { ProgressionInput, ProgressionStone } from '../../../core/abrasive/progression'
import type { KnifeState } from '../../../core/edge/log/state'
import type { Action, VerdictRules } from '../../../core/edge/verdict/verdict'
import type { KnownBlade } from '../../../core/knife/blade'
import { MeasureError } from '../../../core/measure'
import { recipesFor, type Recipe, type RecipeKnife } from '../../../core/session/recipe'
import { RECIPES } from '../../../core/session/recipes'
import { planSession, type SessionPlan } from '../../../core/session/session'
import { grindingWork, type StoneAction } from '../../../core/edge/verdict/cost'
import { edgeCondition } from '../../../core/session/work'
import type { Queryable } from '../../db/database'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { listGear } from '../../db/queries/shelf/gear'
import { listRecipePreferences, listRecipes } from '../../db/queries/shelf/recipes'
import { Fault, notFound } from '../../faults'
import { micronOf } from './gear'

/** What a person asks of a session before it begins. */
export interface BenchWish {
  readonly recipeId?: string | undefined
  readonly startWith?: string | undefined
  readonly choices: Readonly<Record<string, string>>
}

/** A house's bench: what stands there, and how the house does things. */
export interface Bench {
  readonly gear: readonly Gear[]
  readonly recipes: readonly Recipe[]
  readonly preferences: readonly RecipePreference[]
}

/** A knife on its way to the bench. */
export interface BenchKnife {
  readonly knife: StoredKnife
  readonly present: { readonly blade: KnownBlade; readonly state: KnifeState; readonly rules: VerdictRules }
  readonly action: Action
}

/** Minutes to the burr so far by stone, for the person who stands at it; empty where nobody is named. */
export type BurrTimes = ReadonlyMap<string, readonly BurrTime[]>
const NOBODY_YET: BurrTimes = new Map()

/** Recipes of a house: its own in place of those every house starts with. */
export async function houseRecipes(db: Queryable, houseId: string): Promise<Recipe[]> {
  const own = await listRecipes(db, houseId)
  return [
    ...RECIPES.map((recipe) => own.find(({ id }) => id === recipe.id) ?? recipe),
    ...own.filter(({ id }) => RECIPES.every((recipe) => recipe.id !== id)),
  ]
}

export async function loadBench(db: Queryable, houseId: string): Promise<Bench> {
  const gear = await listGear(db, houseId)
  return {
    gear: gear.filter((one) => one.active),
    recipes: await houseRecipes(db, houseId),
    preferences: await listRecipePreferences(db, houseId),
  }
}

/** Stones that stand at the bench, each as fast as it has been in this person's hands. */
export const stonesAt = ({ gear }: Bench, burrTimes: BurrTimes): ProgressionStone[] =>
  gear.flatMap((one) => {
    const micron = micronOf(one)
    const { rate } = learnedRate(burrTimes.get(one.id) ?? [])
    return isStone(one.kind) && micron !== null ? [{ id: one.id, micron, diamond: isDiamond(one.kind), rate }] : []
  })

/** Recipes that may be used, the one made most closely for knife and action first. */
export const fittingRecipes = ({ recipes }: Bench, { knife, present, action }: BenchKnife): Recipe[] => {
  // the hardness that stands in where nobody measured it
  const chosenBy: RecipeKnife = { ...knife, hrc: present.blade.spec.hrc }
  return recipesFor(recipes, chosenBy, action)
}

/** Actions that the house's preferred recipe has a say in. */
const WORK_OF: Partial<Record<Action, RecipePreference['work']>> = { hone: 'hone', stone: 'stone', 'touch-up': 'stone' }

/** The recipe asked for; or the one the house prefers where it fits the blade; or the one that fits best. */
function chooseRecipe(bench: Bench, one: BenchKnife, recipeId: string | undefined): Recipe {
  const fitting = fittingRecipes(bench, one)
  const preference = bench.preferences.find(
    ({ role, work }) => role === one.present.blade.role && work === WORK_OF[one.action],
  )
  const chosen =
    recipeId === undefined
      ? (fitting.find(({ id }) => id === preference?.recipeId) ?? fitting[0])
      : bench.recipes.find(({ id }) => id === recipeId)
  if (!chosen) throw notFound('recipe')
  return chosen
}

/** What a recipe does to a knife, as the removal model counts it. */
const workOf = (recipe: Recipe, action: Action): StoneAction =>
  recipe.worksOn === 'face' ? 'thin' : recipe.stones === 'last' ? 'touch-up' : action === 'repair' ? 'repair' : 'stone'

export interface SessionLayout {
  readonly recipe: Recipe
  readonly plan: SessionPlan
  readonly input: ProgressionInput | null
}

/**
 * A session laid out for one knife on this house's stones.
 *
 * @throws Fault when there is no recipe, no stone, or the work cannot be done
 */
export function layOutSession(
  bench: Bench,
  one: BenchKnife,
  wish: BenchWish = { choices: {} },
  burrTimes: BurrTimes = NOBODY_YET,
): SessionLayout {
  const recipe = chooseRecipe(bench, one, wish.recipeId)
  const stones = stonesAt(bench, burrTimes)
  if (recipe.stones !== 'none' && stones.length === 0) throw new Fault('conflict', 'no-stones')
  const { blade, state, rules } = one.present
  const choices = { ...Object.fromEntries(recipe.choices.map(({ id, chosen }) => [id, chosen])), ...wish.choices }
  const geometry = { ...blade.geometry, dps: blade.spec.dps }
  const targetBteMm = Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm)
  const work = { blade: geometry, ...grindingWork(state, geometry, workOf(recipe, one.action), targetBteMm) }
  const progression =
    recipe.stones === 'none'
      ? null
      : { ...work, stones, ...(wish.startWith === undefined ? {} : { startWith: wish.startWith }) }
  try {
    const plan = planSession({
      recipe,
      progression,
      condition: edgeCondition(state, geometry.dps),
      ratioRight: one.knife.ratioRight,
      choices,
    })
    return { recipe, plan, input: progression && { ...progression, finishMicron: recipe.finishMicron } }
  } catch (error) {
    if (error instanceof MeasureError) throw new Fault('conflict', 'session-impossible')
    throw error
  }
}

/** The session the house would do, or null where its shelf or the blade does not allow one. */
export function usualSession(bench: Bench, one: BenchKnife): SessionPlan | null {
  try {
    return layOutSession(bench, one).plan
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}
