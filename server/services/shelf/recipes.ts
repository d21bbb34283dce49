import type { Recipe, RecipePreference, RecipeView } from '../../../contract/bench'
import { RECIPES } from '../../../core/session/recipes'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import {
  deleteRecipe,
  listRecipePreferences,
  listRecipes,
  replaceRecipePreferences,
  saveRecipe,
} from '../../db/queries/shelf/recipes'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { houseRecipes } from './layOutSession'

export async function recipeViews(db: Queryable, houseId: string): Promise<RecipeView[]> {
  const own = new Set((await listRecipes(db, houseId)).map(({ id }) => id))
  return (await houseRecipes(db, houseId)).map((recipe) => ({ recipe, own: own.has(recipe.id) }))
}

/**
 * Makes a recipe the house's own. It must still be one: steps told apart by their ids, a test at the end
 * of anything that touched an edge, and the blade washed before it is put away.
 */
export async function setRecipe(db: Database, caller: Caller, id: string, recipe: Recipe): Promise<RecipeView> {
  if (recipe.id !== id) throw new Fault('invalid', 'recipe-other-id')
  if (recipe.records.kind === 'honed' && recipe.stones !== 'none') throw new Fault('invalid', 'recipe-records-honing')
  const ids = recipe.steps.map((step) => step.id)
  if (new Set(ids).size < ids.length) throw new Fault('invalid', 'recipe-step-twice')
  const kinds = recipe.steps.map(({ kind }) => kind)
  if (!kinds.includes('test') || !kinds.includes('clean') || kinds.indexOf('clean') < kinds.indexOf('test'))
    throw new Fault('invalid', 'recipe-needs-end')
  if (recipe.stones !== 'none' && !kinds.includes('side') && !kinds.includes('deburr'))
    throw new Fault('invalid', 'recipe-needs-strokes')
  await changeHouse(db, caller.house.id, (change) => saveRecipe(change, caller.house.id, recipe))
  return { recipe, own: true }
}

export async function restoreRecipe(db: Database, caller: Caller, id: string): Promise<RecipeView[]> {
  if (RECIPES.every((recipe) => recipe.id !== id)) throw new Fault('conflict', 'recipe-no-original')
  await changeHouse(db, caller.house.id, (change) => deleteRecipe(change, caller.house.id, id))
  return await recipeViews(db, caller.house.id)
}

/** @throws Fault when a recipe is not one of this house's */
export async function setRecipePreferences(
  db: Database,
  caller: Caller,
  preferences: readonly RecipePreference[],
): Promise<RecipePreference[]> {
  const { id: houseId } = caller.house
  await changeHouse(db, houseId, async (change) => {
    const known = new Set((await houseRecipes(change, houseId)).map(({ id }) => id))
    if (preferences.some(({ recipeId }) => !known.has(recipeId))) throw notFound('recipe')
    await replaceRecipePreferences(change, houseId, preferences)
  })
  return await listRecipePreferences(db, houseId)
}
