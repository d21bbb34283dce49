import { z } from 'zod'
import { PACES } from '../../core/session/ways'
import {
  ChosenWays,
  GearPatch,
  GearView,
  HouseWays,
  NewGear,
  Recipe,
  RecipePreferences,
  RecipeView,
  StackPieces,
} from '../bench'
import { byId, endpoint } from '../endpoint'

export const shelfEndpoints = {
  gear: endpoint('get', '/api/gear', 'see', 'Stones, rods, strops and plates of the house', {
    answer: z.array(GearView),
  }),
  addGear: endpoint('post', '/api/gear', 'manage-gear', 'Add gear', { body: NewGear, answer: GearView }),
  editGear: endpoint('patch', '/api/gear/{id}', 'manage-gear', 'Change gear, or say that it was flattened', {
    params: byId,
    body: GearPatch,
    answer: GearView,
  }),
  pieces: endpoint('get', '/api/stack-pieces', 'see', 'Coins, cards and shims for setting an angle', {
    answer: StackPieces,
  }),
  setPieces: endpoint('put', '/api/stack-pieces', 'manage-gear', 'Replace coins, cards and shims', {
    body: StackPieces,
    answer: StackPieces,
  }),
  recipes: endpoint('get', '/api/recipes', 'see', 'What sessions do, step by step', { answer: z.array(RecipeView) }),
  setRecipe: endpoint('put', '/api/recipes/{id}', 'manage-gear', 'Make a recipe the house’s own', {
    params: z.object({ id: z.string().max(40) }),
    body: Recipe,
    answer: RecipeView,
  }),
  restoreRecipe: endpoint('delete', '/api/recipes/{id}', 'manage-gear', 'Back to the recipe every house starts with', {
    params: z.object({ id: z.string().max(40) }),
    answer: z.array(RecipeView),
  }),
  ways: endpoint('get', '/api/ways', 'see', 'How the house does things where the trade disagrees, and how you do', {
    answer: HouseWays,
  }),
  setWays: endpoint('put', '/api/ways', 'log-hone', 'Set the ways of the house, or your own', {
    body: z.object({ whose: z.enum(['house', 'own']), ways: ChosenWays, pace: z.enum(PACES).optional() }),
    answer: HouseWays,
  }),
  recipePreferences: endpoint(
    'get',
    '/api/recipe-preferences',
    'see',
    'Which recipe the house prefers for which kind of knife',
    { answer: RecipePreferences },
  ),
  setRecipePreferences: endpoint('put', '/api/recipe-preferences', 'manage-gear', 'Replace the house’s preferences', {
    body: RecipePreferences,
    answer: RecipePreferences,
  }),
} as const
