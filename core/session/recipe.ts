import type { StrokeScheme } from '../abrasive/strokeLadder'
import type { HoneTool } from '../edge/model/hone'
import type { Action } from '../edge/verdict/verdict'
import type { Right } from '../house/rights'
import type { Grind, KnifeType } from '../knife/knifeTypes'

/** What a step of a session asks for. */
export const STEP_KINDS = [
  'look',
  'fetch',
  'soak',
  'flatten',
  'angle',
  'side',
  'ends',
  'deburr',
  'hone',
  'teeth',
  'strop',
  'test',
  'clean',
  'stow',
] as const
export type StepKind = (typeof STEP_KINDS)[number]
/** Kinds of step that are done in counted strokes. */
export const COUNTED_KINDS: ReadonlySet<StepKind> = new Set(['side', 'deburr', 'hone', 'teeth', 'strop'])

/** Things to see or feel before going on. */
export const CHECKS = [
  'burr-all-along',
  'scratches-gone',
  'heel-and-tip',
  'no-burr-left',
  'stone-flat',
  'stone-steady',
  'bubbles-stopped',
  'dry-hands',
  'teeth-kept',
  'no-wobble',
  'rod-wiped',
  'faces-taped',
  'even-bevels',
] as const
export type Check = (typeof CHECKS)[number]

/** What can hurt somebody or ruin a blade, said where it applies. */
export const CAUTIONS = [
  'fingers-off-the-end',
  'edge-away',
  'slurry-slips',
  'dull-is-dangerous',
  'fresh-edge-bites',
  'wash-alone',
  'filings',
  'glove-for-learners',
  'food-grade-oil',
  'compound-off',
  'no-steel-on-hard',
  'brittle',
  'not-your-skill',
  'no-banging',
] as const
export type Caution = (typeof CAUTIONS)[number]

/** One step as data: a house may change count, checks, cautions and words, and add or drop steps. */
export interface RecipeStep {
  readonly id: string
  readonly kind: StepKind
  /** once in a session, or once on every stone of the progression */
  readonly each: 'once' | 'stone'
  readonly side?: 'first' | 'second' | undefined
  readonly scheme?: StrokeScheme | undefined
  /** where pressing starts, N, in place of what ladder and stone would say */
  readonly newtons?: number | undefined
  readonly checks: readonly Check[]
  readonly cautions: readonly Caution[]
  /** the house's own words in place of the catalogue's */
  readonly words?: { readonly what: string; readonly why: string } | undefined
}

/** A disagreement of the trade, left to the house or the person. */
export interface Choice {
  readonly id: 'path' | 'edge' | 'mud' | 'deburr' | 'hands' | 'compound'
  readonly options: readonly string[]
  readonly chosen: string
}

export interface RecipeSuits {
  readonly types?: readonly KnifeType[] | undefined
  readonly grinds?: readonly Grind[] | undefined
  readonly serrated?: boolean | undefined
  readonly asymmetric?: boolean | undefined
  readonly hrcFrom?: number | undefined
  readonly hrcBelow?: number | undefined
}

/** What a recipe leaves in a knife's log: an edge brought back with a tool, or a new one. */
export type RecipeRecord = { readonly kind: 'honed'; readonly tool: HoneTool } | { readonly kind: 'sharpened' }

/** What a recipe works on, which decides how its session is laid out. */
export const WORKED_PARTS = ['edge', 'face', 'teeth'] as const
export type WorkedPart = (typeof WORKED_PARTS)[number]

export interface Recipe {
  readonly id: string
  /** the house's own name for it, where it is not one that every house starts with */
  readonly name?: string | undefined
  readonly records: RecipeRecord
  readonly worksOn: WorkedPart
  readonly actions: readonly Action[]
  readonly suits: RecipeSuits
  /** how many stones of the progression it uses */
  readonly stones: 'progression' | 'last' | 'none'
  readonly finishMicron: number
  readonly choices: readonly Choice[]
  readonly steps: readonly RecipeStep[]
}

/** What a recipe is chosen by. */
export interface RecipeKnife {
  readonly type: KnifeType
  readonly grind: Grind
  readonly serrated: boolean
  readonly ratioRight: number
  readonly hrc: number
}

/** The right somebody needs for a recipe follows from what it does to the knife. */
export const rightForRecipe = ({ records }: Pick<Recipe, 'records'>): Right =>
  records.kind === 'honed' ? 'log-hone' : 'log-sharpening'

const EVEN = 50

function suitsKnife({ suits: wanted }: Recipe, knife: RecipeKnife): boolean {
  return (
    (wanted.types?.includes(knife.type) ?? true) &&
    (wanted.grinds?.includes(knife.grind) ?? true) &&
    (wanted.serrated === undefined ? !knife.serrated : wanted.serrated === knife.serrated) &&
    (wanted.asymmetric === undefined || wanted.asymmetric === (knife.ratioRight !== EVEN)) &&
    (wanted.hrcFrom === undefined || knife.hrc >= wanted.hrcFrom) &&
    (wanted.hrcBelow === undefined || knife.hrc < wanted.hrcBelow)
  )
}

/** How closely a recipe is made for a knife: the more it asks for, the more it knows. */
const closeness = ({ suits: wanted }: Recipe): number =>
  Object.values(wanted).filter((value) => value !== undefined).length

/** Recipes that may be used on a knife for an action, the one made most closely for it first. */
export function recipesFor(recipes: readonly Recipe[], knife: RecipeKnife, action: Action): Recipe[] {
  return recipes
    .filter((recipe) => suitsKnife(recipe, knife))
    .sort(
      (a, b) => Number(b.actions.includes(action)) - Number(a.actions.includes(action)) || closeness(b) - closeness(a),
    )
}
