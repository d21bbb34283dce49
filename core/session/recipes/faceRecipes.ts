import type { Recipe, RecipeStep } from '../recipe'
import {
  CHILLED,
  CLEAN,
  COMPOUND,
  edgeRecipe,
  FINISH,
  FIRST_SIDE,
  FLATNESS,
  HANDS,
  HOLDER,
  LOOK,
  POLISH,
  SETTING_UP,
  step,
  STOW,
  TEST,
  THINNING_MUD,
} from './parts'

/** One face after the other, lying flat: no burr is wanted, and the shoulder line stays straight. */
const FACES: readonly RecipeStep[] = [
  step('first', 'side', {
    each: 'stone',
    work: 'face',
    side: 'first',
    lift: { from: 'face', dps: 0 },
    scheme: 'equal',
    checks: ['fits-the-face', 'shoulder-even'],
    ifNot: 'stop-here',
    cautions: ['fingers-off-the-end', 'slurry-slips'],
  }),
  step('second', 'side', {
    each: 'stone',
    work: 'face',
    side: 'second',
    lift: { from: 'face', dps: 0 },
    scheme: 'equal',
    checks: ['fits-the-face', 'even-bevels'],
    ifNot: 'more-there',
    cautions: ['edge-away'],
  }),
  step('ends', 'ends', { each: 'stone', checks: ['scratches-gone'], ifNot: 'go-coarser' }),
]
const FACE_SET_UP = SETTING_UP.filter(({ kind }) => kind !== 'angle')
const FACE_CHOICES = [THINNING_MUD, HANDS, FIRST_SIDE, FLATNESS, POLISH]

/** One part of a section ground in its own angle: both sides, or one. */
const cut = (id: string, work: 'face' | 'edge', more: Partial<RecipeStep> = {}): RecipeStep[] =>
  (['first', 'second'] as const).map((side) =>
    step(`${id}-${side}`, 'side', {
      each: 'first-stone',
      work,
      side,
      cut: id,
      checks: ['shoulder-even'],
      ifNot: 'more-there',
      cautions: side === 'first' ? ['fingers-off-the-end', 'slurry-slips'] : ['edge-away'],
      ...more,
    }),
  )

/** Sessions on the faces behind the edge. */
export const FACE_RECIPES: readonly Recipe[] = [
  {
    id: 'thin',
    actions: ['thin'],
    records: { kind: 'sharpened' },
    worksOn: 'face',
    suits: {},
    stones: 'progression',
    finishMicron: 11.5,
    choices: FACE_CHOICES,
    steps: [LOOK, ...FACE_SET_UP, ...FACES, TEST, CLEAN, STOW],
  },
  {
    // a little at every few sharpenings, so that it never has to be an hour (common practice)
    id: 'thin-little',
    actions: [],
    records: { kind: 'sharpened' },
    worksOn: 'face',
    suits: { types: ['chef', 'santoku', 'nakiri', 'petty', 'slicer', 'paring'] },
    stones: 'progression',
    thinByMm: 0.02,
    // #400 is where a face that is thinned often is left (common practice: #400 to #1000)
    finishMicron: 30,
    choices: FACE_CHOICES,
    steps: [LOOK, ...FACE_SET_UP, ...FACES, TEST, CLEAN, STOW],
  },
  edgeRecipe({
    // flat rub, shoulder, edge (common practice); the edge is polished, more so for chilled meat
    id: 'boning-anew',
    actions: ['thin'],
    suits: { types: ['boning-stiff', 'boning-flexible'] },
    operation: 'boning',
    skill: 'thinning',
    finishMicron: 11.5,
    choices: [HANDS, FIRST_SIDE, FLATNESS, COMPOUND, CHILLED, HOLDER],
    steps: [
      LOOK,
      ...SETTING_UP,
      ...cut('rub', 'face', { lift: { from: 'face', dps: 0 }, checks: ['fits-the-face'], ifNot: 'stop-here' }),
      ...cut('shoulder', 'face', { lift: { from: 'stone', dps: 12.5 } }),
      ...cut('edge', 'edge', { checks: ['burr-all-along'] }),
      step('refine-first', 'side', {
        each: 'later-stones',
        work: 'edge',
        side: 'first',
        scheme: 'boning',
        checks: ['scratches-gone'],
        ifNot: 'more-there',
        cautions: ['fingers-off-the-end'],
      }),
      step('refine-second', 'side', {
        each: 'later-stones',
        work: 'edge',
        side: 'second',
        scheme: 'boning',
        checks: ['scratches-gone'],
        ifNot: 'more-there',
        cautions: ['edge-away'],
      }),
      ...FINISH,
    ],
  }),
]
