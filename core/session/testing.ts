import { grainMicrons } from '../abrasive/grain'
import type { ProgressionInput } from '../abrasive/progression'
import { planSession, type SessionAsk } from './layOut'
import type { SessionPlan } from './plan'
import { RECIPES } from './recipes'

/** A shelf as in the table of common practice. */
export const SHELF = [220, 320, 400, 1000, 3000, 6000].map((grit) => ({
  id: `#${grit}`,
  micron: grainMicrons({ scale: 'JIS', value: grit }),
}))
export const CHEF_BLADE = { lengthMm: 240, heelHeightMm: 48, spineMm: 2.4, bteMm: 0.38, dps: 17, hrc: 57 }

/** A session of one of the recipes every house starts with, for tests: a dull chef's knife unless told otherwise. */
export function sessionOf(
  recipeId: string,
  {
    progression,
    ...more
  }: Partial<Omit<SessionAsk, 'recipe' | 'progression'>> & { progression?: Partial<ProgressionInput> } = {},
): SessionPlan {
  const recipe = RECIPES.find(({ id }) => id === recipeId)
  if (!recipe) throw new Error(recipeId)
  const thins = recipe.worksOn === 'face'
  const work = thins ? { thinning: { byMm: 0.1 } } : { bluntUm: 14, isTopUp: recipe.stones === 'last' }
  return planSession({
    recipe,
    progression: recipe.stones === 'none' ? null : { blade: CHEF_BLADE, ...work, stones: SHELF, ...progression },
    condition: 'dull',
    ratioRight: 50,
    choices: Object.fromEntries(recipe.choices.map(({ id, chosen }) => [id, chosen])),
    section: CHEF_BLADE,
    hrc: progression?.blade?.hrc ?? CHEF_BLADE.hrc,
    ...(recipe.operation ? { cuts: CUTS } : {}),
    ...more,
  })
}

/** Parts of a boning section as the workshop would give them. */
const CUTS = {
  rub: { dps: 2.5, liftMm: 0, minutes: 9, strokes: { left: 180, right: 180 } },
  shoulder: { dps: 12.5, liftMm: 6, minutes: 3, strokes: { left: 60, right: 60 } },
  edge: { dps: 25, liftMm: 12, minutes: 4, strokes: { left: 80, right: 80 } },
}
