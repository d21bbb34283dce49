import type { StrokeScheme } from '../../abrasive/strokeLadder'
import type { Caution, Check, Choice, Recipe, RecipeStep, StepKind } from '../recipe'
import { WAYS, type WayId } from '../ways'

const choice = (id: WayId, chosen: string = WAYS[id][0], options: readonly string[] = WAYS[id]): Choice => ({
  id,
  options,
  chosen,
})
/** The disagreements of the trade (common practice), each with the school a house starts in. */
export const PATH = choice('path')
export const EDGE = choice('edge')
export const FIRST_SIDE = choice('first-side')
export const PRESS = choice('press')
/** Mud cuts: kept when a face is thinned, rinsed off where an edge is made. */
export const MUD = choice('mud', 'rinse')
export const THINNING_MUD = choice('mud', 'keep')
export const DEBURR = choice('deburr')
export const BURR_ON = choice('burr-on')
export const HANDS = choice('hands')
export const COMPOUND = choice('compound')
export const TIP = choice('tip')
export const FLATNESS = choice('flatten', 'every-few')
export const POLISH = choice('polish', 'for-work', ['for-work', 'for-looks'])
export const CHILLED = choice('polish', 'for-work', ['for-work', 'for-chilled-meat'])
export const ONE_STONE = choice('stones')
export const LIQUID = choice('liquid')
export const HOLDER = choice('holder')
export const STROKE_CHOICES = [PATH, EDGE, PRESS, HANDS]
export const STONE_CHOICES = [...STROKE_CHOICES, FIRST_SIDE, MUD, DEBURR, BURR_ON, COMPOUND, TIP, FLATNESS, ONE_STONE]

type Rest = Partial<Omit<RecipeStep, 'id' | 'kind'>>
export const step = (
  id: string,
  kind: StepKind,
  { each = 'once', checks = [], cautions = [], ...rest }: Rest = {},
): RecipeStep => ({ id, kind, each, checks, cautions, ...rest })

export const LOOK = step('look', 'look', { cautions: ['dull-is-dangerous'] })
export const TEST = step('test', 'test', { cautions: ['fresh-edge-bites'] })
export const CLEAN = step('clean', 'clean', { cautions: ['filings', 'wash-alone'] })
export const STOW = step('stow', 'stow', { cautions: ['fresh-edge-bites'] })
export const FETCH = step('fetch', 'fetch', {
  checks: ['dry-hands'],
  cautions: ['not-your-skill', 'glove-for-learners'],
})
export const SOAK = step('soak', 'soak', { checks: ['bubbles-stopped'] })
export const FLATTEN = step('flatten', 'flatten', {
  each: 'stone',
  checks: ['stone-flat', 'stone-clean'],
  ifNot: 'clean-the-stone',
})
export const ANGLE = step('angle', 'angle', { each: 'stone', checks: ['no-wobble'] })
export const STROPPING = [
  // rough side then smooth; on very hard steel the smooth side alone (common practice)
  step('strop-rough', 'strop', {
    scheme: 'strop-side',
    work: 'burr',
    tool: 'strop-rough',
    side: 'alternating',
    checks: ['no-burr-left'],
    ifNot: 'raise-the-angle',
    only: { hrcBelow: 61 },
  }),
  step('strop', 'strop', {
    scheme: 'strop-side',
    work: 'burr',
    tool: 'strop-smooth',
    side: 'alternating',
    checks: ['no-burr-left'],
    ifNot: 'deburr-again',
  }),
]
export const WIPE_COMPOUND = step('wipe-compound', 'wipe', {
  cautions: ['compound-off'],
  only: { way: { id: 'compound', option: 'compound' } },
})
export const FINISH = [...STROPPING, WIPE_COMPOUND, TEST, CLEAN, STOW]
/** Paper between stones shows whether it is right so far (common practice). */
export const TRY = step('try', 'try', { each: 'stone' })

interface OnStones {
  readonly checks?: readonly Check[]
  readonly cautions?: readonly Caution[]
  readonly tool?: RecipeStep['tool']
}

/** Both sides of an edge on every stone, heel and tip looked at, the burr taken off, and a try on paper. */
export const onStones = (scheme: StrokeScheme, { checks = [], cautions = [], tool }: OnStones = {}): RecipeStep[] => [
  step('first', 'side', {
    each: 'stone',
    work: 'edge',
    side: 'first',
    scheme,
    ...(tool ? { tool } : {}),
    checks: ['burr-all-along', ...checks],
    ifNot: 'more-there',
    cautions: ['fingers-off-the-end', 'slurry-slips', ...cautions],
  }),
  step('second', 'side', {
    each: 'stone',
    work: 'edge',
    side: 'second',
    scheme,
    ...(tool ? { tool } : {}),
    checks: ['burr-all-along', ...checks],
    ifNot: 'more-there',
    cautions: ['edge-away'],
  }),
  step('ends', 'ends', { each: 'stone', checks: ['scratches-gone', 'heel-and-tip'], ifNot: 'go-coarser' }),
  step('deburr', 'deburr', {
    each: 'stone',
    work: 'burr',
    side: 'alternating',
    checks: ['no-burr-left'],
    ifNot: 'deburr-again',
  }),
  TRY,
]

export const SETTING_UP = [FETCH, SOAK, FLATTEN, ANGLE]
export const whetstone = (scheme: StrokeScheme, more: OnStones = {}): RecipeStep[] => [
  LOOK,
  ...SETTING_UP,
  ...onStones(scheme, more),
  ...FINISH,
]

/** A recipe that makes or keeps an edge on stones, with what most of them share. */
export const edgeRecipe = (
  of: Pick<Recipe, 'id' | 'actions' | 'steps'> & Partial<Omit<Recipe, 'records' | 'worksOn'>>,
): Recipe => ({
  records: { kind: 'sharpened' },
  worksOn: 'edge',
  suits: {},
  stones: 'progression',
  finishMicron: 4,
  choices: STONE_CHOICES,
  ...of,
})
