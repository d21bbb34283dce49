import type { Caution, Check, Choice, Recipe, RecipeStep, StepKind } from './recipe'
import type { StrokeScheme } from '../abrasive/strokeLadder'

/** The disagreements of the trade (common practice), each with the school a house starts in. */
const PATH: Choice = { id: 'path', options: ['sections', 'sweeps'], chosen: 'sections' }
const EDGE: Choice = { id: 'edge', options: ['both-ways', 'leading', 'trailing'], chosen: 'both-ways' }
const MUD: Choice = { id: 'mud', options: ['keep', 'rinse'], chosen: 'keep' }
const DEBURR: Choice = { id: 'deburr', options: ['between-stones', 'at-the-end'], chosen: 'between-stones' }
const HANDS: Choice = { id: 'hands', options: ['switch', 'same'], chosen: 'same' }
const COMPOUND: Choice = { id: 'compound', options: ['bare', 'compound'], chosen: 'bare' }
const STONE_CHOICES = [PATH, EDGE, MUD, DEBURR, HANDS, COMPOUND]

interface Rest {
  readonly each?: 'once' | 'stone'
  readonly side?: 'first' | 'second'
  readonly scheme?: StrokeScheme
  readonly checks?: readonly Check[]
  readonly cautions?: readonly Caution[]
}
const step = (
  id: string,
  kind: StepKind,
  { each = 'once', checks = [], cautions = [], ...rest }: Rest = {},
): RecipeStep => ({ id, kind, each, checks, cautions, ...rest })

const LOOK = step('look', 'look', { cautions: ['dull-is-dangerous'] })
const TEST = step('test', 'test', { cautions: ['fresh-edge-bites'] })
const CLEAN = step('clean', 'clean', { cautions: ['filings', 'wash-alone'] })
const STOW = step('stow', 'stow', { cautions: ['fresh-edge-bites'] })
const FETCH = step('fetch', 'fetch', { checks: ['dry-hands'], cautions: ['not-your-skill', 'glove-for-learners'] })
const SOAK = step('soak', 'soak', { checks: ['bubbles-stopped'] })
const FLATTEN = step('flatten', 'flatten', { each: 'stone', checks: ['stone-flat', 'stone-steady'] })
const ANGLE = step('angle', 'angle', { each: 'stone', checks: ['no-wobble'] })
const FINISH = [
  step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'], cautions: ['compound-off'] }),
  TEST,
  CLEAN,
  STOW,
]

const onStones = (
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

const whetstone = (scheme: StrokeScheme, more: Parameters<typeof onStones>[1] = {}): RecipeStep[] => [
  LOOK,
  FETCH,
  SOAK,
  FLATTEN,
  ANGLE,
  ...onStones(scheme, more),
  ...FINISH,
]

/**
 * Recipes a house starts with (common practice). They are data: a house may change, add and drop steps,
 * and nothing below is read by name anywhere else.
 */
export const RECIPES: readonly Recipe[] = [
  {
    id: 'full',
    actions: ['stone', 'repair'],
    suits: {},
    stones: 'progression',
    finishMicron: 4,
    choices: STONE_CHOICES,
    steps: whetstone('equal'),
  },
  {
    id: 'maintenance',
    actions: ['stone', 'touch-up'],
    suits: {},
    stones: 'progression',
    finishMicron: 4,
    choices: STONE_CHOICES,
    steps: [LOOK, FETCH, SOAK, FLATTEN, ANGLE, ...onStones('falling'), ...FINISH],
  },
  {
    id: 'touch-up',
    actions: ['touch-up'],
    suits: {},
    stones: 'last',
    finishMicron: 4,
    choices: [EDGE, COMPOUND],
    steps: [LOOK, FETCH, ANGLE, ...onStones('slicing'), ...FINISH],
  },
  {
    id: 'thin',
    actions: ['thin'],
    suits: {},
    stones: 'progression',
    finishMicron: 14,
    choices: [MUD, HANDS],
    steps: [
      LOOK,
      FETCH,
      SOAK,
      FLATTEN,
      ANGLE,
      step('first', 'side', {
        each: 'stone',
        side: 'first',
        scheme: 'equal',
        checks: ['even-bevels'],
        cautions: ['fingers-off-the-end', 'slurry-slips'],
      }),
      step('second', 'side', {
        each: 'stone',
        side: 'second',
        scheme: 'equal',
        checks: ['even-bevels'],
        cautions: ['edge-away'],
      }),
      step('ends', 'ends', { each: 'stone', checks: ['scratches-gone', 'heel-and-tip'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'strop',
    actions: ['hone'],
    suits: {},
    stones: 'none',
    finishMicron: 4,
    choices: [COMPOUND],
    steps: [
      LOOK,
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'], cautions: ['compound-off', 'edge-away'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'steel',
    actions: ['hone'],
    suits: { hrcBelow: 61 },
    stones: 'none',
    finishMicron: 4,
    choices: [],
    steps: [
      LOOK,
      step('hone', 'hone', {
        scheme: 'rod',
        checks: ['rod-wiped', 'no-wobble'],
        cautions: ['no-steel-on-hard', 'no-banging', 'edge-away'],
      }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'rod-ladder',
    actions: ['hone', 'touch-up'],
    suits: {},
    stones: 'none',
    finishMicron: 6,
    choices: [],
    steps: [
      LOOK,
      step('hone', 'hone', {
        scheme: 'diamond-rod',
        checks: ['rod-wiped', 'no-wobble'],
        cautions: ['no-banging', 'edge-away'],
      }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'serrated-ground-side',
    actions: ['stone', 'touch-up', 'hone'],
    suits: { serrated: true },
    stones: 'none',
    finishMicron: 11.5,
    choices: [],
    steps: [
      LOOK,
      FETCH,
      step('teeth', 'teeth', { side: 'first', scheme: 'serrated', checks: ['teeth-kept'], cautions: ['edge-away'] }),
      step('back', 'teeth', { side: 'second', scheme: 'slicing', checks: ['no-burr-left', 'teeth-kept'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'serrated-flat-back',
    actions: ['stone', 'touch-up', 'hone'],
    suits: { serrated: true },
    stones: 'none',
    finishMicron: 11.5,
    choices: [COMPOUND],
    steps: [
      LOOK,
      FETCH,
      step('back', 'teeth', { side: 'second', scheme: 'boning', checks: ['teeth-kept'] }),
      step('gullets', 'teeth', {
        side: 'first',
        scheme: 'slicing',
        checks: ['no-burr-left', 'teeth-kept'],
        cautions: ['edge-away'],
      }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'boning',
    actions: ['stone', 'touch-up', 'repair'],
    suits: { types: ['boning-stiff', 'boning-flexible', 'fillet'] },
    stones: 'progression',
    finishMicron: 11.5,
    choices: [EDGE, COMPOUND],
    steps: whetstone('boning', { cautions: ['glove-for-learners'] }),
  },
  {
    id: 'clamp-jig',
    actions: ['stone', 'touch-up'],
    suits: {},
    stones: 'progression',
    finishMicron: 11.5,
    choices: [DEBURR, COMPOUND],
    steps: whetstone('equal', { cautions: ['edge-away'] }),
  },
  {
    id: 'slicer',
    actions: ['stone', 'touch-up', 'repair'],
    suits: { types: ['slicer', 'breaking'] },
    stones: 'progression',
    finishMicron: 4,
    choices: STONE_CHOICES,
    steps: whetstone('slicing'),
  },
  {
    id: 'curved',
    actions: ['stone', 'repair'],
    suits: { types: ['skinning', 'breaking', 'cleaver'] },
    stones: 'progression',
    finishMicron: 11.5,
    choices: [PATH, EDGE, COMPOUND],
    steps: whetstone('boning', { checks: ['heel-and-tip'] }),
  },
  {
    id: 'asymmetric',
    actions: ['stone', 'touch-up', 'repair'],
    suits: { asymmetric: true, grinds: ['flat', 'convex', 'hollow', 'wide-bevel'] },
    stones: 'progression',
    finishMicron: 4,
    choices: STONE_CHOICES,
    steps: whetstone('equal', { checks: ['even-bevels'] }),
  },
  {
    id: 'single-bevel',
    actions: ['stone', 'touch-up', 'repair'],
    suits: { asymmetric: true, grinds: ['single'] },
    stones: 'progression',
    finishMicron: 3,
    choices: [MUD, HANDS, COMPOUND],
    steps: whetstone('equal', { cautions: ['brittle'] }),
  },
  {
    id: 'hard-steel',
    actions: ['stone', 'touch-up', 'repair'],
    suits: { hrcFrom: 63 },
    stones: 'progression',
    finishMicron: 4,
    choices: [PATH, DEBURR, COMPOUND],
    steps: [
      ...whetstone('equal', { checks: ['faces-taped'], cautions: ['brittle'] }).filter(({ id }) => id !== 'strop'),
      step('burr-off', 'deburr', { scheme: 'hard-burr', checks: ['no-burr-left'], cautions: ['brittle'] }),
    ].sort((a, b) => inOrder(a) - inOrder(b)),
  },
  {
    id: 'burr-off',
    actions: ['hone'],
    suits: {},
    stones: 'last',
    finishMicron: 4,
    choices: [EDGE, COMPOUND],
    steps: [
      LOOK,
      step('burr-off', 'deburr', { scheme: 'hard-burr', checks: ['no-burr-left'] }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
]

/** Where a step belongs in a session, for recipes put together from parts. */
function inOrder({ kind, id }: RecipeStep): number {
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
