import type { Recipe } from './recipe'
import { FACE_RECIPES } from './recipes/faceRecipes'
import { HONING_RECIPES } from './recipes/honingRecipes'
import { SERRATED_RECIPES } from './recipes/serratedRecipes'
import { STONE_RECIPES } from './recipes/stoneRecipes'

/**
 * Recipes a house starts with (common practice). They are data: a house may change, add and drop steps,
 * and nothing below is read by name anywhere else.
 */
export const RECIPES: readonly Recipe[] = [...STONE_RECIPES, ...FACE_RECIPES, ...HONING_RECIPES, ...SERRATED_RECIPES]
