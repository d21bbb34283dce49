import type { Gear, RecipePreference } from '../../../contract/bench'
import { flatteningState, isDiamond, isStone, needsFlattening } from '../../../core/abrasive/gear'
import { learnedRate, type BurrTime } from '../../../core/abrasive/learnedRate'
import type { ProgressionInput, ProgressionStone } from '../../../core/abrasive/progression'
import type { KnifeState } from '../../../core/edge/log/state'
import { grindingWork, type StoneAction } from '../../../core/edge/verdict/cost'
import type { Action, VerdictRules } from '../../../core/edge/verdict/verdict'
import type { KnownBlade } from '../../../core/knife/blade'
import { MeasureError } from '../../../core/measure'
import { planSession, type SectionCut, type ShelfState } from '../../../core/session/layOut'
import type { SessionPlan } from '../../../core/session/plan'
import { recipesFor, type Recipe, type RecipeKnife } from '../../../core/session/recipe'
import { RECIPES } from '../../../core/session/recipes'
import { symmetry } from '../../../core/session/symmetry'
import { waysFor, type Ways } from '../../../core/session/ways'
import { edgeCondition } from '../../../core/session/work'
import { boningAnew } from '../../../core/workshop/operation'
import { planWorkshop } from '../../../core/workshop/plan'
import type { Queryable } from '../../db/database'
import type { StoredKnife } from '../../db/queries/fleet/knives'
import { listGear } from '../../db/queries/shelf/gear'
import { listRecipePreferences, listRecipes } from '../../db/queries/shelf/recipes'
import { listWays } from '../../db/queries/shelf/ways'
import { Fault, notFound } from '../../faults'
import { micronOf } from './gear'

/** What a person asks of a session before it begins. */
export interface BenchWish {
  readonly recipeId?: string | undefined
  readonly startWith?: string | undefined
  readonly choices: Ways
}

/** A house's bench: what stands there, and how the house does things. */
export interface Bench {
  readonly gear: readonly Gear[]
  readonly recipes: readonly Recipe[]
  readonly preferences: readonly RecipePreference[]
  readonly ways: Ways
}

/** A knife on its way to the bench. */
export interface BenchKnife {
  readonly knife: StoredKnife
  readonly present: { readonly blade: KnownBlade; readonly state: KnifeState; readonly rules: VerdictRules }
  readonly action: Action
}

/** Whoever stands at the bench: minutes to the burr so far by stone, and ways of their own; nobody where the house plans. */
export interface Hands {
  readonly burrTimes: ReadonlyMap<string, readonly BurrTime[]>
  readonly ways: Ways
}
export const NOBODY_YET: Hands = { burrTimes: new Map(), ways: {} }

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
    ways: (await listWays(db, houseId, null)).house,
  }
}

/** Stones that stand at the bench, each as fast as it has been in these hands. */
export const stonesAt = ({ gear }: Pick<Bench, 'gear'>, { burrTimes }: Hands): ProgressionStone[] =>
  gear.flatMap((one) => {
    const micron = micronOf(one)
    const { rate } = learnedRate(burrTimes.get(one.id) ?? [])
    return isStone(one.kind) && micron !== null ? [{ id: one.id, micron, diamond: isDiamond(one.kind), rate }] : []
  })

/** Which stones soak, which dish, and which are due to be flattened before the next knife. */
function shelfState({ gear }: Bench): ShelfState {
  const idsOf = (wanted: (one: Gear) => boolean): ReadonlySet<string> =>
    new Set(gear.filter(wanted).map(({ id }) => id))
  return {
    soaks: idsOf(({ soakMinutes }) => soakMinutes > 0),
    dishes: idsOf(({ kind }) => needsFlattening(kind)),
    flattenDue: idsOf((one) => flatteningState(one).due),
  }
}

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

/**
 * What a recipe does to a knife, as the removal model counts it. A touch-up that is asked for stays one on every recipe
 * that is made for it; on the butcher's one stone it is a whole session.
 */
function workOf(recipe: Recipe, action: Action): StoneAction {
  if (recipe.worksOn === 'face') return 'thin'
  const isTopUp = action === 'touch-up' && recipe.actions.includes('touch-up') && recipe.stones !== 'one'
  if (recipe.stones === 'last' || isTopUp) return 'touch-up'
  return action === 'repair' ? 'repair' : 'stone'
}

export interface SessionLayout {
  readonly recipe: Recipe
  readonly plan: SessionPlan
  readonly input: ProgressionInput | null
}

/** A recipe that changes the section: what is ground, and each part of it on the first stone. */
function sectionWork(
  { knife, present }: BenchKnife,
  recipe: Recipe,
  stones: readonly ProgressionStone[],
): { readonly work: Partial<ProgressionInput>; readonly cuts: Readonly<Record<string, SectionCut>> } {
  const { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight } = present.blade.measures
  const { cuts, work } = planWorkshop({
    blade: { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight, grind: knife.grind, ratioRight: knife.ratioRight },
    type: knife.type,
    operation: boningAnew(Math.max(dpsLeft, dpsRight)),
    lengthMm: knife.lengthMm,
    hrc: present.blade.spec.hrc,
    carbides: present.blade.spec.carbides,
    stones,
    finishMicron: recipe.finishMicron,
  })
  return { work, cuts: Object.fromEntries(cuts.map((cut) => [cut.name, cut])) }
}

/** What is to be ground by a recipe that keeps the section as it is. */
function edgeWork({ present: { blade, state, rules }, action }: BenchKnife, recipe: Recipe): Partial<ProgressionInput> {
  const { bteMm } = blade.geometry
  const targetBteMm =
    recipe.thinByMm === undefined
      ? Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm)
      : bteMm - Math.min(recipe.thinByMm, bteMm / 2)
  return grindingWork(state, blade.geometry, workOf(recipe, action), targetBteMm)
}

/**
 * A session laid out for one knife on this house's stones, in its ways and those of whoever stands at it.
 *
 * @throws Fault when there is no recipe, no stone, or the work cannot be done
 */
export function layOutSession(
  bench: Bench,
  one: BenchKnife,
  wish: BenchWish = { choices: {} },
  hands: Hands = NOBODY_YET,
): SessionLayout {
  const recipe = chooseRecipe(bench, one, wish.recipeId)
  const stones = stonesAt(bench, hands)
  if (recipe.stones !== 'none' && stones.length === 0) throw new Fault('conflict', 'no-stones')
  const { blade, state } = one.present
  const { ratioRight } = one.knife
  const choices = waysFor(recipe, bench.ways, hands.ways, wish.choices)
  try {
    const { work, cuts } = recipe.operation
      ? sectionWork(one, recipe, stones)
      : { work: edgeWork(one, recipe), cuts: undefined }
    const progression =
      recipe.stones === 'none'
        ? null
        : {
            blade: blade.geometry,
            ...work,
            stones,
            ...(wish.startWith === undefined ? {} : { startWith: wish.startWith }),
          }
    const plan = planSession({
      recipe,
      progression,
      condition: edgeCondition(state, blade.geometry.dps),
      ratioRight,
      choices,
      dps: { left: blade.measures.dpsLeft, right: blade.measures.dpsRight },
      section: blade.measures,
      hrc: blade.spec.hrc,
      shelf: shelfState(bench),
      cuts,
      owes: symmetry(state.strokes, ratioRight)?.owes,
    })
    return { recipe, plan, input: progression && { ...progression, finishMicron: recipe.finishMicron } }
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    if (error.code === 'first-stone-too-fine') throw new Fault('conflict', 'first-stone-too-fine', error.values)
    throw new Fault('conflict', 'session-impossible')
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
