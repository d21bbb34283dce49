import type { StrokeScheme } from '../../abrasive/strokeLadder'
import type { Caution, Check, Choice, RecipeStep, StepKind } from '../recipe'

/** The disagreements of the trade (common practice), each with the school a house starts in. */
export const PATH: Choice = { id: 'path', options: ['sections', 'sweeps'], chosen: 'sections' }
export const EDGE: Choice = { id: 'edge', options: ['both-ways', 'leading', 'trailing'], chosen: 'both-ways' }
export const MUD: Choice = { id: 'mud', options: ['keep', 'rinse'], chosen: 'keep' }
export const DEBURR: Choice = { id: 'deburr', options: ['between-stones', 'at-the-end'], chosen: 'between-stones' }
export const HANDS: Choice = { id: 'hands', options: ['switch', 'same'], chosen: 'same' }
export const COMPOUND: Choice = { id: 'compound', options: ['bare', 'compound'], chosen: 'bare' }
export const STONE_CHOICES = [PATH, EDGE, MUD, DEBURR, HANDS, COMPOUND]

interface Rest {
  readonly each?: 'once' | 'stone'
  readonly side?: 'first' | 'second'
  readonly scheme?: StrokeScheme
  readonly checks?: readonly Check[]
  readonly cautions?: readonly Caution[]
}
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
export const FLATTEN = step('flatten', 'flatten', { each: 'stone', checks: ['stone-flat', 'stone-steady'] })
export const ANGLE = step('angle', 'angle', { each: 'stone', checks: ['no-wobble'] })
export const FINISH = [
  step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'], cautions: ['compound-off'] }),
  TEST,
  CLEAN,
  STOW,
]

export const onStones = (
  scheme: StrokeScheme,
  more: { readonly checks?: readonly Check[]; readonly cautions?: readonly Caution[] } = {},
): RecipeStep[] => [
  step('first', 'side', {
    each: 'stone',
    side: 'first',
    scheme,
    checks: ['burr-all-along', ...(more.checks ?? [])],
    cautions: ['fingers-off-the-end', 'slurry-slips', ...(more.cautions ?? [])],
  }),
  step('second', 'side', {
    each: 'stone',
    side: 'second',
    scheme,
    checks: ['burr-all-along', ...(more.checks ?? [])],
    cautions: ['edge-away'],
  }),
  step('ends', 'ends', { each: 'stone', checks: ['scratches-gone', 'heel-and-tip'] }),
  step('deburr', 'deburr', { each: 'stone', checks: ['no-burr-left'] }),
]

export const whetstone = (scheme: StrokeScheme, more: Parameters<typeof onStones>[1] = {}): RecipeStep[] => [
  LOOK,
  FETCH,
  SOAK,
  FLATTEN,
  ANGLE,
  ...onStones(scheme, more),
  ...FINISH,
]

/** Where a step belongs in a session, for recipes put together from parts. */
export function inOrder({ kind, id }: RecipeStep): number {
  const usual: readonly StepKind[] = [
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
  ]
  return usual.indexOf(kind) + (id === 'burr-off' ? 3.5 : 0)
}
