import type { EdgeCondition, StrokeScheme } from '../abrasive/strokeLadder'
import type { HoneTool } from '../edge/model/hone'
import type { Action } from '../edge/verdict/verdict'
import type { Right } from '../house/rights'
import type { Skill } from '../house/skills'
import type { Grind, KnifeType } from '../knife/knifeTypes'
import type { WayId } from './ways'

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
  'try',
  'wipe',
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
  'back-flat',
  'shoulder-even',
  'fits-the-face',
  'teeth-rolled',
  'gullets-clean',
  'blade-cool',
  'eyes-covered',
  'stone-clean',
  'slices-fruit',
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
  'light-on-diamond',
  'wheel-eyes',
  'wheel-catches',
  'wheel-not-for-this',
] as const
export type Caution = (typeof CAUTIONS)[number]

/** What a step works on. */
export const STEP_WORKS = ['edge', 'face', 'teeth', 'burr'] as const
export type StepWork = (typeof STEP_WORKS)[number]

/** What a step is done with, where that is not the stone of its stage. */
export const STEP_TOOLS = [
  'loupe',
  'ceramic-rod',
  'diamond-rod',
  'fine-diamond',
  'smooth-steel',
  'polished-steel',
  'strop',
  'strop-rough',
  'strop-smooth',
  'paste-film',
  'cork',
  'plastic',
  'jig',
  'wheel',
] as const
export type StepTool = (typeof STEP_TOOLS)[number]

/** What the angle of a step is counted from: the edge's own, the face lying flat, or the stone itself. */
export const LIFTS = ['edge', 'face', 'stone'] as const
export interface StepLift {
  readonly from: (typeof LIFTS)[number]
  /** degrees above that */
  readonly dps: number
}

/** What to do when a step's checks are not so. */
export const REMEDIES = [
  'more-there',
  'deburr-again',
  'go-coarser',
  'lower-the-angle',
  'raise-the-angle',
  'turn-the-stone',
  'leave-it',
  'stop-here',
  'to-the-stone',
  'clean-the-stone',
] as const
export type Remedy = (typeof REMEDIES)[number]

/** On which stones of a progression a step is done. */
export const STEP_TURNS = ['once', 'stone', 'first-stone', 'later-stones', 'last-stone'] as const
export type StepTurn = (typeof STEP_TURNS)[number]

/** Sides of a step: the one a blade begins with, the other, or both in turns. */
export const STEP_SIDES = ['first', 'second', 'alternating'] as const
export type StepSide = (typeof STEP_SIDES)[number]

/** One step as data: a house may change count, checks, cautions and words, and add or drop steps. */
export interface RecipeStep {
  readonly id: string
  readonly kind: StepKind
  /** once in a session, or on stones of the progression */
  readonly each: StepTurn
  readonly work?: StepWork | undefined
  readonly side?: StepSide | undefined
  /** an angle of its own; the edge's where it is left out */
  readonly lift?: StepLift | undefined
  readonly tool?: StepTool | undefined
  /** part of a section that is ground in it, where the recipe changes one */
  readonly cut?: string | undefined
  readonly scheme?: StrokeScheme | undefined
  /** where pressing starts, N, in place of what ladder and stone would say */
  readonly newtons?: number | undefined
  /** what to see or feel before going on, and what to do where it is not so */
  readonly checks: readonly Check[]
  readonly ifNot?: Remedy | undefined
  /** only for an edge so far gone, only for steel so hard or softer, and only where the house goes this way */
  readonly only?:
    | {
        readonly condition?: EdgeCondition | undefined
        readonly hrcFrom?: number | undefined
        readonly hrcBelow?: number | undefined
        readonly way?: { readonly id: WayId; readonly option: string } | undefined
      }
    | undefined
  readonly cautions: readonly Caution[]
  /** the house's own words in place of the catalogue's */
  readonly words?: { readonly what: string; readonly why: string } | undefined
}

/** A disagreement of the trade that a recipe leaves to the house or the person, and the school it starts in. */
export interface Choice {
  readonly id: WayId
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
  /** how many stones of the progression it uses: all, the finest as a top-up, one that does it all, or none */
  readonly stones: RecipeStones
  /** the section it changes, where it changes one */
  readonly operation?: 'boning' | undefined
  /** thickness it takes behind the edge, mm; down to the knife's own measure where it is left out */
  readonly thinByMm?: number | undefined
  /** what somebody has to be signed off for, where that is not what the action and the knife say */
  readonly skill?: Skill | undefined
  readonly finishMicron: number
  readonly choices: readonly Choice[]
  readonly steps: readonly RecipeStep[]
}

export const RECIPE_STONES = ['progression', 'last', 'one', 'none'] as const
export type RecipeStones = (typeof RECIPE_STONES)[number]

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
      (a, b) =>
        Number(b.actions.includes(action)) - Number(a.actions.includes(action)) ||
        // what is never proposed comes last, however closely it is made
        Number(b.actions.length > 0) - Number(a.actions.length > 0) ||
        closeness(b) - closeness(a),
    )
}
