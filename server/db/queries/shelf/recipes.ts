import type { RecipePreference } from '../../../../contract/bench'
import type { Recipe } from '../../../../core/session/recipe'
import type { Queryable } from '../../database'

export async function listRecipes(db: Queryable, houseId: string): Promise<Recipe[]> {
  const { rows } = await db.query<{ recipe: Recipe }>('select recipe from recipes where house_id = $1', [houseId])
  return rows.map(({ recipe }) => recipe)
}

export async function saveRecipe(db: Queryable, houseId: string, recipe: Recipe): Promise<void> {
  await db.query(
    `insert into recipes (house_id, id, recipe)
     values ($1, $2, $3)
     on conflict (house_id, id) do update set recipe = excluded.recipe`,
    [houseId, recipe.id, JSON.stringify(recipe)],
  )
}

export async function deleteRecipe(db: Queryable, houseId: string, recipeId: string): Promise<void> {
  await db.query('delete from recipes where house_id = $1 and id = $2', [houseId, recipeId])
}

export async function listRecipePreferences(db: Queryable, houseId: string): Promise<RecipePreference[]> {
  const { rows } = await db.query<RecipePreference>(
    'select role, work, recipe_id as "recipeId" from recipe_preferences where house_id = $1 order by role, work',
    [houseId],
  )
  return rows
}

export async function replaceRecipePreferences(
  db: Queryable,
  houseId: string,
  preferences: readonly RecipePreference[],
): Promise<void> {
  await db.query('delete from recipe_preferences where house_id = $1', [houseId])
  await db.query(
    `insert into recipe_preferences (house_id, role, work, recipe_id)
     select $1, preference.role, preference.work, preference."recipeId"
     from jsonb_to_recordset($2::jsonb) as preference (role text, work text, "recipeId" text)
     on conflict (house_id, role, work) do update set recipe_id = excluded.recipe_id`,
    [houseId, JSON.stringify(preferences)],
  )
}
